import type { Resolved } from '../../decisions/index.js';
import type { Part } from '../../part/index.js';
import { balancedHeights, type PinGrid } from './grid.js';

/** How long the sides are, and the lengths near it that make them balanced: both the same when they are. All mm. */
export interface Balance {
  readonly now: number;
  readonly below: number;
  readonly above: number;
}

/** Undefined where no pins are bored. */
export function balanceOf({
  grid,
  parts,
  resolved,
}: {
  readonly grid: PinGrid | undefined;
  readonly parts: readonly Part[];
  readonly resolved: Resolved;
}): Balance | undefined {
  const side = parts.find((part) => part.key === 'side/left');
  if (!grid || !side) return undefined;
  return {
    now: side.length.value,
    ...balancedHeights(side.length.value, resolved.settings.pins.first.value, grid.step.value),
  };
}
