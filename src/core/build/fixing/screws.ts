import { type Dim, gather, length, type Span, spanBetween } from '../../ground/index.js';
import {
  type AxisIndex,
  atPlaces,
  axisIndex,
  blockIn,
  type Extent,
  fastenersAlong,
  footprintOf,
  type Operation,
  type Part,
  placeRow,
  SCREW_WAY,
  sizeOf,
  spacedAlong,
  spacesOf,
  spanAlong,
} from '../../part/index.js';
import { headSide, holesOf, type Screwed, type ScrewLine } from './holes.js';

/** Everything that may be in the way: the parts with all that is cut in them so far, and the lines of screws in them. */
export interface InTheWay {
  readonly parts: readonly Part[];
  readonly taken: (part: Part) => readonly Taken[];
}

/** What one operation takes of a part, in the cabinet: all together, and hole by hole where somebody comes near. */
export interface Taken {
  readonly operation: Operation;
  readonly room: Extent;
  readonly rooms: () => readonly Extent[];
}

export function takenBy(part: Part, operation: Operation): Taken {
  const size = sizeOf(part);
  const { u, v } = footprintOf(operation, size);
  let rooms: Extent[] | undefined;
  return {
    operation,
    room: blockIn(part, { low: [u[0], v[0], 0], high: [u[1], v[1], size.thickness] }),
    rooms() {
      rooms ??= spacesOf(operation, size).map((space) => blockIn(part, space));
      return rooms;
    },
  };
}

/** Wood beside a screw hole to what else is cut; from its middle to the ends of what is shared, and to the next (mm). */
const BESIDE = 3;
const FROM_END = 12;
const APART = 20;
/** It is moved at most so far to stand clear (mm). */
const FURTHEST = 90;
/** Narrower than this nothing is screwed; narrower than two of these one line is enough where faces meet (mm). */
const LEAST = 8;
const TWO_LINES = 120;

/**
 * Screws from the far face of one part into what lies against its other: along the edge or end it covers, or in one or
 * two lines where two faces meet; each moved clear of what is cut in either. None where what they share is too small or
 * everything of it is taken.
 */
export function screwRow(wanted: Screwed, around: InTheWay): ScrewLine[] {
  const { through, into } = wanted;
  const normal = axisIndex(through.placement.w);
  const [along, across] = runOf(wanted, normal);
  const [run, width] = [commonSpan(through, into, along), commonSpan(through, into, across)];
  if (run.size.value < 2 * FROM_END || width.size.value < LEAST) return [];
  const screwed = withRoomBeside(wanted, linesAcross(wanted, normal, across, width), width);
  const regular =
    run.size.value > 2 * screwed.first.value
      ? spacedAlong(run.size, screwed.first, screwed.spacing)
      : fastenersAlong(run.size, { half: screwed.pilot.value / 2, ...screwed });
  return linesAcross(screwed, normal, across, width).flatMap((at) => {
    const taken = takenAt(screwed, normal, along, [across, at.value], around);
    const places = placesIn(run, regular, taken);
    return places.length > 0 ? [holesOf(screwed, normal, along, { at, places })] : [];
  });
}

type Runs = readonly (readonly [from: number, to: number])[];

/** As many of the regular places as stand clear of what is taken, moved the least in all. */
function placesIn(run: Span, regular: readonly Dim[], taken: Runs): readonly Dim[] {
  const { low, size } = run;
  const within = [low.value + FROM_END, low.value + size.value - FROM_END] as const;
  const usual = regular.map((place) => low.plus(place));
  const stands = ({ value: mm }: Dim) =>
    mm >= within[0] && mm <= within[1] && taken.every(([from, to]) => mm <= from || mm >= to);
  if (usual.every(stands)) return usual;
  const row = { regular: usual.map(({ value: mm }) => mm), within, apart: APART, taken, least: 1 };
  const near = placeRow({ ...row, furthest: FURTHEST });
  // One alone does not keep what it holds from turning: then the others may go further.
  const placed = near.ok && (near.places.length > 1 || usual.length === 1) ? near : placeRow(row);
  return placed.ok ? atPlaces(usual, placed.places, 'moved clear of what is cut there') : [];
}

