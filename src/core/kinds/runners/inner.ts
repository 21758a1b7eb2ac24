import type { Compartment } from '../../build/index.js';
import { type FillForm, isFill } from '../../decisions/index.js';
import { capital, type Dim, length, type Span, spanBetween } from '../../ground/index.js';
import { uprightAt } from '../../part/index.js';
import type { BehindContext, RunnerContext } from './context.js';
import { innerDrawerFill, runsIn, trayFill } from './fills.js';
import { common, type DrawerRoom, raisedIn, rearOf } from './room.js';
import { type Spacer, spacerFor } from './spacers.js';

/** The rooms of inner drawers and trays: behind doors, or in an open bay. */
export function innerRooms(context: RunnerContext): DrawerRoom[] {
  return [...roomsBehind(context, innerDrawerFill, 'inner'), ...roomsBehind(context, trayFill, 'tray')];
}

/** The rooms with a fill that runs out of them, clear of doors and hinges. */
export function roomsBehind(context: BehindContext, fill: Pick<FillForm, 'is'>, kind: 'inner' | 'tray'): DrawerRoom[] {
  const { interiors, fitted, box, resolved, head, strips } = context;
  const doors = fitted.hinges;
  return interiors.compartments.flatMap((room): DrawerRoom[] => {
    if (!fill.is(room.fill)) return [];
    const beside = { doors, box, resolved, head, strips };
    const [left, right] = [spacerFor(room, 'left', beside), spacerFor(room, 'right', beside)];
    return [roomInside(room, kind, context, left, right)];
  });
}

/**
 * Width for the runners = clear width of the room − the spacers at its sides. It begins behind the plane of the fronts by
 * what doors are given.
 */
function roomInside(
  room: Compartment,
  kind: 'inner' | 'tray',
  { parts, box, resolved }: BehindContext,
  left: Spacer | undefined,
  right: Spacer | undefined,
): DrawerRoom {
  const { id, inside, cell, fill, path } = room;
  const { h, v } = inside;
  // A frame's rail may stand above the floor of the room, or hang below its ceiling.
  const runs = runsIn(fill);
  const { up, raised } = raisedIn(common(cell.clear.v, v), runs, path);
  const across = between(h, left?.thickness, right?.thickness, id);
  const forward = length(0, 'front edge of the case');
  const plane = box.mountingPlane.value > 0 ? box.mountingPlane : forward;
  const begins = isFill(cell.fill, 'open')
    ? plane
    : plane.plus(resolved.settings.drawers.doorClearance).as('behind the doors').because('clear of the shut doors');
  const upright = (hand: 'left' | 'right', x: Dim) =>
    uprightAt(parts, hand, { x: x.value, z: (v.low.value + v.high.value) / 2 });
  return {
    id,
    kind,
    front: undefined,
    contents: runs?.contents,
    path,
    name: capital(room.name),
    across,
    up,
    raised,
    inside,
    packing: {
      left: left?.thickness ?? length(0, 'packing, left'),
      right: right?.thickness ?? length(0, 'packing, right'),
    },
    uprights: { left: upright('left', h.low), right: upright('right', h.high) },
    plane: begins,
    begins,
    ...rearOf({ across, up }, parts, box, resolved.given.zones),
    ...(left || right ? { spacers: { ...(left ? { left } : {}), ...(right ? { right } : {}) } } : {}),
  };
}

function between({ low, high, size }: Span, left: Dim | undefined, right: Dim | undefined, id: string): Span {
  const address = `drawer/${id}.opening`;
  const called = 'opening for the runners';
  if (!left && !right) return { low, high, size: size.as(called, address) };
  const narrowed = [left, right].reduce<Dim>((room, spacer) => (spacer ? room.minus(spacer) : room), size);
  const span = spanBetween(
    left ? low.plus(left).as('face of the left spacer') : low,
    right ? high.minus(right).as('face of the right spacer') : high,
  );
  return { ...span, size: narrowed.as(called, address) };
}
