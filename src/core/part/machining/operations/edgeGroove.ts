import type { Dim } from '../../../ground/index.js';
import type { EdgeReference, OperationDefinition, Outline, PartSize, Run, Why } from '../definition.js';
import { block, fromStart, isEnd, type Stopped, space, stoppedStrip, stopsOf, stopWords } from '../place.js';

/** A groove in an edge, as the inner edge of a framed front has for its panel. */
export interface EdgeGroove extends Why {
  readonly kind: 'edge groove';
  readonly edge: EdgeReference;
  /** From face 1 to the groove's near wall. */
  readonly offset: Dim;
  readonly width: Dim;
  readonly depth: Dim;
  /** Where it does not run out at both ends of its edge. */
  readonly stopped?: Stopped;
}

function runs({ edge, offset, width, depth, stopped }: EdgeGroove, size: PartSize): [Run, Run, Run] {
  return [...stoppedStrip(size, edge, [0, depth.value], stopped), [offset.value, offset.value + width.value]];
}

export const edgeGroove: OperationDefinition<EdgeGroove> = {
  kind: 'edge groove',
  spaces: (operation, size) => [space(operation, false, ...runs(operation, size))],
  cuts: (operation, size) => [block(...runs(operation, size))],
  // Its floor, dashed from both faces.
  outline(operation, size): Outline[] {
    const [u, v] = runs(operation, size);
    const floor = fromStart(size, operation.edge, operation.depth.value);
    return [
      isEnd(operation.edge)
        ? { shape: 'line', from: [floor, v[0]], to: [floor, v[1]] }
        : { shape: 'line', from: [u[0], floor], to: [u[1], floor] },
    ];
  },
  row: ({ edge, offset, width, depth, stopped }, names) => ({
    what: `Groove${stopped ? ', stopped' : ''}`,
    where: `${names.edge(edge)} edge, from the ${names.face(1)}`,
    offset,
    positions: [],
    ...stopsOf(stopped),
    size: width,
    depth,
  }),
  words: ({ edge, offset, width, depth, stopped }, names, show) =>
    `groove ${show(width.value)} wide, ${show(depth.value)} deep in the ${names.edge(edge)} edge, ${show(offset.value)} from the ${names.face(1)}${stopWords(stopped, show)}`,
};
