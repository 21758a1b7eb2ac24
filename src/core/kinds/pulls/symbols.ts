import type { DrawingItem } from '../../part/index.js';
import type { PlacedPull } from './pulls.js';

/** A pull or knob on its front. */
export function pullSymbols({ frontKey, profile, extent: { min, max } }: PlacedPull): DrawingItem {
  return {
    kind: 'hardware',
    symbol: profile.centres === 0 ? 'knob' : 'pull',
    from: { h: min[0], v: min[2] },
    to: { h: max[0], v: max[2] },
    hidden: false,
    shows: frontKey,
  };
}
