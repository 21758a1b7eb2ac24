import { sidesOf } from '../../decisions/index.js';
import { type Dim, length, measuredFrom, type Span } from '../../ground/index.js';
import {
  atPlaces,
  edgeOf,
  type Operation,
  type Part,
  POCKET,
  placeRow,
  pocketScrew,
  SCREW_WAY,
  sizeOf,
  spacedAlong,
  spacesOf,
  withMore,
} from '../../part/index.js';
import type { BuildContext } from '../builder/index.js';
import { frameSizes } from '../frame/index.js';
import { frameOpening } from '../layout/index.js';
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
    return pockets ? withMore(part, [pockets]) : part;
  });
}

function pocketsIn({ box, resolved }: BuildContext, side: Part, hand: 'left' | 'right'): Operation | undefined {
  const { fasteners } = resolved.settings;
  const hidden = !endShows(hand, resolved);
  const { foot, height } = frameSizes(box, resolved);
  // Above the toe, where the sides are notched there is no front edge; and only where the stile stands before it.
  const start = edgeOf(side, 'u0');
  const low = foot.value > box.floor.value ? foot : box.floor;
  const from = low.value > start.value ? measuredFrom(low, start) : length(0, 'lower end of the side');
  const head = foot.plus(height).as('upper end of the frame');
  const end = edgeOf(side, 'u1');
  const run = measuredFrom(measuredFrom(head.value < end.value ? head : end, start), from).as('side behind the stile');
  if (run.value < fasteners.first.value) return undefined;
  const usual = spacedAlong(run, fasteners.first, fasteners.pocketSpacing).map((position) =>
    from.value > 0 ? position.plus(from).as('position along the side') : position,
  );
  const within = [TAKEN, side.length.value - TAKEN] as const;
  const positions = clearOf(usual, within, takenBefore(side), 'moved clear of a joint');
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
    fastens: pocketScrew(side.thickness, fasteners, `frame/stile/${hand}`),
  };
}

/** A pocket hole takes so much to each side of its middle, with wood beside it (mm). */
const TAKEN = POCKET.width / 2 + 4;
/** It is moved no further than this to stand clear (mm). */
const FURTHEST = 60;

type Runs = readonly (readonly [from: number, to: number])[];

/** Where pocket holes in the front edge of a side would come into something that is cut there. */
function takenBefore(side: Part): Runs {
  return (
    side.machining
      .flatMap((operation) => spacesOf(operation, sizeOf(side)))
      .filter(({ low }) => low[1] < POCKET.reach + 2)
      .map(({ low, high }) => [low[0], high[0]] as const)
      // What runs along the edge is beside every pocket alike.
      .filter(([from, to]) => to - from < side.length.value / 2)
      .map(([from, to]) => [from - TAKEN, to + TAKEN] as const)
  );
}

/** As many of these as stand clear of what is taken, moved the least in all. */
function clearOf(usual: readonly Dim[], within: readonly [number, number], taken: Runs, why: string): readonly Dim[] {
  const row = {
    regular: usual.map(({ value: mm }) => mm),
    within,
    apart: 2 * TAKEN,
    taken,
    furthest: FURTHEST,
    least: 1,
  };
  const placed = placeRow(row);
  return placed.ok ? atPlaces(usual, placed.places, why) : [];
}

/** Pocket holes stay this far from the middle of a partition that stands on the bottom (mm). */
const FROM_PARTITION = 40;

/** Pocket holes in the underside of the bottom that pull its front edge to the bottom rail of the frame. */
export function bottomPockets({ box, boundaries, resolved }: BuildContext, bottom: Span): Operation[] {
  const { frame, fasteners } = resolved.settings;
  if (frame.fitted.value !== 'fitted') return [];
  const { foot } = frameSizes(box, resolved);
  const middle = box.bottomTop.value - resolved.materials.bottom.thickness.value / 2;
  if (middle < foot.value + EDGE || middle > foot.value + frame.bottomRail.value - EDGE) return [];
  const opening = frameOpening(box, resolved);
  const partitions = boundaries.filter(({ axis }) => axis === 'columns').map(({ centre }) => centre.value);
  const usual = spacedAlong(opening.size, fasteners.first, fasteners.pocketSpacing).map((position) =>
    measuredFrom(position.plus(opening.low), bottom.low).as('position along the bottom'),
  );
  const taken = partitions.map((centre) => {
    const middle = centre - bottom.low.value;
    return [middle - FROM_PARTITION, middle + FROM_PARTITION] as const;
  });
  const from = opening.low.value - bottom.low.value;
  const within = [from + TAKEN, from + opening.size.value - TAKEN] as const;
  const positions = clearOf(usual, within, taken, 'moved clear of a partition');
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
      fastens: pocketScrew(resolved.materials.bottom.thickness, fasteners, 'frame/rail/bottom'),
    },
  ];
}

/** A screw has so much wood on both sides of its middle (mm). */
const EDGE = 5;

/** The lines those screws take into the backs of the stiles. */
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
              measuredFrom(foot.value === 0 ? position : position.plus(foot), from),
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
