import { type Fitting, type Front, frontName, meets } from '../../build/index.js';
import type { Occupied } from '../../cabinet/index.js';
import { type Dim, length, measuredFrom } from '../../ground/index.js';
import { type Extent, edgeOf, type Operation, type Part, placesFree, SAME_PLANE, sizeOf } from '../../part/index.js';
import { overOpening } from '../overOpening.js';
import { fromSheet, pilotOf } from '../profile.js';
import type { DamperContext } from './context.js';
import type { DamperProfile } from './profile.js';

/** A damper over its door. */
export interface PlacedDamper {
  readonly frontKey: string;
  readonly name: string;
  readonly profile: DamperProfile;
  /** Key of what carries it; absent where nothing lies over the door. */
  readonly carrier: string | undefined;
  /** False where all its places are taken: it is not bored until that is settled. */
  readonly clear: boolean;
  /** Its middle from the left face of the box, and from the edge where the door opens. */
  readonly across: Dim;
  readonly fromLatch: Dim;
  readonly extent: Extent | undefined;
}

interface MadeDamper {
  readonly placed: PlacedDamper;
  readonly operations: readonly (readonly [key: string, operation: Operation])[];
}

/** How far from the latch end a damper may stand, tried in steps about where it is decided (mm). */
export const NEAREST = 25;
export const FURTHEST = 50;
const STEP = 2.5;
/** Wood left between its screws and what else is cut (mm). */
const SKIN = 2;

/** A damper over every door that turns, under what lies over its opening. */
export function placeDampers(context: DamperContext, profiles: readonly DamperProfile[]): MadeDamper[] {
  const wanted = context.resolved.settings.dampers.doors.value;
  const profile = profiles.find(({ id }) => id === wanted);
  if (!profile) return [];
  return context.fronts.flatMap((front): MadeDamper[] => {
    const cell = context.cells.find(({ opening }) => opening.id === front.openingId);
    return front.hinged && cell ? [damperOver(front, cell.inside.v.high, profile, context)] : [];
  });
}

function damperOver(front: Front, high: Dim, profile: DamperProfile, context: DamperContext): MadeDamper {
  const { box, parts, screwLines, occupied, resolved } = context;
  const decided = resolved.settings.dampers.fromLatch;
  const acrossAt = (from: Dim) =>
    (front.hinged === 'left' ? front.h.high.minus(from) : front.h.low.plus(from)).as('middle of the damper');
  const carrier = overOpening(parts, acrossAt(decided), high);
  const said = { frontKey: front.key, name: frontName(front), profile };
  if (!carrier)
    return {
      placed: {
        ...said,
        carrier: undefined,
        clear: false,
        across: acrossAt(decided),
        fromLatch: decided,
        extent: undefined,
      },
      operations: [],
    };
  const setback = fromSheet(profile, 'setback', 'damper behind the mounting plane');
  const behind = (box.mountingPlane.value > 0 ? box.mountingPlane.plus(setback) : setback).as(
    'first screw of the damper',
  );
  const screws = [behind, behind.plus(fromSheet(profile, 'centres', 'screws apart')).as('second screw of the damper')];
  const bored = pilotOf('dampers', profile, carrier.thickness);
  const face = Math.abs(edgeOf(carrier, 'w0').value - high.value) < SAME_PLANE ? 1 : 2;
  const free = placesFree([...carrier.machining, ...(screwLines.get(carrier.key) ?? [])], sizeOf(carrier), {
    face,
    depth: bored.depth?.value ?? profile.pilot.depth,
    diameter: bored.diameter.value,
    beside: SKIN,
    behind: SKIN,
  });
  const lies = alongAxes(carrier);
  const stands = (from: Dim) => {
    const at = acrossAt(from).value;
    return (
      screws.every(({ value }) => free(...lies(at, value))) &&
      !occupied.some(({ by, extent }) => by !== 'front' && meets(extent, bodyAt(at, high.value, profile, context)))
    );
  };
  const clear = tried(decided).find(stands);
  const fromLatch = clear ?? decided;
  const across = acrossAt(fromLatch);
  const placed = { ...said, carrier: carrier.key, across, fromLatch };
  if (!clear) return { placed: { ...placed, clear: false, extent: undefined }, operations: [] };
  const along = carrier.placement.u[1] === 'x';
  const [from, start] = along ? (['u0', 'v0'] as const) : (['v0', 'u0'] as const);
  return {
    placed: { ...placed, clear: true, extent: bodyAt(across.value, high.value, profile, context) },
    operations: [
      [
        carrier.key,
        {
          kind: 'holes',
          face,
          from,
          offset: measuredFrom(across, edgeOf(carrier, from)).as('damper on the part'),
          positions: screws.map((screw) => measuredFrom(screw, edgeOf(carrier, start))),
          ...bored,
          reason: `damper: ${profile.name}`,
          by: { kind: 'dampers', front: front.key },
        },
      ],
    ],
  };
}

/** Where it is decided first, then to either side of that as far as it may. */
function tried(decided: Dim): Dim[] {
  const steps = Math.ceil((FURTHEST - NEAREST) / STEP);
  const moves = Array.from({ length: steps }, (_, at) => [STEP * (at + 1), -STEP * (at + 1)]).flat();
  return [
    decided,
    ...moves
      .filter((by) => decided.value + by >= NEAREST && decided.value + by <= FURTHEST)
      .map((by) => decided.plus(length(by, 'clear of what is there')).as(decided.label)),
  ];
}

/** A place in plan (mm) as it lies along the length and the width of a part. */
function alongAxes({ placement, extent: { min } }: Part): (x: number, y: number) => [number, number] {
  return (x, y) => {
    const [across, deep] = [x - min[0], y - min[1]];
    return placement.u[1] === 'x' ? [across, deep] : [deep, across];
  };
}

function bodyAt(x: number, high: number, { body }: DamperProfile, { box }: DamperContext): Extent {
  const from = Math.max(0, box.mountingPlane.value);
  return {
    min: [x - body.wide / 2, from, high - body.high],
    max: [x + body.wide / 2, from + body.deep, high],
  };
}

/** The room each takes inside the case. */
export function spaceOfDampers(placed: readonly PlacedDamper[]): Occupied[] {
  return placed.flatMap(({ extent, name }) =>
    extent ? [{ by: 'dampers', name: `the damper of ${name}`, extent }] : [],
  );
}

export function dampersToBuy(placed: readonly PlacedDamper[]): Fitting[] {
  const bought = placed.filter(({ clear }) => clear);
  const [first] = bought;
  return first ? [{ name: `Damper: ${first.profile.name}`, quantity: bought.length, note: first.profile.maker }] : [];
}
