import type { Dim } from '../../../ground/index.js';
import type { Cut, OperationDefinition, Outline, PartSize, Space, Why } from '../definition.js';
import { block, space } from '../place.js';
import { type From, runFrom } from './recess.js';

/** An opening right through: rectangular, or as round as it is wide. It may lie open at an edge. */
export interface CutOut extends Why {
  readonly kind: 'cut-out';
  readonly shape: 'rectangle' | 'round';
  readonly u: From<'u0' | 'u1'>;
  readonly v: From<'v0' | 'v1'>;
  readonly alongLength: Dim;
  readonly alongWidth: Dim;
}

function lies({ u, v, alongLength, alongWidth }: CutOut, size: PartSize) {
  return { u: runFrom(size, u, alongLength), v: runFrom(size, v, alongWidth) };
}

function round(operation: CutOut, size: PartSize) {
  const { u, v } = lies(operation, size);
  return { u: (u[0] + u[1]) / 2, v: (v[0] + v[1]) / 2, radius: (u[1] - u[0]) / 2 };
}

export const cutOut: OperationDefinition<CutOut> = {
  kind: 'cut-out',
  spaces(operation, size): Space[] {
    const { u, v } = lies(operation, size);
    const room = space(operation, false, u, v, [0, size.thickness]);
    return [operation.shape === 'round' ? { ...room, round: round(operation, size) } : room];
  },
  cuts(operation, size): Cut[] {
    const { u, v } = lies(operation, size);
    if (operation.shape === 'rectangle') return [block(u, v, [0, size.thickness])];
    const { radius, ...centre } = round(operation, size);
    return [{ shape: 'bore', axis: 2, centre: [centre.u, centre.v], radius, run: [0, size.thickness] }];
  },
  outline(operation, size): Outline[] {
    if (operation.shape === 'rectangle') return [{ shape: 'region', ...lies(operation, size) }];
    const { u, v, radius } = round(operation, size);
    return [{ shape: 'hole', u, v, diameter: radius * 2 }];
  },
  row: ({ shape, u, v, alongLength, alongWidth }, names) => ({
    what: shape === 'round' ? 'Round cut-out' : 'Cut-out',
    where: `through, from the ${names.edge(u.edge)} and the ${names.edge(v.edge)} edge`,
    offset: u.offset,
    positions: [],
    further: [v.offset],
    size: alongLength,
    ...(shape === 'rectangle' ? { by: alongWidth } : {}),
  }),
  words: ({ shape, u, v, alongLength, alongWidth }, names, show) =>
    `${shape === 'round' ? `round cut-out ${show(alongLength.value)} across` : `cut-out ${show(alongLength.value)} by ${show(alongWidth.value)}`}, ${show(u.offset.value)} from the ${names.edge(u.edge)} edge, ${show(v.offset.value)} from the ${names.edge(v.edge)} edge`,
};
