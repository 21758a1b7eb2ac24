import { type Box, backOfFronts, type Cell, type Front, type Rectangle } from '../../build/index.js';
import { type AnyPath, pathTo } from '../../decisions/index.js';
import type { Zone } from '../../given/index.js';
import { capital, type Dim, length, type Span, setting, spanBetween } from '../../ground/index.js';
import { type Part, spanAlong, uprightAt } from '../../part/index.js';
import { type Around, aroundOf } from './around.js';
import { type DrawerContents, drawerFill, runsIn } from './fills.js';
import type { RunnerResolved } from './settings.js';
import type { Spacer } from './spacers.js';

/** What a drawer has behind its front: where it may be, what carries its runners, and what is in the way at the rear. */
export interface DrawerRoom {
  /** Its parts are named for it: the opening's, or that of the room behind a front. */
  readonly id: string;
  /** Behind a front of its own; or in a room behind doors, or in an open bay, with sides as high as fit, or as a tray. */
  readonly kind: 'front' | 'inner' | 'tray';
  /** The face that is fixed to it, where it has one. */
  readonly front: Front | undefined;
  /** The room between case parts. */
  readonly inside: Rectangle;
  /** "Drawer 2" */
  readonly name: string;
  /** Between frame members or dividers, or between the faces runners are fixed to: the smaller, from left to right. */
  readonly across: Span;
  /** From the floor of the opening to its ceiling; from where its runners are raised to, where they are. */
  readonly up: Span;
  /** How far they are raised, where that is decided. */
  readonly raised: Dim | undefined;
  /** How far a runner has to be packed out to stand in line with the opening, at either end; 0 where it need not. */
  readonly packing: { readonly left: Dim; readonly right: Dim };
  /** The uprights that carry its runners. */
  readonly uprights: { readonly left: Part | undefined; readonly right: Part | undefined };
  /** The plane the fronts close against, and the back of the front, where the box begins. */
  readonly plane: Dim;
  readonly begins: Dim;
  /** What is nearest at the rear, and its face. */
  readonly rear: Dim;
  readonly rearBy: string;
  /** What it goes round, U-shaped. */
  readonly around?: Around | undefined;
  /** What is said to go in, and where its fill is decided. */
  readonly contents: DrawerContents | undefined;
  readonly path: AnyPath;
  /** What stands out into the room at either side, and what spacers bring the runners clear of it. */
  readonly spacers?: { readonly left?: Spacer; readonly right?: Spacer };
}

/** Thinner packing is play (mm). */
export const LEAST_PACKING = 0.1;
/** Beside runners so thin a strip is none, nobody planes it and the runner takes it up; wood on wood runs on the frame itself (mm). */
const LEAST_STRIP = 2;
/** What lies nearer to the front than this is not behind the drawer (mm). */
const BEHIND = 60;

/** The rooms of all drawers of a cabinet. */
export function drawerRooms(
  cells: readonly Cell[],
  fronts: readonly Front[],
  parts: readonly Part[],
  box: Box,
  resolved: RunnerResolved,
  zones: readonly Zone[],
): DrawerRoom[] {
  return cells.flatMap((cell) => {
    if (!drawerFill.is(cell.fill)) return [];
    const front = fronts.find(({ openingId }) => openingId === cell.opening.id);
    return front ? [roomOf(cell, front, parts, box, resolved, zones)] : [];
  });
}

