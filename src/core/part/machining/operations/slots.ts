import type { Dim } from '../../../ground/index.js';
import type {
  EdgeReference,
  OperationDefinition,
  Outline,
  PanelFace,
  PartNames,
  PartSize,
  Run,
  Why,
} from '../definition.js';
import { block, fromStart, into, isEnd, patch, patches, space } from '../place.js';
import { edgeLine } from './edgeLine.js';

/** Oblong recesses in a face or an edge. Positions are of their middles. */
interface Oblong extends Why {
  readonly place: { readonly face: PanelFace; readonly from: EdgeReference } | { readonly edge: EdgeReference };
  /** From the edge, or from face 1, to the slot's centre line. */
  readonly offset: Dim;
  readonly positions: readonly Dim[];
  readonly length: Dim;
  readonly thickness: Dim;
  readonly depth: Dim;
}

/** Slots for loose tenons. */
export interface Slots extends Oblong {
  readonly kind: 'slots';
}

/** Mortises for hinge leaves. */
export interface Mortises extends Oblong {
  readonly kind: 'mortises';
}

/** Where each of them lies: its runs along u, v and w. */
function runs({ place, offset, positions, length, thickness, depth }: Oblong, size: PartSize): [Run, Run, Run][] {
  const [half, thick] = [length.value / 2, thickness.value / 2];
  const across: Run = [offset.value - thick, offset.value + thick];
  return positions.map(({ value: mm }) =>
    'edge' in place
      ? [...patch(size, place.edge, [0, depth.value], mm, half), across]
      : [...patch(size, place.from, across, mm, half), into(size, place.face, depth.value)],
  );
}

function row({ place, offset, positions, length, depth }: Oblong, names: PartNames) {
  return {
    where:
      'edge' in place
        ? `${names.edge(place.edge)} edge, from the ${names.face(1)}`
        : `${names.face(place.face)}, from the ${names.edge(place.from)} edge`,
    offset,
    positions,
    size: length,
    depth,
  };
}

function words({ place, offset, positions }: Oblong, names: PartNames, show: (mm: number) => string, what: string) {
  const where =
    'edge' in place
      ? `in the ${names.edge(place.edge)} edge`
      : `${show(offset.value)} from the ${names.edge(place.from)} edge`;
  return `${positions.length} ${what} ${where}`;
}

const taken = {
  spaces: (operation: Oblong & { readonly kind: string }, size: PartSize) =>
    runs(operation, size).map(([u, v, w]) => space(operation, true, u, v, w)),
  bounds: ({ place, offset, positions, length, thickness, depth }: Oblong, size: PartSize) =>
    'edge' in place
      ? patches(size, place.edge, [0, depth.value], positions, length.value / 2)
      : patches(
          size,
          place.from,
          [offset.value - thickness.value / 2, offset.value + thickness.value / 2],
          positions,
          length.value / 2,
        ),
  cuts: (operation: Oblong, size: PartSize) => runs(operation, size).map(([u, v, w]) => block(u, v, w)),
};

export const slots: OperationDefinition<Slots> = {
  kind: 'slots',
  ...taken,
  outline: ({ place, offset, positions, length, depth }, size) =>
    positions.map(({ value: mm }): Outline => {
      if ('edge' in place) return edgeLine(size, place.edge, mm, depth.value);
      const line = fromStart(size, place.from, offset.value);
      const [low, high] = [mm - length.value / 2, mm + length.value / 2];
      return isEnd(place.from)
        ? { shape: 'line', from: [line, low], to: [line, high], face: place.face, heavy: true }
        : { shape: 'line', from: [low, line], to: [high, line], face: place.face, heavy: true };
    }),
  row: (operation, names) => ({ what: 'Slots', ...row(operation, names) }),
  words: (operation, names, show) => words(operation, names, show, 'tenon slots'),
};

export const mortises: OperationDefinition<Mortises> = {
  kind: 'mortises',
  ...taken,
  // On a face as wide as its leaf, in an edge as deep as it is let in; one in an edge is seen from both faces.
  outline: (operation, size) =>
    runs(operation, size).map(([u, v]) => ({
      shape: 'region',
      u,
      v,
      ...('face' in operation.place ? { face: operation.place.face } : {}),
    })),
  row: (operation, names) => ({ what: 'Mortises', ...row(operation, names) }),
  words: (operation, names, show) => words(operation, names, show, 'hinge mortises'),
};
