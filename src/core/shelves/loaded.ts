import type { Resolved } from '../job/index.js';
import type { Part } from '../parts/index.js';
import type { LoadedShelf } from './sag.js';

/** A shelf part as a loaded board: adjustable ones with their strip, fixed ones as they are. Undefined for other parts. */
export function loadedShelf(part: Part, { settings, materials }: Resolved): LoadedShelf | undefined {
  const fixed = part.role === 'divider' && part.name === 'Fixed shelf';
  if (part.key.endsWith('/strip') || (part.role !== 'shelf' && !fixed)) return undefined;
  const { load, limit, stripHeight, stripThickness } = settings.shelves;
  const stripped = part.role === 'shelf' && stripHeight.mm > 0;
  return {
    span: part.length,
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
