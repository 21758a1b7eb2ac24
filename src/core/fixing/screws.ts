import { type Dim, length, measuredFrom, type Span, spanBetween } from '../derive/index.js';
import { gather } from '../gather.js';
import {
  atPlaces,
  type By,
  CONSTRUCTION,
  type EdgeReference,
  type Face,
  type Fastens,
  fastenersAlong,
  footprintOf,
  type Operation,
  placeRow,
  SCREW_WAY,
  soldFrom,
  soldUpTo,
  spacedAlong,
  spacesOf,
} from '../machining/index.js';
import { type AxisIndex, axisIndex, type Extent, edgeOf, type Part, sizeOf, spanAlong } from '../parts/index.js';
import { blockIn } from '../solids/index.js';

/** What is screwed through one part into another, and how. */
export interface Screwed {
  readonly through: Part;
  readonly into: Part;
  /** What lies between the two and is screwed through as well, the outermost first. */
  readonly between?: readonly Part[];
  /** Why, for the table of holes. */
  readonly reason: string;
  readonly first: Dim;
  readonly spacing: Dim;
  readonly pilot: Dim;
  /** The screw of the box, and in what steps others are sold. */
  readonly screw: Dim;
  readonly step: Dim;
  /** What is enough in the next part, where the screws of the box would be longer than it needs: those of a back. */
  readonly hold?: Dim;
  /** Operations of this group may be crossed, as the rabbet that `through` lies in. */
  readonly group?: string;
}

/** The holes of one line of screws, and the way they take in what they hold. */
export interface ScrewLine {
  readonly hole: Operation;
  /** The same holes in what lies between. */
  readonly between: readonly (readonly [part: Part, hole: Operation])[];
  readonly way: Operation;
}

/** Everything that may be in the way: the parts with all that is cut in them so far, and the ways of screws in them. */
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
/** What stays of a face a screw must not come through (mm). */
const SHORT_OF_FACE = length(3, 'short of the face');

const BY: By = { kind: 'fixing', what: 'screws' };

/**
 * Screws from the far face of one part into what lies against its other: along the edge or end it covers, or in one or
 * two lines where two faces meet; each moved clear of what is cut in either. None where what they share is too small or
 * everything of it is taken.
 */
export function screwLines(wanted: Screwed, around: InTheWay): ScrewLine[] {
  const { through, into } = wanted;
  const normal = axisIndex(through.placement.w);
  const [along, across] = runOf(wanted, normal);
  const [run, width] = [commonSpan(through, into, along), commonSpan(through, into, across)];
  if (run.size.mm < 2 * FROM_END || width.size.mm < LEAST) return [];
  const screwed = withRoomBeside(wanted, linesAcross(wanted, normal, across, width), width);
  const regular =
    run.size.mm > 2 * screwed.first.mm
      ? spacedAlong(run.size, screwed.first, screwed.spacing)
      : fastenersAlong(run.size, { half: screwed.pilot.mm / 2, ...screwed });
  return linesAcross(screwed, normal, across, width).flatMap((at) => {
    const taken = takenAt(screwed, normal, along, [across, at.mm], around);
    const places = placesIn(run, regular, taken);
    return places.length > 0 ? [holesOf(screwed, normal, along, { at, places })] : [];
  });
}

type Runs = readonly (readonly [from: number, to: number])[];

/** As many of the regular places as stand clear of what is taken, moved the least in all. */
function placesIn(run: Span, regular: readonly Dim[], taken: Runs): readonly Dim[] {
  const { low, size } = run;
  const within = [low.mm + FROM_END, low.mm + size.mm - FROM_END] as const;
  const usual = regular.map((place) => low.plus(place));
  const stands = ({ mm }: Dim) =>
    mm >= within[0] && mm <= within[1] && taken.every(([from, to]) => mm <= from || mm >= to);
  if (usual.every(stands)) return usual;
  const row = { regular: usual.map(({ mm }) => mm), within, apart: APART, taken, least: 1 };
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
  const [a, b] = plane.map((axis) => commonSpan(through, into, axis).size.mm) as [number, number];
  return a >= b ? plane : [plane[1], plane[0]];
}

