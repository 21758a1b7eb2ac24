import { cupSchema } from '../profile.js';
import { withCups } from '../shapes/cups.js';

/** A cup in the door, an arm, and a plate on the case. */
export const concealed = withCups({
  id: 'concealed',
  words: 'a concealed hinge',
  option: 'concealed, two-piece',
  schema: cupSchema('concealed'),
});
