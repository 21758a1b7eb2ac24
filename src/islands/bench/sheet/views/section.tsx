import { useCallback, useMemo } from 'react';
import { sectionLinesOf } from '../../../../core/commands/index.js';
import { drawSection } from '../../../../core/present/index.js';
import type { SolvedCabinet } from '../../../../core/solve/index.js';
import { useBench } from '../../context.js';
import { DrawingSheet } from '../DrawingSheet.js';
import type { View, ViewProps } from './view.js';

function SectionSheet({ solved, savedAt }: ViewProps) {
  const jobName = useBench((state) => state.job.name);
  const draw = useCallback((each: SolvedCabinet) => drawSection(each, jobName), [jobName]);
  const lines = useMemo(() => sectionLinesOf(solved), [solved]);
  return <DrawingSheet solved={solved} savedAt={savedAt} draw={draw} lines={lines} />;
}

/** The side section through the first opening. */
export const section: View<'section'> = { id: 'section', label: 'Section', key: 's', Sheet: SectionSheet };
