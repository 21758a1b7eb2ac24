import { leafSchema } from '../profile.js';
import { knuckleInGap, withLeaves } from '../shapes/leaves.js';

/** A door may be planed to the gap by this (mm). */
const PLANED = 0.3;
/** Nearer than this the gap is the one wanted (mm). */
const EXACT = 0.005;

/** Two leaves that close into each other and lie on the surface: they set the gap themselves, at their closed thickness. */
export const noMortise = withLeaves({
  id: 'noMortise',
  words: 'a no-mortise butt',
  option: 'butt, no mortise',
  schema: leafSchema('noMortise'),
  solve(profile, { gap }) {
    const residual = profile.leaf.closed - gap.value;
    if (Math.abs(residual) > PLANED) return [];
    return [{ kind: 'leaf', profile, mortise: 0, residual, exact: Math.abs(residual) <= EXACT }];
  },
  misses: 'sets another gap than this',
  pivot: knuckleInGap,
});
