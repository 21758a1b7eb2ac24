import type { Zone } from '../../given/index.js';
import { type Dim, length, type Span, spanBetween, spanFrom, spanTo } from '../../ground/index.js';
import { bandsOn, makePart, type Operation, type Part, withMore } from '../../part/index.js';
import { bottomGroove, type CornerContext, HANDS, screwsThrough, screwWay } from './corners/index.js';
import type { RunnerResolved } from './settings.js';

/** What a drawer goes round: from where to where it stands, with what is kept clear of it, and where it begins. */
export interface Around {
  readonly name: string;
  readonly x: Span;
  readonly front: Dim;
}

/** Left of a drawer before what it goes round (mm), and beside it at either side, walls included. */
const LEAST_BEFORE = 150;
const LEAST_BESIDE = 110;

/**
 * What a drawer goes round, where it may: one keep-out box within its width and height that begins far enough behind the
 * front and leaves room on both sides. Undefined where the drawer has to end before it.
 */
export function aroundOf(
  { across, up, plane }: { readonly across: Span; readonly up: Span; readonly plane: Dim },
  zones: readonly Zone[],
  { settings }: RunnerResolved,
): Around | undefined {
  const { round, roundBy, family } = settings.drawers;
  if (round.value !== 'u' || family.value === 'under' || family.value === 'tall') return undefined;
  const there = zones.filter(
    ({ extent: { min, max } }) =>
      min[0] < across.high.value && max[0] > across.low.value && min[2] < up.high.value && max[2] > up.low.value,
  );
  const [zone] = there;
  if (!zone || there.length > 1) return undefined;
  const low = zone.left.minus(roundBy).as(`left of ${zone.name}`);
  const high = zone.right.plus(roundBy).as(`right of ${zone.name}`);
  const front = zone.front.minus(roundBy).as(`before ${zone.name}`);
  const roomy =
    front.value - plane.value >= LEAST_BEFORE &&
    low.value - across.low.value >= LEAST_BESIDE &&
    across.high.value - high.value >= LEAST_BESIDE;
  return roomy ? { name: zone.name, x: spanBetween(low, high), front } : undefined;
}

interface Whole {
  readonly whole: string;
  readonly around: Around;
  readonly back: Part;
  readonly bottom: Part;
  /** Heights of corner fasteners above the lower edge of the back. */
  readonly heights: readonly Dim[];
  readonly context: CornerContext;
}

export interface Horseshoe {
  /** What stands instead of the back: two pieces of it, two walls and a middle between them. */
  readonly parts: readonly Part[];
  readonly bottom: Part;
  readonly screwLines: readonly (readonly [key: string, operation: Operation])[];
}

/**
 * Opens a box at the rear round what it goes round: the back in two pieces, each against a wall that runs forward to a
 * middle before it; the bottom is cut out there.
 */
export function openedRound(given: Whole, { settings, materials }: RunnerResolved): Horseshoe {
  const { whole, around, back, bottom, heights, context } = given;
  const { key, side, by } = context;
  const { applied } = context.bottom;
  const { x, front } = around;
  const { material } = materials.drawerBox;
  const top = bandsOn(['v1'], settings.banding.caseThickness, settings.banding.preMilling);
  const bands = settings.banding.caseEdges.value === 'front' && material.form === 'sheet' ? top : [];
  const common = { whole, unit: key, role: 'drawer box', material, bands } as const;
  const { z } = back.stands;
  const rear = back.stands.y.high;
  const walls = { low: x.low.minus(side).as('left wall'), high: x.high.plus(side).as('right wall') };
  const middle = makePart({
    key: `${key}/middle`,
    ...common,
    name: `middle, before ${around.name}`,
    piece: { kind: 'box', where: 'rear' },
    stands: { x: spanBetween(walls.low, walls.high), y: spanTo(front, side), z },
    axes: { u: '+x', v: '+z', w: '+y' },
    machining: [
      ...bottomGroove(context),
      ...(['u0', 'u1'] as const).map((from) =>
        screwsThrough(from, 1, heights, { what: 'walls', into: `${key}/wall/${HANDS[from]}` }, context),
      ),
    ],
  });
  const wall = (hand: 'left' | 'right'): Part =>
    makePart({
      hand,
      ...common,
      key: `${key}/wall/${hand}`,
      name: `wall, ${hand} of ${around.name}`,
      piece: { kind: 'box', where: hand },
      stands: {
        x: hand === 'left' ? spanFrom(walls.low, side) : spanTo(walls.high, side),
        y: spanBetween(front, rear),
        z,
      },
      axes: { u: '+y', v: '+z', w: hand === 'left' ? '+x' : '-x' },
      machining: [screwsThrough('u1', 2, heights, { what: 'back', into: `${key}/back/${hand}` }, context)],
    });
  const pieces = (['left', 'right'] as const).map((hand): Part => {
    const [own, gone] = hand === 'left' ? (['u0', 'u1'] as const) : (['u1', 'u0'] as const);
    const machining = back.machining.flatMap((operation) => atEnd(operation, own, gone));
    return makePart({
      machining,
      ...common,
      key: `${key}/back/${hand}`,
      name: `back, ${hand}`,
      piece: { kind: 'box', where: 'rear' },
      stands: {
        x: hand === 'left' ? spanBetween(back.stands.x.low, walls.low) : spanBetween(walls.high, back.stands.x.high),
        y: back.stands.y,
        z,
      },
      axes: { u: '+x', v: '+z', w: '+y' },
    });
  });
  const held = settings.drawers.groove.minus(settings.drawers.bottomPlay.over(2));
  const play = settings.drawers.bottomPlay.over(2).as('bottom beside the wall');
  const from = walls.low.minus(play).as('cut-out of the bottom');
  const opens = applied ? front : middle.stands.y.low.plus(held).as('front of the cut-out');
  const cut: Operation = {
    kind: 'cut-out',
    shape: 'rectangle',
    u: { edge: 'u0', offset: from.minus(bottom.stands.x.low).as('cut-out from the left edge') },
    v: { edge: 'v1', offset: length(0, 'open at the rear edge') },
    alongLength: walls.high.plus(play).minus(from).as('cut-out, width'),
    alongWidth: bottom.stands.y.high.minus(opens).as('cut-out, depth'),
    reason: `goes round ${around.name}`,
    by: by('round'),
  };
  const intoWall = settings.drawers.screw.minus(side).as('screw in the end');
  const way = (edge: 'u0' | 'u1') => screwWay(edge, side, heights, intoWall, by);
  return {
    parts: [...pieces, wall('left'), wall('right'), middle],
    bottom: withMore(bottom, [cut]),
    screwLines: [
      [`${key}/back/left`, way('u1')],
      [`${key}/back/right`, way('u0')],
      [`${key}/wall/left`, way('u0')],
      [`${key}/wall/right`, way('u0')],
    ],
  };
}

/** What of a whole back's machining its piece at one end keeps: grooves, and what belongs to that end. */
function atEnd(operation: Operation, own: 'u0' | 'u1', gone: 'u0' | 'u1'): Operation[] {
  if (operation.kind === 'groove') {
    const { start, end } = operation.stopped ?? {};
    const { stopped: _all, ...open } = operation;
    const kept = own === 'u0' ? (start ? { start } : undefined) : end ? { end } : undefined;
    return [kept ? { stopped: kept, ...open } : open];
  }
  const at =
    'end' in operation
      ? operation.end
      : 'edge' in operation
        ? operation.edge
        : 'from' in operation
          ? operation.from
          : own;
  return at === gone ? [] : [operation];
}
