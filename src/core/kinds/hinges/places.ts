import { type Cell, type Front, holeHeight, type PinGrid } from '../../build/index.js';
import { type Dim, plain, setting } from '../../ground/index.js';
import type { Extent, Part } from '../../part/index.js';
import { familyOf } from './families/index.js';
import type { HingeFigures } from './figures.js';
import { hingesAt, hingesAtPath } from './heights.js';
import type { HingePlace } from './hung.js';
import type { HingeSolution } from './solution.js';

/** Doors lower than this many end distances. */
const LOW_DOOR = 3;
/** A hinge is moved no further than this to keep clear, or two steps of the grid and what it takes to reach it where plates stand behind (mm). */
const MOST_MOVE = 60;
const MOST_MOVE_BEHIND = 80;
const HALF_STEP = 16;
/** Middles of plate holes in two faces of one panel are at least so far apart (mm): 5 wide, with 3 between them and play. */
const PLATE_HOLES_APART = 9;

export interface PlaceContext {
  readonly front: Front;
  readonly hinged: 'left' | 'right';
  readonly cell: Cell;
  readonly carrier: Part;
  /** x of the face or edge that carries the hinge (mm). */
  readonly plane: number;
  readonly parts: readonly Part[];
  readonly mountingPlane: number;
  readonly grid: PinGrid | undefined;
  readonly settings: HingeFigures;
  /** Heights (mm) of plate holes already in the other face of what carries the hinge, too deep to face these. */
  readonly behind?: readonly number[];
  /** Runs of heights on the door (mm above its lower edge) where something else is cut in it. */
  readonly takenOnDoor?: readonly (readonly [from: number, to: number])[];
  /** Heights between which something else will stand behind the door: kept out of where another place is in reach. */
  readonly taken?: readonly { readonly low: number; readonly high: number }[];
}

/** First and last at the end distance, the rest equally between; then moved to the grid and clear of what stands there. */
export function placeHinges(solution: HingeSolution, count: number, context: PlaceContext): HingePlace[] {
  const { front, cell } = context;
  const { size, low } = front.v;
  const end = endDistance(solution, context);
  const spacing = size
    .minus(end.times(2))
    .over(plain(count - 1, 'spaces between hinges'))
    .as('hinge spacing');
  const free = freeHeights(solution, context);
  const beside = besideRunners(solution, context);
  const snaps = snapHeights(solution, context);
  const most = context.behind?.length ? MOST_MOVE_BEHIND : MOST_MOVE;
  const decided = hingesAt(cell) ?? [];
  // One hinge takes so much of the door's edge that the next is clear of it.
  const apart = 2 * familyOf(solution.profile).reach(solution);
  let last: number | undefined;
  const above = (z: number) => last === undefined || z >= last + apart - 1e-6;
  const place = (at: number): HingePlace => {
    const own = decided.find(({ id }) => id === `h${at + 1}`)?.mm;
    if (own !== undefined) {
      const path = hingesAtPath(cell);
      const onDoor = setting('hinge on the door', own, { kind: 'here', note: 'decided for this door', path });
      const onCase = low.plus(onDoor).as('plate on the case');
      return { onDoor, onCase, moved: 0, clear: free(onCase.value), decided: true };
    }
    const even = (at === 0 ? end : at === count - 1 ? size.minus(end) : end.plus(spacing.times(at))).as(
      'hinge above the lower edge of the door',
    );
    const moved =
      nearest(low.value + even.value, (z) => free(z) && above(z) && beside(z), snaps, most) ??
      nearest(low.value + even.value, (z) => free(z) && above(z), snaps, most);
    const onDoor = (moved ? even.plus(setting('moved to keep clear', moved, { kind: 'rule' })) : even).as(
      'hinge on the door',
    );
    return {
      onDoor,
      onCase: low.plus(onDoor).as('plate on the case'),
      moved: moved ?? 0,
      clear: moved !== undefined,
      decided: false,
    };
  };
  return Array.from({ length: count }, (_, at) => {
    const placed = place(at);
    if (placed.clear) last = placed.onCase.value;
    return placed;
  });
}

/** True at heights where a hinge stands clear of the runners behind its door. */
function besideRunners(solution: HingeSolution, { taken = [] }: PlaceContext): (z: number) => boolean {
  const half = familyOf(solution.profile).body(solution).height / 2;
  return (z) => taken.every(({ low, high }) => z + half <= low + 1e-6 || z - half >= high - 1e-6);
}

/** From the door's end to the middle of the first hinge, as its family has it. */
function endDistance(solution: HingeSolution, { front, settings }: PlaceContext): Dim {
  const { size } = front.v;
  const end = familyOf(solution.profile).firstFromEnd(solution, settings);
  // A low door takes its hinges at its quarters instead.
  return size.value >= LOW_DOOR * end.value ? end : size.over(4).as('a quarter of the door');
}

