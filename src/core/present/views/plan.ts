import type { PlanPoint } from '../../cabinet/index.js';
import { pathTo } from '../../decisions/index.js';
import { capital } from '../../ground/index.js';
import { doorAt, turned, turnsOf } from '../../motions/index.js';
import {
  type DimensionItem,
  type Drawing,
  type DrawingItem,
  dimension,
  type LineItem,
  overall,
  regionBetween,
} from '../../part/index.js';
import type { SolvedCabinet } from '../../solve/index.js';
import { bodyItems } from './bodies.js';
import { type CutPlane, cutItems } from './cut.js';
import { zoneItems } from './zones.js';

/** A height a plan may be cut at, by what it shows there. */
export interface PlanLevel {
  readonly id: string;
  readonly name: string;
  /** Above the underside of the box (mm). */
  readonly at: number;
}

/** Heights worth a look: through each drawer box, and above the floor of each room. */
export function planLevels({ interiors, fitted, parts }: SolvedCabinet): PlanLevel[] {
  const boxes = fitted.runners.flatMap(({ opening, name, parts: [side] }) => {
    const extent = parts.find(({ key }) => key === side)?.extent;
    return extent ? [{ id: opening, name, at: (extent.min[2] + extent.max[2]) / 2 }] : [];
  });
  const drawn = new Set(boxes.map(({ id }) => id));
  const rooms = interiors.compartments.flatMap(({ id, name, inside: { v } }) =>
    drawn.has(id) ? [] : [{ id, name: capital(name), at: (v.low.value + v.high.value) / 2 }],
  );
  return [...boxes, ...rooms].sort((a, b) => b.at - a.at);
}

/** An arc is drawn in steps of so many degrees. */
const ARC = 5;

/**
 * The plan: cut level at a height and seen from above, the front below. Doors there are drawn open, thin, with the way of
 * their free edge, or not at all where all is `shut`; a drawer that is `open` stands out by its whole travel.
 */
export function drawPlan(
  solved: SolvedCabinet,
  jobName: string,
  at: number,
  { open, shut = false }: { readonly open?: string | undefined; readonly shut?: boolean } = {},
): Drawing {
  const { cabinet, box } = solved;
  const plane: CutPlane = { normal: 'z', at };
  const items = cutItems(solved, plane);
  const swings = shut ? [] : swingItems(solved, at);
  const pulled = open === undefined ? [] : pulledOut(solved, open, at);
  const front = Math.min(0, ...solved.parts.map(({ extent }) => extent.min[1]));
  const rear = Math.max(box.sideDepth.value, ...solved.parts.map(({ extent }) => extent.max[1]));
  const points = [...swings, ...pulled].flatMap((item) =>
    item.kind === 'line' ? item.points : item.kind === 'region' ? [item.from, item.to] : [],
  );
  return {
    title: { job: jobName, cabinet: `${cabinet.number} ${cabinet.name}`, view: 'Plan, seen from above' },
    min: {
      h: Math.min(-box.beyondLeft.value, ...points.map(({ h }) => h)),
      v: Math.min(front, ...points.map(({ v }) => v)),
    },
    max: { h: Math.max(box.width.value + box.beyondRight.value, ...points.map(({ h }) => h)), v: rear },
    items: [
      ...items,
      ...bodyItems(solved, 'x', 'y', { axis: 'z', at }),
      ...zoneItems(solved, 'x', 'y', { axis: 'z', at }),
      ...swings,
      ...pulled,
    ],
    dimensions: planDimensions(solved, at, front, rear),
    spots: { h: 'x', v: 'y' },
  };
}

const flat = ({ x, y }: PlanPoint) => ({ h: x, v: y });

/** Doors at that height, open as far as they go. */
function swingItems({ motions }: SolvedCabinet, at: number): DrawingItem[] {
  return turnsOf(motions)
    .filter(({ low, high }) => low < at && high > at)
    .flatMap(({ plan, front }): DrawingItem[] => {
      const corners = doorAt(plan, plan.stopAngle).map(flat);
      const free = { x: plan.freeEdge, y: plan.face };
      const steps = Math.ceil(plan.stopAngle / ARC);
      const way = Array.from({ length: steps + 1 }, (_, n) =>
        flat(turned(plan, free, Math.min(plan.stopAngle, n * ARC))),
      );
      const line = (weight: LineItem['weight'], points: LineItem['points']): LineItem => ({
        kind: 'line',
        weight,
        points,
        shows: front,
      });
      const [first] = corners;
      return [line('hidden', first ? [...corners, first] : corners), line('swing', way)];
    });
}

/** The outlines of a drawer's parts at that height, out by as far as its runner lets it come. */
function pulledOut({ motions, parts, fronts }: SolvedCabinet, open: string, at: number): DrawingItem[] {
  const slide = motions.find((motion) => motion.kind === 'slide' && motion.of === open);
  if (slide?.kind !== 'slide') return [];
  const { travel } = slide;
  const face = fronts.find(({ key }) => key === slide.front)?.parts.map(({ key }) => key) ?? [];
  return parts
    .filter(({ key, extent }) => (slide.parts.includes(key) || face.includes(key)) && extent.max[2] > at)
    .map(({ key, extent: { min, max } }) =>
      regionBetween(
        { h: min[0], v: min[1] - travel },
        { h: max[0], v: max[1] - travel },
        { tint: 'box', weight: 'hidden', shows: key },
      ),
    );
}

function planDimensions(
  { cabinet, box, interiors, fitted, parts, resolved }: SolvedCabinet,
  at: number,
  front: number,
  rear: number,
): DimensionItem[] {
  const field = (name: 'size/width' | 'size/depth') => pathTo.cabinetField(cabinet.id, name);
  const low = -box.beyondLeft.value;
  const items: DimensionItem[] = [
    overall(
      dimension('plan-width', 'top', 1, low, low + box.overallWidth.value, box.overallWidth, field('size/width')),
    ),
    dimension('plan-side-depth', 'right', 0, 0, box.sideDepth.value, box.sideDepth),
    dimension('plan-clear-depth', 'left', 0, 0, box.clearDepth.value, box.clearDepth),
  ];
  const reach = resolved.settings.depth.means.value === 'fronts' ? front : Math.min(0, box.mountingPlane.value);
  for (const end of [box.sideDepth.value, rear])
    if (Math.abs(end - reach - box.overallDepth.value) < 0.01 && !items.some(({ id }) => id === 'plan-depth'))
      items.push(overall(dimension('plan-depth', 'right', 1, reach, end, box.overallDepth, field('size/depth'))));
  for (const { id, inside } of interiors.compartments) {
    if (inside.v.low.value >= at || inside.v.high.value <= at) continue;
    items.push(dimension(`plan-room-${id}`, 'top', 0, inside.h.low.value, inside.h.high.value, inside.h.size));
  }
  // The box that is cut, from side to side.
  for (const drawer of fitted.runners) {
    const [left, right] = drawer.parts.map((key) => parts.find((part) => part.key === key)?.extent);
    if (!drawer.plan || !left || !right || left.min[2] >= at || left.max[2] <= at) continue;
    items.push(dimension(`plan-box-${drawer.opening}`, 'bottom', 0, left.min[0], right.max[0], drawer.plan.outside));
  }
  return items;
}