/** Wood from a hole to the edge of what is screwed on (mm). */
const LEFT_BESIDE = 2;

/** Beside a narrow rest behind a rabbet the hole is bored as wide as the screw, no wider, so that it does not break out. */
function withRoomBeside(screwed: Screwed, lines: readonly Dim[], { low, high }: Span): Screwed {
  const { pilot } = screwed;
  const least = Math.min(...lines.map(({ mm }) => Math.min(mm - low.mm, high.mm - mm)));
  return pilot.mm > SCREW_WAY.mm && least - pilot.mm / 2 < LEFT_BESIDE ? { ...screwed, pilot: SCREW_WAY } : screwed;
}

/** Where both parts are, along an axis. */
function commonSpan(a: Part, b: Part, axis: AxisIndex): Span {
  const [one, other] = [spanAlong(a, axis), spanAlong(b, axis)];
  const low = one.low.mm >= other.low.mm ? one.low : other.low;
  const high = one.high.mm <= other.high.mm ? one.high : other.high;
  return spanBetween(low, high);
}

/** The middle of an edge; of a face its middle, or lines near both its edges. */
function linesAcross({ into, first }: Screwed, normal: AxisIndex, across: AxisIndex, width: Span): Dim[] {
  const middle = width.low.plus(width.size.over(2)).as('middle of what is shared');
  if (axisIndex(into.placement.w) !== normal) return inWood(middle, spanAlong(into, across), width);
  if (width.size.mm < TWO_LINES) return [middle];
  const inset = width.size.mm > 4 * first.mm ? first : width.size.over(4);
  return [width.low.plus(inset), width.high.minus(inset)];
}

