import { useCallback, useMemo, useRef } from 'react';
import { linesOf, sectionLinesOf } from '../../../core/commands/index.js';
import { drawOverview, layOverview, overviewTitle, type ViewOf } from '../../../core/present/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { useBench } from '../context.js';
import { besideOf } from '../store.js';
import { SheetFrame, useSize } from './DrawingSheet.js';
import { PictureCorner } from './PictureCorner.js';

/** Front, section and plan of the cabinet in line with one another, each of which can be brought forward. */
export function ProjectionSheet({ solved, savedAt }: { solved: SolvedCabinet; savedAt: string }) {
  const job = useBench((state) => state.job);
  const all = useBench((state) => state.solved);
  const layers = useBench((state) => state.layers);
  const show = useBench((state) => state.show);
  const frame = useRef<HTMLDivElement>(null);
  const size = useSize(frame);
  const plan = useBench((state) => state.plan);
  const style = job.display;
  const draw = useCallback(
    (each: SolvedCabinet, id: ViewOf) => drawOverview(each, id, job.name, besideOf(job, all, each.cabinet.id), plan),
    [job, all, plan],
  );
  const times = useBench((state) => state.zoom.times);
  const withCorner = useBench((state) => state.cornerShown);
  const lines = useMemo(
    () => ({ front: linesOf(solved, besideOf(job, all, solved.cabinet.id)), section: sectionLinesOf(solved) }),
    [solved, job, all],
  );
  const { views, corner } = useMemo(() => {
    const laid = layOverview((id) => draw(solved, id), size, style, layers, { zoom: times, withCorner });
    return {
      corner: times === 1 ? laid.corner : undefined,
      views: laid.views.map((view) => ({
        ...view,
        draw: (each: SolvedCabinet) => draw(each, view.id),
        ...(view.id === 'plan' ? {} : { lines: lines[view.id] }),
      })),
    };
  }, [draw, solved, size, style, layers, times, withCorner, lines]);
  const title = overviewTitle(views);
  return (
    <SheetFrame
      frame={frame}
      size={size}
      solved={solved}
      savedAt={savedAt}
      views={views}
      title={title}
      onForward={(id) => show(id as ViewOf)}
    >
      {corner && <PictureCorner corner={corner} solved={solved} />}
    </SheetFrame>
  );
}
