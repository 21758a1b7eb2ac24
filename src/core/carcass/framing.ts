import { type Dim, length, measuredFrom, type Span } from '../derive/index.js';
import { frameSizes } from '../frame/index.js';
import { sidesOf } from '../job/index.js';
import { frameOpening } from '../layout/index.js';
import { type Operation, POCKET, pocketScrew, SCREW_WAY, spacedAlong, spacesOf } from '../machining/index.js';
import { edgeOf, type Part, sizeOf } from '../parts/index.js';
import type { BuildContext } from './build.js';
import { endShows } from './ends.js';

/**
 * Pocket holes in the sides that pull a face frame on: on the outside of an end that is hidden, inside and plugged on an
 * exposed one. They are bored last, clear of what else is cut near the front edge.
 */
export function withFramePockets(context: BuildContext, parts: readonly Part[]): Part[] {
  const { frame } = context.resolved.settings;
  if (frame.fitted.value !== 'fitted' || frame.attachment.value !== 'pocket') return [...parts];
  return parts.map((part) => {
    if (part.role !== 'side') return part;
    const pockets = pocketsIn(context, part, part.hand ?? 'left');
    return pockets ? { ...part, machining: [...part.machining, pockets] } : part;
  });
}

function pocketsIn({ box, resolved }: BuildContext, side: Part, hand: 'left' | 'right'): Operation | undefined {
  const { fasteners } = resolved.settings;
  const hidden = !endShows(hand, resolved.settings);
  const { foot, height } = frameSizes(box, resolved);
  // Above the toe, where the sides are notched there is no front edge; and only where the stile stands before it.
  const start = edgeOf(side, 'u0');
  const low = foot.mm > box.floor.mm ? foot : box.floor;
  const from = low.mm > start.mm ? measuredFrom(low, start) : length(0, 'lower end of the side');
  const head = foot.plus(height).as('upper end of the frame');
  const end = edgeOf(side, 'u1');
  const run = measuredFrom(measuredFrom(head.mm < end.mm ? head : end, start), from).as('side behind the stile');
  if (run.mm < fasteners.first.mm) return undefined;
  const positions = spacedAlong(run, fasteners.first, fasteners.pocketSpacing)
    .map((position) => (from.mm > 0 ? position.plus(from).as('position along the side') : position))
    .flatMap((position) => clearOf(side, position) ?? []);
  if (positions.length === 0) return undefined;
  return {
    kind: 'pockets',
    face: hidden ? 2 : 1,
    edge: 'v0',
    positions,
    plugged: !hidden,
    reason: hidden
      ? 'pulls the face frame on, from the hidden outside'
      : 'pulls the face frame on, from inside, plugged',
    by: { kind: 'frame' },
    holds: 'frame',
    fastens: pocketScrew({ thickness: side.thickness, reach: fasteners.pocketReach }, `frame/stile/${hand}`),
  };
}

/** A pocket hole takes so much to each side of its middle, with wood beside it (mm). */
const TAKEN = POCKET.width / 2 + 4;
/** It is moved by steps of this, no further than this, to stand clear (mm). */
const STEP = 5;
const FURTHEST = 60;

/** The position, or the nearest to it where nothing else is cut at the front edge; undefined where all is taken. */
function clearOf(side: Part, position: Dim): Dim | undefined {
  const taken = side.machining
    .flatMap((operation) => spacesOf(operation, sizeOf(side)))
    .filter(({ low }) => low[1] < POCKET.reach + 2)
    .map(({ low, high }) => [low[0], high[0]] as const)
    // What runs along the edge is beside every pocket alike.
    .filter(([from, to]) => to - from < side.length.mm / 2);
  const free = (at: number) => taken.every(([from, to]) => at + TAKEN <= from || at - TAKEN >= to);
  for (let move = 0; move <= FURTHEST; move += STEP)
    for (const by of [move, -move])
      if (free(position.mm + by) && position.mm + by > TAKEN && position.mm + by < side.length.mm - TAKEN)
        return by === 0 ? position : position.plus(by).as('position along the side').because('moved clear of a joint');
  return undefined;
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
      fastens: pocketScrew(
        { thickness: resolved.materials.bottom.thickness, reach: fasteners.pocketReach },
        'frame/rail/bottom',
      ),
    },
  ];
}

/** A screw has so much wood on both sides of its middle (mm). */
const EDGE = 5;

/** The ways those screws take into the backs of the stiles. */
export function framePaths(context: BuildContext, parts: readonly Part[]): [string, Operation[]][] {
  const { resolved, box } = context;
  return (['left', 'right'] as const).flatMap((hand): [string, Operation[]][] => {
    const stile = parts.find((part) => part.key === `frame/stile/${hand}`);
    const side = parts.find((part) => part.key === `side/${hand}`);
    const pockets = side?.machining.find(({ kind, by }) => kind === 'pockets' && by.kind === 'frame');
    if (pockets?.kind !== 'pockets' || !stile || !side) return [];
    const from = edgeOf(stile, 'u0');
    const foot = edgeOf(side, 'u0');
    const { thickness } = sidesOf(resolved)[hand];
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
            diameter: SCREW_WAY,
            depth: resolved.settings.fasteners.pocketReach,
            reason: 'way of the pocket screws that pull the frame on',
            by: { kind: 'frame', what: 'way' },
          },
        ],
      ],
    ];
  });
}
