import { type Bay, type Front, grainGroups, openingKey } from '../../build/index.js';
import type { Occupied } from '../../cabinet/index.js';
import { isFill, pathOf } from '../../decisions/index.js';
import type { Dim } from '../../ground/index.js';
import {
  type DragHandle,
  type Drawing,
  type DrawingItem,
  type DrawingPoint,
  isRectangle,
  type LineItem,
  type Part,
  type PartRole,
  planOutline,
  type RegionItem,
  TINT,
  toCabinet,
} from '../../part/index.js';
import { allKinds, type Fitted, type SolvedCabinet } from '../../solve/index.js';
import { bodyItems } from './bodies.js';
import { elevationDimensions } from './elevationDimensions.js';
import { shelfHandles } from './handles.js';
import { type Beside, NEIGHBOUR_SHOWN, neighbourItems } from './neighbours.js';
import { zoneItems } from './zones.js';

/** The front elevation: carcass, frame and fronts, what they hide dashed, and the dimensions a maker sets. */
export function drawElevation(solved: SolvedCabinet, jobName: string, beside: Beside = {}): Drawing {
  const { cabinet, box } = solved;
  const framed = solved.resolved.settings.frame.fitted.value === 'fitted';
  const rise = framed ? solved.resolved.settings.frame.rise.value : 0;
  return {
    title: { job: jobName, cabinet: `${cabinet.number} ${cabinet.name}`, view: 'Front elevation' },
    min: { h: -box.beyondLeft.value - (beside.left ? NEIGHBOUR_SHOWN : 0), v: -box.underHeight.value },
    max: {
      h: box.width.value + box.beyondRight.value + (beside.right ? NEIGHBOUR_SHOWN : 0),
      v: box.height.value + rise,
    },
    items: [
      ...partItems(solved),
      ...solved.fronts.flatMap(swing),
      ...grainLines(solved),
      ...neighbourItems(solved, beside),
      ...allKinds.flatMap(({ id, symbols }) => symbols?.(solved.fitted[id as keyof Fitted] as never) ?? []),
      ...bodyItems(solved, 'x', 'z'),
      ...zoneItems(solved, 'x', 'z'),
      ...marks(solved),
    ],
    dimensions: elevationDimensions(solved, beside),
    spots: { h: 'x', v: 'z' },
    handles: [...shelfHandles(solved, gripOf), ...kindHandles(solved)],
  };
}

/** What kinds of fitted things let be dragged. */
const kindHandles = (solved: SolvedCabinet): DragHandle[] =>
  allKinds.flatMap(({ handles }) =>
    (handles?.(solved as never) ?? []).map((handle) => ({ ...handle, path: pathOf(solved.cabinet, handle.path) })),
  );

/** Behind doors a shelf is taken hold of at its left end only, so that the doors can be chosen (mm). */
const GRIP_BEHIND_DOORS = 110;

function gripOf({ room: { cell, inside } }: Bay): { low: Dim; high: Dim } {
  const { low, high, size } = inside.h;
  const whole = isFill(cell.fill, 'open') || size.value < 2 * GRIP_BEHIND_DOORS;
  return { low, high: whole ? high : low.plus(GRIP_BEHIND_DOORS) };
}

/** A chain line through fronts that come out of one blank: up a column, along a row, or both ways over the face. */
function grainLines({ fronts, resolved }: SolvedCabinet): DrawingItem[] {
  return grainGroups(fronts, resolved).flatMap(({ parts }): DrawingItem[] => {
    const outlines = parts.map(outlineOf);
    const [left, right] = [
      Math.min(...outlines.map(({ from }) => from.h)),
      Math.max(...outlines.map(({ to }) => to.h)),
    ];
    const [low, high] = [Math.min(...outlines.map(({ from }) => from.v)), Math.max(...outlines.map(({ to }) => to.v))];
    const line = (a: DrawingPoint, b: DrawingPoint): LineItem => ({ kind: 'line', weight: 'centre', points: [a, b] });
    const lines: DrawingItem[] = [];
    const [h, v] = [left + BLANK_LINE, low + BLANK_LINE];
    if (outlines.some(({ to }) => to.v < high - 1)) lines.push(line({ h, v: low }, { h, v: high }));
    if (outlines.some(({ to }) => to.h < right - 1)) lines.push(line({ h: left, v }, { h: right, v }));
    return lines;
  });
}

/** How far inside the blank its line is drawn (mm). */
const BLANK_LINE = 45;

interface Outline {
  readonly from: DrawingPoint;
  readonly to: DrawingPoint;
}

function outlineOf(part: Part): Outline {
  const { min, max } = part.extent;
  return { from: { h: min[0], v: min[2] }, to: { h: max[0], v: max[2] } };
}

function outlineOfFront({ extent: { min, max } }: Front): Outline {
  return { from: { h: min[0], v: min[2] }, to: { h: max[0], v: max[2] } };
}

/** True for parts whose outline tells nothing from the front, or lies wholly behind its twin. */
function isBehind({ role, piece }: Part): boolean {
  if (piece?.kind === 'box') return piece.where !== 'front';
  return (
    role === 'nailer' || role === 'packing' || role === 'spacer' || piece?.kind === 'cross' || piece?.where === 'rear'
  );
}

const COVERING: readonly PartRole[] = ['door', 'drawer front', 'frame'];

