import { type Dim, setting } from '../../derive/index.js';
import { fromSheet } from '../profile.js';
import type { ConcealedProfile, LeafProfile } from './profile.js';

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

/** K as it was chosen. */
export function cupOffset({ offset }: ConcealedSolution): Dim {
  return setting('cup offset', offset, { kind: 'here', note: 'from the hinge solver' });
}

/** The overlay a concealed hinge gives: o = K + F − P. */
export function overlayReached(solution: ConcealedSolution): Dim {
  const { profile, plate } = solution;
  const thickness = setting('mounting plate', plate, { kind: 'profile', note: `${profile.maker}, ${profile.name}` });
  return cupOffset(solution)
    .plus(fromSheet(profile, 'arm', 'arm'))
    .minus(thickness)
    .as('overlay reached');
}

/** How far off it is, in hundredths of a mm. */
export const residualOf = ({ residual }: ConcealedSolution) => Math.round(Math.abs(residual) * 100);

/** How far the cup offset is from the middle of its range (mm). */
export function fromMiddle({ profile: { cup }, offset }: ConcealedSolution): number {
  return Math.abs(offset - (cup.least + cup.most) / 2);
}

/** Arm, then plate, then cup offset. */
export function inOrder(a: ConcealedSolution, b: ConcealedSolution): number {
  return b.profile.arm - a.profile.arm || a.plate - b.plate || a.offset - b.offset;
}

/** Exact ones first, then by stock, residual, how near the cup offset is to the middle of its range, arm, plate, offset. */
export function byRank(a: ConcealedSolution, b: ConcealedSolution): number {
  return (
    Number(b.exact) - Number(a.exact) ||
    Number(b.profile.stock) - Number(a.profile.stock) ||
    residualOf(a) - residualOf(b) ||
    fromMiddle(a) - fromMiddle(b) ||
    inOrder(a, b)
  );
}

/**
 * Least gap at the hinge edge for a door of this thickness with the cup at this offset: between the rows of the
 * profile's table, and within a row between its offsets. Beyond the table its last entry serves.
 */
export function leastGap({ gaps }: Pick<ConcealedProfile, 'gaps'>, thickness: number, offset: number): number {
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
