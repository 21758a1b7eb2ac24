import { fromSheet } from '../profile.js';
import type { FittedDrawer } from './drawers.js';
import { clearOver } from './heights.js';
import type { RunnerResolved } from './settings.js';

/**
 * How much further the runners of a drawer may be raised (mm): first by what is free over its box and need not be, then by
 * what the box may lose of its height, down to the lowest its runner carries.
 */
export function mayRise({ runner, plan, inner }: FittedDrawer, { drawers }: RunnerResolved['settings']): number {
  if (!runner || !plan) return 0;
  const over = clearOver(inner ?? 'front', fromSheet(runner.profile, 'clearAbove', 'clear above the box'), drawers);
  return Math.max(0, plan.free.value - over.value) + Math.max(0, plan.height.value - runner.profile.leastHeight);
}
