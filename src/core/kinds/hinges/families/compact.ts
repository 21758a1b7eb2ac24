import { cupSchema } from '../profile.js';
import { withCups } from '../shapes/cups.js';

/** A cup in the door; the arm is screwed to the edge of a face frame. */
export const compact = withCups({
  id: 'compact',
  words: 'a compact frame hinge',
  option: 'concealed, compact for frames',
  schema: cupSchema('compact'),
});
