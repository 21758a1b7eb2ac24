import { familyOf } from './families/index.js';
import type { HingeWish } from './hung.js';
import type { CarcassKind, HingeFit, HingeProfile } from './profile.js';

/** A profile that was looked at; `against` says at which question it fell, in one clause. */
export interface Considered {
  readonly profile: HingeProfile;
  readonly against?: string;
}

export const FIT_WORDS: Readonly<Record<HingeFit, string>> = {
  full: 'full overlay',
  half: 'half overlay on a shared partition',
  inset: 'inset doors',
  lipped: 'lipped doors',
};

const CARCASS_WORDS: Readonly<Record<CarcassKind, string>> = {
  frameless: 'boxes without a frame',
  frame: 'face frames',
};

const CLOSING_WORDS = { damped: 'damped', snap: 'with a snap', free: 'free' } as const;

/** Asks the five questions in their order: carcass, fit, opening angle, closing, family. The first no is the reason. */
export function narrow(profiles: readonly HingeProfile[], wish: HingeWish): Considered[] {
  return profiles.map((profile) => {
    const against = reasonAgainst(profile, wish);
    return against === undefined ? { profile } : { profile, against };
  });
}

function reasonAgainst(profile: HingeProfile, wish: HingeWish): string | undefined {
  if (!profile.carcass.includes(wish.carcass))
    return `made for ${profile.carcass.map((kind) => CARCASS_WORDS[kind]).join(' and ')}`;
  if (!profile.fits.includes(wish.fit)) return `made for ${profile.fits.map((fit) => FIT_WORDS[fit]).join(' and ')}`;
  if (profile.opening < wish.opening) return `opens to ${profile.opening}°, and ${wish.opening}° is asked`;
  if (wish.closing !== 'any' && profile.closing !== wish.closing)
    return `closes ${CLOSING_WORDS[profile.closing]}, and ${CLOSING_WORDS[wish.closing]} is asked`;
  if (wish.family !== 'any' && profile.family !== wish.family)
    return `is ${familyOf(profile).words}, and another family is asked`;
  return undefined;
}

/** A gap grows by what the overlay loses; on a shared partition both doors lose it, and the gap grows by twice as much. */
const shares = ({ fit }: HingeWish) => (fit === 'half' ? 2 : 1);

/** The reveal or gap (mm) that comes of an overlay reached (mm) in place of the one wanted. */
export function gapForOverlay(wish: HingeWish, reached: number): number {
  return wish.gap.value - (reached - wish.overlay.value) * shares(wish);
}

/** The wish of the same door with another reveal or gap (mm). */
export function withGap(wish: HingeWish, gap: number): HingeWish {
  return { ...wish, overlay: wish.overlay.minus((gap - wish.gap.value) / shares(wish)) };
}
