import type { Dim } from '../../../ground/index.js';
import type { OperationDefinition, PartSize, Run, Why } from '../definition.js';
import { block, space, strip } from '../place.js';

/** A corner cut away through the whole thickness. */
export interface Notch extends Why {
  readonly kind: 'notch';
  /** The two edges that meet in the corner. */
  readonly corner: readonly ['u0' | 'u1', 'v0' | 'v1'];
  readonly alongLength: Dim;
  readonly alongWidth: Dim;
}

function lies({ corner, alongLength, alongWidth }: Notch, size: PartSize): [Run, Run] {
  const [u] = strip(size, corner[0], 0, alongLength.value);
  const [, v] = strip(size, corner[1], 0, alongWidth.value);
  return [u, v];
}

export const notch: OperationDefinition<Notch> = {
  kind: 'notch',
  spaces: (operation, size) => [space(operation, false, ...lies(operation, size), [0, size.thickness])],
  cuts: (operation, size) => [block(...lies(operation, size), [0, size.thickness])],
  // It is part of the panel's own outline.
  outline: () => [],
  row: ({ corner, alongLength, alongWidth }, names) => ({
    what: 'Notch',
    where: `${names.edge(corner[0])} ${names.edge(corner[1])} corner`,
    positions: [],
    size: alongLength,
    by: alongWidth,
  }),
  words: ({ corner, alongLength, alongWidth }, names, show) =>
    `notch ${show(alongLength.value)} by ${show(alongWidth.value)}, ${corner.map((each) => names.edge(each)).join(' ')} corner`,
};
