import type { Dim } from '../../../ground/index.js';
import type { EdgeReference, OperationDefinition, Why } from '../definition.js';
import { isEnd, patch, patches, space } from '../place.js';
import { edgeLine } from './edgeLine.js';

/** A line of equal holes bored into an edge. */
export interface EdgeHoles extends Why {
  readonly kind: 'edge holes';
  readonly edge: EdgeReference;
  /** From face 1 to the line. */
  readonly offset: Dim;
  readonly positions: readonly Dim[];
  readonly diameter: Dim;
  readonly depth: Dim;
}

export const edgeHoles: OperationDefinition<EdgeHoles> = {
  kind: 'edge holes',
  spaces(operation, size) {
    const { edge, offset, positions, diameter, depth } = operation;
    const radius = diameter.value / 2;
    return positions.map(({ value: mm }) =>
      space(operation, true, ...patch(size, edge, [0, depth.value], mm, radius), [
        offset.value - radius,
        offset.value + radius,
      ]),
    );
  },
  bounds: ({ edge, positions, diameter, depth }, size) =>
    patches(size, edge, [0, depth.value], positions, diameter.value / 2),
  cuts: ({ edge, offset, positions, diameter, depth }, size) =>
    positions.map(({ value: mm }) => {
      const radius = diameter.value / 2;
      const [u, v] = patch(size, edge, [0, depth.value], mm, radius);
      return isEnd(edge)
        ? { shape: 'bore', axis: 0, centre: [mm, offset.value], radius, run: u }
        : { shape: 'bore', axis: 1, centre: [mm, offset.value], radius, run: v };
    }),
  outline: ({ edge, positions, depth }, size) =>
    positions.map(({ value: mm }) => edgeLine(size, edge, mm, depth.value)),
  row: ({ edge, offset, positions, diameter, depth }, names) => ({
    what: 'Edge holes',
    where: `${names.edge(edge)} edge, from the ${names.face(1)}`,
    offset,
    positions,
    size: diameter,
    depth,
  }),
  words: ({ edge, positions, diameter }, names, show) =>
    `${positions.length} holes ${show(diameter.value)} in the ${names.edge(edge)} edge`,
};
