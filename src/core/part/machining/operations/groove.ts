import type { Dim } from '../../../ground/index.js';
import type { EdgeReference, OperationDefinition, PanelFace, Why } from '../definition.js';
import { type Stopped, stoppedStrip, stopsOf, stopWords, sunk } from '../place.js';

/** A groove or dado along the whole length or width of a face. */
export interface Groove extends Why {
  readonly kind: 'groove';
  readonly face: PanelFace;
  readonly along: 'length' | 'width';
  readonly from: EdgeReference;
  /** From that edge to the groove's near wall: the fence setting at the saw. */
  readonly offset: Dim;
  readonly width: Dim;
  /** Blade or cutter height. */
  readonly depth: Dim;
  /** Where it does not run out at both ends of the part. */
  readonly stopped?: Stopped;
  /** What cuts it: crept to the panel, or one pass of a cutter with its centre line given. */
  readonly cutter?: { readonly width: Dim; readonly centre: Dim };
}

export const groove: OperationDefinition<Groove> = {
  kind: 'groove',
  ...sunk<Groove>(({ from, offset, width, stopped }, size) =>
    stoppedStrip(size, from, [offset.value, offset.value + width.value], stopped),
  ),
  row: ({ along, face, from, offset, width, depth, stopped }, names) => ({
    what: `${along === 'width' ? 'Dado' : 'Groove'}${stopped ? ', stopped' : ''}`,
    where: `${names.face(face)}, from the ${names.edge(from)} edge`,
    offset,
    positions: [],
    ...stopsOf(stopped),
    size: width,
    depth,
  }),
  words: ({ along, from, offset, width, depth, stopped }, names, show) =>
    `${along === 'width' ? 'dado' : 'groove'} ${show(width.value)} wide, ${show(depth.value)} deep, ${show(offset.value)} from the ${names.edge(from)} edge${stopWords(stopped, show)}`,
};
