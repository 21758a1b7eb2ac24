import type { HingeProfile } from '../job/index.js';

/** The cup offset is drilled in steps of this (mm). */
const OFFSET_STEP = 0.5;
/** Nearer than this an overlay is reached exactly (mm). */
const EXACT = 0.005;

/** One way of reaching an overlay. */
export interface HingeSolution {
  readonly profile: HingeProfile;
  /** P */
  readonly plate: number;
  /** K */
  readonly offset: number;
  readonly reached: number;
  /** reached − wanted; the side adjuster takes it up. */
  readonly residual: number;
  readonly exact: boolean;
}

/**
 * Every profile, plate and cup offset that reaches an overlay (o = K + F − P), exact ones first, then those within the
 * side adjuster. Equal ones by stock, by how near the cup offset is to the middle of its range, by arm, plate and offset.
 * For inset doors the wanted overlay is −gap.
 */
export function solveHinge(wanted: number, profiles: readonly HingeProfile[]): HingeSolution[] {
  const solutions: HingeSolution[] = [];
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
          solutions.push({ profile, plate, offset, reached, residual, exact });
      }
  }
  const middle = ({ profile: { cup }, offset }: HingeSolution) => Math.abs(offset - (cup.least + cup.most) / 2);
  return solutions.sort(
    (a, b) =>
      Number(b.exact) - Number(a.exact) ||
      Number(b.profile.stock) - Number(a.profile.stock) ||
      round(Math.abs(a.residual)) - round(Math.abs(b.residual)) ||
      middle(a) - middle(b) ||
      b.profile.arm - a.profile.arm ||
      a.plate - b.plate ||
      a.offset - b.offset,
  );
}

const round = (value: number) => Math.round(value * 100);

/** Overlay on a side = side thickness − reveal; the same turns an overlay into its reveal. All mm. */
export function overlayForReveal(side: number, reveal: number): number {
  return side - reveal;
}

/** How a choice is written down: profile, plate and cup offset. */
export function solutionId({ profile, plate, offset }: HingeSolution): string {
  return `${profile.id}/${plate}/${offset}`;
}

/** Least gap at the hinge edge for a door of this thickness, between the rows of the profile's table. */
export function leastGap({ gaps }: HingeProfile, thickness: number): number {
  const rows = [...gaps].sort((a, b) => a.thickness - b.thickness);
  const after = rows.findIndex((row) => row.thickness >= thickness);
  const [low, high] = [rows[after - 1], rows[after]];
  if (after === -1) return rows.at(-1)?.gap ?? 0;
  if (!low || !high) return high?.gap ?? 0;
  return low.gap + ((high.gap - low.gap) * (thickness - low.thickness)) / (high.thickness - low.thickness);
}

/** The larger of what height and weight ask for, and one more for a wide door; the last row serves beyond its end. */
export function hingeCount(
  { byHeight, byWeight, wideOver }: HingeProfile,
  door: { height: number; width: number; weight: number },
): number {
  const from = (rows: readonly { upTo: number; count: number }[], value: number) =>
    ([...rows].sort((a, b) => a.upTo - b.upTo).find((row) => value <= row.upTo) ?? rows.at(-1))?.count ?? 2;
  return Math.max(from(byHeight, door.height), from(byWeight, door.weight)) + (door.width > wideOver ? 1 : 0);
}
