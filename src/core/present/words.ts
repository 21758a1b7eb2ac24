import type { Operation } from '../machining/index.js';
import { edgeName, type Part } from '../parts/index.js';

/** Banded edges as they stand in the cabinet: "front", "all round", "top, bottom". */
export function bandedEdges(part: Part): string {
  if (part.bands.length === 4) return 'all round';
  return part.bands.map((band) => edgeName(part.placement, band.edge)).join(', ');
}

export function grainWords(part: Part): string {
  return part.material.grain === 'length' ? 'along length' : 'free';
}

/** One line per part for lists: "groove 6 wide 8 deep, 17.8 from rear". */
export function machiningSummary(part: Part, show: (mm: number) => string): string {
  return part.machining.map((operation) => operationWords(operation, part, show)).join('; ');
}

export function operationWords(operation: Operation, part: Part, show: (mm: number) => string): string {
  const from = edgeName(part.placement, operation.from);
  return `groove ${show(operation.width.mm)} wide, ${show(operation.depth.mm)} deep, ${show(operation.offset.mm)} from the ${from} edge`;
}
