import { isFill, type Resolved, shelvesFill } from '../../decisions/index.js';
import { type Dim, length, plain, setting } from '../../ground/index.js';
import { type Part, partKeys, uprightAt } from '../../part/index.js';
import type { Crossing } from '../builder/index.js';
import type { Compartment } from '../layout/index.js';
import { holeDim, holeHeight, holesBetween, type PinGrid } from './grid.js';

/** Where one adjustable shelf lies. */
export interface ShelfPlace {
  readonly underside: Dim;
  /** Number of the grid hole its pins stand in; absent where nothing is bored or no hole is within the opening. */
  readonly hole?: number;
  /** True where the maker decided the height. */
  readonly decided: boolean;
}

/** A room with adjustable shelves, and the uprights that carry their pins. */
export interface Bay {
  readonly room: Compartment;
  readonly left: Part | undefined;
  readonly right: Part | undefined;
  /** Beside a partition too thin for pins from both faces: only every other hole, the even or the odd ones. */
  readonly parity: 0 | 1 | undefined;
  readonly places: readonly ShelfPlace[];
  /** The rails its shelves pass, none where they may stand in front of them. */
  readonly rails: readonly Crossing[];
  /** Face of the rail its shelves stop at, where they would have to give up too many holes to pass it. */
  readonly stopsAt: Dim | undefined;
}

/** Room kept above the floor of an opening and below its ceiling (mm). */
const ROOM = 20;

/** The rooms with adjustable shelves, each shelf at its height. */
export function layOutBays(
  rooms: readonly Compartment[],
  uprights: readonly Part[],
  grid: PinGrid | undefined,
  resolved: Resolved,
  crossings: readonly Crossing[] = [],
): Bay[] {
  const shelved = rooms.filter(({ fill }) => isFill(fill, 'shelves') && fill.shelves > 0);
  const carried = shelved.map((room) => ({
    room,
    left: closing(uprights, room, 'left'),
    right: closing(uprights, room, 'right'),
  }));
  return carried.map((bay) => {
    const parity = parityOf(bay, carried, uprights, resolved);
    const there = railsIn(bay.room, crossings);
    const rails = grid && mayPass(bay.room, grid, parity, there, resolved) ? there : [];
    const places = placeShelves(bay.room, grid, parity, rails, resolved);
    const [first] = [...there].sort((a, b) => a.y.low.value - b.y.low.value);
    // One that found no free hole stops in front of the rail like those that were not to pass it.
    const all = places.every(({ hole }) => hole !== undefined);
    return { parity, ...bay, rails, places, stopsAt: rails.length > 0 && all ? undefined : first?.y.low };
  });
}

/** Holes a bay may give up so that its shelves pass a rail at full depth. */
const MOST_LOST = 3;

/** The rails that run through an opening at the rear. */
function railsIn({ inside: { v } }: Compartment, crossings: readonly Crossing[]): Crossing[] {
  return crossings.filter(({ z }) => z.low.value < v.high.value - 1e-6 && z.high.value > v.low.value + 1e-6);
}

/**
 * Holes that bring a shelf into a rail are left out, if no more than three are lost by it; else, and where nothing is
 * bored, the shelves of the opening stop in front of the rail.
 */
function mayPass(
  room: Compartment,
  grid: PinGrid,
  parity: 0 | 1 | undefined,
  rails: readonly Crossing[],
  resolved: Resolved,
): boolean {
  const all = holesForShelf(room, grid, parity, [], resolved);
  const left = holesForShelf(room, grid, parity, rails, resolved);
  return left.length > 0 && all.length - left.length <= MOST_LOST;
}

function closing(parts: readonly Part[], { inside: { h, v } }: Compartment, hand: 'left' | 'right'): Part | undefined {
  const x = (hand === 'left' ? h.low : h.high).value;
  return uprightAt(parts, hand, { x, z: (v.low.value + v.high.value) / 2 });
}

type Carried = Pick<Bay, 'room' | 'left' | 'right'>;

/** Depth a pin hole may have where the other face is bored at the same place: (tP − 1) / 2. */
export function oppositeDepth(thickness: Dim): Dim {
  return thickness.minus(length(1, 'left between two holes')).over(2).as('pin hole depth from both faces');
}

/** True for a partition that cannot take pins from both faces at one place. */
export function tooThinForBoth(partition: Part, { settings }: Resolved): boolean {
  return (
    Math.min(settings.pins.depth.value, oppositeDepth(partition.thickness).value) <
    settings.pins.leastDepth.value - 1e-6
  );
}

/** Even or odd holes by how many partitions stand to the left, so that neighbours never bore the same one. */
function parityOf(
  bay: Carried,
  all: readonly Carried[],
  uprights: readonly Part[],
  resolved: Resolved,
): 0 | 1 | undefined {
  if (resolved.settings.pins.opposite.value !== 'stagger') return undefined;
  const shares = (hand: 'left' | 'right') => {
    const upright = bay[hand];
    const other = hand === 'left' ? 'right' : 'left';
    return (
      upright?.role === 'partition' &&
      tooThinForBoth(upright, resolved) &&
      all.some((each) => each !== bay && each[other] === upright)
    );
  };
  if (!shares('left') && !shares('right')) return undefined;
  const { h, v } = bay.room.inside;
  const before = uprights.filter((part) => {
    const { min, max } = part.extent;
    return part.role === 'partition' && max[0] <= h.low.value + 0.01 && min[2] < v.high.value && max[2] > v.low.value;
  });
  return (before.length % 2) as 0 | 1;
}

