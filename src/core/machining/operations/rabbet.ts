import type { Dim } from '../../derive/index.js';
import type { EdgeReference, Face, OperationDefinition, PartSize, Why } from '../definition.js';
import { block, into, space, strip } from '../place.js';

/** A step along an edge. */
export interface Rabbet extends Why {
  readonly kind: 'rabbet';
  readonly face: Face;
  readonly from: EdgeReference;
  /** How far in from the edge. */
  readonly width: Dim;
  readonly depth: Dim;
}

const lies = ({ from, width }: Rabbet, size: PartSize) => strip(size, from, 0, width.mm);

export const rabbet: OperationDefinition<Rabbet> = {
  kind: 'rabbet',
  spaces: (operation, size) => [
    space(operation, false, ...lies(operation, size), into(size, operation.face, operation.depth.mm)),
  ],
  cuts: (operation, size) => [block(...lies(operation, size), into(size, operation.face, operation.depth.mm))],
  outline(operation, size) {
    const [u, v] = lies(operation, size);
    return [{ shape: 'region', u, v, face: operation.face }];
  },
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
