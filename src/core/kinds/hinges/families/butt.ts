import { leafSchema } from '../profile.js';
import { knuckleInGap, mortiseFor, withLeaves } from '../shapes/leaves.js';

/** Two leaves let in: mortise per leaf = (closed − gap) / 2, so it makes any gap its leaves are thick enough for. */
export const butt = withLeaves({
  id: 'butt',
  words: 'a mortised butt',
  option: 'butt, mortised',
  schema: leafSchema('butt'),
  solve: (profile, { gap }) =>
    profile.leaf.closed < gap.value
      ? []
      : [{ kind: 'leaf', profile, mortise: mortiseFor(profile, gap).value, residual: 0, exact: true }],
  misses: 'is thinner than this gap',
  pivot: knuckleInGap,
});
