import type { PlanDoor } from '../../../cabinet/index.js';
import { type Dim, formatMm, length, plain } from '../../../ground/index.js';
import { type DrawingItem, type EdgeReference, type Operation, regionBetween } from '../../../part/index.js';
import { fromSheet } from '../../profile.js';
import type { BoringContext, HingeFamily, ToCorner } from '../family.js';
import type { HingePlace, HungDoor } from '../hung.js';
import { byHinge, carrierFace, doorEdge, onCarrier, reasonOf } from '../marks.js';
import type { LeafProfile } from '../profile.js';
import type { LeafSolution } from '../solution.js';

/** A pilot hole leaves at least this much of an upright (mm). */
const LEFT_BEHIND = 3;
/** Shallower than this a mortise is no cut (mm). */
const LEAST_MORTISE = 0.001;

type Own = Pick<HingeFamily<LeafSolution>, 'words' | 'option' | 'schema' | 'solve' | 'pivot' | 'misses'> & {
  readonly id: LeafProfile['family'];
} & Partial<Pick<HingeFamily<LeafSolution>, 'bore' | 'corner'>>;

/** What families of two leaves and a knuckle have in common; by default they are let in or lie between door and case. */
export function withLeaves(own: Own): HingeFamily<LeafSolution> {
  return {
    bore: letIn,
    corner: leafCorner,
    body: ({ profile: { leaf } }) => ({ behind: leaf.width, height: leaf.length, out: leaf.closed }),
    reach: ({ profile }) => profile.leaf.length / 2,
    // A butt's end stands its own length, or a rail, from the end of the door.
    firstFromEnd({ profile }, { hinges, making }) {
      const leaf = fromSheet(profile, 'leaf/length', 'hinge length');
      const inLine = hinges.leafPlace.value === 'rails' && making.kind.value !== 'slab';
      return (inLine ? making.rail : leaf).plus(leaf.over(2)).as('middle of the first hinge from the end');
    },
    platesApart: () => undefined,
    leastGap: () => undefined,
    figures: ({ leaf }) =>
      `leaf ${formatMm(leaf.length)} by ${formatMm(leaf.width)}, closed ${formatMm(leaf.closed)}, ${leaf.screws} screws each`,
    bought: ({ profile }) => `Hinge ${profile.name}`,
    symbols({ profile: { leaf } }, { front, hinged, plane }, place, key) {
      const edge = hinged === 'left' ? front.extent.min[0] : front.extent.max[0];
      const [middle, z] = [(edge + plane) / 2, front.v.low.value + place.onDoor.value];
      return [
        {
          kind: 'hardware',
          symbol: 'leaf',
          from: { h: middle - leaf.knuckle / 2, v: z - leaf.length / 2 },
          to: { h: middle + leaf.knuckle / 2, v: z + leaf.length / 2 },
          hidden: false,
          shows: key,
          alone: true,
        },
      ];
    },
    cornerDimensions: () => [],
    ...own,
  };
}

/** Mortise for each leaf = (closed thickness, leaves parallel, − gap) / 2. */
export function mortiseFor(profile: LeafProfile, gap: Dim): Dim {
  return fromSheet(profile, 'leaf/closed', 'closed thickness').minus(gap).over(2).as('mortise for each leaf');
}

/** Pilot holes of one line: the screws of a leaf spread along it, about the middle of each hinge. */
export function pilotsAt(profile: LeafProfile, middles: readonly Dim[]): Dim[] {
  const { screws } = profile.leaf;
  const leaf = fromSheet(profile, 'leaf/length', 'leaf length');
  return middles.flatMap((middle) =>
    Array.from({ length: screws }, (_, n) => {
      const along = (n + 0.5) / screws - 0.5;
      if (Math.abs(along) < 1e-9) return middle;
      return middle.plus(leaf.times(plain(along, 'place along the leaf'))).as('pilot hole');
    }),
  );
}

export function pilotHoles(profile: LeafProfile, context: BoringContext) {
  const reason = reasonOf(context.door);
  return {
    diameter: fromSheet(profile, 'leaf/pilot', 'pilot hole'),
    depth: fromSheet(profile, 'leaf/pilotDepth', 'pilot hole depth'),
    reason: `screws: ${reason}`,
    by: byHinge(context, 'pilot'),
    group: reason,
  };
}

