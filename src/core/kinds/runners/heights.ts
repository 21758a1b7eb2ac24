import { type Dim, largest, plain, quantity } from '../../ground/index.js';
import type { DrawerRoom } from './room.js';
import type { RunnerResolved } from './settings.js';

/**
 * Box height = opening height − clearance above − clearance below, no higher than the shop builds them, then down to its
 * steps where it has some.
 */
export function boxHeight(
  room: DrawerRoom,
  above: Dim,
  below: Dim,
  { drawers }: RunnerResolved['settings'],
  least: Dim,
): { height: Dim; free: Dim } {
  const { up, kind } = room;
  const over = clearOver(kind, above, drawers);
  const fits = up.size.minus(over).minus(below).as('room for the box');
  const highest = kind === 'tray' ? traySide(room, drawers, least) : drawers.mostHeight;
  const most = fits.value > highest.value ? highest : fits;
  const step = drawers.heightStep;
  const steps = step.value > 0 ? Math.floor(most.value / step.value + 1e-9) : 0;
  const height =
    steps > 0
      ? step.times(plain(steps, 'whole steps')).as('box height').because('the highest in whole steps')
      : most.as('box height');
  return { height, free: up.size.minus(below).minus(height).as('free above the box') };
}

/** What stays free over a box: over an inner drawer a hand has to go in. */
export function clearOver(
  kind: DrawerRoom['kind'],
  above: Dim,
  { handRoom }: RunnerResolved['settings']['drawers'],
): Dim {
  return kind === 'inner' && handRoom.value > above.value ? handRoom : above;
}

/** Sides of a tray: as decided, else at least 60, a tenth of its width, and what its runner carries. */
function traySide(
  { across }: DrawerRoom,
  { traySide: decided }: RunnerResolved['settings']['drawers'],
  least: Dim,
): Dim {
  if (decided.value > 0) return decided;
  const usual = leastTraySide(across.size);
  return least.value > usual.value ? least.as('sides of the tray').because('the lowest its runner carries') : usual;
}

/** Lower sides let a wide tray rack. */
export function leastTraySide(width: Dim): Dim {
  return largest(quantity(60, 'mm', 'sides of a tray at least'), width.over(plain(10, 'a tenth of its width'))).as(
    'sides of the tray',
  );
}
