import { type Dim, length, plain, type Span, spanBetween, spanFrom, spanTo } from '../../ground/index.js';
import { type By, makePart, type Operation, type Part, SCREW_WAY } from '../../part/index.js';
import { BOX_CORNERS } from './corners/index.js';
import type { BoxPlan } from './plan.js';
import type { DrawerRoom } from './room.js';
import type { RunnerResolved } from './settings.js';

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
export function stiffened(
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