/** A mortise per leaf in the door's edge and in what carries it, and the pilot holes. */
function letIn(
  { profile, mortise }: LeafSolution,
  places: readonly HingePlace[],
  context: BoringContext,
): Map<string, Operation[]> {
  const { door, hinged, carrier, gap } = context;
  const reason = reasonOf(door);
  const half = fromSheet(profile, 'leaf/width', 'leaf width').over(2).as('middle of the leaf');
  const onDoor = places.map((place) => place.onDoor);
  const onCase = onCarrier(places, carrier);
  const edge = doorEdge(door, hinged);
  const caseEdge: EdgeReference = hinged === 'left' ? 'v1' : 'v0';
  const pilot = pilotHoles(profile, context);
  const depth = mortiseFor(profile, gap);
  const recess = {
    length: fromSheet(profile, 'leaf/length', 'leaf length'),
    thickness: fromSheet(profile, 'leaf/width', 'leaf width'),
    depth,
    reason: `mortise: ${reason}`,
    by: byHinge(context, 'mortise'),
    group: reason,
  };
  const cuts = mortise > LEAST_MORTISE;
  const cut = (place: { edge: EdgeReference } | { face: 1 | 2; from: EdgeReference }, positions: Dim[]): Operation[] =>
    cuts ? [{ kind: 'mortises', place, offset: half, positions, ...recess }] : [];
  const deep = cuts ? { ...pilot, depth: depth.plus(pilot.depth).as('pilot hole depth from the edge') } : pilot;
  const onDoorEdge: Operation[] = [
    ...cut({ edge }, onDoor),
    { kind: 'edge holes', edge, offset: half, positions: pilotsAt(profile, onDoor), ...deep },
  ];
  if (carrier.role === 'frame')
    return new Map([
      [door.key, onDoorEdge],
      [
        carrier.key,
        [
          ...cut({ edge: caseEdge }, onCase),
          { kind: 'edge holes', edge: caseEdge, offset: half, positions: pilotsAt(profile, onCase), ...deep },
        ],
      ],
    ]);
  const face = carrierFace(context);
  // A screw must not come through the other face of the upright.
  const most = carrier.thickness.minus(length(LEFT_BEHIND, 'left behind the screw')).as('pilot hole depth');
  const intoFace = { ...pilot, depth: deep.depth.value <= most.value ? deep.depth : most };
  return new Map([
    [door.key, onDoorEdge],
    [
      carrier.key,
      [
        ...cut({ face, from: 'v0' }, onCase),
        { kind: 'holes', face, from: 'v0', offset: half, positions: pilotsAt(profile, onCase), ...intoFace },
      ],
    ],
  ]);
}

/** The leaves in plan: each let in by its mortise, from the face to as far as it is wide. */
function leafCorner(
  { profile, mortise }: LeafSolution,
  plan: PlanDoor,
  { plane, wish }: HungDoor,
  at: ToCorner,
): DrawingItem[] {
  const { width, thickness } = profile.leaf;
  const bar = (edge: number, into: 1 | -1): DrawingItem => {
    const inner = edge + into * mortise;
    const [a, b] = [
      at(inner, plan.face),
      at(inner - into * Math.min(thickness, mortise + wish.gap.value / 2), plan.face + width),
    ];
    return regionBetween(a, b, { tint: 'machining', weight: 'visible' });
  };
  return [bar(plan.hingeEdge, plan.hand), bar(plane, plan.hand === 1 ? -1 : 1)];
}

/** The knuckle of a butt stands before the face, in the middle of the gap. */
export function knuckleInGap(
  { profile }: LeafSolution,
  { hand, hingeEdge, face, wish }: { hand: 1 | -1; hingeEdge: number; face: number; wish: { gap: Dim } },
) {
  const { knuckle } = profile.leaf;
  return { x: hingeEdge - (hand * wish.gap.value) / 2, y: face - knuckle / 2 };
}
