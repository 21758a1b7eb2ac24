import type { Graduation, SizeRule } from '../../decisions/index.js';
import { type Dim, length, plain, setting, solved, sumOf, TOLERANCE_MM } from '../../ground/index.js';

/** One member of a stack: its rule, and the size it is pinned at if it is. */
export interface StackMember {
  readonly label: string;
  readonly size: SizeRule;
  readonly pin?: number | undefined;
  /** Where this member's decisions live in the document. */
  readonly path: string;
}

/** Why a stack cannot close. `by` is how many mm there are too many (`over`) or left unclaimed (`under`). */
export interface StackRefusal {
  readonly kind: 'over' | 'under';
  readonly by: number;
  readonly decided: Dim;
  readonly available: Dim;
}

export type StackSizes =
  | { readonly ok: true; readonly sizes: readonly Dim[] }
  | { readonly ok: false; readonly refusal: StackRefusal };

/** A member that takes what is left must keep at least this much (mm). */
export const LEAST_MEMBER = 10;

/**
 * Divides `available` among the members so that their sizes sum to it exactly.
 *
 * Pinned and fixed members keep their sizes. What is left goes to the shares by weight; graduated members together
 * take one share each and grow within it by equal steps or by an equal ratio. When the decided sizes leave too little,
 * or nothing is free to take what is left, the answer is a refusal with the amount.
 */
export function divideStack(members: readonly StackMember[], available: Dim, graduation: Graduation): StackSizes {
  const decided = members.map(decidedSize);
  const held = decided.filter((size): size is Dim => size !== undefined);
  const heldTotal = held.length > 0 ? sumOf(held).as('sizes already decided') : length(0, 'sizes already decided');
  const free = members.filter((_, at) => !decided[at]);
  const left = available.value - heldTotal.value;
  const refuse = (kind: 'over' | 'under', by: number): StackSizes => ({
    ok: false,
    refusal: { kind, by, decided: heldTotal, available },
  });
  if (free.length === 0) {
    if (left < -TOLERANCE_MM) return refuse('over', -left);
    if (left > TOLERANCE_MM) return refuse('under', left);
    return { ok: true, sizes: held };
  }
  const divided = (total: Dim) => shareOut(members, decided, heldTotal, total, graduation);
  const sizes = divided(available);
  if (!sizes.every(wideEnough))
    return refuse(
      'over',
      missing((more) => divided(length(available.value + more)).every(wideEnough)),
    );
  return { ok: true, sizes };

  function wideEnough(size: Dim, at: number): boolean {
    return decided[at] !== undefined || size.value >= LEAST_MEMBER - TOLERANCE_MM;
  }
}

/** How much more room (mm, to a hundredth) makes `fits` true: the amount a refusal names. */
function missing(fits: (more: number) => boolean): number {
  let low = 0;
  let high = 20_000;
  while (high - low > 0.005) {
    const middle = (low + high) / 2;
    if (fits(middle)) high = middle;
    else low = middle;
  }
  return high;
}

/** The sizes of all members when `available` is divided, however small they come out. */
function shareOut(
  members: readonly StackMember[],
  decided: readonly (Dim | undefined)[],
  heldTotal: Dim,
  available: Dim,
  graduation: Graduation,
): Dim[] {
  const free = members.filter((_, at) => !decided[at]);
  const rest = free.length < members.length ? available.minus(heldTotal).as('left to share') : available;
  const shares = free.reduce((sum, { size }) => sum + (size.rule === 'share' ? size.weight : 1), 0);
  const graduated = members.flatMap((member, at) => (member.size.rule === 'graduated' && !decided[at] ? [at] : []));
  const forGraduated =
    graduated.length === 0 || graduated.length === free.length
      ? rest
      : rest.times(graduated.length).over(plain(shares, 'shares in all')).as('left to the graduated sizes');
  const grown =
    graduated.length > 0 ? graduate(members, graduated, decided, forGraduated, graduation) : new Map<number, Dim>();
  return members.map((member, at) => decided[at] ?? grown.get(at) ?? shareOf(member, rest, shares, free.length));
}

function decidedSize(member: StackMember): Dim | undefined {
  if (member.pin !== undefined)
    return setting(member.label, member.pin, { kind: 'here', note: 'pinned', path: `${member.path}/pin` });
  if (member.size.rule === 'fixed')
    return setting(member.label, member.size.mm, { kind: 'here', note: 'fixed', path: `${member.path}/size/mm` });
  return undefined;
}

