import {
  type Bay,
  type Box,
  type Fitting,
  holeDim,
  holeHeight,
  holesBetween,
  oppositeDepth,
  type PinGrid,
  passesRails,
  pinLines,
  shelvedRoom,
  thickestShelf,
  tooThinForBoth,
} from '../../build/index.js';
import type { Resolved } from '../../decisions/index.js';
import { type Dim, measuredFrom } from '../../ground/index.js';
import {
  edgeOf,
  FACING_EDGES_APART,
  faceInto,
  type Holes,
  mayFace,
  type Operation,
  type Part,
} from '../../part/index.js';

/** Numbers of the holes bored for a bay: all it has room for, or some above and below each shelf. The lowest first. */
export function holesOf({ room, places, parity, rails }: Bay, grid: PinGrid, resolved: Resolved): number[] {
  const { pins } = resolved.settings;
  const { low, high } = room.inside.v;
  const thickness = thickestShelf(room.id, resolved);
  const within = holesBetween(grid, low.value + pins.ends.value, high.value - pins.ends.value).filter(
    (k) => (parity === undefined || k % 2 === parity) && passesRails(grid, k, rails, thickness, resolved),
  );
  const own = places.flatMap(({ hole }) => (hole === undefined ? [] : [hole]));
  const reach = pins.around.value * (parity === undefined ? 1 : 2);
  const bored =
    pins.column.value === 'full' ? within : within.filter((k) => own.some((hole) => Math.abs(k - hole) <= reach));
  return [...new Set([...bored, ...own])].sort((a, b) => holeHeight(grid, a) - holeHeight(grid, b));
}

/** The pin holes of every bay, by part key: two lines in each upright, measured from the same end of all of them. */
export function borePins(
  bays: readonly Bay[],
  grid: PinGrid | undefined,
  box: Box,
  resolved: Resolved,
): Map<string, Operation[]> {
  const bored = new Map<string, Operation[]>();
  if (!grid) return bored;
  for (const bay of bays) {
    const lines = pinLines(box, resolved, grid, bay.stopsAt);
    for (const hand of ['left', 'right'] as const) {
      const upright = bay[hand];
      if (!upright) continue;
      const other = oppositeBay(bay, hand, bays);
      const shared = new Set(other ? holesOf(other, grid, resolved) : []);
      const holes = holesOf(bay, grid, resolved);
      const both = holes.some((k) => shared.has(k));
      const operations = [lines.front, lines.rear].flatMap((line) =>
        line ? columnsIn(upright, hand, line, holes, { bay, grid, resolved, shared, both }) : [],
      );
      bored.set(upright.key, [...(bored.get(upright.key) ?? []), ...operations]);
    }
  }
  return bored;
}

/** The bay on the other face of a partition. */
function oppositeBay(bay: Bay, hand: 'left' | 'right', bays: readonly Bay[]): Bay | undefined {
  const upright = bay[hand];
  if (upright?.role !== 'partition') return undefined;
  return bays.find((each) => each !== bay && each[hand === 'left' ? 'right' : 'left'] === upright);
}

interface ColumnContext {
  readonly bay: Bay;
  readonly grid: PinGrid;
  readonly resolved: Resolved;
  /** Holes the bay on the other face has too. */
  readonly shared: ReadonlySet<number>;
  readonly both: boolean;
}

/** One line of holes in an upright. Where both faces are bored at the same place they are shallower, or go through. */
function columnsIn(
  upright: Part,
  hand: 'left' | 'right',
  line: Dim,
  holes: readonly number[],
  { bay, grid, resolved, shared, both }: ColumnContext,
): Operation[] {
  const { pins } = resolved.settings;
  const [start, edge] = [edgeOf(upright, 'u0'), edgeOf(upright, 'v0')];
  const face = faceInto(upright, hand);
  const column = (chosen: readonly number[], depth: Dim | undefined): Holes[] =>
    chosen.length === 0
      ? []
      : [
          {
            kind: 'holes',
            face,
            from: 'v0',
            offset: measuredFrom(line, edge, 'pin hole'),
            positions: chosen.map((k) => measuredFrom(holeDim(grid, k), start, 'pin hole')),
            diameter: pins.diameter,
            ...(depth ? { depth } : {}),
            by: { kind: 'pins', opening: bay.room.id },
            reason: `pins: shelves of the ${shelvedRoom(bay.room)}`,
          },
        ];
  if (!both) return column(holes, pins.depth);
  if (tooThinForBoth(upright, resolved) && pins.opposite.value === 'through') {
    const through = holes.filter((k) => shared.has(k));
    // Bored once, from the bay at the left of the partition.
    return [
      ...column(
        holes.filter((k) => !shared.has(k)),
        pins.depth,
      ),
      ...(hand === 'right' ? column(through, undefined) : []),
    ];
  }
  const most = oppositeDepth(upright.thickness);
  return column(holes, most.value < pins.depth.value ? most : pins.depth);
}

