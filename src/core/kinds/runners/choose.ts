import { type Dim, quantity } from '../../ground/index.js';
import { fromSheet, type Against as Refused } from '../profile.js';
import { families } from './families/index.js';
import { drawerFill } from './fills.js';
import type { BoxPlan } from './plan.js';
import type { RunnerProfile } from './profile.js';
import { type DrawerRoom, LEAST_PACKING } from './room.js';
import type { RunnerResolved } from './settings.js';

/** What speaks against a pair of runners, or one of its lengths; the length is absent where it is the whole of it. */
export interface Against extends Refused {
  readonly length?: number;
}

/** The runners of a drawer, and why not the others. */
export interface Chosen {
  readonly profile: RunnerProfile;
  readonly length: Dim;
  readonly plan: BoxPlan;
  /** What the contents may weigh, by the box's volume (kg), and what the pair carries. */
  readonly contents: Dim;
  readonly load: Dim;
}

export interface RunnerChoice {
  readonly chosen: Chosen | undefined;
  readonly against: readonly Against[];
}

/** Kilograms in a litre of box, by what drawers are filled with. */
const DENSITY = { light: 0.15, kitchen: 0.35, paper: 0.7 } as const;

/**
 * The runners for a drawer: questions narrow the library in this order (family, closing, the box as it is made, lowest
 * box, depth), each refusal with its first reason; of what is left what carries the contents, is in stock, and is longest.
 */
export function chooseRunners(
  room: DrawerRoom,
  library: readonly RunnerProfile[],
  resolved: RunnerResolved,
  show: (mm: number) => string,
): RunnerChoice {
  const { drawers } = resolved.settings;
  const against: Against[] = [];
  const unasked = (profile: RunnerProfile, why: string) => {
    against.push({ profile: profile.id, name: profile.name, why, unasked: true });
    return [];
  };
  const refuse = (profile: RunnerProfile, why: string, length?: number) => {
    against.push({ profile: profile.id, name: profile.name, why, ...(length === undefined ? {} : { length }) });
    return [];
  };
  const decided = drawers.choice.value;
  const candidates = library.flatMap((profile): Chosen[] => {
    if (decided !== 'none' && profile.id !== decided) return unasked(profile, 'another one was decided');
    if (decided === 'none' && profile.family !== runnerFamily(room, drawers))
      return unasked(profile, 'belongs to another family of runners');
    if (drawers.closing.value !== 'any' && profile.closing !== drawers.closing.value)
      return refuse(profile, 'closes otherwise than was asked for');
    const family = families[profile.family];
    const made = family.against?.(profile, resolved, show);
    if (made) return refuse(profile, made);
    const unheld = bracketless(room, profile, drawers);
    if (unheld) return refuse(profile, unheld);
    const lengths = fittingLengths(room, profile, drawers, show, (length, why) => refuse(profile, why, length));
    const [longest] = lengths;
    if (longest === undefined) return [];
    const length = quantity(longest, 'mm', 'runner length', {
      kind: 'profile',
      note: `${profile.maker}, ${profile.name}`,
    }).because(lengths.length > 1 ? 'the longest that fits' : 'the only one that fits');
    const plan = family.plan(profile, room, length, resolved);
    if (plan.height.value < profile.leastHeight - 1e-6)
      return refuse(
        profile,
        `carries boxes from ${show(profile.leastHeight)} high; this is ${show(plan.height.value)}`,
      );
    return [{ profile, length, plan, ...loads(plan, profile, room, resolved) }];
  });
  const carries = ({ contents, load }: Chosen) => contents.value <= load.value;
  const [chosen] = [...candidates].sort(
    (a, b) =>
      Number(carries(b)) - Number(carries(a)) ||
      Number(b.profile.stock) - Number(a.profile.stock) ||
      b.length.value - a.length.value ||
      a.load.value - b.load.value,
  );
  for (const other of candidates)
    if (other !== chosen && chosen) refuse(other.profile, betterThan(other, chosen, carries), other.length.value);
  return { chosen, against };
}

