import type { DimensionItem, Drawing, DrawingPoint, DrawingSide } from '../drafting/index.js';
import {
  FEWER,
  type LaidSheet,
  type Lane,
  legible,
  MARGIN,
  placeLane,
  planLanes,
  roomAt,
  SCALES,
  type SheetPoint,
  type SheetSpace,
  type TextSize,
  type TextWidth,
} from './sheet.js';

/** The views that stand in projection. */
export type ViewOf = 'front' | 'section' | 'plan';

export interface ProjectedView {
  readonly id: ViewOf;
  readonly drawing: Drawing;
  readonly laid: LaidSheet;
}

/** Views of one cabinet at one scale, edges in line: a height runs straight from the front into the section. */
export interface LaidProjection {
  /** 1 : scale. */
  readonly scale: number;
  readonly views: readonly ProjectedView[];
}

export type Drawings = Readonly<Record<'front', Drawing>> & Readonly<Partial<Record<ViewOf, Drawing>>>;

/** Room between two views beside their dimensions (sheet units). */
const BETWEEN = 18;

/** More views are shown while the front does not become more times smaller than alone. */
const DEAREST = { three: 1.8, two: 1.5 } as const;

/** A front higher than so many times its width is tall; one wider than so many times its height is long. */
const TALL = 1.5;
const LONG = 2.4;

interface Arrangement {
  readonly ids: readonly ViewOf[];
  readonly dearest: number;
}

/** What is tried, the first that does not cost too much of the scale is taken. */
function arrangementsFor({ min, max }: Drawing): readonly Arrangement[] {
  const shape = (max.v - min.v) / (max.h - min.h);
  const beside: Arrangement = { ids: ['front', 'section'], dearest: DEAREST.two };
  const over: Arrangement = { ids: ['front', 'plan'], dearest: DEAREST.two };
  const all: Arrangement = { ids: ['front', 'section', 'plan'], dearest: DEAREST.three };
  const alone: Arrangement = { ids: ['front'], dearest: Number.POSITIVE_INFINITY };
  if (shape > TALL) return [beside, all, alone];
  return shape < 1 / LONG ? [over, all, beside, alone] : [all, beside, over, alone];
}

/**
 * Lays front, section at its right and plan below it on one sheet, as the shape of the cabinet allows: a tall one keeps
 * front and section, a long low one front and plan, and one that would become too small stands alone. What one view says
 * is not said again in the other.
 */
export function layProjection(drawings: Drawings, space: SheetSpace, textWidth: TextWidth): LaidProjection {
  const text: TextSize = { width: textWidth, height: space.textHeight };
  const said = { ...drawings, ...saidOnce(drawings) };
  for (const keep of FEWER) {
    const found = arrangementsFor(drawings.front).flatMap(({ ids, dearest }) => {
      if (ids.some((id) => said[id] === undefined)) return [];
      const laid = atLargest(ids, said, space, text, keep);
      return laid ? [{ laid, dearest }] : [];
    });
    const alone = found.at(-1)?.laid.scale ?? Number.POSITIVE_INFINITY;
    const chosen = found.find(({ laid, dearest }) => laid.scale <= alone * dearest);
    if (chosen) return chosen.laid;
  }
  const front = { ...drawings.front, dimensions: [] };
  const wide = { ...space, width: Number.POSITIVE_INFINITY, height: Number.POSITIVE_INFINITY };
  return layAt(['front'], { front }, wide, text, 200) as LaidProjection;
}

/** The other views without the dimensions that run along what the front has already. */
function saidOnce({ front, section, plan }: Drawings): Partial<Record<ViewOf, Drawing>> {
  const upright = (side: DrawingSide) => side === 'left' || side === 'right';
  const known = (item: DimensionItem) =>
    front.dimensions.some(
      (other) =>
        upright(other.side) === upright(item.side) &&
        Math.abs(other.from - item.from) < 0.05 &&
        Math.abs(other.to - item.to) < 0.05,
    );
  const less = (drawing: Drawing, along: (side: DrawingSide) => boolean): Drawing => ({
    ...drawing,
    dimensions: drawing.dimensions.filter((item) => !(along(item.side) && known(item))),
  });
  return {
    ...(section ? { section: less(section, upright) } : {}),
    ...(plan ? { plan: less(plan, (side) => !upright(side)) } : {}),
  };
}

