import { useCallback } from 'react';
import { actOn, type OpeningAct, openingAt, openingPlaceOf } from '../../core/commands/index.js';
import type { SolvedCabinet } from '../../core/solve/index.js';
import type { Outcome } from '../fields/LengthField.js';
import { useBenchStore } from './context.js';
import { type BenchState, benchCabinet } from './store.js';

/** Ids of the openings that are chosen: the one of what is selected, and those besides. */
export function chosenOpenings(
  { selected, also }: Pick<BenchState, 'selected' | 'also'>,
  solved: SolvedCabinet,
): string[] {
  const first = openingAt(solved, selected);
  const there = also.filter((id) => openingPlaceOf(solved, id) !== undefined);
  return [...new Set(first === undefined ? there : [first, ...there])];
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
