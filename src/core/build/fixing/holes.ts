import { type Dim, length, measuredFrom } from '../../ground/index.js';
import {
  type AxisIndex,
  axisIndex,
  type By,
  CONSTRUCTION,
  type EdgeReference,
  edgeOf,
  type Fastens,
  LEAST_HOLD,
  longestIn,
  type Operation,
  type PanelFace,
  type Part,
  SCREW_WAY,
  soldFrom,
  spanAlong,
} from '../../part/index.js';

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

const BY: By = { kind: 'fixing', what: 'screws' };

/** To which side of the part screwed through its screws' heads lie: away from what they hold. */
export function headSide(through: Part, into: Part, normal: AxisIndex): 1 | -1 {
  const middle = ({ extent }: Part) => (extent.min[normal] + extent.max[normal]) / 2;
  return middle(into) > middle(through) ? -1 : 1;
}

/**
 * The screw that does, and how far it goes into the next part: that of the box, or for a back the shortest that holds. No
 * longer than stays short of the far side; longer than that of the box only where this does not come through the layers
 * before it.
 */
function screwFor(
  { through, into, between = [], screw, step, hold }: Screwed,
  normal: AxisIndex,
): { readonly size: Dim; readonly goesIn: Dim } {
  const before = between.reduce((sum, part) => sum.plus(part.thickness), through.thickness).as('what it goes through');
  const enough = hold && soldFrom(before.plus(hold), step);
  const wanted = enough && enough.value < screw.value ? enough : screw;
  const most = longestIn(before, spanAlong(into, normal).size, step);
  const size = most.value < wanted.value || wanted.value - before.value < LEAST_HOLD ? most : wanted;
  return { size, goesIn: size.minus(before).as('screw in the next part') };
}

/** One line of screws at its places: the holes they are driven through, and the way they take in what holds them. */
export function holesOf(
  screwed: Screwed,
  normal: AxisIndex,
  along: AxisIndex,
  { at, places }: { readonly at: Dim; readonly places: readonly Dim[] },
): ScrewLine {
  const { through, into, between: passed = [], reason, pilot, group } = screwed;
  const head = headSide(through, into, normal);
  const forward = through.placement.w.startsWith('+');
  const face: PanelFace = forward === head > 0 ? 2 : 1;
  const why = { by: BY, ...(group === undefined ? {} : { group }) };
  const inWay = { reason: `way of the screws: ${reason}`, ...why };
  const diameter = SCREW_WAY;
  // What lies in a rabbet is screwed through its floor: the way begins behind the edge it is measured from.
  const [near, far] =
    head > 0 ? ([into.extent.max, through.extent.min] as const) : ([through.extent.max, into.extent.min] as const);
  const sunk = length(passed.length > 0 ? 0 : Math.max(0, near[normal] - far[normal]), 'depth of the rabbet');
  // Counted from the case outwards: what a part has between itself and the case.
  const beneath = (part: Part) =>
    passed.slice(passed.indexOf(part) + 1).reduce((sum, each) => sum + each.thickness.value, 0);
  const facing = edgeFacing(into, normal, head);
  const onFace = facing === 1 || facing === 2;
  const { size, goesIn } = screwFor(screwed, normal);
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
      depth: sunk.value > 0.01 ? goesIn.plus(sunk) : goesIn,
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
function edgeFacing({ placement }: Part, normal: AxisIndex, head: 1 | -1): PanelFace | EdgeReference {
  const forward = head > 0;
  if (axisIndex(placement.w) === normal) return placement.w.startsWith('+') === forward ? 2 : 1;
  const edge = axisIndex(placement.u) === normal ? 'u' : 'v';
  return `${edge}${placement[edge].startsWith('+') === forward ? 1 : 0}`;
}
