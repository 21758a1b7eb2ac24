import { useMemo } from 'react';
import type { Job } from '../../core/decisions/index.js';
import { demandOf, piecesByName } from '../../core/shop/index.js';
import type { SolvedCabinet } from '../../core/solve/index.js';
import { useOpenJob } from '../openJob/context.js';

/** The job on these pages, and its cabinets as they are figured. */
export function useCutting(): { readonly job: Job; readonly cabinets: readonly SolvedCabinet[] } {
  const job = useOpenJob((state) => state.job);
  const { cabinets } = useOpenJob((state) => state.solved);
  return { job, cabinets };
}

/** What is cut from sheets, and every piece by its cabinet and part. */
export function useDemand() {
  const { cabinets } = useCutting();
  return useMemo(() => {
    const demands = demandOf(cabinets);
    const byName = new Map(demands.flatMap((demand) => [...piecesByName(demand)]));
    return { demands, byName };
  }, [cabinets]);
}
