import { type Cell, type Front, frontName } from '../../build/index.js';
import type { Occupied, Tilt } from '../../cabinet/index.js';
import { type Dim, measuredFrom } from '../../ground/index.js';
import { alongPart, edgeOf, faceInto, type Operation, type Part, uprightAt } from '../../part/index.js';
import { chosenOf } from '../chosen.js';
import { type Against, fromSheet, pilotOf } from '../profile.js';
import type { PlacedPull } from '../pulls/index.js';
import type { LiftContext } from './context.js';
import { liftFill } from './fills.js';
import type { LiftProfile } from './profile.js';

/** A lifted front as it is fitted, as plain data. */
export interface FittedLift {
  readonly front: string;
  readonly opening: string;
  readonly name: string;
  /** Cabinet height · (weight of the front + twice its pull's). */
  readonly factor: Dim;
  readonly profile: LiftProfile | undefined;
  /** Why each of the others was not taken. */
  readonly against: readonly Against[];
  /** On the side: behind the front edge of the case, and below the upper edge of the opening. */
  readonly side?: { readonly back: Dim; readonly down: Dim };
  /** On the front: from its side edge, and below its upper edge. */
  readonly onFront?: { readonly across: Dim; readonly down: Dim };
  /** True where an upright at both ends carries it. */
  readonly carried: boolean;
}

export interface MadeLift {
  readonly fitted: FittedLift;
  readonly operations: readonly (readonly [key: string, operation: Operation])[];
  readonly occupied: readonly Occupied[];
  /** Absent where nothing lifts it. */
  readonly motion?: Tilt;
}

/** A front nearly as high as the box is lifted against the height of the whole cabinet. */
const WHOLE = 0.9;

/** A mechanism for every front that lifts. */
export function placeLifts(context: LiftContext, profiles: readonly LiftProfile[]): MadeLift[] {
  return context.fronts.flatMap((front) => {
    const cell = context.cells.find(({ opening }) => opening.id === front.openingId);
    return cell && liftFill.is(cell.fill) ? [liftOf(front, cell, context, profiles)] : [];
  });
}

/** Lift factor = cabinet height (mm) × (weight of the front + twice the weight of its pull, kg). */
export function liftFactor(front: Front, height: Dim, pulls: readonly PlacedPull[]): Dim {
  const own = pulls.filter(({ frontKey }) => frontKey === front.key);
  const weight = own.reduce(
    (sum, { profile }) => sum.plus(fromSheet(profile, 'weight', 'weight of the pull', 'kg').times(2)),
    front.weight,
  );
  return height.times(weight).as('lift factor').because('the pull hangs far from the pivot and counts twice');
}