/** The middle, or further into the edge where its face is too near; none where that leaves too little beside it. */
function inWood(middle: Dim, edge: Span, shared: Span): Dim[] {
  const at =
    middle.mm - edge.low.mm < IN_EDGE.mm
      ? edge.low.plus(IN_EDGE)
      : edge.high.mm - middle.mm < IN_EDGE.mm
        ? edge.high.minus(IN_EDGE)
        : middle;
  return at.mm - shared.low.mm < BESIDE_HEAD || shared.high.mm - at.mm < BESIDE_HEAD ? [] : [at];
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
  const apart = pilot.mm / 2 + BESIDE;
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

/** To which side of the part screwed through its screws' heads lie: away from what they hold. */
function headSide(through: Part, into: Part, normal: AxisIndex): 1 | -1 {
  const middle = ({ extent }: Part) => (extent.min[normal] + extent.max[normal]) / 2;
  return middle(into) > middle(through) ? -1 : 1;
}

/** Less than this of a screw in a face holds nothing (mm). */
const LEAST_IN_FACE = 8;

/**
 * The screw that does, and how far it goes into the next part. Into an edge: that of the box, or for a back the shortest
 * that holds. Into a face: no longer than stays short of the far one; longer than that of the box only where this does
 * not come through the layers before it.
 */
function screwFor(
  { through, into, between = [], screw, step, hold }: Screwed,
  onFace: boolean,
): { readonly size: Dim; readonly goesIn: Dim } {
  const before = between.reduce((sum, part) => sum.plus(part.thickness), through.thickness).as('what it goes through');
  const enough = hold && soldFrom(before.plus(hold), step);
  const wanted = enough && enough.mm < screw.mm ? enough : screw;
  const most = onFace ? soldUpTo(before.plus(into.thickness).minus(SHORT_OF_FACE), step) : undefined;
  const size = most && (most.mm < wanted.mm || wanted.mm - before.mm < LEAST_IN_FACE) ? most : wanted;
  return { size, goesIn: size.minus(before).as('screw in the next part') };
}

function holesOf(
  screwed: Screwed,
  normal: AxisIndex,
  along: AxisIndex,
  { at, places }: { readonly at: Dim; readonly places: readonly Dim[] },
): ScrewLine {
  const { through, into, between: passed = [], reason, pilot, group } = screwed;
  const head = headSide(through, into, normal);
  const forward = through.placement.w.startsWith('+');
  const face: Face = forward === head > 0 ? 2 : 1;
  const why = { by: BY, ...(group === undefined ? {} : { group }) };
  const inWay = { reason: `way of the screws: ${reason}`, ...why };
  const diameter = SCREW_WAY;
  // What lies in a rabbet is screwed through its floor: the way begins behind the edge it is measured from.
  const [near, far] =
    head > 0 ? ([into.extent.max, through.extent.min] as const) : ([through.extent.max, into.extent.min] as const);
  const sunk = length(passed.length > 0 ? 0 : Math.max(0, near[normal] - far[normal]), 'depth of the rabbet');
  // Counted from the case outwards: what a part has between itself and the case.
  const beneath = (part: Part) =>
    passed.slice(passed.indexOf(part) + 1).reduce((sum, each) => sum + each.thickness.mm, 0);
  const facing = edgeFacing(into, normal, head);
  const onFace = facing === 1 || facing === 2;
  const { size, goesIn } = screwFor(screwed, onFace);
  const fastens: Fastens = {
    kind: 'screw',
    use: CONSTRUCTION,
    size: { length: size },
    into: into.key,
    ...(passed.length > 0 ? { passes: passed.map(({ key }) => key) } : {}),
    reach: goesIn,
    inEdge: !onFace,
  };
  const holeIn = (part: Part): Operation => ({
    kind: 'holes',
    face,
    ...lineOn(part, along, at, places),
    diameter: pilot,
    reason,
    ...why,
    // One screw goes through all of them, and begins where its head is.
    ...(part === through ? { fastens } : {}),
    ...(beneath(part) > 0 ? { past: beneath(part) } : {}),
    holds: into.key,
  });
  const hole = holeIn(through);
  const between = passed.map((part) => [part, holeIn(part)] as const);
  if (facing === 1 || facing === 2)
    return {
      hole,
      between,
      way: { kind: 'holes', face: facing, ...lineOn(into, along, at, places), diameter, depth: goesIn, ...inWay },
    };
  const start = edgeOf(into, facing.startsWith('u') ? 'v0' : 'u0');
  const away = measuredFrom(at, edgeOf(into, 'w0'));
  return {
    hole,
    between,
    way: {
      kind: 'edge holes',
      edge: facing,
      offset: into.placement.w.startsWith('+') ? away : measuredFrom(edgeOf(into, 'w0'), at),
      positions: places.map((place) => measuredFrom(place, start)),
      diameter,
      depth: sunk.mm > 0.01 ? goesIn.plus(sunk) : goesIn,
      ...inWay,
    },
  };
}

/** A line of holes on a face, from the edges it is measured from. */
function lineOn(
  part: Part,
  along: AxisIndex,
  at: Dim,
  places: readonly Dim[],
): { from: EdgeReference; offset: Dim; positions: Dim[] } {
  const lengthwise = axisIndex(part.placement.u) === along;
  const [start, from] = lengthwise ? (['u0', 'v0'] as const) : (['v0', 'u0'] as const);
  return {
    from,
    offset: measuredFrom(at, edgeOf(part, from)),
    positions: places.map((place) => measuredFrom(place, edgeOf(part, start))),
  };
}

/** The face or edge of a part that looks towards a screw's head. */
function edgeFacing({ placement }: Part, normal: AxisIndex, head: 1 | -1): Face | EdgeReference {
  const forward = head > 0;
  if (axisIndex(placement.w) === normal) return placement.w.startsWith('+') === forward ? 2 : 1;
  const edge = axisIndex(placement.u) === normal ? 'u' : 'v';
  return `${edge}${placement[edge].startsWith('+') === forward ? 1 : 0}`;
}
