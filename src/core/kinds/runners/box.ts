import { type Dim, length, type Span, spanBetween, spanFrom, spanTo } from '../../ground/index.js';
import {
  type By,
  bandsOn,
  makePart,
  type Operation,
  type Part,
  partKeys,
  type Stopped,
  withMore,
} from '../../part/index.js';
import type { PlacedPull } from '../pulls/index.js';
import { openedRound } from './around.js';
import { bottomGroove, type Corner, type CornerContext, corners, fastenerHeights } from './corners/index.js';
import type { BoxPlan } from './plan.js';
import type { DrawerRoom } from './room.js';
import type { RunnerResolved } from './settings.js';
import { stiffened } from './stiffeners.js';

/** The parts of a box, and what its runners need to know of them. */
export interface BoxParts {
  readonly front: string;
  readonly sides: readonly [left: Part, right: Part];
  readonly back: Part;
  readonly all: readonly Part[];
  /** Thickness of its sides, and the room between them. */
  readonly side: Dim;
  readonly inner: Span;
  readonly shortBack: boolean;
  /** Where it begins and ends, from front to rear; its lower edge. */
  readonly along: Span;
  /** How far the sides begin behind the front of the box. */
  readonly lead: Dim;
  readonly low: Dim;
  /** The lines its corner screws take, by part key. */
  readonly screwLines: readonly (readonly [key: string, operation: Operation])[];
}

/** A box of a plan, in its place, its corners joined as the shop joins them. */
export function buildBox(
  room: DrawerRoom,
  plan: BoxPlan,
  resolved: RunnerResolved,
  pulls: readonly PlacedPull[] = [],
): BoxParts {
  const box = boxIn(room, plan, resolved);
  const { key, whole, side, inner, along, low, shortBack, applied } = box;
  const context = cornerContext(box, plan, resolved, pulls);
  const joined = box.corner.join(context);
  const { left, right, front, back } = boardsOf(box, joined, context, resolved);
  const bottom = bottomOf(box, { front, back }, resolved);
  const stiffeners =
    box.wide && plan.stiffened && !applied
      ? stiffened(
          { key, whole, room, front, back, inner, low, shortBack },
          plan,
          resolved.settings,
          resolved.materials.drawerBox,
        )
      : [];
  const lengthwise = (part: Part) => {
    const more = stiffeners.map(({ through }) => through(part));
    return withMore(part, more);
  };
  const { around } = room;
  const heights = fastenerHeights(context).back;
  const round = around && openedRound({ heights, whole, around, back, bottom, context }, resolved);
  const [boxFront, boxBack] = [lengthwise(front), shortBack ? back : lengthwise(back)];
  return {
    front: room.front?.key ?? `${key}/front`,
    sides: [left, right],
    back: boxBack,
    all: [
      left,
      right,
      boxFront,
      ...(round ? round.parts : [boxBack]),
      round?.bottom ?? bottom,
      ...stiffeners.map(({ part }) => part),
    ],
    side,
    inner,
    shortBack,
    along,
    lead: box.lead,
    low,
    screwLines: [
      ...(round ? joined.screwLines.map(inPieces(`${key}/back`)) : joined.screwLines),
      ...(round?.screwLines ?? []),
      ...stiffeners.flatMap(({ screwLines }) => screwLines),
    ],
  };
}

