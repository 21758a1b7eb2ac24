import type { Dim } from '../../../ground/index.js';
import type { EdgeReference, OperationDefinition, PanelFace, Why } from '../definition.js';
import { type Stopped, stoppedStrip, stopsOf, stopWords, sunk } from '../place.js';

/** A step along an edge. */
export interface Rabbet extends Why {
  readonly kind: 'rabbet';
  readonly face: PanelFace;
  readonly from: EdgeReference;
  /** How far in from the edge. */
  readonly width: Dim;
  readonly depth: Dim;
  /** Where it does not run out at both ends of its edge. */
  readonly stopped?: Stopped;
}

export const rabbet: OperationDefinition<Rabbet> = {
  kind: 'rabbet',
  ...sunk<Rabbet>(({ from, width, stopped }, size) => stoppedStrip(size, from, [0, width.value], stopped)),
  row: ({ face, from, width, depth, stopped }, names) => ({
    what: `Rabbet${stopped ? ', stopped' : ''}`,
    where: `${names.face(face)}, ${names.edge(from)} edge`,
    positions: [],
    ...stopsOf(stopped),
    size: width,
    depth,
  }),
  words: ({ from, width, depth, stopped }, names, show) =>
    `rabbet ${show(width.value)} wide, ${show(depth.value)} deep on the ${names.edge(from)} edge${stopWords(stopped, show)}`,
};
