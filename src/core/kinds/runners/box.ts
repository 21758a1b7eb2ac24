import { type Dim, length, plain, type Span, spanBetween, spanFrom, spanTo } from '../../ground/index.js';
import { type By, bandsOn, makePart, type Operation, type Part, SCREW_WAY, type Stopped } from '../../part/index.js';
import type { PlacedPull } from '../pulls/index.js';
import { openedRound } from './around.js';
import {
  BOX_CORNERS,
  bottomGroove,
  type Corner,
  type CornerContext,
  corners,
  fastenerHeights,
} from './corners/index.js';
import type { BoxPlan } from './plan.js';
import type { DrawerRoom } from './room.js';
import type { RunnerResolved } from './settings.js';

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
  const { settings, materials } = resolved;
  const { drawers } = settings;
  const { material, thickness: side } = materials.drawerBox;
  const wide = plan.inside.value > drawers.wideOver.value;
  const base = wide && !plan.stiffened ? materials.drawerBottomWide : materials.drawerBottom;
  const { id } = room;
  const key = `drawer/${id}/box`;
  const applied = drawers.bottom.value === 'applied';
  // Round something nothing can be slid in from the rear.
  const shortBack = drawers.bottom.value === 'slid' && !room.around;
  const corner: Corner = corners[drawers.corner.value];
  const { lead, trail, reach } = corner.place(side, settings);
  const stops = applied ? {} : (corner.stops?.(side, settings, shortBack) ?? {});

  const play = room.across.size.minus(plan.outside).over(2).as('box from the edge of the opening');
  const outer = spanFrom(room.across.low.plus(play).as('left side of the box'), plan.outside);
  const inner = {
    low: outer.low.plus(side).as('inside of the box, left'),
    high: outer.high.minus(side).as('inside of the box, right'),
    size: plan.inside,
  };
  const along = spanFrom(room.begins.as('front of the box'), plan.length);
  const floor = room.up.low.plus(plan.above).as('lower edge of the box');
  const low = applied ? floor.plus(base.thickness).as('lower edge of the sides') : floor;
  const height = applied ? plan.height.minus(base.thickness).as('height of the sides') : plan.height;
  const z = spanFrom(low, height);
  const bottomLow = applied ? floor : low.plus(plan.recess).as('underside of the box bottom');
  const depth = drawers.groove;

  const by = (what: string): By => ({ kind: 'box', what, opening: id });
  const whole = `${room.name} box`;
  // Boards of a box that is higher than long stand with their grain upright.
  const upright = plan.height.value > plan.length.value && material.grain !== 'none';
  const common = {
    whole,
    unit: key,
    role: 'drawer box',
    material,
    ...(upright ? ({ grainRuns: 'width' } as const) : {}),
  } as const;
  const backLow = shortBack ? bottomLow.plus(base.thickness).as('lower edge of the short back') : low;
  const backZ = shortBack ? spanBetween(backLow, z.high) : z;

  const context: CornerContext = {
    key,
    plan,
    settings,
    side,
    height,
    back: { up: shortBack ? backLow.minus(low).as('short back above the sides') : NOTHING, height: backZ.size },
    bottom: { thickness: base.thickness, applied },
    by,
    divided: room.around !== undefined,
    crossed: crossedBy(pulls, room, { low, inner, reach: drawers.screw.value }),
  };
  const joined = corner.join(context);
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
  const held = depth.minus(drawers.bottomPlay.over(2)).as('bottom in its groove');
  const [fromFront, toRear] = [
    front.stands.y.high.minus(held).as('front of the bottom'),
    shortBack ? along.high : back.stands.y.low.plus(held).as('rear of the bottom'),
  ];
  const bottom = makePart({
    key: `${key}/bottom`,
    ...common,
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
  const sides = [makeSide('left'), makeSide('right')] as const;
  const stiffeners =
    wide && plan.stiffened && !applied
      ? stiffened({ key, whole, room, front, back, inner, low, shortBack }, plan, settings, {
          material,
          thickness: side,
        })
      : [];
  const lengthwise = (part: Part) => {
    const more = stiffeners.map(({ through }) => through(part));
    return more.length > 0 ? { ...part, machining: [...part.machining, ...more] } : part;
  };
  const round =
    room.around &&
    openedRound(
      {
        heights: fastenerHeights(context).back,
        ...{ whole, around: room.around, back, bottom, context },
      },
      resolved,
    );
  const [boxFront, boxBack] = [lengthwise(front), shortBack ? back : lengthwise(back)];
  return {
    front: room.front?.key ?? `${key}/front`,
    sides,
    back: boxBack,
    all: [
      ...sides,
      boxFront,
      ...(round ? round.parts : [boxBack]),
      round?.bottom ?? bottom,
      ...stiffeners.map(({ part }) => part),
    ],
    side,
    inner,
    shortBack,
    along,
    lead,
    low,
    screwLines: [
      ...(round ? joined.screwLines.map(inPieces(`${key}/back`)) : joined.screwLines),
      ...(round?.screwLines ?? []),
      ...stiffeners.flatMap(({ screwLines }) => screwLines),
    ],
  };
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

/** A stiffener is so wide (mm). */
const STIFFENER = length(60, 'width of the stiffener');

interface Stiffened {
  readonly key: string;
  readonly whole: string;
  readonly room: DrawerRoom;
  readonly front: Part;
  readonly back: Part;
  readonly inner: Span;
  readonly low: Dim;
  readonly shortBack: boolean;
}

/** Strips under a wide, thin bottom, glued to it and screwed through the front, and the back where it comes so low. */
function stiffened(
  { key, whole, room, front, back, inner, low, shortBack }: Stiffened,
  plan: BoxPlan,
  { drawers, fasteners }: RunnerResolved['settings'],
  stock: RunnerResolved['materials']['drawerBox'],
): { part: Part; through: (part: Part) => Operation; screwLines: (readonly [string, Operation])[] }[] {
  const count = Math.ceil(plan.inside.value / drawers.wideOver.value) - 1;
  const by: By = { kind: 'box', what: 'stiffener', opening: room.id };
  const under = low.plus(plan.recess).as('underside of the bottom');
  const height = under.minus(stock.thickness.over(2)).as('middle of the stiffener');
  return Array.from({ length: count }, (_, at) => {
    const middle = inner.low.plus(
      inner.size.times(plain(at + 1, 'of the stiffeners')).over(plain(count + 1, 'fields of the bottom')),
    );
    const part = makePart({
      key: `${key}/stiffener/${at + 1}`,
      name: 'stiffener',
      whole,
      piece: { kind: 'box', where: 'middle' },
      unit: key,
      role: 'drawer box',
      material: stock.material,
      stands: {
        x: spanFrom(middle.minus(STIFFENER.over(2)).as('left edge of the stiffener'), STIFFENER),
        y: spanBetween(front.stands.y.high, shortBack ? back.stands.y.high : back.stands.y.low),
        z: spanTo(under, stock.thickness),
      },
      axes: { u: '+y', v: '+x', w: '-z' },
      gluedTo: `${key}/bottom`,
      note: 'glued to the underside of the bottom',
    });
    const reach = drawers.screw.minus(front.thickness).as('screw in the end of the stiffener');
    const places = [length(-15, 'beside the middle'), length(15, 'beside the middle')];
    const through = (into: Part): Operation => ({
      kind: 'holes',
      face: 2,
      from: 'v0',
      offset: height.minus(into.stands.z.low).as('middle of the stiffener'),
      positions: places.map((place) => middle.plus(place).minus(into.stands.x.low).as('screw of the stiffener')),
      diameter: fasteners.pilot,
      reason: 'screws of the stiffener',
      by,
      holds: part.key,
      fastens: {
        kind: 'screw',
        use: BOX_CORNERS,
        size: { length: drawers.screw },
        into: part.key,
        reach,
        inEdge: true,
      },
    });
    const way = (edge: 'u0' | 'u1'): readonly [string, Operation] => [
      part.key,
      {
        kind: 'edge holes',
        edge,
        offset: part.thickness.over(2).as('middle of the edge'),
        positions: places.map((place) => STIFFENER.over(2).plus(place).as('screw of the stiffener')),
        diameter: SCREW_WAY,
        depth: reach,
        reason: 'way of the screws',
        by: { kind: 'box', what: 'way' },
      },
    ];
    return { part, through, screwLines: shortBack ? [way('u0')] : [way('u0'), way('u1')] };
  });
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