function shareOf(member: StackMember, rest: Dim, shares: number, count: number): Dim {
  const weight = member.size.rule === 'share' ? member.size.weight : 1;
  if (count === 1) return rest.as(member.label);
  if (Math.abs(shares - count * weight) < 1e-9) return rest.over(plain(count, 'equal shares')).as(member.label);
  return rest.times(plain(weight, 'its share')).over(plain(shares, 'shares in all')).as(member.label);
}

/**
 * Sizes of the graduated members at `indexes`, together exactly `total`. With one graduated member pinned the
 * progression starts from it and its step or ratio is found so that the sum closes; otherwise the step or ratio is the
 * one set for the stack and the first size follows from the sum.
 */
function graduate(
  members: readonly StackMember[],
  indexes: readonly number[],
  decided: readonly (Dim | undefined)[],
  total: Dim,
  graduation: Graduation,
): Map<number, Dim> {
  const order = members.map((member, at) => (member.size.rule === 'graduated' ? at : -1)).filter((at) => at >= 0);
  const place = (at: number) => order.indexOf(at);
  const pins = order.filter((at) => decided[at] !== undefined);
  const pinned = pins.length === 1 ? pins[0] : undefined;
  const label = (at: number) => members[at]?.label ?? '';
  if (pinned !== undefined) {
    const from = decided[pinned] as Dim;
    const offsets = indexes.map((at) => place(at) - place(pinned));
    const steps = offsets.reduce((sum, offset) => sum + offset, 0);
    if (graduation.kind === 'arithmetic' && steps !== 0) {
      const step = total.minus(from.times(indexes.length)).over(plain(steps, 'steps in all')).as('step');
      return new Map(indexes.map((at, k) => [at, from.plus(step.times(offsets[k] as number)).as(label(at))]));
    }
    const ratio = graduation.kind === 'geometric' ? ratioFor(offsets, total.value / from.value) : undefined;
    if (ratio !== undefined) {
      const growth = solved(
        'ratio',
        ratio,
        'plain',
        [total, from],
        'each size is the one before it times this, and together they close',
      );
      return new Map(indexes.map((at, k) => [at, from.times(growth.power(offsets[k] as number)).as(label(at))]));
    }
  }
  return graduateFromSum(
    indexes.map((at) => ({ at, label: label(at) })),
    total,
    graduation,
  );
}

function graduateFromSum(
  free: readonly { at: number; label: string }[],
  total: Dim,
  graduation: Graduation,
): Map<number, Dim> {
  const n = free.length;
  if (graduation.kind === 'arithmetic') {
    const step = setting('step', graduation.step, { kind: 'here', note: 'set for this stack' });
    const first = total
      .minus(step.times((n * (n - 1)) / 2))
      .over(n)
      .as('first size');
    return new Map(free.map(({ at, label }, k) => [at, (k === 0 ? first : first.plus(step.times(k))).as(label)]));
  }
  const ratio = plain(graduation.ratio, 'ratio', { kind: 'here', note: 'set for this stack' });
  let parts: Dim = plain(1);
  for (let k = 1; k < n; k += 1) parts = parts.plus(ratio.power(k));
  const first = total.over(parts).as('first size');
  return new Map(free.map(({ at, label }, k) => [at, (k === 0 ? first : first.times(ratio.power(k))).as(label)]));
}

/**
 * The ratio r > 0 with Σ r^offset = wanted, by bisection. The sum grows with r when all offsets are positive and falls
 * when all are negative; with offsets of both signs it has a lowest point and may have no such r.
 */
function ratioFor(offsets: readonly number[], wanted: number): number | undefined {
  const up = offsets.every((offset) => offset > 0);
  const down = offsets.every((offset) => offset < 0);
  if ((!up && !down) || wanted <= 0) return undefined;
  const sum = (ratio: number) => offsets.reduce((acc, offset) => acc + ratio ** offset, 0);
  let low = 1e-3;
  let high = 1e3;
  for (let at = 0; at < 200; at += 1) {
    const middle = Math.sqrt(low * high);
    if (sum(middle) < wanted === up) low = middle;
    else high = middle;
  }
  const ratio = Math.sqrt(low * high);
  // Beyond what was looked through there is none that closes.
  return Math.abs(sum(ratio) - wanted) <= 1e-6 * Math.max(1, wanted) ? ratio : undefined;
}
