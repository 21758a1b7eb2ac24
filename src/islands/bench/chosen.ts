import { useCallback } from 'react';
import {
  distribute,
  divide,
  duplicate,
  free,
  MAKES,
  type MakeKey,
  make,
  merge,
  mirrorOne,
  openingAt,
  pin,
  placeOf,
  remove,
} from '../../core/handling/index.js';
import { type Act, newId } from '../../core/job/index.js';
import type { SolvedCabinet } from '../../core/solve.js';
import type { LengthUnit } from '../../core/units/index.js';
import type { Outcome } from '../fields/LengthField.js';
import { useBenchStore } from './context.js';
import { type BenchState, benchCabinet } from './store.js';

/** Ids of the openings that are chosen: the one of what is selected, and those besides. */
export function chosenOpenings(
  { selected, also }: Pick<BenchState, 'selected' | 'also'>,
  solved: SolvedCabinet,
): string[] {
  const first = openingAt(solved, selected);
  const there = also.filter((id) => placeOf(solved, id) !== undefined);
  return [...new Set(first === undefined ? there : [first, ...there])];
}

/** What can be done with chosen openings, each by its letter in their menu. */
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
  | { readonly make: MakeKey }
  | { readonly hand: HandKey }
  | { readonly divide: 'rows' | 'columns'; readonly in: number };

const openingId = () => newId('o');

/** The act for the chosen openings; undefined where it cannot be done with them. */
export function actOn(
  solved: SolvedCabinet,
  ids: readonly string[],
  what: OpeningAct,
  unit: LengthUnit,
): Act | undefined {
  const [first] = ids;
  if (first === undefined) return undefined;
  if ('make' in what) return make(solved, ids, what.make, openingId, unit);
  if ('divide' in what) {
    const acts = ids.flatMap((id) => divide(solved, id, what.divide, what.in, openingId, unit) ?? []);
    return acts[0] && { label: acts[0].label, edits: acts.flatMap(({ edits }) => edits) };
  }
  switch (what.hand) {
    case 'm':
      return merge(solved, first);
    case '+':
      return duplicate(solved, first, openingId);
    case 'x': {
      const acts = ids.flatMap((id) => mirrorOne(solved, id) ?? []);
      return acts[0] && { label: acts[0].label, edits: acts.flatMap(({ edits }) => edits) };
    }
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

/** The key of a menu that stands for an act. */
export function actByKey(key: string): OpeningAct | undefined {
  if (Object.hasOwn(MAKES, key)) return { make: key as MakeKey };
  return Object.hasOwn(HANDS, key) ? { hand: key as HandKey } : undefined;
}

/** Does something with the chosen openings; says why not. */
export function useOpeningAct(): (what: OpeningAct) => Outcome {
  const store = useBenchStore();
  return useCallback(
    (what) => {
      const state = store.getState();
      const solved = benchCabinet(state);
      if (!solved) return { ok: true };
      const act = actOn(solved, chosenOpenings(state, solved), what, state.job.display.unit);
      if (!act) return { ok: false, message: 'That cannot be done with this opening.' };
      const outcome = state.act(act);
      if (!outcome.ok) store.setState({ lastAct: outcome.message });
      return outcome;
    },
    [store],
  );
}
