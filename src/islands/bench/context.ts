import { createContext, useContext } from 'react';
import { useStore } from 'zustand';
import { actOf, type ProposedAct } from '../../core/decisions/index.js';
import type { SolvedCabinet } from '../../core/solve/index.js';
import type { Outcome } from '../fields/LengthField.js';
import { type BenchState, type BenchStore, benchCabinet } from './store.js';

export const BenchContext = createContext<BenchStore | null>(null);

export function useBenchStore(): BenchStore {
  const store = useContext(BenchContext);
  if (!store) throw new Error('the bench store is missing above this component');
  return store;
}

/** A slice of the bench's state, the open job among it. */
export function useBench<T>(pick: (state: BenchState) => T): T {
  return useStore(useBenchStore(), pick);
}

export function useSolvedCabinet(): SolvedCabinet | undefined {
  return useBench(benchCabinet);
}

/** Carries out what is proposed of a cabinet, whichever it is, on the one that is shown. */
export function useActOn({ cabinet }: Pick<SolvedCabinet, 'cabinet'>): (proposed: ProposedAct) => Outcome {
  const act = useBench((state) => state.act);
  return (proposed) => act(actOf(cabinet, proposed));
}
