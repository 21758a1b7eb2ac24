import type { Dim } from '../../../ground/index.js';
import type { OperationDefinition, PanelFace, PartSize, Run, Why } from '../definition.js';
import { fromStart, sunk } from '../place.js';

/** Where something starts along one direction: measured from an edge of the part. */
export interface From<Edge extends string> {
  readonly edge: Edge;
  readonly offset: Dim;
}

/** From an edge inward, so far, as a run along that direction (mm). */
export function runFrom(size: PartSize, { edge, offset }: From<'u0' | 'u1' | 'v0' | 'v1'>, along: Dim): Run {
  const [a, b] = [fromStart(size, edge, offset.value), fromStart(size, edge, offset.value + along.value)];
  return a < b ? [a, b] : [b, a];
}

/** A rectangular sinking in a face, as large as the end of what sits in it. */
export interface Recess extends Why {
  readonly kind: 'recess';
  readonly face: PanelFace;
  readonly u: From<'u0' | 'u1'>;
  readonly v: From<'v0' | 'v1'>;
  readonly alongLength: Dim;
  readonly alongWidth: Dim;
  readonly depth: Dim;
}

export const recess: OperationDefinition<Recess> = {
  kind: 'recess',
  ...sunk<Recess>(({ u, v, alongLength, alongWidth }, size) => [
    runFrom(size, u, alongLength),
    runFrom(size, v, alongWidth),
  ]),
  row: ({ face, u, v, alongLength, alongWidth, depth }, names) => ({
    what: 'Recess',
    where: `${names.face(face)}, from the ${names.edge(u.edge)} and the ${names.edge(v.edge)} edge`,
    offset: u.offset,
    positions: [],
    further: [v.offset],
    size: alongLength,
    by: alongWidth,
    depth,
  }),
  words: ({ face, u, v, alongLength, alongWidth, depth }, names, show) =>
    `recess ${show(alongLength.value)} by ${show(alongWidth.value)}, ${show(depth.value)} deep in the ${names.face(face)}, ${show(u.offset.value)} from the ${names.edge(u.edge)} edge, ${show(v.offset.value)} from the ${names.edge(v.edge)} edge`,
};
