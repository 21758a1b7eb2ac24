import type { DimensionItem } from '../drawing/index.js';
import type { Act } from '../job/index.js';

/** What typing a value (mm) over a dimension does; nothing for one that only follows from others. */
export function typeOver(
  { dim, edits, alongside = [] }: Pick<DimensionItem, 'dim' | 'edits' | 'alongside'>,
  mm: number,
): Act {
  const label = dim.label.charAt(0).toUpperCase() + dim.label.slice(1);
  return { label, edits: edits ? [{ path: edits, value: mm }, ...alongside] : [] };
}