/** Where a box lies, and how it is made, before any board of it is. */
function boxIn(room: DrawerRoom, plan: BoxPlan, { settings, materials }: RunnerResolved) {
  const { drawers } = settings;
  const { material, thickness: side } = materials.drawerBox;
  const wide = plan.inside.value > drawers.wideOver.value;
  const base = wide && !plan.stiffened ? materials.drawerBottomWide : materials.drawerBottom;
  const applied = drawers.bottom.value === 'applied';
  // Round something nothing can be slid in from the rear.
  const shortBack = drawers.bottom.value === 'slid' && !room.around;
  const corner: Corner = corners[drawers.corner.value];
  const play = room.across.size.minus(plan.outside).over(2).as('box from the edge of the opening');
  const outer = spanFrom(room.across.low.plus(play).as('left side of the box'), plan.outside);
  const inner = {
    low: outer.low.plus(side).as('inside of the box, left'),
    high: outer.high.minus(side).as('inside of the box, right'),
    size: plan.inside,
  };
  const floor = room.up.low.plus(plan.above).as('lower edge of the box');
  const low = applied ? floor.plus(base.thickness).as('lower edge of the sides') : floor;
  const height = applied ? plan.height.minus(base.thickness).as('height of the sides') : plan.height;
  const z = spanFrom(low, height);
  const bottomLow = applied ? floor : low.plus(plan.recess).as('underside of the box bottom');
  const backLow = shortBack ? bottomLow.plus(base.thickness).as('lower edge of the short back') : low;
  return {
    key: partKeys.box.of({ opening: room.id }),
    whole: `${room.name} box`,
    room,
    material,
    side,
    base,
    wide,
    applied,
    shortBack,
    corner,
    ...corner.place(side, settings),
    stops: applied ? {} : (corner.stops?.(side, settings, shortBack) ?? {}),
    // Boards of a box that is higher than long stand with their grain upright.
    upright: plan.height.value > plan.length.value && material.grain !== 'none',
    outer,
    inner,
    along: spanFrom(room.begins.as('front of the box'), plan.length),
    low,
    height,
    z,
    bottomLow,
    backLow,
    backZ: shortBack ? spanBetween(backLow, z.high) : z,
  };
}
type PlacedBox = ReturnType<typeof boxIn>;

function cornerContext(
  { key, room, side, base, applied, shortBack, low, height, inner, backLow, backZ }: PlacedBox,
  plan: BoxPlan,
  { settings }: RunnerResolved,
  pulls: readonly PlacedPull[],
): CornerContext {
  return {
    key,
    plan,
    settings,
    side,
    height,
    back: { up: shortBack ? backLow.minus(low).as('short back above the sides') : NOTHING, height: backZ.size },
    bottom: { thickness: base.thickness, applied },
    by: (what: string): By => ({ kind: 'box', what, opening: room.id }),
    divided: room.around !== undefined,
    crossed: crossedBy(pulls, room, { low, inner, reach: settings.drawers.screw.value }),
  };
}

/** What the boards of a box have in common. */
function commonTo({ key, whole, material, upright }: PlacedBox) {
  return {
    whole,
    unit: key,
    role: 'drawer box',
    material,
    ...(upright ? ({ grainRuns: 'width' } as const) : {}),
  } as const;
}

/** The boards that stand: both sides, front and back. */
function boardsOf(
  box: PlacedBox,
  joined: ReturnType<Corner['join']>,
  context: CornerContext,
  { settings }: RunnerResolved,
) {
  const { key, material, side, shortBack, stops, lead, trail, reach, outer, inner, along, z, backZ } = box;
  const common = commonTo(box);
  const groove = (stopped: Stopped | undefined) => bottomGroove(context, stopped);
  const sideAlong = shortened(along, lead, trail);
  const top = bandsOn(['v1'], settings.banding.caseThickness, settings.banding.preMilling);
  const bands = settings.banding.caseEdges.value === 'front' && material.form === 'sheet' ? top : [];
  const makeSide = (hand: 'left' | 'right'): Part =>
    makePart({
      hand,
      ...common,
      key: `${key}/${hand}`,
      name: `${hand} side`,
      piece: { kind: 'box', where: hand },
      bands,
      stands: { x: hand === 'left' ? spanFrom(outer.low, side) : spanTo(outer.high, side), y: sideAlong, z },
      axes: { u: '+y', v: '+z', w: hand === 'left' ? '-x' : '+x' },
      machining: [...groove(stops.side), ...joined.sides(hand)],
    });
  const across: Span =
    reach.value > 0
      ? {
          low: inner.low.minus(reach).as('left end of the front'),
          high: inner.high.plus(reach).as('right end of the front'),
          size: inner.size.plus(reach.times(2)).as('front of the box'),
        }
      : inner;
  const front = makePart({
    bands,
    ...common,
    key: `${key}/front`,
    name: 'front',
    piece: { kind: 'box', where: 'front' },
    stands: { x: across, y: spanFrom(along.low, side), z },
    axes: { u: '+x', v: '+z', w: '-y' },
    machining: [...groove(stops.across), ...joined.front],
  });
  const back = makePart({
    bands,
    ...common,
    key: `${key}/back`,
    name: 'back',
    piece: { kind: 'box', where: 'rear' },
    stands: { x: across, y: spanTo(along.high, side), z: backZ },
    axes: { u: '+x', v: '+z', w: '+y' },
    machining: [...(shortBack ? [] : groove(stops.across)), ...joined.back],
  });
  return { left: makeSide('left'), right: makeSide('right'), front, back };
}

