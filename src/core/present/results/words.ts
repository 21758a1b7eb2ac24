import { edgeName, type Part, partNames, wordsOf } from '../../part/index.js';

/** Banded edges as they stand in the cabinet: "front", "all round", "top, bottom". */
export function bandedEdges(part: Part): string {
  if (part.bands.length === 4) return 'all round';
  return part.bands.map((band) => edgeName(part.placement, band.edge)).join(', ');
}

export function grainWords({ material, grain, grainRuns }: Part): string {
  const way = material.grain === 'length' ? WAYS[grainRuns ?? 'length'] : 'free';
  return grain ? `${way}, piece ${grain.piece} of ${grain.of} of blank ${grain.group}` : way;
}

const WAYS = { length: 'along length', width: 'along width', either: 'free' } as const;

/** What a list says of a part beside its sizes: what is left on at its edges, that it is bought, and its note. */
export function noteWords({ over, bought, note, placement }: Part, show: (mm: number) => string): string {
  const left = over.map(({ edge, size }) => `${show(size.value)} left on at the ${edgeName(placement, edge)}`);
  return [...(bought ? ['bought'] : []), ...left, ...(note ? [note] : [])].join('; ');
}

/** One line per part for lists: "groove 6 wide 8 deep, 17.8 from the rear edge; 4 through holes". */
export function machiningSummary(part: Part, show: (mm: number) => string): string {
  const names = partNames(part);
  return part.machining.map((operation) => wordsOf(operation, names, show)).join('; ');
}