function atLargest(
  ids: readonly ViewOf[],
  drawings: Partial<Record<ViewOf, Drawing>>,
  space: SheetSpace,
  text: TextSize,
  keep: (item: DimensionItem) => boolean,
): LaidProjection | undefined {
  const lighter = Object.fromEntries(
    ids.map((id) => {
      const drawing = drawings[id] as Drawing;
      return [id, { ...drawing, dimensions: drawing.dimensions.filter(keep) }];
    }),
  ) as Partial<Record<ViewOf, Drawing>>;
  for (const scale of SCALES) {
    const laid = layAt(ids, lighter, space, text, scale);
    if (laid && legible({ dimensions: laid.views.flatMap((view) => view.laid.dimensions) }, space)) return laid;
  }
  return undefined;
}

interface Placed {
  readonly id: ViewOf;
  readonly drawing: Drawing;
  readonly lanes: readonly Lane[];
}

function layAt(
  ids: readonly ViewOf[],
  drawings: Partial<Record<ViewOf, Drawing>>,
  space: SheetSpace,
  text: TextSize,
  scale: number,
): LaidProjection | undefined {
  const unit = space.unitsPerMm / scale;
  const placed = ids.map((id): Placed => {
    const drawing = drawings[id] as Drawing;
    return { id, drawing, lanes: planLanes(drawing, unit, text) };
  });
  const of = (id: ViewOf) => placed.find((each) => each.id === id);
  const [front, section, plan] = [of('front') as Placed, of('section'), of('plan')];
  const room = (view: Placed | undefined, side: DrawingSide) => (view ? roomAt(view.lanes, side) : 0);
  // The front and what is in line with it share the run along that axis.
  const low = {
    h: Math.min(front.drawing.min.h, plan?.drawing.min.h ?? front.drawing.min.h),
    v: Math.min(front.drawing.min.v, section?.drawing.min.v ?? front.drawing.min.v),
  };
  const high = {
    h: Math.max(front.drawing.max.h, plan?.drawing.max.h ?? front.drawing.max.h),
    v: Math.max(front.drawing.max.v, section?.drawing.max.v ?? front.drawing.max.v),
  };
  const wide = (high.h - low.h) * unit;
  const tall = (high.v - low.v) * unit;
  const left = Math.max(room(front, 'left'), room(plan, 'left'));
  const right = Math.max(room(front, 'right'), room(plan, 'right'));
  const top = Math.max(room(front, 'top'), room(section, 'top'));
  const bottom = Math.max(room(front, 'bottom'), room(section, 'bottom'));
  const deep = (view: Placed | undefined, axis: 'h' | 'v') =>
    view ? (view.drawing.max[axis] - view.drawing.min[axis]) * unit : 0;
  const beside = section ? BETWEEN + room(section, 'left') + deep(section, 'h') + room(section, 'right') : 0;
  const below = plan ? BETWEEN + room(plan, 'top') + deep(plan, 'v') + room(plan, 'bottom') : 0;
  const all = { width: left + wide + right + beside, height: top + tall + bottom + below };
  if (all.width > space.width || all.height > space.height) return undefined;
  const spare = (whole: number, taken: number) => (Number.isFinite(whole) ? (whole - taken) / 2 : MARGIN);
  const x0 = spare(space.width, all.width) + left;
  const y0 = spare(space.height, all.height) + top;
  const origin: Record<ViewOf, SheetPoint> = {
    front: { x: x0 - low.h * unit, y: y0 + high.v * unit },
    section: {
      x: x0 + wide + right + BETWEEN + room(section, 'left') - (section?.drawing.min.h ?? 0) * unit,
      y: y0 + high.v * unit,
    },
    plan: {
      x: x0 - low.h * unit,
      y: y0 + tall + bottom + BETWEEN + room(plan, 'top') + (plan?.drawing.max.v ?? 0) * unit,
    },
  };
  return {
    scale,
    views: placed.map(({ id, drawing, lanes }): ProjectedView => {
      const { x, y } = origin[id];
      const toSheet = ({ h, v }: DrawingPoint): SheetPoint => ({ x: x + h * unit, y: y - v * unit });
      return {
        id,
        drawing,
        laid: { scale, unit, toSheet, dimensions: lanes.flatMap((lane) => placeLane(lane, drawing, toSheet, text)) },
      };
    }),
  };
}