function liftOf(front: Front, cell: Cell, context: LiftContext, profiles: readonly LiftProfile[]): MadeLift {
  const { box, parts, resolved } = context;
  const pulls = context.fitted.pulls;
  const height = front.v.size.value >= WHOLE * box.height.value ? box.height : front.v.size;
  const factor = liftFactor(front, height, pulls);
  const { profile, against } = choose(factor.value, profiles, resolved.settings.lifts.choice.value);
  const { inside } = cell;
  const z = inside.v.high.value - 50;
  const uprights = {
    left: uprightAt(parts, 'left', { x: inside.h.low.value, z }),
    right: uprightAt(parts, 'right', { x: inside.h.high.value, z }),
  };
  const carried = uprights.left !== undefined && uprights.right !== undefined;
  const said = {
    front: front.key,
    opening: front.openingId,
    name: frontName(front),
    factor,
    profile,
    against,
    carried,
  };
  if (!profile) return { fitted: said, operations: [], occupied: [] };
  // Side plate: base + plate + crank below the upper edge; front plate: the same and the overlay above it.
  const raised = fromSheet(profile, 'plate', 'mounting plate').plus(fromSheet(profile, 'crank', 'crank of the arm'));
  const over = front.v.high.minus(inside.v.high).as('upper overlay');
  const beside = (hand: 'left' | 'right') =>
    (hand === 'left' ? inside.h.low.minus(front.h.low) : front.h.high.minus(inside.h.high)).as('side overlay');
  const back = (
    box.mountingPlane.value === 0
      ? fromSheet(profile, 'side/setback', 'lift behind the plane of the front')
      : box.mountingPlane.plus(fromSheet(profile, 'side/setback', 'lift behind the plane of the front'))
  ).as('lift behind the front edge of the case');
  const down = fromSheet(profile, 'side/base', 'base of the lift').plus(raised).as('lift below the upper edge');
  const onFront = {
    across: fromSheet(profile, 'front/across', 'plate from the edge of the opening')
      .plus(beside('left'))
      .as('plate from the side edge'),
    down: fromSheet(profile, 'front/down', 'base of the plate')
      .plus(raised)
      .plus(over)
      .as('plate below the upper edge'),
  };
  const by = { kind: 'lifts', front: front.key } as const;
  const holes = { reason: `lift: ${profile.name}`, by };
  const operations: (readonly [string, Operation])[] = [];
  for (const hand of ['left', 'right'] as const) {
    const upright = uprights[hand];
    const upper = inside.v.high.minus(down).as('upper screw of the lift');
    if (upright) {
      const lower = upper
        .minus(fromSheet(profile, 'side/apart', 'screws of the lift apart'))
        .as('lower screw of the lift');
      operations.push([
        upright.key,
        {
          kind: 'holes',
          face: faceInto(upright, hand),
          from: 'v0',
          offset: measuredFrom(back, edgeOf(upright, 'v0')),
          positions: [lower, upper].map((at) => measuredFrom(at, edgeOf(upright, 'u0'))),
          ...pilotOf('lifts', profile, upright.thickness),
          ...holes,
        },
      ]);
    }
    const across = fromSheet(profile, 'front/across', 'plate from the edge of the opening').plus(beside(hand));
    const x = hand === 'left' ? front.h.low.plus(across) : front.h.high.minus(across);
    const top = front.v.high.minus(onFront.down).as('upper screw of the plate');
    const rows = [
      top.minus(fromSheet(profile, 'front/apart', 'screws of the plate apart')).as('lower screw of the plate'),
      top,
    ];
    for (const part of front.parts) operations.push(...onPart(part, x, rows, holes, profile));
  }
  const { body } = profile;
  const occupied = (['left', 'right'] as const).map((hand): Occupied => {
    const edge = hand === 'left' ? inside.h.low.value : inside.h.high.value;
    const [low, high] = hand === 'left' ? [edge, edge + body.inward] : [edge - body.inward, edge];
    const from = Math.max(0, box.mountingPlane.value);
    return {
      by: 'lifts',
      name: `the lift of ${frontName(front)}`,
      extent: { min: [low, from, inside.v.high.value - body.high], max: [high, from + body.deep, inside.v.high.value] },
    };
  });
  const [, hingeY, hingeZ] = front.extent.max;
  const motion = {
    kind: 'lift',
    by: 'lifts',
    front: front.key,
    name: said.name,
    y: hingeY,
    z: hingeZ,
    stop: profile.opening,
  } as const;
  return { fitted: { onFront, ...said, side: { back, down } }, operations, occupied, motion };
}

/** The screws of a plate in whatever of the front lies there. */
function onPart(
  part: Part,
  x: Dim,
  rows: readonly Dim[],
  holes: Pick<Operation, 'reason' | 'by'>,
  profile: LiftProfile,
): (readonly [string, Operation])[] {
  const { min, max } = part.extent;
  const there = rows.filter(({ value: mm }) => x.value > min[0] && x.value < max[0] && mm > min[2] && mm < max[2]);
  if (there.length === 0) return [];
  const pilot = pilotOf('lifts', profile, part.thickness);
  const upright = part.placement.u.endsWith('z');
  return [
    [
      part.key,
      upright
        ? {
            kind: 'holes',
            face: 2,
            from: 'v0',
            offset: alongPart(part, 'v', x),
            positions: there.map((z) => alongPart(part, 'u', z)),
            ...pilot,
            ...holes,
          }
        : {
            kind: 'holes',
            face: 2,
            from: 'u0',
            offset: alongPart(part, 'u', x),
            positions: there.map((z) => alongPart(part, 'v', z)),
            ...pilot,
            ...holes,
          },
    ],
  ];
}

/** The one whose range has the factor, in stock before others, the factor nearest to the middle of its range. */
function choose(factor: number, profiles: readonly LiftProfile[], decided: string) {
  const off = ({ factor: { from, to } }: LiftProfile) => Math.abs(factor - (from + to) / 2) / (to - from);
  return chosenOf(profiles, decided, {
    unfit({ factor: { from, to } }) {
      if (factor < from) return `lifts from ${from}; this is ${Math.round(factor)}, and it would fly open`;
      if (factor > to) return `lifts up to ${to}; this is ${Math.round(factor)}, and it would not stay up`;
      return undefined;
    },
    order: (a, b) => off(a) - off(b),
    passedOver: 'fits, but the factor lies nearer to the end of its range',
  });
}