/** The family a drawer runs on: wood on wood only behind a front of its own, where frame or shelf lies under it. */
export function runnerFamily(
  { kind }: Pick<DrawerRoom, 'kind'>,
  { family }: RunnerResolved['settings']['drawers'],
): RunnerResolved['settings']['drawers']['family']['value'] {
  return kind !== 'front' && family.value === 'wooden' ? 'side' : family.value;
}

function betterThan(other: Chosen, chosen: Chosen, carries: (one: Chosen) => boolean): string {
  if (carries(chosen) && !carries(other)) return `carries ${other.load.value} kg; the drawer may hold more`;
  if (chosen.profile.stock && !other.profile.stock) return 'fits, but is not in stock';
  if (other.length.value < chosen.length.value) return 'fits, but is shorter';
  return 'fits as well';
}

/** True where runners stand back behind a frame and are to hang on rear brackets. */
export function onBrackets(
  { packing, front }: DrawerRoom,
  { behindFrame }: RunnerResolved['settings']['drawers'],
): boolean {
  const packed = packing.left.value > LEAST_PACKING || packing.right.value > LEAST_PACKING;
  return behindFrame.value === 'brackets' && front !== undefined && packed;
}

function bracketless(
  room: DrawerRoom,
  { rearBracket }: RunnerProfile,
  drawers: RunnerResolved['settings']['drawers'],
): string | undefined {
  return onBrackets(room, drawers) && !rearBracket ? 'has no rear bracket' : undefined;
}

/** The lengths that fit, the longest first: start + length + what has to stay free behind it ≤ what is nearest at the rear. */
function fittingLengths(
  room: DrawerRoom,
  profile: RunnerProfile,
  drawers: RunnerResolved['settings']['drawers'],
  show: (mm: number) => string,
  refuse: (length: number, why: string) => void,
): number[] {
  const { plane, rear, rearBy } = room;
  const decided = drawers.length.value;
  const most = rear.value - plane.value - profile.setback - profile.rearClearance;
  const reach = onBrackets(room, drawers) ? profile.rearBracket : undefined;
  const fitting: number[] = [];
  for (const length of [...profile.lengths].sort((a, b) => b - a))
    if (decided > 0 && Math.abs(length - decided) > 0.5) refuse(length, `a length of ${show(decided)} was decided`);
    else if (length > most + 1e-6)
      refuse(
        length,
        `${show(profile.setback)} before it and ${show(profile.rearClearance)} behind it come to ${show(length + profile.setback + profile.rearClearance)}; to the ${rearBy} are ${show(rear.value - plane.value)}`,
      );
    else if (reach && most + profile.rearClearance - length > reach.to + 1e-6)
      refuse(
        length,
        `its rear bracket reaches ${show(reach.to)}; to the ${rearBy} are ${show(most + profile.rearClearance - length)}`,
      );
    else if (reach && most + profile.rearClearance - length < reach.from - 1e-6)
      refuse(length, `its rear bracket wants ${show(reach.from)} behind the runner`);
    else fitting.push(length);
  return fitting;
}

/** What goes in as somebody said; else what the box may hold, by its volume and what drawers are filled with. */
function loads(
  plan: BoxPlan,
  profile: RunnerProfile,
  { contents, path }: DrawerRoom,
  { settings }: RunnerResolved,
): Pick<Chosen, 'contents' | 'load'> {
  const load = fromSheet(profile, 'load', 'the pair carries', 'kg');
  if (contents?.weight !== undefined) {
    const source = { kind: 'here', note: 'what goes in', path: drawerFill.at(path, 'contents') } as const;
    return { contents: quantity(contents.weight, 'kg', 'contents, as said', source), load };
  }
  const density = quantity(DENSITY[settings.drawers.contents.value] * 1000, 'kg/m3', 'what it is filled with, a litre');
  return {
    contents: plan.inside
      .times(plan.length)
      .times(plan.height)
      .times(density)
      .over(quantity(1e9, 'mm3/m3', 'mm³ in a m³'))
      .as('contents at most'),
    load,
  };
}