export function roomOf(
  cell: Cell,
  front: Front,
  parts: readonly Part[],
  box: Box,
  resolved: RunnerResolved,
  zones: readonly Zone[],
): DrawerRoom {
  const { settings } = resolved;
  const { clear, inside } = cell;
  const least = settings.drawers.family.value === 'wooden' ? LEAST_PACKING : LEAST_STRIP;
  const same = clear.h === inside.h;
  const [low, high] = [
    same || clear.h.low.value - inside.h.low.value <= least ? inside.h.low : clear.h.low,
    same || inside.h.high.value - clear.h.high.value <= least ? inside.h.high : clear.h.high,
  ];
  const size = low === inside.h.low && high === inside.h.high ? inside.h.size : spanBetween(low, high).size;
  const across = { low, high, size: size.as('opening for the runners', `drawer/${cell.opening.id}.opening`) };
  const fill = runsIn(cell.fill);
  const path = pathTo.openingField(cell.path, 'fill');
  const { up, raised } = raisedIn(common(clear.v, inside.v), fill, path);
  const middle = (up.low.value + up.high.value) / 2;
  const upright = (hand: 'left' | 'right', x: Dim) => uprightAt(parts, hand, { x: x.value, z: middle });
  const plane = box.mountingPlane;
  const around = fill ? aroundOf({ across, up, plane }, zones, resolved) : undefined;
  return {
    id: cell.opening.id,
    kind: 'front',
    front,
    contents: fill?.contents,
    path,
    inside,
    name: capital(cell.name.replace('drawer front', 'drawer')),
    across,
    up,
    raised,
    packing: {
      left: packed(low, inside.h.low, 'left'),
      right: packed(inside.h.high, high, 'right'),
    },
    uprights: { left: upright('left', inside.h.low), right: upright('right', inside.h.high) },
    plane,
    around,
    begins: backOfFronts(box, settings),
    ...rearOf({ across, up }, parts, box, around ? [] : zones),
  };
}

/** The room a drawer has once its runners are raised as it is decided. */
export function raisedIn(
  up: Span,
  fill: { readonly raised?: number | undefined } | undefined,
  path: AnyPath,
): Pick<DrawerRoom, 'up' | 'raised'> {
  if (!fill?.raised) return { up, raised: undefined };
  const raised = setting('runners raised', fill.raised, {
    kind: 'here',
    note: 'this drawer',
    path: drawerFill.at(path, 'raised'),
  });
  return { up: spanBetween(up.low.plus(raised).as('floor of the drawer, raised'), up.high), raised };
}

/** Between frame members and between case parts, whichever is nearer. */
export function common(clear: Span, inside: Span): Span {
  if (clear === inside || (clear.low.value >= inside.low.value && clear.high.value <= inside.high.value)) return clear;
  return spanBetween(
    clear.low.value >= inside.low.value ? clear.low : inside.low,
    clear.high.value <= inside.high.value ? clear.high : inside.high,
  );
}

function packed(to: Dim, from: Dim, hand: string): Dim {
  return to.value > from.value ? to.minus(from).as(`packing, ${hand}`) : length(0, `packing, ${hand}`);
}

function overlapsRoom(min: Zone['extent']['min'], max: Zone['extent']['max'], across: Span, up: Span): boolean {
  return (
    min[0] < across.high.value - 0.01 &&
    max[0] > across.low.value + 0.01 &&
    min[2] < up.high.value - 0.01 &&
    max[2] > up.low.value + 0.01
  );
}

/** The clear depth, or the nearest part or keep-out box that stands behind the drawer. */
export function rearOf(
  { across, up }: Pick<DrawerRoom, 'across' | 'up'>,
  parts: readonly Part[],
  box: Box,
  zones: readonly Zone[] = [],
): Pick<DrawerRoom, 'rear' | 'rearBy'> {
  let nearest: Part | undefined;
  for (const part of parts) {
    const { min, max } = part.extent;
    if (min[1] < BEHIND || min[1] > box.clearDepth.value - 0.01) continue;
    if (!overlapsRoom(min, max, across, up)) continue;
    if (!nearest || min[1] < nearest.extent.min[1]) nearest = part;
  }
  const [zone] = zones
    .filter(({ extent: { min, max } }) => min[1] < box.clearDepth.value && overlapsRoom(min, max, across, up))
    .sort((a, b) => a.front.value - b.front.value);
  if (zone && (!nearest || zone.front.value < nearest.extent.min[1])) return { rear: zone.front, rearBy: zone.name };
  return nearest
    ? { rear: spanAlong(nearest, 1).low, rearBy: nearest.name.toLowerCase() }
    : { rear: box.clearDepth, rearBy: parts.some(({ role }) => role === 'back') ? 'back' : 'rear of the sides' };
}