/** The room a hinge takes in the cabinet when its middle is at a height. */
export function hingeRoom(
  solution: HingeSolution,
  z: number,
  { hinged, plane, mountingPlane }: Pick<PlaceContext, 'hinged' | 'plane' | 'mountingPlane'>,
): Extent {
  const body = familyOf(solution.profile).body(solution);
  const [from, to] = hinged === 'left' ? [plane, plane + body.out] : [plane - body.out, plane];
  return {
    min: [from, mountingPlane, z - body.height / 2],
    max: [to, mountingPlane + body.behind, z + body.height / 2],
  };
}

/** What a hinge body may not stand in. */
const IN_THE_WAY: readonly Part['role'][] = ['divider', 'shelf', 'bottom', 'top', 'stretcher', 'web'];

/** True where a hinge lies wholly on what carries it, on the door, and beside whatever ends there. */
function freeHeights(solution: HingeSolution, context: PlaceContext): (z: number) => boolean {
  const { front, carrier, parts } = context;
  const [bottom, top] = [carrier.extent.min[2], carrier.extent.max[2]];
  const level = hingeRoom(solution, 0, context);
  const [under, over] = [level.min[2], level.max[2]];
  const blocked = parts
    .filter(({ role, extent }) => IN_THE_WAY.includes(role) && isBeside(extent, level))
    .map(({ extent: { min, max } }) => ({ from: min[2], to: max[2] }));
  const reach = familyOf(solution.profile).reach(solution);
  const [low, high] = [front.v.low.value, front.v.high.value];
  const half = (familyOf(solution.profile).platesApart(solution) ?? 0) / 2;
  const { behind = [], takenOnDoor = [] } = context;
  const faces = (z: number, hole: number) =>
    Math.abs(z - half - hole) < PLATE_HOLES_APART || Math.abs(z + half - hole) < PLATE_HOLES_APART;
  return (z) =>
    z + under >= bottom - 1e-6 &&
    z + over <= top + 1e-6 &&
    z - low >= reach &&
    high - z >= reach &&
    takenOnDoor.every(([from, to]) => z - low <= from + 1e-6 || z - low >= to - 1e-6) &&
    blocked.every(({ from, to }) => z + over <= from + 1e-6 || z + under >= to - 1e-6) &&
    !behind.some((hole) => faces(z, hole));
}

/** True where something reaches into the room across and in depth, at whatever height. */
function isBeside({ min, max }: Extent, room: Extent): boolean {
  return (
    min[0] < room.max[0] - 0.01 &&
    max[0] > room.min[0] + 0.01 &&
    min[1] < room.max[1] - 0.01 &&
    max[1] > room.min[1] + 0.01
  );
}

/** Heights at which both plate holes fall on the grid; undefined where hinges do not stand on it. */
export function snapHeights(
  solution: HingeSolution,
  { grid, carrier, settings }: Pick<PlaceContext, 'grid' | 'carrier' | 'settings'>,
): readonly number[] | undefined {
  const apart = familyOf(solution.profile).platesApart(solution);
  if (apart === undefined || settings.hinges.snap.value !== 'grid' || !grid || carrier.role === 'frame')
    return undefined;
  const steps = apart / grid.step.value;
  if (Math.abs(steps - Math.round(steps)) > 1e-6) return undefined;
  const heights: number[] = [];
  for (let k = 0; k < grid.count; k += 1) heights.push(holeHeight(grid, k) + apart / 2);
  return heights;
}

/**
 * How far to move, as little as possible and at most `most` mm, so that the height is free; on the grid where there is one, off
 * it only when nothing on it is free. Undefined when nothing within reach is.
 */
function nearest(
  z: number,
  free: (z: number) => boolean,
  snaps: readonly number[] | undefined,
  most: number,
): number | undefined {
  let snapped: number | undefined;
  for (const height of snaps ?? []) {
    const move = height - z;
    const nearer = Math.abs(move) < Math.abs(snapped ?? most + 2e-6);
    if (nearer && Math.abs(move) <= most + 1e-6 && free(z + move)) snapped = move;
  }
  if (snapped !== undefined) return snapped;
  // Beside plates in the other face half a step is clear of both their holes.
  const half = most > MOST_MOVE ? [0, HALF_STEP, -HALF_STEP].find((move) => free(z + move)) : undefined;
  if (half !== undefined) return half;
  for (let move = 0; move <= most; move += 1) {
    if (free(z + move)) return move;
    if (free(z - move)) return -move;
  }
  return undefined;
}

/** Every height a hinge could stand at: those on the grid that are free, or one every few millimetres. */
export function heightsFree(solution: HingeSolution, context: PlaceContext): number[] {
  const free = freeHeights(solution, context);
  const { low, high } = context.front.v;
  const snaps = snapHeights(solution, context);
  const steps =
    snaps ?? Array.from({ length: Math.floor((high.value - low.value) / STEP) }, (_, at) => low.value + at * STEP);
  return steps.filter(free);
}

/** Heights are tried in steps of this where there is no grid (mm). */
const STEP = 5;
