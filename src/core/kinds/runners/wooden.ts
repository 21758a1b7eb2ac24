import { type Dim, length, plain, quantity, type Span, spanBetween, spanFrom, spanTo } from '../../ground/index.js';
import { makePart, type Part, spanAlong } from '../../part/index.js';
import type { BoxPlan } from './plan.js';
import { type DrawerRoom, LEAST_PACKING } from './room.js';
import type { RunnerResolved } from './settings.js';

/**
 * Wood on wood: width = opening − 2 · play; height = opening − play − what the sides may swell, side height · coefficient ·
 * expected rise in moisture; the box stops short of what is behind it.
 */
export function woodenPlan(room: DrawerRoom, { settings, materials }: RunnerResolved): BoxPlan {
  const { drawers, movement } = settings;
  const { material, thickness } = materials.drawerBox;
  const outside = room.across.size.minus(drawers.sidePlay.times(2)).as('box width, outside');
  const most = room.up.size.minus(drawers.topPlay).as('box height dry');
  const swell = most
    .times(quantity(material.form === 'solid' ? material.movement : 0, 'plain', `movement of ${material.name}`))
    .times(movement.moistureChange)
    .as('swelling of the sides');
  const fits = swell.value > 0 ? most.minus(swell) : most;
  const height = (fits.value > drawers.mostHeight.value ? drawers.mostHeight : fits).as('box height');
  return {
    outside,
    inside: outside.minus(thickness.times(plain(2, 'sides'))).as('box width, inside'),
    length: room.rear.minus(room.begins).minus(drawers.rearStop).as('box length'),
    height,
    above: length(0, 'runs on what is under it'),
    free: room.up.size.minus(height).as('free above the box'),
    recess: drawers.recess,
  };
}

/** Frame members stand at most so far above what lies behind them (mm). */
const MOST_RISE = 90;
/** A runner strip and the part of a guide above the floor of the opening are so wide and so high (mm). */
const RUNNER = length(40, 'width of the runner');
const GUIDE = length(20, 'guide above the floor of the opening');

/** What a wooden box slides on: what lies highest under its opening, from side to side. */
export function runsOn({ up, across }: DrawerRoom, parts: readonly Part[], depth: Dim): Part | undefined {
  const under = parts.filter(({ extent: { min, max }, placement, piece, role }) => {
    if (placement.w[1] !== 'z' || max[2] > up.low.value + 0.01 || max[2] < up.low.value - MOST_RISE) return false;
    if (piece?.kind === 'cross' || piece?.where === 'rear') return false;
    // A frame carries the whole of a box; a stretcher only its front.
    if (role !== 'web' && max[1] < depth.value * 0.6) return false;
    return min[0] < across.low.value + 1 && max[0] > across.high.value - 1;
  });
  return under.sort((a, b) => b.extent.max[2] - a.extent.max[2])[0];
}

/**
 * Where a frame's rail hangs below what lies over a drawer, strips fill the difference: without them the box tips as it is
 * pulled out.
 */
function kickerOver({ up, inside, across }: DrawerRoom, parts: readonly Part[]): Span | undefined {
  const over = parts
    .filter(
      ({ extent: { min, max }, placement, piece }) =>
        placement.w[1] === 'z' &&
        piece?.kind !== 'cross' &&
        piece?.where !== 'rear' &&
        min[2] > up.high.value - 0.01 &&
        min[2] < up.high.value + MOST_RISE &&
        min[0] < across.low.value + RUNNER.value &&
        max[0] > across.high.value - RUNNER.value,
    )
    .sort((a, b) => a.extent.min[2] - b.extent.min[2]);
  const [lowest] = over;
  if (!lowest || inside.v.high.value - up.high.value <= LEAST_PACKING) return undefined;
  const ceiling = spanAlong(lowest, 2).low;
  const span = spanBetween(up.high, ceiling);
  return span.size.value > LEAST_PACKING ? span : undefined;
}

/**
 * Behind a frame whose members stand above what lies there, strips bring the runners up to its rail and guides in to its
 * stiles; where shelf or web frame is level with the opening it is run on as it is.
 */
export function runnersAndGuides(
  room: DrawerRoom,
  under: Part,
  plan: BoxPlan,
  parts: readonly Part[],
  { materials }: Pick<RunnerResolved, 'materials'>,
): Part[] {
  const floor = spanAlong(under, 2).high;
  const rise = room.up.low.minus(floor).as('runner up to the opening');
  const from = room.begins.value > 0 ? room.begins : length(0, 'front of the case');
  const y = spanBetween(from, room.begins.plus(plan.length).as('rear of the box'));
  const kicker = kickerOver(room, parts);
  const make = (what: 'runner' | 'guide' | 'kicker', hand: 'left' | 'right', x: Span, z: Span) =>
    makePart({
      key: `drawer/${room.id}/${what}/${hand}`,
      name: `${what}, ${hand}`,
      whole: room.name,
      role: 'packing',
      hand,
      material: materials.frame.material,
      stands: { x, y, z },
      axes: { u: '+y', v: '+x', w: '-z' },
      note: 'planed to its thickness, glued and pinned, waxed',
    });
  return (['left', 'right'] as const).flatMap((hand) => {
    const left = hand === 'left';
    const packing = room.packing[hand];
    const raised =
      rise.value > LEAST_PACKING
        ? [
            make(
              'runner',
              hand,
              left ? spanFrom(room.across.low, RUNNER) : spanTo(room.across.high, RUNNER),
              spanBetween(floor, room.up.low),
            ),
          ]
        : [];
    const kept = kicker
      ? [make('kicker', hand, left ? spanFrom(room.across.low, RUNNER) : spanTo(room.across.high, RUNNER), kicker)]
      : [];
    if (packing.value <= LEAST_PACKING) return [...raised, ...kept];
    const { inside } = room;
    const x = left
      ? { low: inside.h.low, high: room.across.low, size: packing }
      : { low: room.across.high, high: inside.h.high, size: packing };
    return [
      ...raised,
      ...kept,
      make('guide', hand, x, spanBetween(floor, room.up.low.plus(GUIDE).as('upper edge of the guide'))),
    ];
  });
}
