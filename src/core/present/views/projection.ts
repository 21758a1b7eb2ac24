import type { DimensionItem, Drawing, DrawingSide } from '../../part/index.js';
import {
  areApart,
  firstLegible,
  type LaidSheet,
  type Lane,
  legible,
  lighter,
  placeLane,
  planLanes,
  roomAt,
  type SheetPoint,
  type SheetSpace,
  SMALLEST,
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
  /** What is left of the sheet beside the views, where that is enough for a picture (sheet units). */
  readonly corner?: ViewCorner;
}

interface ViewCorner extends SheetPoint {
  readonly width: number;
  readonly height: number;
}

export type Drawings = Readonly<Record<'front', Drawing>> & Readonly<Partial<Record<ViewOf, Drawing>>>;

/** Room between two views beside their dimensions (sheet units). */
const BETWEEN = 18;

/** A picture takes at least so much each way, and beside two views no more of the width than this (sheet units, a share). */
const LEAST_CORNER = 150;
const MOST_CORNER = 0.4;

/** More views are shown while the front does not become more times smaller than alone. */
const DEAREST = { three: 1.9, two: 1.5, pictured: 2 } as const;

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
 * is not said again in the other. Where a corner is wanted for the picture, the views may become smaller for it.
 */
export function layProjection(
  drawings: Drawings,
  space: SheetSpace,
  textWidth: TextWidth,
  { zoom = 1, withCorner = false }: { readonly zoom?: number; readonly withCorner?: boolean } = {},
): LaidProjection {
  const text: TextSize = { width: textWidth, height: space.textHeight };
  const said = { ...drawings, ...saidOnce(drawings) };
  const fitting = firstLegible(
    (keep) => {
      const found = arrangementsFor(drawings.front).flatMap(({ ids, dearest }) => {
        if (ids.some((id) => said[id] === undefined)) return [];
        const laid = atLargest(ids, said, space, text, keep, {
          corner: true,
          wanted: withCorner && ids.length === 2,
        });
        return laid ? [{ laid, dearest }] : [];
      });
      const alone = found.at(-1)?.laid.scale ?? Number.POSITIVE_INFINITY;
      const pictured = found.find(({ laid }) => laid.corner !== undefined && laid.scale <= alone * DEAREST.pictured);
      if (withCorner && pictured) return pictured.laid;
      return found.find(({ laid, dearest }) => laid.scale <= alone * dearest)?.laid;
    },
    () =>
      layAt(['front'], { front: lighter(drawings.front, none) }, space, text, SMALLEST, {
        beyond: true,
        corner: true,
      }) as LaidProjection,
  );
  return zoom === 1 ? fitting : zoomed(fitting, said, space, text, { zoom, corner: true });
}

/**
 * Lays the drawing out at the largest known scale at which it and its dimensions fit the space. When there are more
 * dimensions than a sheet can carry apart, small gaps go first, then all but the overall sizes; what is left out stands
 * in the lists. Zoomed, it is so many times larger about the middle of the space, texts as large as before, and may
 * reach beyond it.
 */
export function laySheet(drawing: Drawing, space: SheetSpace, textWidth: TextWidth, zoom = 1): LaidSheet {
  const text: TextSize = { width: textWidth, height: space.textHeight };
  const alone = { front: drawing };
  const fitting = firstLegible(
    (keep) => atLargest(['front'], alone, space, text, keep),
    () => layAt(['front'], { front: lighter(drawing, none) }, space, text, SMALLEST, BEYOND) as LaidProjection,
  );
  const [view] = (zoom === 1 ? fitting : zoomed(fitting, alone, space, text, { zoom })).views;
  return (view as ProjectedView).laid;
}

