import type { Dim } from '../../../ground/index.js';
import type { FacePoint, OperationDefinition, PartSize, Why } from '../definition.js';
import { fromStart, slanting } from '../place.js';

/** An end cut at an angle through the whole thickness, from its long point to its short one. */
export interface Mitre extends Why {
  readonly kind: 'mitre';
  readonly end: 'u0' | 'u1';
  /** The edge that keeps its full length: where the long point is. */
  readonly long: 'v0' | 'v1';
  /** How much shorter the other edge is; the width of the part for 45°. */
  readonly shorter: Dim;
}

/** The corners of what is cut away. */
function cutAway({ end, long, shorter }: Mitre, size: PartSize): FacePoint[] {
  const [tip, back] = [fromStart(size, end, 0), fromStart(size, end, shorter.value)];
  const far = long === 'v0' ? 0 : size.width;
  return [
    [tip, far],
    [tip, size.width - far],
    [back, size.width - far],
  ];
}

export const mitre: OperationDefinition<Mitre> = {
  kind: 'mitre',
  spaces: (operation, size) => [slanting(operation, false, cutAway(operation, size), [0, size.thickness])],
  cuts: (operation, size) => [{ shape: 'prism', corners: cutAway(operation, size), w: [0, size.thickness] }],
  // It is part of the panel's own outline.
  outline: () => [],
  row: ({ end, long, shorter }, names) => ({
    what: 'Mitre',
    where: `${names.edge(end)} end, long point at the ${names.edge(long)} edge`,
    positions: [],
    size: shorter,
  }),
  words: ({ end, long, shorter }, names, show) =>
    `mitre on the ${names.edge(end)} end, ${show(shorter.value)} shorter than at its long point, the ${names.edge(long)} edge`,
};
