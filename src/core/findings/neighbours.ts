import { frontName, frontObstacles, leastGap, swingContact } from '../hinges/index.js';
import { type BuiltCabinet, capital, keysOf, type NeighbourDraft, type NeighbourRule, settingPath } from './finding.js';

/** Where the cabinet at the right stands, seen from the one at its left: frames or boxes touch, backs are level. */
export interface NeighbourShift {
  readonly x: number;
  readonly y: number;
  /** Undefined where nothing says how high one hangs against the other. */
  readonly z: number | undefined;
}

/** Base and tall cabinets stand on one floor; wall cabinets hang level at their tops. */
export function neighbourShift(left: BuiltCabinet, right: BuiltCabinet): NeighbourShift {
  const rear = ({ box, resolved }: BuiltCabinet) =>
    box.sideDepth.mm + (resolved.settings.back.kind.value === 'applied' ? resolved.materials.back.thickness.mm : 0);
  const hangs = [left, right].map(({ cabinet }) => cabinet.kind === 'wall');
  const z = hangs.every(Boolean)
    ? left.box.height.mm - right.box.height.mm
    : hangs.some(Boolean)
      ? undefined
      : right.box.underHeight.mm - left.box.underHeight.mm;
  return {
    x: left.box.width.mm + left.box.beyondRight.mm + right.box.beyondLeft.mm,
    y: rear(left) - rear(right),
    z,
  };
}

type Shift = { readonly x: number; readonly y: number; readonly z: number };

/** Runs a rule on two cabinets where it is known how high one hangs against the other. */
function shifted(
  check: (left: BuiltCabinet, right: BuiltCabinet, shift: Shift, show: (mm: number) => string) => NeighbourDraft[],
): NeighbourRule['check'] {
  return (left, right, show) => {
    const { x, y, z } = neighbourShift(left, right);
    return z === undefined ? [] : check(left, right, { x, y, z }, show);
  };
}

/** The nearest pair of fronts across the joint, at one height and in one plane: they overlap, or cannot turn. */
const meetingFronts: NeighbourRule = { id: 'fronts/neighbours-meet', check: shifted(fronts) };

function fronts(left: BuiltCabinet, right: BuiltCabinet, shift: Shift, show: (mm: number) => string): NeighbourDraft[] {
  let nearest: { gap: number; a: number; b: number } | undefined;
  left.fronts.forEach((one, a) => {
    right.fronts.forEach((other, b) => {
      const [low, high] = [other.v.low.mm + shift.z, other.v.high.mm + shift.z];
      const level = low < one.v.high.mm - 1 && high > one.v.low.mm + 1;
      const [front, back] = [other.extent.min[1] + shift.y, other.extent.max[1] + shift.y];
      const inPlane = front < one.extent.max[1] - 1 && back > one.extent.min[1] + 1;
      if (!level || !inPlane) return;
      const gap = other.h.low.mm + shift.x - one.h.high.mm;
      if (!nearest || gap < nearest.gap) nearest = { gap, a, b };
    });
  });
  if (!nearest) return [];
  const { gap, a, b } = nearest;
  const [one, other] = [left.fronts[a], right.fronts[b]];
  if (!one || !other) return [];
  const needs = [left, right].flatMap(({ doors, box }, side) =>
    doors.flatMap(({ front, hinged, chosen }) =>
      (front === one || front === other) && hinged === (side === 0 ? 'right' : 'left') && chosen?.kind === 'concealed'
        ? [leastGap(chosen.profile, box.frontThickness.mm, chosen.offset)]
        : [],
    ),
  );
  const needed = needs.reduce((sum, need) => sum + need, 0);
  if (gap >= Math.max(needed, LEAST_BETWEEN) - 1e-6) return [];
  const path = settingPath(left, 'fronts/reveal/right');
  return [
    {
      severity: gap <= 0 ? 'stop' : 'warn',
      cabinetId: left.cabinet.id,
      what:
        gap <= 0
          ? `${capital(frontName(one))} overlaps ${frontName(other)} of cabinet ${right.cabinet.number} by ${show(-gap)}.`
          : `Between ${frontName(one)} and ${frontName(other)} of cabinet ${right.cabinet.number} only ${show(gap)} is left; ${show(Math.max(needed, LEAST_BETWEEN))} is needed.`,
      why: 'The gap between two cabinets is what both reveals leave together. Widen one of them, or share the gap.',
      numbers: [one.beside.right, other.beside.left],
      parts: keysOf(one),
      settings: [path],
      fixes: [
        {
          label: 'Let both carry half of the gap',
          edits: [left, right].map(({ cabinet }) => ({
            path: settingPath({ cabinet }, 'fronts/atNeighbour'),
            value: 'half',
          })),
        },
      ],
    },
  ];
}

/** Fronts of two cabinets come no nearer than this (mm). */
const LEAST_BETWEEN = 1;

/** Doors at the joint that open into the pull or front of the neighbour. */
const swingsIntoNeighbour: NeighbourRule = { id: 'fronts/swings-into-neighbour', check: shifted(swings) };

function swings(left: BuiltCabinet, right: BuiltCabinet, shift: Shift): NeighbourDraft[] {
  const back = { x: -shift.x, y: -shift.y, z: -shift.z };
  const sides = [
    { own: left, other: right, hinged: 'right', seen: frontObstacles(right.fronts, right.pulls, shift) },
    { own: right, other: left, hinged: 'left', seen: frontObstacles(left.fronts, left.pulls, back) },
  ] as const;
  return sides.flatMap(({ own, other, hinged, seen }) =>
    own.doors.flatMap((door): NeighbourDraft[] => {
      if (door.hinged !== hinged) return [];
      const pull = own.pulls.find(({ frontKey }) => frontKey === door.front.key);
      const contact = swingContact(door, pull, seen);
      if (!contact) return [];
      const path = settingPath(own, 'hinges/stopAt');
      return [
        {
          severity: 'warn',
          cabinetId: own.cabinet.id,
          what: `${capital(frontName(door.front))} meets ${contact.obstacle.name} of cabinet ${other.cabinet.number} at ${contact.free} degrees; its hinges go on to ${door.stopAngle}.`,
          why: 'It strikes every time it is thrown open. Fit an opening limiter, a hinge that stops sooner, or hang it on the other side.',
          numbers: [],
          parts: keysOf(door.front),
          settings: [path],
          fixes:
            contact.free >= 60
              ? [{ label: `Stop the doors at ${contact.free} degrees`, edits: [{ path, value: contact.free }] }]
              : [],
        },
      ];
    }),
  );
}

export const neighbourRules: readonly NeighbourRule[] = [meetingFronts, swingsIntoNeighbour];
