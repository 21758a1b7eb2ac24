import { type Interior, isDivided, type Room, startingGraduation } from '../../decisions/index.js';
import type { LengthUnit } from '../../ground/index.js';

/** What a room may be for, in the words of the list of openings. */
export const ROOMS = {
  nothing: 'nothing',
  shelves: 'adjustable shelves',
  drawer: 'a drawer',
  tray: 'a pull-out tray',
  waste: 'a bin pull-out',
  bottles: 'bottle cells',
  rail: 'a hanging rail',
  rows: 'divided in rows',
  columns: 'divided in columns',
} as const;
export type RoomWord = keyof typeof ROOMS;

/**
 * The filling a word stands for; a division begins with two of what was there, `ids` names what is new. Undefined where
 * nothing is to be said of a whole room.
 */
export function roomFor(word: RoomWord, before: Interior | undefined, ids: () => string, unit: LengthUnit): Interior {
  switch (word) {
    case 'shelves':
      return before?.kind === 'shelves' ? before : { kind: 'shelves', shelves: 1 };
    case 'rows':
    case 'columns': {
      if (before && isDivided(before)) return { ...before, kind: word };
      const fill = before ?? { kind: 'nothing' as const };
      return {
        kind: word,
        graduation: startingGraduation('arithmetic', unit),
        parts: [roomLike(fill, ids), roomLike(fill, ids)],
      };
    }
    default:
      return { kind: word };
  }
}

/** The room that is added beside another: filled like it, and free to take its share. */
export function roomLike(fill: Interior | undefined, ids: () => string): Room {
  const like: Interior = fill && !isDivided(fill) ? structuredClone(fill) : { kind: 'nothing' };
  return { id: ids(), size: { rule: 'share', weight: 1 }, fill: like };
}
