import type { Dim } from '../../../ground/index.js';
import type { EdgeReference, OperationDefinition, PanelFace, PartSize, Run, Space, Why } from '../definition.js';
import { fromStart, into, isEnd, patches } from '../place.js';

/** A line of equal holes in a face. */
export interface Holes extends Why {
  readonly kind: 'holes';
  readonly face: PanelFace;
  /** The line lies this far from this edge. */
  readonly from: EdgeReference;
  readonly offset: Dim;
  /** Along the line, from the start (u0 or v0) of the part. */
  readonly positions: readonly Dim[];
  readonly diameter: Dim;
  /** Absent for a through hole. */
  readonly depth?: Dim;
}

function centres({ from, offset, positions }: Holes, size: PartSize): { u: number; v: number }[] {
  const line = fromStart(size, from, offset.value);
  return positions.map(({ value: mm }) => (isEnd(from) ? { u: line, v: mm } : { u: mm, v: line }));
}

const deep = ({ depth, face }: Holes, size: PartSize): Run =>
  depth ? into(size, face, depth.value) : [0, size.thickness];

export const holes: OperationDefinition<Holes> = {
  kind: 'holes',
  spaces(operation, size) {
    const { from, offset, positions } = operation;
    const radius = operation.diameter.value / 2;
    const [near, far] = deep(operation, size);
    const line = fromStart(size, from, offset.value);
    const across = isEnd(from);
    const face = operation.depth ? operation.face : undefined;
    return positions.map(({ value: mm }): Space => {
      const [u, v] = across ? [line, mm] : [mm, line];
      return {
        operation,
        bored: true,
        low: [u - radius, v - radius, near],
        high: [u + radius, v + radius, far],
        round: { u, v, radius },
        face,
      };
    });
  },
  bounds({ from, offset, positions, diameter }, size) {
    const radius = diameter.value / 2;
    return patches(size, from, [offset.value - radius, offset.value + radius], positions, radius);
  },
  cuts: (operation, size) =>
    centres(operation, size).map(({ u, v }) => ({
      shape: 'bore',
      axis: 2,
      centre: [u, v],
      radius: operation.diameter.value / 2,
      run: deep(operation, size),
    })),
  outline: (operation, size) =>
    centres(operation, size).map(({ u, v }) => ({
      shape: 'hole',
      u,
      v,
      diameter: operation.diameter.value,
      ...(operation.depth ? { face: operation.face } : {}),
    })),
  row: ({ face, from, offset, positions, diameter, depth }, names) => ({
    what: depth ? 'Holes' : 'Through holes',
    where: `${names.face(face)}, from the ${names.edge(from)} edge`,
    offset,
    positions,
    size: diameter,
    ...(depth ? { depth } : {}),
  }),
  words: ({ from, offset, positions, diameter, depth }, names, show) =>
    `${positions.length} ${depth ? 'holes' : 'through holes'} ${show(diameter.value)}, ${show(offset.value)} from the ${names.edge(from)} edge`,
};
