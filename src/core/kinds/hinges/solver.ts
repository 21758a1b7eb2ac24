import { familyOf } from './families/index.js';
import type { HingeWish } from './hung.js';
import type { HingeProfile } from './profile.js';
import { byRank, type ConcealedSolution, fromMiddle, type HingeSolution, inOrder, residualOf } from './solution.js';

/**
 * Everything the profiles left over by the five questions can do for a door: concealed ones first, exact ones before
 * those within the side adjuster; then leaves, those in stock first.
 */
export function solutionsFor(wish: HingeWish, profiles: readonly HingeProfile[]): HingeSolution[] {
  const all = profiles.flatMap((profile) => familyOf(profile).solve(profile, wish));
  return [
    ...all.filter((solution) => solution.kind === 'concealed').sort(byRank),
    ...all
      .filter((solution) => solution.kind === 'leaf')
      .sort((a, b) => Number(b.profile.stock) - Number(a.profile.stock)),
  ];
}

/**
 * The best of them: in stock, exact, one the door turns with in the gap it has, cup offset nearest the middle of its
 * range, then a plate the cabinet has already, so that few kinds are bought. Where nothing concealed serves, the first
 * leaf. `turns` tells of a solution whether the door clears what is beside it.
 */
export function bestSolution(
  solutions: readonly HingeSolution[],
  platesInUse: ReadonlySet<number>,
  turns: (solution: ConcealedSolution) => boolean = () => true,
): HingeSolution | undefined {
  let best: ConcealedSolution | undefined;
  for (const solution of solutions)
    if (solution.kind === 'concealed' && (!best || better(solution, best, { platesInUse, turns }) < 0)) best = solution;
  return best ?? solutions[0];
}

interface Preferences {
  readonly platesInUse: ReadonlySet<number>;
  readonly turns: (solution: ConcealedSolution) => boolean;
}

function better(a: ConcealedSolution, b: ConcealedSolution, { platesInUse, turns }: Preferences): number {
  return (
    Number(b.profile.stock) - Number(a.profile.stock) ||
    Number(b.exact) - Number(a.exact) ||
    Number(turns(b)) - Number(turns(a)) ||
    (a.exact ? 0 : residualOf(a) - residualOf(b)) ||
    fromMiddle(a) - fromMiddle(b) ||
    Number(platesInUse.has(b.plate)) - Number(platesInUse.has(a.plate)) ||
    inOrder(a, b)
  );
}

/** Overlay on a side = side thickness − reveal; the same turns an overlay into its reveal. All mm. */
export function overlayForReveal(side: number, reveal: number): number {
  return side - reveal;
}

/** How a choice is written down: profile, and for a concealed hinge plate and cup offset. */
export function solutionId(solution: HingeSolution): string {
  return solution.kind === 'leaf' ? solution.profile.id : `${solution.profile.id}/${solution.plate}/${solution.offset}`;
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
