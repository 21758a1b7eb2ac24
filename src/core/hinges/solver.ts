import { type ConcealedProfile, type HingeProfile, isConcealed, type LeafProfile } from '../document/index.js';
import type { HingeWish } from './wish.js';

/** The cup offset is drilled in steps of this (mm). */
const OFFSET_STEP = 0.5;
/** Nearer than this an overlay is reached exactly (mm). */
const EXACT = 0.005;
/** A no-mortise butt sets the gap itself; a door may be planed to it by this (mm). */
const PLANED = 0.3;

/** One way of reaching an overlay with a concealed hinge. */
export interface ConcealedSolution {
  readonly kind: 'concealed';
  readonly profile: ConcealedProfile;
  /** P */
  readonly plate: number;
  /** K */
  readonly offset: number;
  readonly reached: number;
  /** reached − wanted; the side adjuster takes it up. */
  readonly residual: number;
  readonly exact: boolean;
}

/** A butt and the gap it makes. */
export interface LeafSolution {
  readonly kind: 'leaf';
  readonly profile: LeafProfile;
  /** How deep each leaf is let in; 0 for those that are not. */
  readonly mortise: number;
  /** The gap it makes less the one wanted. */
  readonly residual: number;
  readonly exact: boolean;
}

export type HingeSolution = ConcealedSolution | LeafSolution;

/**
 * Every profile, plate and cup offset that reaches an overlay (o = K + F − P), exact ones first, then those within the
 * side adjuster. Equal ones by stock, by how near the cup offset is to the middle of its range, by arm, plate and offset.
 * For inset doors the wanted overlay is −gap, for lipped ones −clearance.
 */
export function solveHinge(wanted: number, profiles: readonly ConcealedProfile[]): ConcealedSolution[] {
  const solutions: ConcealedSolution[] = [];
  for (const profile of profiles) {
    const { least, most } = profile.cup;
    const steps = Math.floor((most - least) / OFFSET_STEP + 1e-9);
    for (const plate of profile.plates)
      for (let step = 0; step <= steps; step += 1) {
        const offset = least + step * OFFSET_STEP;
        const reached = offset + profile.arm - plate;
        const residual = reached - wanted;
        const exact = Math.abs(residual) <= EXACT;
        if (exact || Math.abs(residual) <= profile.sideAdjust)
          solutions.push({ kind: 'concealed', profile, plate, offset, reached, residual, exact });
      }
  }
  return solutions.sort(
    (a, b) =>
      Number(b.exact) - Number(a.exact) ||
      Number(b.profile.stock) - Number(a.profile.stock) ||
      round(Math.abs(a.residual)) - round(Math.abs(b.residual)) ||
      fromMiddle(a) - fromMiddle(b) ||
      inOrder(a, b),
  );
}

const round = (value: number) => Math.round(value * 100);

function fromMiddle({ profile: { cup }, offset }: ConcealedSolution): number {
  return Math.abs(offset - (cup.least + cup.most) / 2);
}

/** Arm, then plate, then cup offset. */
function inOrder(a: ConcealedSolution, b: ConcealedSolution): number {
  return b.profile.arm - a.profile.arm || a.plate - b.plate || a.offset - b.offset;
}

/**
 * Butts for a gap. Mortise per leaf = (C − gap) / 2, C the closed thickness with the leaves parallel; without a mortise
 * the gap is C, and only a door that wants that gap can have them. Semi-concealed ones lie on the surface.
 */
export function solveLeaf(gap: number, profiles: readonly LeafProfile[]): LeafSolution[] {
  return profiles.flatMap((profile): LeafSolution[] => {
    const { closed } = profile.leaf;
    if (profile.family === 'semi') return [{ kind: 'leaf', profile, mortise: 0, residual: 0, exact: true }];
    if (profile.family === 'noMortise') {
      const residual = closed - gap;
      if (Math.abs(residual) > PLANED) return [];
      return [{ kind: 'leaf', profile, mortise: 0, residual, exact: Math.abs(residual) <= EXACT }];
    }
    return closed < gap ? [] : [{ kind: 'leaf', profile, mortise: (closed - gap) / 2, residual: 0, exact: true }];
  });
}

