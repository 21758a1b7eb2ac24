import type { Act } from '../../decisions/index.js';
import { capital } from '../../ground/index.js';
import type { DimensionItem } from '../../present/index.js';

/** What typing a value (mm) over a dimension does; nothing for one that only follows from others. */
export function typeOver(
  { dim, edits, alongside = [] }: Pick<DimensionItem, 'dim' | 'edits' | 'alongside'>,
  mm: number,
): Act {
  const label = capital(dim.label);
  return { label, edits: edits ? [{ path: edits, value: mm }, ...alongside] : [] };
}