/** Numbers of the holes a shelf of an opening can stand in, the lowest first: clear of its floor and its ceiling. */
function holesForShelf(
  { inside, id }: Pick<Compartment, 'inside' | 'id'>,
  grid: PinGrid,
  parity: 0 | 1 | undefined,
  rails: readonly Crossing[],
  resolved: Resolved,
): number[] {
  const { settings } = resolved;
  const { low, high } = inside.v;
  const thickness = thickestShelf(id, resolved);
  const above = thickness.value + settings.pins.diameter.value / 2;
  return holesBetween(grid, low.value + ROOM, high.value - ROOM - above).filter(
    (k) => (parity === undefined || k % 2 === parity) && passesRails(grid, k, rails, thickness, resolved),
  );
}

/** Thickness of the shelves of a room; of the thickest where one is made of something else. */
export function thickestShelf(room: string, { materials, pieces }: Resolved): Dim {
  const own = Object.entries(pieces).flatMap(([key, { thickness }]) =>
    partKeys.shelf.read(key)?.room === room ? [thickness] : [],
  );
  return own.reduce((thickest, each) => (each.value > thickest.value ? each : thickest), materials.shelf.thickness);
}

/** True when a shelf in a hole meets none of the rails. */
export function passesRails(
  grid: PinGrid,
  k: number,
  rails: readonly Crossing[],
  thickness: Dim,
  { settings }: Pick<Resolved, 'settings'>,
): boolean {
  const low = holeHeight(grid, k) + settings.pins.diameter.value / 2;
  const high = low + thickness.value;
  return rails.every(({ z }) => high <= z.low.value || low >= z.high.value);
}

/** Where there are no holes a shelf is moved in steps of this (mm). */
const STEP = 10;

/** Every height the underside of a shelf of a bay may have (mm above the underside of the box), the lowest first. */
export function shelfHeights(
  { room: bay, parity, rails }: Pick<Bay, 'room' | 'parity' | 'rails'>,
  grid: PinGrid | undefined,
  resolved: Resolved,
): number[] {
  const rise = resolved.settings.pins.diameter.value / 2;
  if (grid) return holesForShelf(bay, grid, parity, rails, resolved).map((k) => holeHeight(grid, k) + rise);
  const { low, high } = bay.inside.v;
  const room = high.value - low.value - 2 * ROOM - thickestShelf(bay.id, resolved).value;
  return Array.from({ length: Math.max(0, Math.floor(room / STEP)) }, (_, n) => low.value + ROOM + n * STEP);
}

/** Clear spaces as equal as the grid allows; a decided height takes the hole nearest to it. */
function placeShelves(
  { fill, inside, path, id }: Compartment,
  grid: PinGrid | undefined,
  parity: 0 | 1 | undefined,
  rails: readonly Crossing[],
  resolved: Resolved,
): ShelfPlace[] {
  if (!isFill(fill, 'shelves')) return [];
  const { settings } = resolved;
  const { shelves: count, shelvesAt = [] } = fill;
  const thickness = thickestShelf(id, resolved);
  const { low, size } = inside.v;
  const space = size
    .minus(thickness.times(count))
    .over(plain(count + 1, 'spaces'))
    .as('space between shelves');
  const rise = settings.pins.diameter.over(2).as('shelf above the middle of its hole');
  const usable = grid ? holesForShelf({ inside, id }, grid, parity, rails, resolved) : [];
  let lowest = Number.NEGATIVE_INFINITY;
  return Array.from({ length: count }, (_, at): ShelfPlace => {
    const own = shelvesAt.find(({ id }) => id === `s${at + 1}`)?.mm;
    const decided = own !== undefined;
    const wanted = decided
      ? low.plus(
          setting('shelf above the floor of its opening', own, {
            kind: 'here',
            path: shelvesFill.at(path, 'shelvesAt'),
          }),
        )
      : low.plus(space.times(at + 1)).plus(at > 0 ? thickness.times(at) : length(0));
    const free = usable.filter((k) => holeHeight(grid as PinGrid, k) >= lowest + thickness.value + ROOM);
    const left = count - at - 1;
    // Leave a hole for each shelf still to come.
    const choice = free.slice(0, Math.max(1, free.length - left));
    const hole = nearestHole(choice, grid, wanted.value - rise.value);
    if (hole === undefined || !grid) return { underside: wanted.as('underside of the shelf'), decided };
    lowest = holeHeight(grid, hole);
    return { underside: holeDim(grid, hole).plus(rise).as('underside of the shelf'), hole, decided };
  });
}

function nearestHole(holes: readonly number[], grid: PinGrid | undefined, z: number): number | undefined {
  if (!grid) return undefined;
  let best: number | undefined;
  for (const k of holes)
    if (best === undefined || Math.abs(holeHeight(grid, k) - z) < Math.abs(holeHeight(grid, best) - z) - 1e-9) best = k;
  return best;
}
