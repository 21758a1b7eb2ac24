import { madeOf, type Resolved } from '../../decisions/index.js';
import { type Dim, largest, length, spanFrom, spanTo } from '../../ground/index.js';
import { bandsOn, makePart, type Part, partKeys } from '../../part/index.js';
import type { Box } from '../layout/index.js';
import type { Bay } from './bays.js';

/**
 * Adjustable shelves of one opening at their heights: width = clear width − 2 · side play,
 * depth = clear depth − max(0, mounting plane) − front setback − rear play.
 */
export function buildShelves({ room, places, stopsAt }: Bay, box: Box, resolved: Resolved): Part[] {
  const { settings, materials } = resolved;
  const { inside, id } = room;
  const { sidePlay, frontSetback } = settings.shelves;
  const { strip, depth } = shelfDepths(box, settings, stopsAt);
  const width = inside.h.size.minus(sidePlay.times(2)).as('shelf width');
  const banded = settings.banding.caseEdges.value === 'front' && !strip;
  const { caseThickness, preMilling } = settings.banding;
  const bands = banded ? bandsOn(['v0'], caseThickness, preMilling) : [];
  const front = (box.mountingPlane.value > 0 ? box.mountingPlane.plus(frontSetback) : frontSetback).as(
    'front of the shelf',
  );
  const x = spanFrom(inside.h.low.plus(sidePlay), width);
  return places.flatMap(({ underside }, at) => {
    const key = partKeys.shelf.of({ room: id, number: at + 1 });
    const { material, thickness } = madeOf(resolved, 'shelf', key);
    const z = spanFrom(underside, thickness);
    const board = makePart({
      key,
      name: 'Adjustable shelf',
      role: 'shelf',
      opening: id,
      material,
      bands,
      stands: { x, y: spanFrom(strip ? front.plus(strip) : front, depth), z },
      axes: { u: '+x', v: '+y', w: '-z' },
    });
    if (!strip) return [board];
    const edge = makePart({
      key: `${key}/strip`,
      unit: key,
      name: 'Shelf strip',
      role: 'shelf',
      opening: id,
      material: materials.frame.material,
      stands: { x, y: spanFrom(front, strip), z: spanTo(z.high, settings.shelves.stripHeight) },
      axes: { u: '+x', v: '-z', w: '+y' },
      piece: { kind: 'strip', where: 'front' },
      note: 'glued to the front edge of the shelf, tops flush',
    });
    return [board, edge];
  });
}

/** Depth of the board: what is left of the clear depth, less a front strip where there is one. */
export function shelfDepths(
  box: Box,
  settings: Resolved['settings'],
  stopsAt: Dim = box.clearDepth,
): { strip: Dim | undefined; depth: Dim } {
  const { frontSetback, rearPlay, stripHeight, stripThickness } = settings.shelves;
  const strip = stripHeight.value > 0 ? stripThickness : undefined;
  const plane = largest(length(0), box.mountingPlane);
  const forward = plane.value > 0 ? stopsAt.minus(plane.as('front plane')) : stopsAt;
  const depth = forward.minus(frontSetback).minus(rearPlay);
  return { strip, depth: (strip ? depth.minus(strip) : depth).as('shelf depth') };
}
