import type { EdgeReference, Outline, PanelFace, PartSize } from '../definition.js';
import { fromStart, isEnd } from '../place.js';

/** Something bored into an edge, seen from the face: a short line from the edge. */
export function edgeLine(
  size: PartSize,
  edge: EdgeReference,
  position: number,
  depth: number,
  face?: PanelFace,
): Outline {
  const [outer, inner] = [fromStart(size, edge, 0), fromStart(size, edge, depth)];
  const ends = isEnd(edge)
    ? ({ from: [outer, position], to: [inner, position] } as const)
    : ({ from: [position, outer], to: [position, inner] } as const);
  return { shape: 'line', ...ends, ...(face ? { face } : {}) };
}
