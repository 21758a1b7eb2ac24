import { type Act, type IdMaker, newId, type Split } from '../../decisions/index.js';
import type { LengthUnit } from '../../ground/index.js';
import type { SolvedCabinet } from '../../solve/index.js';
import { distribute, divide, duplicate, free, MAKES, make, mergeOpening, mirrorOne, pin, remove } from './acts.js';

/** What can be done with chosen openings beside making them something else, each by its letter in their menu. */
export const HANDS = {
  m: 'Make one with the next',
  '+': 'Once more',
  x: 'Mirror',
  e: 'Equal sizes',
  h: 'Hold at this size',
  g: 'Let go',
  Delete: 'Take away',
} as const;
export type HandKey = keyof typeof HANDS;

export type OpeningAct =
  | { readonly make: string }
  | { readonly hand: HandKey }
  | { readonly divide: Split['kind']; readonly in: number };

/** What a key of the menu stands for. */
export function actByKey(key: string): OpeningAct | undefined {
  if (Object.hasOwn(MAKES, key)) return { make: key };
  return Object.hasOwn(HANDS, key) ? { hand: key as HandKey } : undefined;
}

/** The act for chosen openings, as one step; undefined where it cannot be done with them. */
export function actOn(
  solved: SolvedCabinet,
  ids: readonly string[],
  what: OpeningAct,
  unit: LengthUnit,
  maker: IdMaker = newId,
): Act | undefined {
  const openingId = () => maker('o');
  const [first] = ids;
  if (first === undefined) return undefined;
  if ('make' in what) return make(solved, ids, what.make, openingId, unit);
  if ('divide' in what) return together(ids.map((id) => divide(solved, id, what.divide, what.in, openingId, unit)));
  switch (what.hand) {
    case 'm':
      return mergeOpening(solved, first);
    case '+':
      return duplicate(solved, first, openingId);
    case 'x':
      return together(ids.map((id) => mirrorOne(solved, id)));
    case 'e':
      return distribute(solved, ids);
    case 'h':
      return pin(solved, ids);
    case 'g':
      return free(solved, ids);
    case 'Delete':
      return remove(solved, first);
  }
}

/** Several acts as one step. */
function together(acts: readonly (Act | undefined)[]): Act | undefined {
  const [first, ...more] = acts.filter((act) => act !== undefined);
  if (!first) return undefined;
  const label = more.length > 0 ? `${first.label}, and ${more.length} more` : first.label;
  return { label, edits: [first, ...more].flatMap(({ edits }) => edits) };
}
