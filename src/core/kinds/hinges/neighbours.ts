import { type Front, frontName, keysOf } from '../../build/index.js';
import type { Named, NeighbourDraft, NeighbourRule } from '../../cabinet/index.js';
import { numberOf, pathOf, settingPath } from '../../decisions/index.js';
import { capital } from '../../ground/index.js';
import { fixedTo, neighbourShift, obstaclesOf, swingContact, turnsOf } from '../../motions/index.js';
import type { HingedCabinet } from './rule.js';

type Beside = Named<HingedCabinet>;
type Shift = { readonly x: number; readonly y: number; readonly z: number };

/** Runs a rule on two cabinets where it is known how high one hangs against the other. */
function shifted(
  check: (left: Beside, right: Beside, shift: Shift, show: (mm: number) => string) => NeighbourDraft[],
): NeighbourRule<Beside>['check'] {
  return (left, right, show) => {
    const { x, y, z } = neighbourShift(left, right);
    return z === undefined ? [] : check(left, right, { x, y, z }, show);
  };
}

/** The pair of fronts across the joint, at one height and in one plane, that lacks most: they overlap, or cannot turn. */
const meetingFronts: NeighbourRule<Beside> = { id: 'fronts/neighbours-meet', check: shifted(fronts) };

interface Meeting {
  readonly one: Front;
  readonly other: Front;
  readonly gap: number;
  /** What both have to have to turn. */
  readonly needed: number;
}

function fronts(left: Beside, right: Beside, shift: Shift, show: (mm: number) => string): NeighbourDraft[] {
  let worst: Meeting | undefined;
  const lacks = ({ gap, needed }: Meeting) => Math.max(needed, LEAST_BETWEEN) - gap;
  for (const one of left.fronts)
    for (const other of right.fronts) {
      const [low, high] = [other.v.low.value + shift.z, other.v.high.value + shift.z];
      const level = low < one.v.high.value - 1 && high > one.v.low.value + 1;
      const [front, back] = [other.extent.min[1] + shift.y, other.extent.max[1] + shift.y];
      const inPlane = front < one.extent.max[1] - 1 && back > one.extent.min[1] + 1;
      if (!level || !inPlane) continue;
      const gap = other.h.low.value + shift.x - one.h.high.value;
      const meeting = { one, other, gap, needed: neededBy(left, one, -1) + neededBy(right, other, 1) };
      if (!worst || lacks(meeting) > lacks(worst)) worst = meeting;
    }
  if (!worst || lacks(worst) <= 1e-6) return [];
  const { one, other, gap, needed } = worst;
  const path = pathOf(left.cabinet, settingPath(left, 'fronts/reveal/right'));
  return [
    {
      severity: gap <= 0 ? 'stop' : 'warn',
      cabinetId: left.cabinet.id,
      what:
        gap <= 0
          ? `${capital(frontName(one))} overlaps ${frontName(other)} of cabinet ${right.cabinet.number} by ${show(-gap)}.`
          : `Between ${frontName(one)} and ${frontName(other)} of cabinet ${right.cabinet.number} only ${show(gap)} is left; ${show(Math.max(needed, LEAST_BETWEEN))} is needed.`,
      why: 'The gap between two cabinets is what both reveals leave together. Widen one of them, or share the gap.',
      numbers: [numberOf(left.cabinet, one.beside.right), numberOf(right.cabinet, other.beside.left)],
      parts: keysOf(one),
      settings: [path],
      fixes: [
        {
          label: 'Let both carry half of the gap',
          edits: [left, right].map((each) => ({
            path: pathOf(each.cabinet, settingPath(each, 'fronts/atNeighbour')),
            value: 'half',
          })),
        },
      ],
    },
  ];
}

/** What a front needs beside its edge at the joint to turn (mm); nothing where it is hung on its other side. */
function neededBy({ motions }: HingedCabinet, { key }: Front, hand: 1 | -1): number {
  const turn = turnsOf(motions).find(({ front, plan }) => front === key && plan.hand === hand);
  return turn?.needsBeside ?? 0;
}

/** Fronts of two cabinets come no nearer than this (mm). */
const LEAST_BETWEEN = 1;

/** Doors at the joint that open into the pull or front of the neighbour. */
const swingsIntoNeighbour: NeighbourRule<Beside> = {
  id: 'fronts/swings-into-neighbour',
  check: shifted(swings),
};

function swings(left: Beside, right: Beside, shift: Shift): NeighbourDraft[] {
  const back = { x: -shift.x, y: -shift.y, z: -shift.z };
  const sides = [
    { own: left, other: right, hinged: 'right', seen: obstaclesOf(right.occupied, shift) },
    { own: right, other: left, hinged: 'left', seen: obstaclesOf(left.occupied, back) },
  ] as const;
  return sides.flatMap(({ own, other, hinged, seen }) =>
    turnsOf(own.motions).flatMap((motion): NeighbourDraft[] => {
      const front = own.fronts.find(({ key }) => key === motion.front);
      if (!front || front.hinged !== hinged) return [];
      const contact = swingContact(motion, fixedTo(own.occupied, motion.front), seen);
      if (!contact) return [];
      const path = pathOf(own.cabinet, settingPath(own, 'hinges/stopAt'));
      return [
        {
          severity: 'warn',
          cabinetId: own.cabinet.id,
          what: `${capital(frontName(front))} meets ${contact.obstacle.name} of cabinet ${other.cabinet.number} at ${contact.free} degrees; its hinges go on to ${motion.plan.stopAngle}.`,
          why: 'It strikes every time it is thrown open. Fit an opening limiter, a hinge that stops sooner, or hang it on the other side.',
          numbers: [],
          parts: keysOf(front),
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

export const hingeNeighbourRules: readonly NeighbourRule<Beside>[] = [meetingFronts, swingsIntoNeighbour];
