import type { NamedProfile } from '../decisions/index.js';
import type { Against } from './profile.js';

/** What a kind says of the profiles of its library where one of them is to be taken. */
export interface Choice<P> {
  /** Why it does not fit; undefined where it does. */
  readonly unfit: (profile: P) => string | undefined;
  /** Which of two that fit goes first, where both are in stock or neither is: as `sort` has it. */
  readonly order: (a: P, b: P) => number;
  /** Why one that fits and is in stock is not the one. */
  readonly passedOver: string;
}

/**
 * The one that is taken out of a library: the one that was decided, or of all that fit, in stock before others; and why
 * each of the others was not. What was decided and does not fit is not taken, nor is another in its place.
 */
export function chosenOf<P extends NamedProfile>(
  profiles: readonly P[],
  decided: string,
  { unfit, order, passedOver }: Choice<P>,
): { readonly profile: P | undefined; readonly against: readonly Against[] } {
  const isAsked = ({ id }: P) => decided === 'none' || id === decided;
  const fits = (each: P) => isAsked(each) && unfit(each) === undefined;
  const [profile] = profiles.filter(fits).sort((a, b) => Number(b.stock) - Number(a.stock) || order(a, b));
  const against = profiles
    .filter((each) => each !== profile)
    .map((each): Against => {
      const { id, name, stock } = each;
      if (!isAsked(each)) return { profile: id, name, unasked: true, why: 'another one was decided' };
      return { profile: id, name, why: unfit(each) ?? (stock ? passedOver : 'fits, but is not in stock') };
    });
  return { profile, against };
}
