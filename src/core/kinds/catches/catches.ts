import type { Cell, Fitting, Front } from '../../build/index.js';
import type { Occupied } from '../../cabinet/index.js';
import { isFill } from '../../decisions/index.js';
import { type Dim, measuredFrom } from '../../ground/index.js';
import { type Extent, edgeOf, type Operation, type Part, pilotFor, SAME_PLANE, uprightAt } from '../../part/index.js';
import { behindFront, overOpening } from '../overOpening.js';
import { fromSheet } from '../profile.js';
import type { CatchContext } from './context.js';
import type { CatchProfile } from './profile.js';

/** A catch on its door. */
export interface PlacedCatch {
  readonly frontKey: string;
  readonly profile: CatchProfile;
  /** Key of what carries it: the upright at the free edge of a door, what lies over a pair. Absent where nothing does. */
  readonly carrier: string | undefined;
  /** How high its middle stands above the underside of the box, and how far from the left face. */
  readonly up: Dim;
  readonly across: Dim;
  readonly extent: Extent | undefined;
}

interface Catch {
  readonly placed: PlacedCatch;
  readonly operations: readonly (readonly [key: string, operation: Operation])[];
}

/** A catch for every door that has none of its own: at the free edge of a single one, over each of a pair. */
export function placeCatches(context: CatchContext, profiles: readonly CatchProfile[]): Catch[] {
  const wanted = context.resolved.settings.catches.doors.value;
  const profile = profiles.find(({ id }) => id === wanted);
  if (!profile) return [];
  return context.fronts.flatMap((front): Catch[] => {
    const cell = context.cells.find(({ opening }) => opening.id === front.openingId);
    if (!front.hinged || !cell) return [];
    return [
      isFill(cell.fill, 'pair') ? overDoor(front, cell, profile, context) : besideDoor(front, cell, profile, context),
    ];
  });
}

/** On the upright at the free edge, near the top of the opening. */
function besideDoor(front: Front, cell: Cell, profile: CatchProfile, context: CatchContext): Catch {
  const { catches } = context.resolved.settings;
  const atRight = front.hinged === 'left';
  const plane = atRight ? cell.inside.h.high : cell.inside.h.low;
  const up = cell.inside.v.high.minus(catches.fromEnd).as('middle of the catch');
  const half = fromSheet(profile, 'body/out', 'catch stands out').over(2);
  const across = (atRight ? plane.minus(half) : plane.plus(half)).as('middle of the catch from the left');
  const carrier = uprightAt(context.parts, atRight ? 'right' : 'left', { x: plane.value, z: up.value });
  return fixed({ front, profile, up, across, plane, carrier, axis: 'z' }, context);
}

/** Under whatever lies over the opening, beside the meeting edge of its door. */
function overDoor(front: Front, cell: Cell, profile: CatchProfile, context: CatchContext): Catch {
  const { catches } = context.resolved.settings;
  const { high } = cell.inside.v;
  const across = (
    front.hinged === 'left' ? front.h.high.minus(catches.fromEdge) : front.h.low.plus(catches.fromEdge)
  ).as('middle of the catch from the left');
  const up = high.minus(fromSheet(profile, 'body/out', 'catch stands out').over(2)).as('middle of the catch');
  const carrier = overOpening(context.parts, across, high);
  return fixed({ front, profile, up, across, plane: high, carrier, axis: 'x' }, context);
}

interface Fixing {
  readonly front: Front;
  readonly profile: CatchProfile;
  readonly up: Dim;
  readonly across: Dim;
  /** Where the face that carries it lies. */
  readonly plane: Dim;
  readonly carrier: Part | undefined;
  /** The way its two screws lie. */
  readonly axis: 'x' | 'z';
}

function fixed(fixing: Fixing, { box }: CatchContext): Catch {
  const { front, profile, up, across, carrier, axis } = fixing;
  const { body } = profile;
  const from = Math.max(0, box.mountingPlane.value);
  const [dx, dz] = axis === 'z' ? [body.out / 2, body.length / 2] : [body.length / 2, body.out / 2];
  const extent: Extent = {
    min: [across.value - dx, from, up.value - dz],
    max: [across.value + dx, from + body.deep, up.value + dz],
  };
  const placed = { frontKey: front.key, profile, carrier: carrier?.key, up, across, extent: carrier && extent };
  const door = behindFront(front, across, up);
  if (!carrier || !door) return { placed, operations: [] };
  return {
    placed,
    operations: [
      [carrier.key, screwHoles(fixing, carrier, box.mountingPlane)],
      [door.key, strikeHole(fixing, door)],
    ],
  };
}

const pilot = (profile: CatchProfile) =>
  pilotFor('catches', fromSheet(profile, 'pilot', 'pilot hole'), fromSheet(profile, 'pilotDepth', 'pilot hole depth'));

/** Two pilot holes in the face that carries the body, the profile's setback behind the plane the door closes against. */
function screwHoles({ front, profile, up, across, plane, axis }: Fixing, carrier: Part, mountingPlane: Dim): Operation {
  const setback = fromSheet(profile, 'setback', 'catch behind the mounting plane');
  const behind = mountingPlane.value > 0 ? mountingPlane.plus(setback) : setback;
  const half = fromSheet(profile, 'centres', 'screws apart').over(2);
  const along = measuredFrom(axis === 'z' ? up : across, edgeOf(carrier, 'u0')).as('middle of the catch on the part');
  const face = Math.abs(edgeOf(carrier, 'w0').value - plane.value) < SAME_PLANE ? 1 : 2;
  return {
    kind: 'holes',
    face,
    from: 'v0',
    offset: measuredFrom(behind, edgeOf(carrier, 'v0')).as('catch from the front edge'),
    positions: [along.minus(half).as('screw of the catch'), along.plus(half).as('screw of the catch')],
    ...pilot(profile),
    reason: `catch: ${profile.name}`,
    by: { kind: 'catches', what: 'body', front: front.key },
  };
}

/** The one screw of the plate on the back of the door, opposite the middle of the body. */
function strikeHole({ front, profile, up, across }: Fixing, door: Part): Operation {
  const upright = door.placement.u[1] === 'z';
  const { x: h, z: v } = door.stands;
  const [x, z] = [
    across.minus(h.low).as('plate from the left of the part'),
    up.minus(v.low).as('plate from the lower end of the part'),
  ];
  return {
    kind: 'holes',
    face: 2,
    from: 'v0',
    offset: upright ? x : z,
    positions: [upright ? z : x],
    ...pilot(profile),
    reason: `plate of the catch: ${profile.name}`,
    by: { kind: 'catches', what: 'plate', front: front.key },
  };
}

/** The room each takes inside the case. */
export function spaceOfCatches(placed: readonly PlacedCatch[]): Occupied[] {
  return placed.flatMap(({ extent, profile }) => (extent ? [{ by: 'catches', name: profile.name, extent }] : []));
}

export function catchesToBuy(placed: readonly PlacedCatch[]): Fitting[] {
  const [first] = placed;
  if (!first) return [];
  return [{ name: `Catch: ${first.profile.name}`, quantity: placed.length, note: first.profile.maker }];
}
