import { type Dim, largest, length, plain } from '../derive/index.js';
import type { Resolved } from '../job/index.js';
import type { Box, Cell } from '../layout/index.js';
import { type Band, makePart, type Part } from '../parts/index.js';

/**
 * Adjustable shelves of one opening, drawn at equal clear spaces: width = clear width − 2 · side play,
 * depth = clear depth − max(0, mounting plane) − front setback − rear play.
 */
export function buildShelves(cell: Cell, box: Box, { settings, materials }: Resolved): Part[] {
  const { fill, inside } = cell;
  const { id } = cell.opening;
  const count = 'shelves' in fill ? fill.shelves : 0;
  if (count === 0) return [];
  const { material, thickness } = materials.shelf;
  const { sidePlay, frontSetback, rearPlay } = settings.shelves;
  const width = inside.h.size.minus(sidePlay.times(2)).as('shelf width');
  const plane = largest(length(0), box.mountingPlane);
  const forward = plane.mm > 0 ? box.clearDepth.minus(plane.as('front plane')) : box.clearDepth;
  const depth = forward.minus(frontSetback).minus(rearPlay).as('shelf depth');
  const space: Dim = inside.v.size
    .minus(thickness.times(count))
    .over(plain(count + 1, 'spaces'))
    .as('space between shelves');
  const banded = settings.banding.caseEdges.value === 'front';
  const bands: Band[] = banded ? [{ edge: 'v0', thickness: settings.banding.caseThickness }] : [];
  const y = plane.mm + frontSetback.mm;
  return Array.from({ length: count }, (_, at) => {
    const top = inside.v.low.mm + (at + 1) * (space.mm + thickness.mm);
    return makePart({
      key: `shelf/${id}/${at + 1}`,
      name: 'Adjustable shelf',
      role: 'shelf',
      material,
      length: width,
      width: depth,
      thickness,
      bands,
      placement: { origin: [inside.h.low.mm + sidePlay.mm, y, top], u: '+x', v: '+y', w: '-z' },
    });
  });
}
