import type { Dim } from '../../../ground/index.js';
import type { FacePoint, OperationDefinition, Outline, PartSize, Run, Why } from '../definition.js';
import { fromStart, slanting } from '../place.js';

/** Slots for loose tenons in an end cut at an angle, square to the cut. Positions are of their middles, from the long point. */
export interface MitreSlots extends Why {
  readonly kind: 'mitre slots';
  readonly end: 'u0' | 'u1';
  /** The edge with the long point. */
  readonly long: 'v0' | 'v1';
  /** How much shorter the other edge is. */
  readonly shorter: Dim;
  readonly positions: readonly Dim[];
  /** Along the cut. */
  readonly length: Dim;
  /** From face 1 to the slot's middle. */
  readonly offset: Dim;
  readonly thickness: Dim;
  /** Square to the cut. */
  readonly depth: Dim;
}

/** The corners of each slot in plan. */
function lies({ end, long, shorter, positions, length, depth }: MitreSlots, size: PartSize): FacePoint[][] {
  const [tip, inward] = [fromStart(size, end, 0), end === 'u0' ? 1 : -1];
  const [edge, across] = long === 'v0' ? [0, 1] : [size.width, -1];
  const whole = Math.hypot(shorter.value, size.width);
  const [du, dv] = [shorter.value / whole, size.width / whole];
  // Along the cut both u and v run inward from the long point; into the wood v turns back.
  const at = (along: number, into: number): FacePoint => [
    tip + inward * (along * du + into * dv),
    edge + across * (along * dv - into * du),
  ];
  return positions.map(({ value: mm }) => {
    const [low, high] = [mm - length.value / 2, mm + length.value / 2];
    return [at(low, 0), at(high, 0), at(high, depth.value), at(low, depth.value)];
  });
}

function through({ offset, thickness }: MitreSlots): Run {
  return [offset.value - thickness.value / 2, offset.value + thickness.value / 2];
}

export const mitreSlots: OperationDefinition<MitreSlots> = {
  kind: 'mitre slots',
  spaces: (operation, size) =>
    lies(operation, size).map((corners) => slanting(operation, true, corners, through(operation))),
  cuts: (operation, size) =>
    lies(operation, size).map((corners) => ({ shape: 'prism', corners, w: through(operation) })),
  // Within the wood: their outline dashed from both faces.
  outline: (operation, size) =>
    lies(operation, size).flatMap((corners) =>
      corners.map(
        (from, at): Outline => ({
          shape: 'line',
          from,
          to: corners[(at + 1) % corners.length] as FacePoint,
        }),
      ),
    ),
  row: ({ end, positions, length, offset, depth }, names) => ({
    what: 'Slots in the mitre',
    where: `${names.edge(end)} end, from the long point; from the ${names.face(1)}`,
    offset,
    positions,
    size: length,
    depth,
  }),
  words: ({ end, positions, offset }, names, show) =>
    `${positions.length} tenon slots in the mitre of the ${names.edge(end)} end, ${show(offset.value)} from the ${names.face(1)}`,
};
