import type { PlanDoor } from '../../../cabinet/index.js';
import { type Dim, formatMm, length, measuredFrom } from '../../../ground/index.js';
import {
  type DimensionItem,
  type DrawingItem,
  dimension,
  edgeOf,
  type HardwareItem,
  type Operation,
  regionBetween,
} from '../../../part/index.js';
import { fromSheet } from '../../profile.js';
import type { BoringContext, HingeFamily, ToCorner } from '../family.js';
import type { HingePlace, HungDoor } from '../hung.js';
import { byHinge, carrierFace, doorEdge, onCarrier, reasonOf } from '../marks.js';
import type { ConcealedProfile } from '../profile.js';
import { byRank, type ConcealedSolution, cupOffset, leastGap } from '../solution.js';

/** The cup offset is drilled in steps of this (mm). */
const OFFSET_STEP = 0.5;
/** Nearer than this an overlay is reached exactly (mm). */
const EXACT = 0.005;
/** Kept between a fixing hole and the end of the door (mm). */
const DOOR_END = 6;
/** Half of a plate, front to rear, as it is drawn (mm). */
const PLATE_HALF = 10;
/** A plate is drawn this far to each side of its middle, and this much longer than its holes are apart (mm). */
const PLATE_DRAWN = 5;
const PLATE_ENDS = 14;
/** Hardware in section. */
const METAL = { tint: 'machining', weight: 'visible' } as const;

/** What families with a cup in the door, an arm and a plate on the case have in common: all but their name. */
export function withCups<F extends ConcealedProfile['family']>(
  own: Pick<HingeFamily<ConcealedSolution>, 'words' | 'option' | 'schema'> & { readonly id: F },
): HingeFamily<ConcealedSolution> {
  return {
    solve: (profile, wish) => waysOf(profile, wish.overlay.value),
    ...own,
    misses: 'does not reach this overlay',
    body: ({ profile }) => profile.body,
    reach: ({ profile: { cup } }) => Math.max(cup.diameter, cup.fixingApart) / 2 + DOOR_END,
    firstFromEnd: (_solution, { hinges }) => hinges.endDistance,
    platesApart: ({ profile }) => profile.plate.apart,
    bore: boreCups,
    pivot({ profile, offset }, { hand, hingeEdge, back, front, wish }) {
      const { beyondCup, beforeBack } = profile.turn;
      // A lipped door is bored from its rebate's shoulder.
      const shoulder = wish.fit === 'lipped' ? front.lap : 0;
      return { x: hingeEdge + hand * (shoulder + offset + beyondCup), y: back - beforeBack };
    },
    leastGap: ({ profile, offset }, thickness) => leastGap(profile, thickness, offset),
    figures: ({ arm, cup, plates, sideAdjust }) =>
      `arm ${formatMm(arm)}, cup ${formatMm(cup.least)} to ${formatMm(cup.most)}, plates ${plates.map((plate) => formatMm(plate)).join(' ')}, side ±${formatMm(sideAdjust)}`,
    bought: ({ profile, plate }) => `Hinge ${profile.name}, plate ${plate}`,
    symbols: cupSymbols,
    corner: cupCorner,
    cornerDimensions: cupDimensions,
  };
}

/**
 * Every plate and cup offset of each profile that reaches an overlay (o = K + F − P), exactly or within its side
 * adjuster, in their rank. For inset doors the wanted overlay is −gap, for lipped ones −clearance. All mm.
 */
export function solveHinge(wanted: number, profiles: readonly ConcealedProfile[]): ConcealedSolution[] {
  return profiles.flatMap((profile) => waysOf(profile, wanted)).sort(byRank);
}

function waysOf(profile: ConcealedProfile, wanted: number): ConcealedSolution[] {
  const { least, most } = profile.cup;
  const steps = Math.floor((most - least) / OFFSET_STEP + 1e-9);
  const ways: ConcealedSolution[] = [];
  for (const plate of profile.plates)
    for (let step = 0; step <= steps; step += 1) {
      const offset = least + step * OFFSET_STEP;
      const reached = offset + profile.arm - plate;
      const residual = reached - wanted;
      const exact = Math.abs(residual) <= EXACT;
      if (exact || Math.abs(residual) <= profile.sideAdjust)
        ways.push({ kind: 'concealed', profile, plate, offset, reached, residual, exact });
    }
  return ways;
}

