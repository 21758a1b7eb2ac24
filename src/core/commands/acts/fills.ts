import {
  type Fill,
  type Interior,
  interiorOf,
  isDivided,
  isSplit,
  type Opening,
  startingGraduation,
} from '../../decisions/index.js';
import type { LengthUnit } from '../../ground/index.js';

/** What an opening may be closed with, in the words of the list of openings. */
export const FILLS = {
  drawer: 'Drawer',
  false: 'False front',
  doorLeft: 'Door, hinged left',
  doorRight: 'Door, hinged right',
  pair: 'Pair of doors',
  lift: 'Lift-up front',
  waste: 'Bin pull-out',
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
  const interior = interiorOf(before);
  const own = interior ? { interior } : {};
  switch (word) {
    case 'drawer':
    case 'false':
    case 'waste':
      return { kind: word };
    case 'doorLeft':
      return { kind: 'door', hinged: 'left', ...own };
    case 'doorRight':
      return { kind: 'door', hinged: 'right', ...own };
    case 'pair':
    case 'lift':
    case 'open':
      return { kind: word, ...own };
    case 'rows':
    case 'columns': {
      if (isSplit(before)) return { ...before, kind: word };
      const part = (): Opening => ({ id: ids(), size: { rule: 'share', weight: 1 }, fill: likeFill(before, ids) });
      return { kind: word, graduation: startingGraduation('arithmetic', unit), parts: [part(), part()] };
    }
  }
}

/** The opening that is added beside another: closed like it, and free to take its share. */
export function openingLike(fill: Fill | undefined, ids: () => string): Opening {
  const like: Fill = fill && !isSplit(fill) ? likeFill(fill, ids) : { kind: 'drawer' };
  return { id: ids(), size: { rule: 'share', weight: 1 }, fill: like };
}

/** The same once more; rooms behind it are other rooms and have ids of their own. */
function likeFill(fill: Fill, ids: () => string): Fill {
  const copy = structuredClone(fill);
  if ('interior' in copy && copy.interior) nameAnew(copy.interior, ids);
  return copy;
}

function nameAnew(interior: Interior, ids: () => string): void {
  if (!isDivided(interior)) return;
  for (const room of interior.parts) {
    room.id = ids();
    nameAnew(room.fill, ids);
  }
}
