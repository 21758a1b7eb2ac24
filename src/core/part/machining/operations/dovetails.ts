import type { Dim } from '../../../ground/index.js';
import type { Cut, FacePoint, OperationDefinition, Outline, PartSize, Run, Space, Why } from '../definition.js';
import { fromStart, slanting, space } from '../place.js';

/**
 * Dovetails at a corner: on the board with the tails what is cut away between them, on the board with the pins the
 * sockets the tails go into from its face 1. Tails are wide at their tips and narrow at the shoulder.
 */
export interface Dovetails extends Why {
  readonly kind: 'dovetails';
  readonly end: 'u0' | 'u1';
  readonly board: 'tails' | 'pins';
  /** Along the part: how long the tails are, or how far the sockets go in from the end, the thickness of the tail board. */
  readonly length: Dim;
  /** From face 1 of the pin board: how deep its sockets are. */
  readonly depth: Dim;
  /** Middles of the tails, across the part from v0. */
  readonly positions: readonly Dim[];
  /** Width of a tail at its shoulder and at its tip. */
  readonly narrow: Dim;
  readonly wide: Dim;
  /** Across which stretch of the part the other board lies, from v0. */
  readonly lower: Dim;
  readonly upper: Dim;
}

/** Along u, from the tip or the end to the shoulder. */
function along({ end, length }: Dovetails, size: PartSize): readonly [tip: number, shoulder: number] {
  return [fromStart(size, end, 0), fromStart(size, end, length.value)];
}

/** The corners of what is cut away beside and between the tails. */
function waste(operation: Dovetails, size: PartSize): FacePoint[][] {
  const { positions, narrow, wide, lower, upper } = operation;
  const [tip, shoulder] = along(operation, size);
  const [n, w] = [narrow.value / 2, wide.value / 2];
  const at = positions.map(({ value: mm }) => mm);
  return Array.from({ length: at.length + 1 }, (_, gap): FacePoint[] => {
    const [before, after] = [at[gap - 1], at[gap]];
    const low = before === undefined ? [lower.value, lower.value] : [before + w, before + n];
    const high = after === undefined ? [upper.value, upper.value] : [after - w, after - n];
    return [
      [tip, low[0] as number],
      [tip, high[0] as number],
      [shoulder, high[1] as number],
      [shoulder, low[1] as number],
    ];
  });
}

/** How far the sockets go in from the end. */
function socketRun(operation: Dovetails, size: PartSize): Run {
  const [tip, shoulder] = along(operation, size);
  return tip < shoulder ? [tip, shoulder] : [shoulder, tip];
}

/** The corners of each socket across the pin board and into it. */
function sockets({ positions, narrow, wide, depth }: Dovetails): FacePoint[][] {
  const [n, w] = [narrow.value / 2, wide.value / 2];
  return positions.map(({ value: mm }) => [
    [mm - n, 0],
    [mm + n, 0],
    [mm + w, depth.value],
    [mm - w, depth.value],
  ]);
}

export const dovetails: OperationDefinition<Dovetails> = {
  kind: 'dovetails',
  spaces(operation, size): Space[] {
    if (operation.board === 'tails')
      return waste(operation, size).map((corners) => slanting(operation, false, corners, [0, size.thickness]));
    const half = operation.wide.value / 2;
    return operation.positions.map(({ value: mm }) =>
      space(operation, false, socketRun(operation, size), [mm - half, mm + half], [0, operation.depth.value]),
    );
  },
  cuts(operation, size): Cut[] {
    if (operation.board === 'tails')
      return waste(operation, size).map((corners) => ({ shape: 'prism', corners, w: [0, size.thickness] }));
    return sockets(operation).map((corners) => ({ shape: 'ridge', corners, u: socketRun(operation, size) }));
  },
  // The shoulder line and the flanks of the tails; on the pin board the sockets as they are seen from its face.
  outline(operation, size): Outline[] {
    const { board, positions, narrow, wide, lower, upper } = operation;
    const [tip, shoulder] = along(operation, size);
    if (board === 'pins') {
      const half = narrow.value / 2;
      return positions.map(({ value: mm }) => ({
        shape: 'region',
        u: socketRun(operation, size),
        v: [mm - half, mm + half],
        face: 1,
      }));
    }
    const [n, w] = [narrow.value / 2, wide.value / 2];
    return [
      { shape: 'line', from: [shoulder, lower.value], to: [shoulder, upper.value], seen: true },
      ...positions.flatMap(({ value: mm }): Outline[] =>
        [-1, 1].map((side) => ({
          shape: 'line',
          from: [tip, mm + side * w],
          to: [shoulder, mm + side * n],
          seen: true,
          heavy: true,
        })),
      ),
    ];
  },
  row: ({ end, board, positions, narrow, wide, length, depth }, names) => ({
    what: board === 'tails' ? 'Dovetails' : 'Sockets of dovetails',
    where: `${names.edge(end)} end, middles from the lower edge`,
    positions,
    size: narrow,
    by: wide,
    depth: board === 'tails' ? length : depth,
  }),
  words: ({ end, board, positions, length, depth }, names, show) =>
    `${positions.length} ${board === 'tails' ? `dovetail${positions.length === 1 ? '' : 's'} ${show(length.value)} long` : `socket${positions.length === 1 ? '' : 's'} ${show(depth.value)} deep for dovetails`} on the ${names.edge(end)} end`,
};
