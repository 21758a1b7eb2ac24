import { wordsOf } from '../machining/index.js';
import { edgeName, type Part, partNames } from '../parts/index.js';

/** Banded edges as they stand in the cabinet: "front", "all round", "top, bottom". */
export function bandedEdges(part: Part): string {
  if (part.bands.length === 4) return 'all round';
  return part.bands.map((band) => edgeName(part.placement, band.edge)).join(', ');
}

export function grainWords({ material, grain }: Part): string {
  const way = material.grain === 'length' ? 'along length' : 'free';
  return grain ? `${way}, piece ${grain.piece} of ${grain.of} of blank ${grain.group}` : way;
}

/** One line per part for lists: "groove 6 wide 8 deep, 17.8 from the rear edge; 4 through holes". */
export function machiningSummary(part: Part, show: (mm: number) => string): string {
  const names = partNames(part);
  return part.machining.map((operation) => wordsOf(operation, names, show)).join('; ');
}
