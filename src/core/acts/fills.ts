import { type Fill, isSplit, type Opening, startingGraduation } from '../job/index.js';
import type { LengthUnit } from '../units/index.js';

/** What an opening may be closed with, in the words of the list of openings. */
export const FILLS = {
  drawer: 'Drawer',
  false: 'False front',
  doorLeft: 'Door, hinged left',
  doorRight: 'Door, hinged right',
  pair: 'Pair of doors',
  lift: 'Lift-up front',
  open: 'Open bay',
  columns: 'Divided in columns',
  rows: 'Divided in rows',
} as const;
export type FillWord = keyof typeof FILLS;

export function fillWord(fill: Fill): FillWord {
  if (fill.kind === 'door') return fill.hinged === 'left' ? 'doorLeft' : 'doorRight';
  return fill.kind;
}

/** The fill a word stands for; a division begins with two of what was there. `ids` names what is new. */
export function fillFor(word: FillWord, before: Fill, ids: () => string, unit: LengthUnit): Fill {
  const shelves = 'shelves' in before ? before.shelves : 0;
  switch (word) {
    case 'drawer':
    case 'false':
      return { kind: word };
    case 'doorLeft':
      return { kind: 'door', hinged: 'left', shelves };
    case 'doorRight':
      return { kind: 'door', hinged: 'right', shelves };
    case 'pair':
    case 'lift':
    case 'open':
      return { kind: word, shelves };
    case 'rows':
    case 'columns': {
      if (isSplit(before)) return { ...before, kind: word };
      const part = (): Opening => ({ id: ids(), size: { rule: 'share', weight: 1 }, fill: structuredClone(before) });
      return { kind: word, graduation: startingGraduation('arithmetic', unit), parts: [part(), part()] };
    }
  }
}

/** The opening that is added beside another: closed like it, and free to take its share. */
export function openingLike(fill: Fill | undefined, id: string): Opening {
  const like: Fill = fill && !isSplit(fill) ? structuredClone(fill) : { kind: 'drawer' };
  return { id, size: { rule: 'share', weight: 1 }, fill: like };
}