/** Along which axis the screws stand in line, and which lies across it. */
function runOf({ through, into }: Screwed, normal: AxisIndex): [along: AxisIndex, across: AxisIndex] {
  const plane = ([0, 1, 2] as const).filter((axis) => axis !== normal) as [AxisIndex, AxisIndex];
  const thin = axisIndex(into.placement.w);
  if (thin !== normal) return plane[0] === thin ? [plane[1], thin] : [plane[0], thin];
  const [a, b] = plane.map((axis) => commonSpan(through, into, axis).size.value) as [number, number];
  return a >= b ? plane : [plane[1], plane[0]];
}

/** Wood from a hole to the edge of what is screwed on (mm). */
const LEFT_BESIDE = 2;

/** Beside a narrow rest behind a rabbet the hole is bored as wide as the screw, no wider, so that it does not break out. */
function withRoomBeside(screwed: Screwed, lines: readonly Dim[], { low, high }: Span): Screwed {
  const { pilot } = screwed;
  const least = Math.min(...lines.map(({ value: mm }) => Math.min(mm - low.value, high.value - mm)));
  return pilot.value > SCREW_WAY.value && least - pilot.value / 2 < LEFT_BESIDE
    ? { ...screwed, pilot: SCREW_WAY }
    : screwed;
}

/** Where both parts are, along an axis. */
function commonSpan(a: Part, b: Part, axis: AxisIndex): Span {
  const [one, other] = [spanAlong(a, axis), spanAlong(b, axis)];
  const low = one.low.value >= other.low.value ? one.low : other.low;
  const high = one.high.value <= other.high.value ? one.high : other.high;
  return spanBetween(low, high);
}

/** The middle of an edge; of a face its middle, or lines near both its edges. */
function linesAcross({ into, first }: Screwed, normal: AxisIndex, across: AxisIndex, width: Span): Dim[] {
  const middle = width.low.plus(width.size.over(2)).as('middle of what is shared');
  if (axisIndex(into.placement.w) !== normal) return inWood(middle, spanAlong(into, across), width);
  if (width.size.value < TWO_LINES) return [middle];
  const inset = width.size.value > 4 * first.value ? first : width.size.over(4);
  return [width.low.plus(inset), width.high.minus(inset)];
}

/** The middle, or further into the edge where its face is too near; none where that leaves too little beside it. */
function inWood(middle: Dim, edge: Span, shared: Span): Dim[] {
  const at =
    middle.value - edge.low.value < IN_EDGE.value
      ? edge.low.plus(IN_EDGE)
      : edge.high.value - middle.value < IN_EDGE.value
        ? edge.high.minus(IN_EDGE)
        : middle;
  return at.value - shared.low.value < BESIDE_HEAD || shared.high.value - at.value < BESIDE_HEAD ? [] : [at];
}

/** A screw in an edge has so much to both faces, half of it being screw; and so much beside it in what it holds (mm). */
const IN_EDGE = length(5, 'screw from the face');
const BESIDE_HEAD = 3;

/** Where along a line the head cannot be reached, or something is cut or bored where the screw goes. */
function takenAt(
  { through, into, between = [], group, pilot }: Screwed,
  normal: AxisIndex,
  along: AxisIndex,
  [across, line]: readonly [axis: AxisIndex, at: number],
  { parts, taken }: InTheWay,
): Runs {
  const apart = pilot.value / 2 + BESIDE;
  const beside = ({ min, max }: Extent) => line > min[across] - apart && line < max[across] + apart;
  const blocked = gather([through, ...between, into], (part) =>
    gather(taken(part), ({ operation, room, rooms }) =>
      (group !== undefined && operation.group === group) || !beside(room) ? [] : rooms().filter(beside),
    ),
  );
  const head = headSide(through, into, normal);
  const face = (head > 0 ? through.extent.max[normal] : through.extent.min[normal]) + head;
  // A drawer is put in after them, and slides over heads that are sunk.
  const covers = gather(parts, ({ extent, role }, at) =>
    role !== 'drawer box' &&
    parts[at] !== through &&
    parts[at] !== into &&
    !between.includes(parts[at] as Part) &&
    extent.min[normal] < face &&
    extent.max[normal] > face &&
    beside(extent)
      ? [extent]
      : [],
  );
  return [...blocked, ...covers].map(({ min, max }) => [min[along] - apart, max[along] + apart] as const);
}
