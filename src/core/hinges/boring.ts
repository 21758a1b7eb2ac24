import { type Dim, length, setting } from '../derive/index.js';
import type { ResolvedSettings } from '../document/index.js';
import type { Box } from '../layout/index.js';
import type { By, EdgeReference, Operation } from '../machining/index.js';
import { type Part, partExtent } from '../parts/index.js';
import type { HingePlace } from './places.js';
import type { ConcealedSolution, HingeSolution, LeafSolution } from './solver.js';

/** What the machining of one door needs to know. */
export interface BoringContext {
  /** The part of the door on its hinge side. */
  readonly door: Part;
  readonly frontKey: string;
  readonly hinged: 'left' | 'right';
  readonly carrier: Part;
  /** What is free beside the hinge edge. */
  readonly gap: Dim;
  readonly box: Box;
  readonly settings: ResolvedSettings;
}

/** Everything cut and bored for the hinges of a door, by part key. */
export function boreHinges(
  solution: HingeSolution,
  places: readonly HingePlace[],
  context: BoringContext,
): Map<string, Operation[]> {
  if (places.length === 0) return new Map();
  return solution.kind === 'concealed' ? boreCups(solution, places, context) : letInLeaves(solution, places, context);
}

const reasonOf = (door: Part) => `hinge of ${(door.name.split(':')[0] ?? door.name).toLowerCase()}`;

/** The edge of a door's part that the hinges are on. */
function doorEdge(part: Part, hinged: 'left' | 'right'): EdgeReference {
  const along = part.placement.u === '+x' ? 'u' : 'v';
  return `${along}${hinged === 'left' ? 0 : 1}`;
}

/** Heights on the case become heights on the part that carries the hinge. */
function onCarrier(places: readonly HingePlace[], carrier: Part): Dim[] {
  const start = carrier.at?.u ?? setting('lower end', partExtent(carrier).min[2], { kind: 'rule' });
  return places.map(({ onCase }) => (start.mm === 0 ? onCase : onCase.minus(start).as('hinge on this part')));
}

/** Both faces of a partition may carry hinges; a side has its inside face. */
function carrierFace({ carrier, hinged }: BoringContext): 1 | 2 {
  return carrier.role === 'partition' && hinged === 'left' ? 2 : 1;
}

function boreCups(
  { profile, offset }: ConcealedSolution,
  places: readonly HingePlace[],
  context: BoringContext,
): Map<string, Operation[]> {
  const { door, hinged, carrier, box, settings } = context;
  const { cup, plate } = profile;
  const fixed = (label: string, mm: number) =>
    setting(label, mm, { kind: 'profile', note: `${profile.maker}, ${profile.name}` });
  const reason = reasonOf(door);
  const by = (what: string): By => ({ kind: 'hinges', what, front: context.frontKey });
  const result = new Map<string, Operation[]>();
  const edge = doorEdge(door, hinged);
  // On a lipped door the offset runs from the rebate's shoulder, where the door has its full thickness.
  const shoulder = settings.fronts.fit.value === 'lipped' ? settings.fronts.rebateWidth : undefined;
  const cupOffset = setting('cup offset', offset, { kind: 'here', note: 'from the hinge solver' });
  const cupEdge = shoulder ? shoulder.plus(cupOffset).as('cup from the edge of the door') : cupOffset;
  const centre = cupEdge.plus(fixed('cup diameter', cup.diameter).over(2)).as('cup centre from the hinge edge');
  const half = fixed('fixing holes apart', cup.fixingApart).over(2);
  result.set(door.key, [
    {
      kind: 'holes',
      face: 2,
      from: edge,
      offset: centre,
      positions: places.map((place) => place.onDoor),
      diameter: fixed('cup diameter', cup.diameter),
      depth: fixed('cup depth', cup.depth),
      reason: `cup: ${reason}`,
      by: by('cup'),
    },
    {
      kind: 'holes',
      face: 2,
      from: edge,
      offset: centre.plus(fixed('fixing holes further in', cup.fixingFurther)).as('fixing holes from the hinge edge'),
      positions: places.flatMap(({ onDoor }) => [
        onDoor.minus(half).as('fixing hole on the door'),
        onDoor.plus(half).as('fixing hole on the door'),
      ]),
      diameter: fixed('fixing hole', cup.fixingDiameter),
      depth: fixed('fixing hole depth', cup.fixingDepth),
      reason: `cup fixing: ${reason}`,
      by: by('cup fixing'),
    },
  ]);
  const apart = fixed('plate holes apart', plate.apart).over(2);
  const hole = {
    positions: onCarrier(places, carrier).flatMap((onPart) => [
      onPart.minus(apart).as('plate hole on the case'),
      onPart.plus(apart).as('plate hole on the case'),
    ]),
    diameter: fixed('plate hole', plate.diameter),
    depth: fixed('plate hole depth', plate.depth),
    reason: `plate: ${reason}`,
    by: by('plate'),
  };
  const setback = fixed('plate holes behind the mounting plane', plate.setback);
  if (carrier.role === 'frame') {
    // From the face of the frame, plus what the door stands inside it.
    const inset = box.mountingPlane.mm - partExtent(carrier).min[1];
    const offsetIn = inset > 0.001 ? setback.plus(length(inset, 'door inside the frame')).as('plate holes') : setback;
    result.set(carrier.key, [{ kind: 'edge holes', edge: hinged === 'left' ? 'v1' : 'v0', offset: offsetIn, ...hole }]);
    return result;
  }
  const plane = Math.max(0, box.mountingPlane.mm);
  const fromFront = (plane > 0 ? box.mountingPlane.plus(setback) : setback).as('plate holes from the front edge');
  result.set(carrier.key, [
    {
      kind: 'holes',
      face: carrierFace(context),
      from: 'v0',
      offset: carrier.at && carrier.at.v.mm !== 0 ? fromFront.minus(carrier.at.v) : fromFront,
      ...hole,
    },
  ]);
  return result;
}

