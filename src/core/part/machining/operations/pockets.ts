import type { Dim } from '../../../ground/index.js';
import type { EdgeReference, OperationDefinition, PanelFace, PartSize, Ramp, Run, Why } from '../definition.js';
import { block, fromStart, into, isEnd, patch, patches, space } from '../place.js';
import { edgeLine } from './edgeLine.js';

/** Pocket holes in a face, leaving through an edge. */
export interface Pockets extends Why {
  readonly kind: 'pockets';
  readonly face: PanelFace;
  readonly edge: EdgeReference;
  readonly positions: readonly Dim[];
  /** True when the face shows and the pockets have to be plugged. */
  readonly plugged: boolean;
}

/** A pocket hole: this far in from the edge, this wide (mm), at this slope; it leaves through the middle of the edge. */
export const POCKET = { reach: 40, width: 10, slope: Math.tan((15 * Math.PI) / 180) };
/** How finely the slope is stepped where it is cut as a solid (mm). */
const STEP = 4;

function depthAt(thickness: number, fromEdge: number): number {
  return Math.max(0, Math.min(thickness, thickness / 2 + POCKET.width / 2) - fromEdge * POCKET.slope);
}

/** The run along w that a pocket has this far from its edge (mm). */
export function pocketRun({ face, thickness }: Pick<Ramp, 'face' | 'thickness'>, fromEdge: number): Run {
  const depth = depthAt(thickness, Math.min(fromEdge, POCKET.reach));
  return face === 1 ? [0, depth] : [thickness - depth, thickness];
}

function rampOf({ edge, face }: Pockets, size: PartSize): Ramp {
  return {
    axis: isEnd(edge) ? 0 : 1,
    edge: fromStart(size, edge, 0),
    inward: edge.endsWith('0') ? 1 : -1,
    face,
    thickness: size.thickness,
  };
}

export const pockets: OperationDefinition<Pockets> = {
  kind: 'pockets',
  spaces(operation, size) {
    const { edge, face, positions } = operation;
    const ramp = rampOf(operation, size);
    return positions.map(({ value: mm }) => ({
      ...space(
        operation,
        true,
        ...patch(size, edge, [0, POCKET.reach], mm, POCKET.width / 2),
        into(size, face, depthAt(size.thickness, 0)),
      ),
      ramp,
    }));
  },
  bounds: ({ edge, positions }, size) => patches(size, edge, [0, POCKET.reach], positions, POCKET.width / 2),
  cuts: (operation, size) =>
    operation.positions.flatMap(({ value: mm }) =>
      Array.from({ length: POCKET.reach / STEP }, (_, at) => {
        const run = pocketRun(rampOf(operation, size), at * STEP);
        return block(...patch(size, operation.edge, [at * STEP, (at + 1) * STEP], mm, POCKET.width / 2), run);
      }),
    ),
  outline: ({ edge, face, positions }, size) =>
    positions.map(({ value: mm }) => edgeLine(size, edge, mm, POCKET.reach, face)),
  row: ({ face, edge, positions, plugged }, names) => ({
    what: plugged ? 'Pocket holes, plugged' : 'Pocket holes',
    where: `${names.face(face)}, through the ${names.edge(edge)} edge`,
    positions,
    size: names.thickness,
  }),
  words: ({ edge, positions, plugged }, names) =>
    `${positions.length} pocket holes at the ${names.edge(edge)} edge${plugged ? ', plugged' : ''}`,
};
