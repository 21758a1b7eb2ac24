import { type Act, pathTo } from '../job/index.js';
import { balancedHeights } from '../shelves/index.js';
import type { SolvedCabinet } from '../solve.js';

/** How long the sides are, and the lengths near it that make them balanced: both the same when they are. All mm. */
export interface Balance {
  readonly now: number;
  readonly below: number;
  readonly above: number;
}

/** Undefined where no pins are bored. */
export function balanceOf({ grid, parts, resolved }: SolvedCabinet): Balance | undefined {
  const side = parts.find((part) => part.key === 'side/left');
  if (!grid || !side) return undefined;
  return { now: side.length.mm, ...balancedHeights(side.length.mm, resolved.settings.pins.first.mm, grid.step.mm) };
}

/** Makes the sides this long by changing the height the maker decided. */
export function makeBalanced({ cabinet }: SolvedCabinet, { now }: Balance, length: number): Act {
  const { height } = cabinet.size;
  const edit =
    height.from === 'overall'
      ? { path: pathTo.cabinetField(cabinet.id, 'size/height/mm'), value: height.mm + length - now }
      : { path: pathTo.cabinetField(cabinet.id, 'size/height/finished'), value: height.finished + length - now };
  return { label: 'Balanced side', edits: [edit] };
}
