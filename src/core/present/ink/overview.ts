import type { LengthStyle } from '../../ground/index.js';
import type { Drawing } from '../../part/index.js';
import type { SolvedCabinet } from '../../solve/index.js';
import {
  type Beside,
  drawElevation,
  drawPlan,
  drawSection,
  inLayers,
  type Layers,
  layProjection,
  type ProjectedView,
  planLevels,
  type ViewOf,
} from '../views/index.js';
import { textWidthIn } from './figures.js';
import type { Mark } from './mark.js';
import { type SheetSize, spaceOf, titleInk, viewInk } from './paper.js';

/** The level a plan is cut at: one of those of the cabinet, or a height (mm). */
export interface PlanAt {
  readonly level?: string | null | undefined;
  readonly at?: number | null | undefined;
}

/** One of the views that stand in projection; undefined for a plan of what has no level. */
export function drawOverview(
  solved: SolvedCabinet,
  id: ViewOf,
  jobName: string,
  beside: Beside,
  plan: PlanAt = {},
): Drawing | undefined {
  if (id === 'front') return drawElevation(solved, jobName, beside);
  if (id === 'section') return drawSection(solved, jobName);
  const levels = planLevels(solved);
  const level = levels.find((each) => each.id === plan.level) ?? levels[0];
  return level && drawPlan(solved, jobName, plan.at ?? level.at, { shut: true });
}

/** Front, section and plan laid on one sheet as the shape of the cabinet allows. */
export function layOverview(
  draw: (id: ViewOf) => Drawing | undefined,
  size: SheetSize,
  style: LengthStyle,
  layers: Layers,
  how: { readonly zoom?: number; readonly withCorner?: boolean } = {},
) {
  const seen = (id: ViewOf) => {
    const whole = draw(id);
    return whole && inLayers(whole, layers);
  };
  const plan = seen('plan');
  const drawings = { front: seen('front') as Drawing, section: seen('section') as Drawing, ...(plan ? { plan } : {}) };
  return layProjection(drawings, spaceOf(size, style), textWidthIn(style), how);
}

const NAMES = { front: 'Front', section: 'section', plan: 'plan' } as const satisfies Record<ViewOf, string>;

/** The title block of views that stand together: it names them all. */
export function overviewTitle(views: readonly ProjectedView[]) {
  const [first] = views;
  const names = views.map(({ id }) => NAMES[id]).join(', ');
  return first && { ...first.drawing.title, view: names.replace(/, ([^,]*)$/, ' and $1') };
}

/** Marks as they are sent: a tenth of a sheet unit is finer than anybody sees. */
const sent = (marks: readonly Mark[]): Mark[] =>
  JSON.parse(JSON.stringify(marks, (_key, entry) => (typeof entry === 'number' ? Math.round(entry * 10) / 10 : entry)));

/** All that is seen of a cabinet on its first sheet, in ink. */
export function overviewInk(
  solved: SolvedCabinet,
  jobName: string,
  beside: Beside,
  { size, style, layers, date }: { size: SheetSize; style: LengthStyle; layers: Layers; date: string },
): Mark[] {
  const { views, scale } = layOverview((id) => drawOverview(solved, id, jobName, beside), size, style, layers);
  const title = overviewTitle(views);
  return sent([
    ...views.flatMap(({ drawing, laid }) => viewInk(drawing, laid, style)),
    ...(title ? titleInk(title, size, scale, style, date) : []),
  ]);
}