/** Everything the profiles left over by the five questions can do for a door; concealed ones first. */
export function solutionsFor(wish: HingeWish, profiles: readonly HingeProfile[]): HingeSolution[] {
  const leaves = profiles.filter((profile): profile is LeafProfile => !isConcealed(profile));
  return [
    ...solveHinge(wish.overlay.mm, profiles.filter(isConcealed)),
    ...solveLeaf(wish.gap.mm, leaves).sort((a, b) => Number(b.profile.stock) - Number(a.profile.stock)),
  ];
}

/**
 * The best of them: in stock, exact, cup offset nearest the middle of its range, then a plate the cabinet has already,
 * so that few kinds are bought.
 */
export function bestSolution(
  solutions: readonly HingeSolution[],
  platesInUse: ReadonlySet<number>,
): HingeSolution | undefined {
  const concealed = solutions.filter((solution) => solution.kind === 'concealed');
  if (concealed.length === 0) return solutions[0];
  return [...concealed].sort(
    (a, b) =>
      Number(b.profile.stock) - Number(a.profile.stock) ||
      Number(b.exact) - Number(a.exact) ||
      (a.exact ? 0 : round(Math.abs(a.residual)) - round(Math.abs(b.residual))) ||
      fromMiddle(a) - fromMiddle(b) ||
      Number(platesInUse.has(b.plate)) - Number(platesInUse.has(a.plate)) ||
      inOrder(a, b),
  )[0];
}

/** Overlay on a side = side thickness − reveal; the same turns an overlay into its reveal. All mm. */
export function overlayForReveal(side: number, reveal: number): number {
  return side - reveal;
}

/** How a choice is written down: profile, and for a concealed hinge plate and cup offset. */
export function solutionId(solution: HingeSolution): string {
  return solution.kind === 'leaf' ? solution.profile.id : `${solution.profile.id}/${solution.plate}/${solution.offset}`;
}

/**
 * Least gap at the hinge edge for a door of this thickness with the cup at this offset: between the rows of the
 * profile's table, and within a row between its offsets. Beyond the table its last entry serves.
 */
export function leastGap({ gaps }: ConcealedProfile, thickness: number, offset: number): number {
  const rows = gaps.map((row) => ({
    x: row.thickness,
    y: interpolate(
      row.at.map((entry) => ({ x: entry.offset, y: entry.gap })),
      offset,
    ),
  }));
  return interpolate(rows, thickness);
}

function interpolate(entries: readonly { x: number; y: number }[], x: number): number {
  const sorted = [...entries].sort((a, b) => a.x - b.x);
  const after = sorted.findIndex((entry) => entry.x >= x);
  const [low, high] = [sorted[after - 1], sorted[after]];
  if (after === -1) return sorted.at(-1)?.y ?? 0;
  if (!low || !high) return high?.y ?? 0;
  return low.y + ((high.y - low.y) * (x - low.x)) / (high.x - low.x);
}

/** The larger of what height and weight ask for, and one more for a wide door; the last row serves beyond its end. */
export function hingeCount(
  { byHeight, byWeight, wideOver }: Pick<HingeProfile, 'byHeight' | 'byWeight' | 'wideOver'>,
  door: { height: number; width: number; weight: number },
): number {
  const from = (rows: readonly { upTo: number; count: number }[], value: number) =>
    ([...rows].sort((a, b) => a.upTo - b.upTo).find((row) => value <= row.upTo) ?? rows.at(-1))?.count ?? 2;
  return Math.max(from(byHeight, door.height), from(byWeight, door.weight)) + (door.width > wideOver ? 1 : 0);
}