/** The bottom: in grooves, slid in from the rear, or under the sides. */
function bottomOf(
  box: PlacedBox,
  { front, back }: { readonly front: Part; readonly back: Part },
  { settings: { drawers } }: RunnerResolved,
): Part {
  const { key, base, applied, shortBack, outer, inner, along, bottomLow } = box;
  const depth = drawers.groove;
  const held = depth.minus(drawers.bottomPlay.over(2)).as('bottom in its groove');
  const [fromFront, toRear] = [
    front.stands.y.high.minus(held).as('front of the bottom'),
    shortBack ? along.high : back.stands.y.low.plus(held).as('rear of the bottom'),
  ];
  return makePart({
    key: `${key}/bottom`,
    ...commonTo(box),
    material: base.material,
    name: 'bottom',
    piece: { kind: 'box', where: 'bottom' },
    stands: applied
      ? { x: outer, y: along, z: spanFrom(bottomLow, base.thickness) }
      : {
          x: {
            low: inner.low.minus(held).as('left edge of the bottom'),
            high: inner.high.plus(held).as('right edge of the bottom'),
            size: inner.size.plus(depth.times(2)).minus(drawers.bottomPlay),
          },
          y: spanBetween(fromFront, toRear),
          z: spanFrom(bottomLow, base.thickness),
        },
    axes: { u: '+x', v: '+y', w: '-z' },
    ...(shortBack ? { note: 'screwed up into the back, slotted where it is solid' } : {}),
  });
}

/** The way of a screw in a back that is in two pieces belongs to the one at its end. */
const inPieces =
  (back: string) =>
  ([key, way]: readonly [string, Operation]): readonly [string, Operation] =>
    key === back && way.kind === 'edge holes' ? [`${back}/${way.edge === 'u0' ? 'left' : 'right'}`, way] : [key, way];

const NOTHING = length(0, 'nothing');

/** The sides within the length of the box, where front or back cover their ends. */
function shortened(along: Span, lead: Dim, trail: Dim): Span {
  if (lead.value <= 0 && trail.value <= 0) return along;
  const low = lead.value > 0 ? along.low.plus(lead).as('front end of the sides') : along.low;
  const high = trail.value > 0 ? along.high.minus(trail).as('rear end of the sides') : along.high;
  const size = [lead, trail].reduce((rest, less) => (less.value > 0 ? rest.minus(less) : rest), along.size);
  return { low, high, size };
}

/** Where pulls are bored through the ends of a box front that its corner screws go into. */
function crossedBy(
  pulls: readonly PlacedPull[],
  { front }: DrawerRoom,
  { low, inner, reach }: { readonly low: Dim; readonly inner: Span; readonly reach: number },
): { at: number; half: number }[] {
  if (!front) return [];
  return pulls
    .filter(({ frontKey }) => frontKey === front.key)
    .flatMap(({ holes, profile }) =>
      holes.flatMap(({ across, up }) => {
        const x = front.h.low.value + across.value;
        const fromEnd = Math.min(x - inner.low.value, inner.high.value - x);
        return fromEnd < reach ? [{ at: front.v.low.value + up.value - low.value, half: profile.hole / 2 }] : [];
      }),
    );
}
