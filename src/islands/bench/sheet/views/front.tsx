import { useCallback, useMemo } from 'react';
import { linesOf } from '../../../../core/commands/index.js';
import { drawElevation } from '../../../../core/present/index.js';
import type { SolvedCabinet } from '../../../../core/solve/index.js';
import { useBench } from '../../context.js';
import { besideOf } from '../../store.js';
import { DrawingSheet } from '../DrawingSheet.js';
import type { View, ViewProps } from './view.js';

function FrontSheet({ solved, savedAt }: ViewProps) {
  const job = useBench((state) => state.job);
  const all = useBench((state) => state.solved);
  const draw = useCallback(
    (each: SolvedCabinet) => drawElevation(each, job.name, besideOf(job, all, each.cabinet.id)),
    [job, all],
  );
  const lines = useMemo(() => linesOf(solved, besideOf(job, all, solved.cabinet.id)), [solved, job, all]);
  return <DrawingSheet solved={solved} savedAt={savedAt} draw={draw} lines={lines} />;
}

/** The front elevation, with what stands beside it. */
export const front: View<'front'> = { id: 'front', label: 'Front', key: 'f', Sheet: FrontSheet };
