import { length, measuredFrom, type Span } from '../derive/index.js';
import { frameSizes } from '../frame/index.js';
import { frameOpening } from '../layout/index.js';
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
  const { foot, height } = frameSizes(box, resolved);
  // Above the toe, where the sides are notched there is no front edge; and only where the stile stands before it.
  const low = foot.mm > box.floor.mm ? foot : box.floor;
  const head = foot.plus(height).as('upper end of the frame');
  const high = head.mm < box.height.mm ? head : box.height;
  return [
    {
      kind: 'pockets',
      face: hidden ? 2 : 1,
      edge: 'v0',
      positions: spacedAlong(
        measuredFrom(high, low).as('side behind the stile'),
        fasteners.first,
        fasteners.pocketSpacing,
      ).map((position) => (low.mm > 0 ? position.plus(low).as('position along the side') : position)),
      plugged: !hidden,
      reason: hidden
        ? 'pulls the face frame on, from the hidden outside'
        : 'pulls the face frame on, from inside, plugged',
      by: { kind: 'frame' },
      holds: 'frame',
    },
  ];
}

/** Pocket holes stay this far from the middle of a partition that stands on the bottom (mm). */
const FROM_PARTITION = 40;

/** Pocket holes in the underside of the bottom that pull its front edge to the bottom rail of the frame. */
export function bottomPockets({ box, boundaries, resolved }: BuildContext, bottom: Span): Operation[] {
  const { frame, fasteners } = resolved.settings;
  if (frame.fitted.value !== 'fitted') return [];
  const { foot } = frameSizes(box, resolved);
  const middle = box.bottomTop.mm - resolved.materials.bottom.thickness.mm / 2;
  if (middle < foot.mm + EDGE || middle > foot.mm + frame.bottomRail.mm - EDGE) return [];
  const opening = frameOpening(box, resolved);
  const partitions = boundaries.filter(({ axis }) => axis === 'columns').map(({ centre }) => centre.mm);
  const positions = spacedAlong(opening.size, fasteners.first, fasteners.pocketSpacing)
    .map((position) => measuredFrom(position.plus(opening.low), bottom.low).as('position along the bottom'))
    .filter(({ mm }) => partitions.every((centre) => Math.abs(mm + bottom.low.mm - centre) > FROM_PARTITION));
  if (positions.length === 0) return [];
  return [
    {
      kind: 'pockets',
      face: 2,
      edge: 'v0',
      positions,
      plugged: false,
      reason: 'pulls the bottom rail of the frame on, from below',
      by: { kind: 'frame' },
      holds: 'frame/rail/bottom',
    },
  ];
}

/** A screw has so much wood on both sides of its middle (mm). */
const EDGE = 5;

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
