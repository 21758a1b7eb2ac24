import type { EdgeReference, Operation } from '../machining/index.js';
import { edgeName, type Part } from '../parts/index.js';

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
  return part.machining.map((operation) => operationWords(operation, part, show)).join('; ');
}

function operationWords(operation: Operation, part: Part, show: (mm: number) => string): string {
  const edge = (name: EdgeReference) => `the ${edgeName(part.placement, name)} edge`;
  switch (operation.kind) {
    case 'groove': {
      const what = operation.along === 'width' ? 'dado' : 'groove';
      return `${what} ${show(operation.width.mm)} wide, ${show(operation.depth.mm)} deep, ${show(operation.offset.mm)} from ${edge(operation.from)}`;
    }
    case 'rabbet':
      return `rabbet ${show(operation.width.mm)} wide, ${show(operation.depth.mm)} deep on ${edge(operation.from)}`;
    case 'notch':
      return `notch ${show(operation.alongLength.mm)} by ${show(operation.alongWidth.mm)}, ${operation.corner.map((each) => edgeName(part.placement, each)).join(' ')} corner`;
    case 'holes':
      return `${operation.positions.length} ${operation.depth ? 'holes' : 'through holes'} ${show(operation.diameter.mm)}, ${show(operation.offset.mm)} from ${edge(operation.from)}`;
    case 'edge holes':
      return `${operation.positions.length} holes ${show(operation.diameter.mm)} in ${edge(operation.edge)}`;
    case 'slots':
    case 'mortises':
      return `${operation.positions.length} ${operation.kind === 'slots' ? 'tenon slots' : 'hinge mortises'} ${'edge' in operation.place ? `in ${edge(operation.place.edge)}` : `${show(operation.offset.mm)} from ${edge(operation.place.from)}`}`;
    case 'pockets':
      return `${operation.positions.length} pocket holes at ${edge(operation.edge)}${operation.plugged ? ', plugged' : ''}`;
  }
}