/** The same views so many times larger about the middle of the space; they may reach beyond it. */
function zoomed(
  { views, scale }: LaidProjection,
  drawings: Partial<Record<ViewOf, Drawing>>,
  space: SheetSpace,
  text: TextSize,
  { zoom, corner = false }: { readonly zoom: number; readonly corner?: boolean },
): LaidProjection {
  const ids = views.map(({ id }) => id);
  const how = { beyond: true, corner };
  const at = (keep: (item: DimensionItem) => boolean) =>
    layAt(ids, withDimensions(ids, drawings, keep), space, text, scale / zoom, how) as LaidProjection;
  return firstLegible(
    (keep) => {
      const laid = at(keep);
      return areApart({ dimensions: textsOf(laid) }, space) ? laid : undefined;
    },
    () => at(none),
  );
}

const none = () => false;

function withDimensions(
  ids: readonly ViewOf[],
  drawings: Partial<Record<ViewOf, Drawing>>,
  keep: (item: DimensionItem) => boolean,
): Partial<Record<ViewOf, Drawing>> {
  return Object.fromEntries(ids.map((id) => [id, lighter(drawings[id] as Drawing, keep)]));
}

const textsOf = ({ views }: LaidProjection) => views.flatMap(({ laid }) => laid.dimensions);

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
  { corner = false, wanted = false }: { readonly corner?: boolean; readonly wanted?: boolean } = {},
): LaidProjection | undefined {
  const lessened = withDimensions(ids, drawings, keep);
  for (const scale of space.scales) {
    const laid = layAt(ids, lessened, space, text, scale, { corner });
    if (!laid || (wanted && !laid.corner) || !legible({ dimensions: textsOf(laid) }, space)) continue;
    return laid;
  }
  return undefined;
}

/** The corner of the sheet right of and below a point, and of the texts that reach into it. */
function cornerFrom(
  { x, y }: SheetPoint,
  views: readonly ProjectedView[],
  { width, height, textHeight }: SheetSpace,
): ViewCorner | undefined {
  const reach = views
    .flatMap(({ laid }) => laid.dimensions)
    .filter(({ text }) => text.y + textHeight / 2 > y)
    .map(({ text, textWidth }) => text.x + textWidth / 2 + BETWEEN);
  const left = Math.max(x, ...reach.filter((right) => right > x));
  const corner = { x: left, y, width: width - left, height: height - y };
  return Math.min(corner.width, corner.height) >= LEAST_CORNER ? corner : undefined;
}

interface Placed {
  readonly id: ViewOf;
  readonly drawing: Drawing;
  readonly lanes: readonly Lane[];
}

interface How {
  /** It may reach beyond the space. */
  readonly beyond?: boolean;
  /** What is free beside the views is left in one piece, for a picture. */
  readonly corner?: boolean;
}
const BEYOND: How = { beyond: true };

/** Laid out at a scale, in the middle of the space; undefined where it does not fit and may not reach beyond it. */
function layAt(
  ids: readonly ViewOf[],
  drawings: Partial<Record<ViewOf, Drawing>>,
  space: SheetSpace,
  text: TextSize,
  scale: number,
  { beyond = false, corner: leaves = false }: How = {},
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
  const spare = { x: space.width - all.width, y: space.height - all.height };
  if (!beyond && (spare.x < 0 || spare.y < 0)) return undefined;
  // What is free at the right is one piece, for a picture; where all three views stand it is the corner between them.
  const aside =
    leaves && spare.x >= LEAST_CORNER && !(section && plan) ? Math.min(spare.x, MOST_CORNER * space.width) : 0;
  const x0 = (spare.x - aside) / 2 + left;
  const y0 = spare.y / 2 + top;
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
  const laid = placed.map(({ id, drawing, lanes }): ProjectedView => {
    const sheet = { scale, unit, origin: origin[id] };
    return {
      id,
      drawing,
      laid: { ...sheet, dimensions: lanes.flatMap((lane) => placeLane(lane, drawing, sheet, text)) },
    };
  });
  const free =
    section && plan
      ? { x: x0 + wide + right + BETWEEN, y: y0 + tall + bottom + BETWEEN }
      : { x: space.width - aside, y: 0 };
  const corner = (section && plan) || aside > 0 ? cornerFrom(free, laid, space) : undefined;
  return { scale, ...(corner ? { corner } : {}), views: laid };
}
