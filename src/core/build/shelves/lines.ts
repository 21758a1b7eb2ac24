import type { Resolved } from '../../decisions/index.js';
import { type Dim, plain } from '../../ground/index.js';
import type { Box } from '../layout/index.js';
import type { PinGrid } from './grid.js';

/** The two lines of holes, from the front edge of the carcass; one where the box is too shallow for two. */
export interface PinLines {
  readonly front: Dim;
  readonly rear: Dim | undefined;
}

/** Lines nearer than this serve as one (mm). */
export const LEAST_BETWEEN_LINES = 48;

/**
 * Front line behind max(0, yM). Rear line a whole number of grid steps behind it with its hole clear of the back, or a
 * set distance before the back; before the rail, where the shelves stop in front of one (`clearDepth`).
 */
export function pinLines(box: Box, { settings }: Resolved, grid: PinGrid, clearDepth: Dim = box.clearDepth): PinLines {
  const { pins } = settings;
  const plane = box.mountingPlane;
  const front = (plane.value > 0 ? plane.plus(pins.front) : pins.front).as('front line of pin holes');
  const furthest = clearDepth.minus(pins.rearClear).minus(pins.diameter.over(2)).as('furthest a hole may stand');
  if (pins.rear.value === 'groove') {
    const rear = clearDepth.minus(pins.rearSet).as('rear line of pin holes');
    return { front, rear: rear.value - front.value >= LEAST_BETWEEN_LINES ? rear : undefined };
  }
  const steps = Math.floor((furthest.value - front.value) / grid.step.value + 1e-9);
  const rear = front
    .plus(grid.step.times(plain(steps, 'whole steps behind the front line')))
    .as('rear line of pin holes')
    .because('its hole stays clear of the back');
  return { front, rear: rear.value - front.value >= LEAST_BETWEEN_LINES ? rear : undefined };
}
