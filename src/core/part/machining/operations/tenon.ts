import type { Dim } from '../../../ground/index.js';
import type { Cut, OperationDefinition, Outline, PartSize, Run, Why } from '../definition.js';
import { block, fromStart, space } from '../place.js';

/** A tenon on an end: what is left when its shoulders are cut away. */
export interface Tenon extends Why {
  readonly kind: 'tenon';
  readonly end: 'u0' | 'u1';
  readonly length: Dim;
  /** From face 1 to the tenon: the shoulder on that side. */
  readonly offset: Dim;
  readonly thickness: Dim;
  /** How far it is set in from the edges of the part, where it is narrower than the part. */
  readonly inset?: { readonly v0?: Dim; readonly v1?: Dim };
}

/** What is cut away: before and behind the tenon over the whole width, and beside it what is left there. */
function shoulders({ end, length, offset, thickness, inset }: Tenon, size: PartSize): [Run, Run, Run][] {
  const [a, b] = [fromStart(size, end, 0), fromStart(size, end, length.value)];
  const u: Run = a < b ? [a, b] : [b, a];
  const across: Run = [0, size.width];
  const tenon: Run = [offset.value, offset.value + thickness.value];
  return [
    ...(tenon[0] > 0 ? [[u, across, [0, tenon[0]]] as [Run, Run, Run]] : []),
    ...(tenon[1] < size.thickness ? [[u, across, [tenon[1], size.thickness]] as [Run, Run, Run]] : []),
    ...(inset?.v0 ? [[u, [0, inset.v0.value], tenon] as [Run, Run, Run]] : []),
    ...(inset?.v1 ? [[u, [size.width - inset.v1.value, size.width], tenon] as [Run, Run, Run]] : []),
  ];
}

export const tenon: OperationDefinition<Tenon> = {
  kind: 'tenon',
  spaces: (operation, size) => shoulders(operation, size).map((runs) => space(operation, false, ...runs)),
  cuts: (operation, size): Cut[] => shoulders(operation, size).map((runs) => block(...runs)),
  // The line of its shoulders on both faces, and the edges of the tenon beyond it.
  outline({ end, length, inset }, size): Outline[] {
    const shoulder = fromStart(size, end, length.value);
    const tip = fromStart(size, end, 0);
    const edges = [...(inset?.v0 ? [inset.v0.value] : []), ...(inset?.v1 ? [size.width - inset.v1.value] : [])];
    return [
      { shape: 'line', from: [shoulder, 0], to: [shoulder, size.width], seen: true },
      ...edges.map((v): Outline => ({ shape: 'line', from: [shoulder, v], to: [tip, v], seen: true })),
    ];
  },
  row: ({ end, length, offset, thickness, inset }, names) => ({
    what: 'Tenon',
    where: `${names.edge(end)} end, from the ${names.face(1)}`,
    offset,
    positions: [],
    further: [inset?.v0, inset?.v1].filter((each): each is Dim => each !== undefined),
    size: thickness,
    by: length,
  }),
  words: ({ end, length, offset, thickness }, names, show) =>
    `tenon ${show(thickness.value)} thick, ${show(length.value)} long on the ${names.edge(end)} end, ${show(offset.value)} from the ${names.face(1)}`,
};