/** Farthest first; what fronts and frame hide is drawn again over them, dashed. */
function partItems({ parts, face }: SolvedCabinet): DrawingItem[] {
  const shown = parts
    .filter((part) => !isBehind(part))
    .map((part) => ({ part, ...outlineOf(part), depth: part.extent.min[1] }));
  shown.sort((a, b) => b.depth - a.depth || (a.part.role === 'back' ? -1 : 0) - (b.part.role === 'back' ? -1 : 0));
  const covers = shown.filter(({ part }) => COVERING.includes(part.role));
  const regions = shown.map(({ part, from, to }): DrawingItem => {
    const front = part.role === 'door' || part.role === 'drawer front';
    const grain =
      front || part.role === 'back' || part.role === 'frame' ? (part.placement.u[1] === 'z' ? 'v' : 'h') : undefined;
    const weight = front ? 'outline' : 'visible';
    if (front && !isRectangle(part)) {
      const points = planOutline(part).map(([u, v]) => {
        const [h, , z] = toCabinet(part.placement, u, v, 0);
        return { h, v: z };
      });
      return { kind: 'shape', tint: TINT[part.role], weight, points, shows: part.key };
    }
    return {
      kind: 'region',
      tint: TINT[part.role],
      weight,
      from,
      to,
      shows: part.key,
      ...(grain ? { grain } : {}),
    };
  });
  const dashed = shown
    .filter(({ part }) => !COVERING.includes(part.role) && !['back', 'plinth', 'end', 'filler'].includes(part.role))
    .filter((part) => covers.some((cover) => hides(cover, part)))
    .map(
      ({ part, from, to }): RegionItem => ({
        kind: 'region',
        tint: 'void',
        weight: 'hidden',
        from,
        to,
        shows: part.key,
      }),
    );
  // An open bay is chosen by its room, what stands in it by itself.
  const bays = (face.ok ? face.cells : []).flatMap(({ fill, opening, inside: { h, v } }): RegionItem[] =>
    isFill(fill, 'open')
      ? [
          {
            kind: 'region',
            tint: 'bay',
            weight: 'visible',
            from: { h: h.low.value, v: v.low.value },
            to: { h: h.high.value, v: v.high.value },
            shows: openingKey(opening.id),
          },
        ]
      : [],
  );
  const rear = shown.findIndex(({ part }) => part.role !== 'back' && part.role !== 'nailer');
  return [...regions.slice(0, Math.max(0, rear)), ...bays, ...regions.slice(Math.max(0, rear)), ...dashed];
}

function hides(cover: Outline, part: Outline): boolean {
  const h = Math.min(cover.to.h, part.to.h) - Math.max(cover.from.h, part.from.h);
  const v = Math.min(cover.to.v, part.to.v) - Math.max(cover.from.v, part.from.v);
  return h > 0 && v > 0 && h * v > 0.3 * (part.to.h - part.from.h) * (part.to.v - part.from.v);
}

/** A door's swing: two lines from the corners of the opening edge to the middle of the hinge edge. */
function swing(front: Front): DrawingItem[] {
  const { from, to } = outlineOfFront(front);
  if (front.opens === 'up') {
    const middle = (from.h + to.h) / 2;
    const points = [from, { h: middle, v: to.v }, { h: to.h, v: from.v }];
    return [{ kind: 'line', weight: 'swing', points, shows: front.key }];
  }
  if (front.opens !== 'aside') return [];
  const hinge = front.hinged === 'left' ? from.h : to.h;
  const free = front.hinged === 'left' ? to.h : from.h;
  const line: LineItem = {
    kind: 'line',
    weight: 'swing',
    points: [
      { h: free, v: to.v },
      { h: hinge, v: (from.v + to.v) / 2 },
      { h: free, v: from.v },
    ],
    shows: front.key,
  };
  return [line];
}

function isCentred(front: Front) {
  const middle = (front.h.low.value + front.h.high.value) / 2;
  return ({ by, front: own, extent: { min, max } }: Occupied) =>
    by !== 'front' && own === front.key && min[0] < middle && max[0] > middle;
}

/** Marks of the fronts, and of the back where an open bay shows it. */
function marks({ rows, parts, fronts, occupied, face }: SolvedCabinet): DrawingItem[] {
  const markOf = new Map(rows.flatMap((row) => row.keys.map((key) => [key, row.mark] as const)));
  const items: DrawingItem[] = fronts.map((front) => {
    const { from, to } = outlineOfFront(front);
    return {
      kind: 'mark',
      // A pull in the middle has the middle; the mark stands beside it.
      at: { h: from.h + (to.h - from.h) * (occupied.some(isCentred(front)) ? 0.2 : 0.5), v: (from.v + to.v) / 2 },
      text: markOf.get(front.parts[0]?.key ?? '') ?? '',
      room: Math.min(to.v - from.v, 0.7 * (to.h - from.h)),
      shows: front.parts[0]?.key ?? front.key,
    };
  });
  const back = parts.find((part) => part.role === 'back');
  if (!face.ok || !back) return items;
  const bay = face.cells.find((cell) => isFill(cell.fill, 'open'));
  if (bay) {
    const { h, v } = bay.inside;
    items.push({
      kind: 'mark',
      at: { h: (h.low.value + h.high.value) / 2, v: (v.low.value + v.high.value) / 2 },
      text: markOf.get(back.key) ?? '',
      shows: back.key,
    });
  }
  return items;
}