/** Plate holes that fall on the grid serve as its holes: a pin column does not bore them again. */
export function withoutShared(pins: readonly Operation[], others: readonly Operation[]): Operation[] {
  const taken = others.filter((other): other is Holes => other.kind === 'holes');
  return pins.flatMap((operation): Operation[] => {
    if (operation.kind !== 'holes') return [operation];
    const along = taken.filter((other) => isSameLine(operation, other));
    if (along.length === 0) return [operation];
    const positions = operation.positions.filter(
      ({ value: mm }) => !along.some((other) => other.positions.some((hole) => Math.abs(hole.value - mm) < SAME_HOLE)),
    );
    if (positions.length === operation.positions.length) return [operation];
    return positions.length > 0 ? [{ ...operation, positions }] : [];
  });
}

/**
 * Pin holes that would meet plate holes, in their own face or in the other one of a partition, are left out, unless a shelf stands in them:
 * those are found when the holes are looked at.
 */
export function withoutMeeting(
  pins: readonly Operation[],
  others: readonly Operation[],
  thickness: number,
  stands: (u: number) => boolean,
): Operation[] {
  const plates = others.filter((other): other is Holes => other.kind === 'holes' && other.by.kind === 'hinges');
  if (plates.length === 0) return [...pins];
  return pins.flatMap((operation): Operation[] => {
    if (operation.kind !== 'holes') return [operation];
    const deep = (plate: Holes) =>
      !mayFace(operation.depth?.value ?? thickness, plate.depth?.value ?? thickness, thickness);
    const behind = plates.filter(
      (plate) => plate.face !== operation.face && plate.from === operation.from && deep(plate),
    );
    const beside = plates.filter((plate) => plate.face === operation.face && plate.from === operation.from);
    const meets = (at: number) =>
      beside.some((plate) => plate.positions.some(({ value: mm }) => overlaps(at, mm, operation, plate))) ||
      behind.some((plate) =>
        plate.positions.some(
          ({ value: mm }) =>
            Math.hypot(mm - at, plate.offset.value - operation.offset.value) <
            (plate.diameter.value + operation.diameter.value) / 2 + FACING_EDGES_APART,
        ),
      );
    const positions = operation.positions.filter(({ value: mm }) => stands(mm) || !meets(mm));
    if (positions.length === operation.positions.length) return [operation];
    return positions.length > 0 ? [{ ...operation, positions }] : [];
  });
}

/** Wood between a pin hole and a plate hole in the same face (mm). */
const BESIDE_PLATE = 2;

/** True where a pin hole would run into a plate hole of its face, and is not that hole itself. */
function overlaps(at: number, plateAt: number, pins: Holes, plate: Holes): boolean {
  const apart = Math.hypot(plateAt - at, plate.offset.value - pins.offset.value);
  return apart > SAME_HOLE && apart < (plate.diameter.value + pins.diameter.value) / 2 + BESIDE_PLATE;
}

/** Nearer than this two holes of one size are one hole (mm). */
const SAME_HOLE = 0.05;

/** Two rows of holes of one size on one line. */
function isSameLine(pins: Holes, other: Holes): boolean {
  return (
    other.face === pins.face &&
    other.from === pins.from &&
    Math.abs(other.diameter.value - pins.diameter.value) < SAME_HOLE &&
    Math.abs(other.offset.value - pins.offset.value) < SAME_HOLE
  );
}

/** Heights (mm) of the holes shelves stand in. */
export function shelfHoles(bays: readonly Bay[], grid: PinGrid | undefined): number[] {
  if (!grid) return [];
  return bays.flatMap(({ places }) =>
    places.flatMap(({ hole }) => (hole === undefined ? [] : [holeHeight(grid, hole)])),
  );
}

/** Four pins for every shelf that stands in holes. */
export function pinsToBuy(bays: readonly Bay[]): Fitting[] {
  const shelves = bays.reduce((sum, { places }) => sum + places.filter(({ hole }) => hole !== undefined).length, 0);
  return shelves > 0 ? [{ name: 'Shelf pin', quantity: shelves * 4, note: 'four to a shelf' }] : [];
}
