import { type Operation, spacedAlong } from '../machining/index.js';
import type { BuildContext } from './build.js';

/**
 * Pocket holes in a side that pull a face frame on: on the outside of an end that is hidden, inside and plugged on an
 * exposed one.
 */
export function framePockets({ box, resolved }: BuildContext, hand: 'left' | 'right'): Operation[] {
  const { frame, ends, fasteners } = resolved.settings;
  if (frame.fitted.value !== 'fitted' || frame.attachment.value !== 'pocket') return [];
  const hidden = ends[hand].value !== 'exposed' || ends[`${hand}Panel`].value === 'applied';
  return [
    {
      kind: 'pockets',
      face: hidden ? 2 : 1,
      edge: 'v0',
      // Above the toe: where the sides are notched there is no front edge below the bottom.
      positions: spacedAlong(box.faceHeight, fasteners.first, fasteners.pocketSpacing).map((position) =>
        box.floor.mm > 0 ? position.plus(box.floor).as('position along the side') : position,
      ),
      plugged: !hidden,
      reason: hidden
        ? 'pulls the face frame on, from the hidden outside'
        : 'pulls the face frame on, from inside, plugged',
      holds: 'frame',
    },
  ];
}
