import { type Dim, plain } from '../../derive/index.js';
import type { ResolvedSettings } from '../../document/index.js';
import type { DrawerRoom } from './room.js';

/**
 * Box height = opening height − clearance above − clearance below, no higher than the shop builds them, then down to its
 * steps where it has some.
 */
export function boxHeight(
  { up }: DrawerRoom,
  above: Dim,
  below: Dim,
  { drawers }: ResolvedSettings,
): { height: Dim; free: Dim } {
  const room = up.size.minus(above).minus(below).as('room for the box');
  const most = room.mm > drawers.mostHeight.mm ? drawers.mostHeight : room;
  const step = drawers.heightStep;
  const steps = step.mm > 0 ? Math.floor(most.mm / step.mm + 1e-9) : 0;
  const height =
    steps > 0
      ? step.times(plain(steps, 'whole steps')).as('box height').because('the highest in whole steps')
      : most.as('box height');
  return { height, free: up.size.minus(below).minus(height).as('free above the box') };
}
