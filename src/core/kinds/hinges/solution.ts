import { type Dim, setting } from '../../ground/index.js';
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
  return between(tableOf(gaps), thickness, rowAt, offset);
}

type Gaps = ConcealedProfile['gaps'];
type Row = Gaps[number];

const ordered = new WeakMap<Gaps, Gaps>();

/** A table as it is read: thicknesses and cup offsets from the least up. */
function tableOf(gaps: Gaps): Gaps {
  let known = ordered.get(gaps);
  if (!known) {
    known = gaps
      .map((row) => ({ ...row, at: [...row.at].sort((a, b) => a.offset - b.offset) }))
      .sort((a, b) => a.thickness - b.thickness);
    ordered.set(gaps, known);
  }
  return known;
}

const rowAt = {
  x: ({ thickness }: Row) => thickness,
  y: ({ at }: Row, offset: number) => between(at, offset, entryAt, 0),
};
const entryAt = { x: ({ offset }: Row['at'][number]) => offset, y: ({ gap }: Row['at'][number]) => gap };

/** The value between the two entries of an ordered table on either side of `x`; beyond its ends, the end's. */
function between<T>(
  entries: readonly T[],
  x: number,
  of: { readonly x: (entry: T) => number; readonly y: (entry: T, other: number) => number },
  other: number,
): number {
  const after = entries.findIndex((entry) => of.x(entry) >= x);
  const high = entries[after === -1 ? entries.length - 1 : after];
  const low = after > 0 ? entries[after - 1] : undefined;
  if (!high) return 0;
  if (!low) return of.y(high, other);
  const [below, above] = [of.y(low, other), of.y(high, other)];
  return below + ((above - below) * (x - of.x(low))) / (of.x(high) - of.x(low));
}
