import { type Dim, largest, length } from '../derive/index.js';
import type { Resolved } from '../document/index.js';
import type { Box } from '../layout/index.js';
import { type Band, makePart, type Part } from '../parts/index.js';
import type { Bay } from './bays.js';

/**
 * Adjustable shelves of one opening at their heights: width = clear width − 2 · side play,
 * depth = clear depth − max(0, mounting plane) − front setback − rear play.
 */
export function buildShelves({ cell, places }: Bay, box: Box, { settings, materials }: Resolved): Part[] {
  const { inside } = cell;
  const { id } = cell.opening;
  const { material, thickness } = materials.shelf;
  const { sidePlay, frontSetback } = settings.shelves;
  const { strip, depth } = shelfDepths(box, settings);
  const width = inside.h.size.minus(sidePlay.times(2)).as('shelf width');
  const banded = settings.banding.caseEdges.value === 'front' && !strip;
  const bands: Band[] = banded ? [{ edge: 'v0', thickness: settings.banding.caseThickness }] : [];
  const front = Math.max(0, box.mountingPlane.mm) + frontSetback.mm;
  const x = inside.h.low.mm + sidePlay.mm;
  return places.flatMap(({ underside }, at) => {
    const top = underside.mm + thickness.mm;
    const board = makePart({
      key: `shelf/${id}/${at + 1}`,
      name: 'Adjustable shelf',
      role: 'shelf',
      material,
      length: width,
      width: depth,
      thickness,
      bands,
      placement: { origin: [x, front + (strip?.mm ?? 0), top], u: '+x', v: '+y', w: '-z' },
    });
    if (!strip) return [board];
    const edge = makePart({
      key: `shelf/${id}/${at + 1}/strip`,
      name: 'Shelf strip',
      role: 'shelf',
      material: materials.frame.material,
      length: width,
      width: settings.shelves.stripHeight,
      thickness: strip,
      placement: { origin: [x, front, top], u: '+x', v: '-z', w: '+y' },
      note: 'glued to the front edge of the shelf, tops flush',
    });
    return [board, edge];
  });
}

/** Depth of the board: what is left of the clear depth, less a front strip where there is one. */
export function shelfDepths(box: Box, settings: Resolved['settings']): { strip: Dim | undefined; depth: Dim } {
  const { frontSetback, rearPlay, stripHeight, stripThickness } = settings.shelves;
  const strip = stripHeight.mm > 0 ? stripThickness : undefined;
  const plane = largest(length(0), box.mountingPlane);
  const forward = plane.mm > 0 ? box.clearDepth.minus(plane.as('front plane')) : box.clearDepth;
  const depth = forward.minus(frontSetback).minus(rearPlay);
  return { strip, depth: (strip ? depth.minus(strip) : depth).as('shelf depth') };
}
