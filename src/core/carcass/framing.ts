import { length, measuredFrom } from '../derive/index.js';
import { type Operation, spacedAlong } from '../machining/index.js';
import { edgeOf, type Part } from '../parts/index.js';
import type { BuildContext } from './build.js';
import { endShows } from './ends.js';

/**
 * Pocket holes in a side that pull a face frame on: on the outside of an end that is hidden, inside and plugged on an
 * exposed one.
 */
export function framePockets({ box, resolved }: BuildContext, hand: 'left' | 'right'): Operation[] {
  const { frame, fasteners } = resolved.settings;
  if (frame.fitted.value !== 'fitted' || frame.attachment.value !== 'pocket') return [];
  const hidden = !endShows(hand, resolved.settings);
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
      by: { kind: 'frame' },
      holds: 'frame',
    },
  ];
}

/** Diameter of a pocket screw (mm). */
const SCREW = 4;

/** The ways those screws take into the backs of the stiles. */
export function framePaths(context: BuildContext, parts: readonly Part[]): [string, Operation[]][] {
  const { resolved, box } = context;
  return (['left', 'right'] as const).flatMap((hand): [string, Operation[]][] => {
    const [pockets] = framePockets(context, hand);
    const stile = parts.find((part) => part.key === `frame/stile/${hand}`);
    const side = parts.find((part) => part.key === `side/${hand}`);
    if (pockets?.kind !== 'pockets' || !stile || !side) return [];
    const from = edgeOf(stile, 'u0');
    const foot = edgeOf(side, 'u0');
    const { thickness } = resolved.materials.side;
    const beyond = hand === 'left' ? box.beyondLeft : box.beyondRight;
    return [
      [
        stile.key,
        [
          {
            kind: 'holes',
            face: 2,
            from: hand === 'left' ? 'v0' : 'v1',
            offset: beyond.plus(thickness.over(2)).as('middle of the side behind the stile'),
            positions: pockets.positions.map((position) =>
              measuredFrom(foot.mm === 0 ? position : position.plus(foot), from),
            ),
            diameter: length(SCREW, 'screw'),
            depth: resolved.settings.fasteners.pocketReach,
            reason: 'way of the pocket screws that pull the frame on',
            by: { kind: 'frame', what: 'way' },
          },
        ],
      ],
    ];
  });
}
