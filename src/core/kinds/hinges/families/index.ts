import type { HingeFamily } from '../family.js';
import type { HingeProfile } from '../profile.js';
import { butt } from './butt.js';
import { compact } from './compact.js';
import { concealed } from './concealed.js';
import { noMortise } from './noMortise.js';
import { semi } from './semi.js';

/** Every family of hinges there is, in the order in which they are chosen from. */
export const families = [concealed, compact, semi, noMortise, butt] as const;

const byId = new Map(families.map((family) => [family.id as string, family as unknown as HingeFamily] as const));

/** The family of a profile; all that is particular to it is asked of this. */
export function familyOf({ family }: Pick<HingeProfile, 'family'>): HingeFamily {
  return byId.get(family) as HingeFamily;
}
