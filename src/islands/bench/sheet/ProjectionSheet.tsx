import { useCallback, useMemo, useRef } from 'react';
import { linesOf, sectionLinesOf } from '../../../core/commands/index.js';
import {
  type Drawing,
  drawElevation,
  drawPlan,
  drawSection,
  inLayers,
  layProjection,
  planLevels,
  spaceOf,
  textWidthIn,
  type ViewOf,
} from '../../../core/present/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { useBench } from '../context.js';
import { besideOf } from '../store.js';
import { SheetFrame, useSize } from './DrawingSheet.js';
import { PictureCorner } from './PictureCorner.js';

const NAMES = { front: 'Front', section: 'section', plan: 'plan' } as const satisfies Record<ViewOf, string>;

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
    (each: SolvedCabinet, id: ViewOf): Drawing | undefined => {
      if (id === 'front') return drawElevation(each, job.name, besideOf(job, all, each.cabinet.id));
      if (id === 'section') return drawSection(each, job.name);
      const levels = planLevels(each);
      const level = levels.find(({ id: own }) => own === plan.level) ?? levels[0];
      return level && drawPlan(each, job.name, plan.at ?? level.at, { shut: true });
    },
    [job, all, plan],
  );
  const times = useBench((state) => state.zoom.times);
  const withCorner = useBench((state) => state.cornerShown);
  const lines = useMemo(
    () => ({ front: linesOf(solved, besideOf(job, all, solved.cabinet.id)), section: sectionLinesOf(solved) }),
    [solved, job, all],
  );
  const { views, corner } = useMemo(() => {
    const seen = (id: ViewOf) => {
      const whole = draw(solved, id);
      return whole && inLayers(whole, layers);
    };
    const plan = seen('plan');
    const drawings = {
      front: seen('front') as Drawing,
      section: seen('section') as Drawing,
      ...(plan ? { plan } : {}),
    };
    const laid = layProjection(drawings, spaceOf(size, style), textWidthIn(style), { zoom: times, withCorner });
    return {
      corner: times === 1 ? laid.corner : undefined,
      views: laid.views.map((view) => ({
        ...view,
        draw: (each: SolvedCabinet) => draw(each, view.id),
        ...(view.id === 'plan' ? {} : { lines: lines[view.id] }),
      })),
    };
  }, [draw, solved, size, style, layers, times, withCorner, lines]);
  const names = views.map(({ id }) => NAMES[id]).join(', ');
  const title = views[0] && { ...views[0].drawing.title, view: names.replace(/, ([^,]*)$/, ' and $1') };
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
