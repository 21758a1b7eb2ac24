import type { Dim } from '../../derive/index.js';
import type { EdgeReference, Face, OperationDefinition, Why } from '../definition.js';
import { strip, sunk } from '../place.js';

/** A step along an edge. */
export interface Rabbet extends Why {
  readonly kind: 'rabbet';
  readonly face: Face;
  readonly from: EdgeReference;
  /** How far in from the edge. */
  readonly width: Dim;
  readonly depth: Dim;
}

export const rabbet: OperationDefinition<Rabbet> = {
  kind: 'rabbet',
  ...sunk<Rabbet>(({ from, width }, size) => strip(size, from, 0, width.mm)),
  row: ({ face, from, width, depth }, names) => ({
    what: 'Rabbet',
    where: `${names.face(face)}, ${names.edge(from)} edge`,
    positions: [],
    size: width,
    depth,
  }),
  words: ({ from, width, depth }, names, show) =>
    `rabbet ${show(width.mm)} wide, ${show(depth.mm)} deep on the ${names.edge(from)} edge`,
};
