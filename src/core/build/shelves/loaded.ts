import type { Resolved } from '../../decisions/index.js';
import { type Dim, solved } from '../../ground/index.js';
import type { Part } from '../../part/index.js';
import type { LoadedShelf } from './sag.js';

/**
 * A shelf part as a loaded board: adjustable ones with their strip, fixed ones from support to support. Undefined for
 * other parts.
 */
export function loadedShelf(part: Part, parts: readonly Part[], resolved: Resolved): LoadedShelf | undefined {
  const { settings, materials } = resolved;
  const fixed = part.piece?.kind === 'fixed shelf';
  if (part.piece?.kind === 'strip' || (part.role !== 'shelf' && !fixed)) return undefined;
  const { load, limit, stripHeight, stripThickness } = settings.shelves;
  const stripped = part.role === 'shelf' && stripHeight.value > 0;
  return {
    span: fixed ? widestSpan(part, parts) : part.length,
    depth: part.width,
    thickness: part.thickness,
    material: part.material,
    load: load.value,
    limit: limit.value,
    ...(stripped
      ? { strip: { height: stripHeight, thickness: stripThickness, material: materials.frame.material } }
      : {}),
  };
}

/** A partition under a fixed shelf reaches into it by no more than this (mm). */
const LET_IN = 30;

/** Between the ends of a fixed shelf and the partitions that stand under it, the widest part that hangs free. */
function widestSpan(shelf: Part, parts: readonly Part[]): Dim {
  const { min, max } = shelf.extent;
  const supports = parts
    .filter((part) => part.role === 'partition')
    .map(({ extent }) => extent)
    .filter(
      (under) =>
        under.min[2] < min[2] - 1 &&
        under.max[2] > min[2] - 0.01 &&
        under.max[2] < min[2] + LET_IN &&
        under.min[0] > min[0] &&
        under.max[0] < max[0],
    )
    .sort((a, b) => a.min[0] - b.min[0]);
  if (supports.length === 0) return shelf.length;
  const edges = [min[0], ...supports.flatMap((under) => [under.min[0], under.max[0]]), max[0]];
  let widest = 0;
  for (let at = 0; at < edges.length; at += 2) widest = Math.max(widest, (edges[at + 1] ?? 0) - (edges[at] ?? 0));
  return solved('free span of the shelf', widest, 'mm', [shelf.length], 'partitions stand under it');
}