/**
 * Butts: a mortise per leaf in the door's edge and in what carries it, and the pilot holes. Semi-concealed ones are
 * screwed to the back of the door inside its rebate and to the face of the frame beside the lip.
 */
function letInLeaves(
  { profile, mortise }: LeafSolution,
  places: readonly HingePlace[],
  context: BoringContext,
): Map<string, Operation[]> {
  const { door, hinged, carrier, gap, settings } = context;
  const { leaf } = profile;
  const fixed = (label: string, mm: number) =>
    setting(label, mm, { kind: 'profile', note: `${profile.maker}, ${profile.name}` });
  const reason = reasonOf(door);
  const by = (what: string): By => ({ kind: 'hinges', what, front: context.frontKey });
  const half = fixed('leaf width', leaf.width).over(2).as('middle of the leaf');
  const onDoor = places.map((place) => place.onDoor);
  const onCase = onCarrier(places, carrier);
  const edge = doorEdge(door, hinged);
  const caseEdge: EdgeReference = hinged === 'left' ? 'v1' : 'v0';
  const pilots = (at: readonly Dim[]) =>
    at.flatMap((middle) =>
      Array.from({ length: leaf.screws }, (_, n) => {
        const along = ((n + 0.5) / leaf.screws - 0.5) * leaf.length;
        return Math.abs(along) < 1e-9 ? middle : middle.plus(fixed('screw along the leaf', along)).as('pilot hole');
      }),
    );
  const pilot = {
    diameter: fixed('pilot hole', leaf.pilot),
    depth: fixed('pilot hole depth', leaf.pilotDepth),
    reason: `screws: ${reason}`,
    by: by('pilot'),
    group: reason,
  };
  if (profile.family === 'semi') {
    const { lip, rebateWidth } = settings.fronts;
    const inside = rebateWidth.plus(half).as('screws from the edge of the door');
    const beside = lip.plus(half).as('screws from the edge of the opening');
    return new Map<string, Operation[]>([
      [door.key, [{ kind: 'holes', face: 2, from: edge, offset: inside, positions: pilots(onDoor), ...pilot }]],
      [carrier.key, [{ kind: 'holes', face: 1, from: caseEdge, offset: beside, positions: pilots(onCase), ...pilot }]],
    ]);
  }
  // Mortise per leaf = (closed thickness − gap) / 2, as the solver has it; none for a hinge that is not let in.
  const letIn = fixed('closed thickness', leaf.closed).minus(gap).over(2).as('mortise for each leaf');
  const recess = {
    length: fixed('leaf length', leaf.length),
    thickness: fixed('leaf width', leaf.width),
    depth: letIn,
    reason: `mortise: ${reason}`,
    by: by('mortise'),
    group: reason,
  };
  const cut = (place: { edge: EdgeReference } | { face: 1 | 2; from: EdgeReference }, positions: Dim[]): Operation[] =>
    mortise > 0.001 ? [{ kind: 'mortises', place, offset: half, positions, ...recess }] : [];
  const deep =
    mortise > 0.001 ? { ...pilot, depth: letIn.plus(pilot.depth).as('pilot hole depth from the edge') } : pilot;
  const onDoorEdge: Operation[] = [
    ...cut({ edge }, onDoor),
    { kind: 'edge holes', edge, offset: half, positions: pilots(onDoor), ...deep },
  ];
  if (carrier.role === 'frame')
    return new Map([
      [door.key, onDoorEdge],
      [
        carrier.key,
        [
          ...cut({ edge: caseEdge }, onCase),
          { kind: 'edge holes', edge: caseEdge, offset: half, positions: pilots(onCase), ...deep },
        ],
      ],
    ]);
  const face = carrierFace(context);
  // A screw must not come through the other face of the upright.
  const shallow = Math.min(deep.depth.mm, carrier.thickness.mm - 3);
  const intoFace = { ...pilot, depth: fixed('pilot hole depth', shallow) };
  return new Map([
    [door.key, onDoorEdge],
    [
      carrier.key,
      [
        ...cut({ face, from: 'v0' }, onCase),
        { kind: 'holes', face, from: 'v0', offset: half, positions: pilots(onCase), ...intoFace },
      ],
    ],
  ]);
}