function boreCups(
  solution: ConcealedSolution,
  places: readonly HingePlace[],
  context: BoringContext,
): Map<string, Operation[]> {
  const { profile } = solution;
  const { door, hinged, carrier, box, settings } = context;
  const reason = reasonOf(door);
  const result = new Map<string, Operation[]>();
  const edge = doorEdge(door, hinged);
  // On a lipped door the offset runs from the rebate's shoulder, where the door has its full thickness.
  const shoulder = settings.fronts.fit.value === 'lipped' ? settings.fronts.rebateWidth : undefined;
  const offset = cupOffset(solution);
  const cupEdge = shoulder ? shoulder.plus(offset).as('cup from the edge of the door') : offset;
  const diameter = fromSheet(profile, 'cup/diameter', 'cup diameter');
  const centre = cupEdge.plus(diameter.over(2)).as('cup centre from the hinge edge');
  const half = fromSheet(profile, 'cup/fixingApart', 'fixing holes apart').over(2);
  const further = fromSheet(profile, 'cup/fixingFurther', 'fixing holes further in');
  result.set(door.key, [
    {
      kind: 'holes',
      face: 2,
      from: edge,
      offset: centre,
      positions: places.map((place) => place.onDoor),
      diameter,
      depth: fromSheet(profile, 'cup/depth', 'cup depth'),
      reason: `cup: ${reason}`,
      by: byHinge(context, 'cup'),
    },
    {
      kind: 'holes',
      face: 2,
      from: edge,
      offset: centre.plus(further).as('fixing holes from the hinge edge'),
      positions: places.flatMap(({ onDoor }) => [
        onDoor.minus(half).as('fixing hole on the door'),
        onDoor.plus(half).as('fixing hole on the door'),
      ]),
      diameter: fromSheet(profile, 'cup/fixingDiameter', 'fixing hole'),
      depth: fromSheet(profile, 'cup/fixingDepth', 'fixing hole depth'),
      reason: `cup fixing: ${reason}`,
      by: byHinge(context, 'cup fixing'),
    },
  ]);
  const apart = fromSheet(profile, 'plate/apart', 'plate holes apart').over(2);
  const hole = {
    positions: onCarrier(places, carrier).flatMap((onPart) => [
      onPart.minus(apart).as('plate hole on the case'),
      onPart.plus(apart).as('plate hole on the case'),
    ]),
    diameter: fromSheet(profile, 'plate/diameter', 'plate hole'),
    depth: fromSheet(profile, 'plate/depth', 'plate hole depth'),
    reason: `plate: ${reason}`,
    by: byHinge(context, 'plate'),
  };
  const setback = plateSetback(profile);
  if (carrier.role === 'frame') {
    // From the face of the frame, plus what the door stands inside it.
    const inset = box.mountingPlane.value - carrier.extent.min[1];
    const offsetIn = inset > 0.001 ? setback.plus(length(inset, 'door inside the frame')).as('plate holes') : setback;
    result.set(carrier.key, [{ kind: 'edge holes', edge: hinged === 'left' ? 'v1' : 'v0', offset: offsetIn, ...hole }]);
    return result;
  }
  const plane = Math.max(0, box.mountingPlane.value);
  const fromFront = (plane > 0 ? box.mountingPlane.plus(setback) : setback).as('plate holes from the front edge');
  result.set(carrier.key, [
    {
      kind: 'holes',
      face: carrierFace(context),
      from: 'v0',
      offset: measuredFrom(fromFront, edgeOf(carrier, 'v0')),
      ...hole,
    },
  ]);
  return result;
}

function plateSetback(profile: ConcealedProfile): Dim {
  return fromSheet(profile, 'plate/setback', 'plate holes behind the mounting plane');
}

function cupSymbols(
  { profile: { cup, plate }, offset }: ConcealedSolution,
  { front, hinged, plane }: HungDoor,
  place: HingePlace,
  key: string,
): DrawingItem[] {
  const inward = hinged === 'left' ? 1 : -1;
  const edge = hinged === 'left' ? front.extent.min[0] : front.extent.max[0];
  const symbol = (
    kind: HardwareItem['symbol'],
    middle: number,
    width: number,
    height: number,
    z: number,
  ): DrawingItem => ({
    kind: 'hardware',
    symbol: kind,
    from: { h: middle - width / 2, v: z - height / 2 },
    to: { h: middle + width / 2, v: z + height / 2 },
    hidden: true,
    shows: key,
    alone: true,
  });
  const centre = edge + inward * (front.lap + offset + cup.diameter / 2);
  return [
    symbol('cup', centre, cup.diameter, cup.diameter, front.v.low.value + place.onDoor.value),
    symbol('plate', plane + inward * PLATE_DRAWN, PLATE_DRAWN * 2, plate.apart + PLATE_ENDS, place.onCase.value),
  ];
}

/** The cup in the door, the plate on the upright, and the arm between them. */
function cupCorner(
  { profile, offset, plate }: ConcealedSolution,
  plan: PlanDoor,
  { front, plane, hinged }: HungDoor,
  at: ToCorner,
): DrawingItem[] {
  const hand = hinged === 'left' ? 1 : -1;
  const cupFrom = plan.hingeEdge + hand * (front.lap + offset);
  const cupTo = cupFrom + hand * profile.cup.diameter;
  const [a, b] = [at(cupFrom, plan.back - profile.cup.depth), at(cupTo, plan.back)];
  const setback = profile.plate.setback;
  const p = at(plane, plan.back + setback - PLATE_HALF);
  const q = at(plane + hand * Math.max(1.5, plate + 1.5), plan.back + setback + PLATE_HALF);
  const middle = (cupFrom + cupTo) / 2;
  const off = plate + 1.5;
  // From the cup round to the plate, as any arm goes.
  const arm: DrawingItem = {
    kind: 'shape',
    tint: 'machining',
    weight: 'visible',
    points: [
      at(middle - hand * 5, plan.back),
      at(plane + hand * off, plan.back + 13),
      at(plane + hand * off, plan.back + setback + PLATE_HALF - 3),
      at(plane + hand * (off + 7), plan.back + setback + PLATE_HALF - 3),
      at(plane + hand * (off + 7), plan.back + 15),
      at(middle + hand * 7, plan.back + 4),
      at(middle + hand * 7, plan.back),
    ],
  };
  return [regionBetween(a, b, METAL), regionBetween(p, q, METAL), arm];
}

function cupDimensions(solution: ConcealedSolution, plan: PlanDoor, { front, wish }: HungDoor): DimensionItem[] {
  const { profile, offset } = solution;
  const from = -wish.overlay.value + front.lap;
  const to = from + offset;
  const cup = fromSheet(profile, 'cup/diameter', 'cup diameter');
  const setback = plateSetback(profile);
  const back = plan.back - plan.face;
  return [
    { ...dimension('corner-cup', 'bottom', 0, from, to, cupOffset(solution)), caption: 'to the cup' },
    { ...dimension('corner-cup-width', 'bottom', 0, to, to + cup.value, cup), caption: 'cup' },
    { ...dimension('corner-setback', 'left', 0, back, back + setback.value, setback), caption: 'plate' },
  ];
}
