import type { PartSize, Space } from './definition.js';
import { type Operation, spacesOf } from './operations/index.js';
import { placeRow } from './placer.js';

/** An operation with a row of places along its part. */
export type RowOperation = Extract<Operation, { readonly kind: 'holes' | 'edge holes' | 'pockets' }>;

/** The same row of fasteners as it is cut in one of the parts it goes through. */
export interface RowIn {
  readonly operation: RowOperation;
  readonly size: PartSize;
  /** What else is cut or bored in that part, and the ways of other screws there. */
  readonly others: readonly Operation[];
  /** 1 where places along this part run as they do along the first one, -1 where they run back. */
  readonly runs?: 1 | -1;
}

/**
 * How far each fastener of a row goes (mm, along the first part) so that it stands clear in every part it is cut in, moved
 * the least in all; undefined where all stand clear already, or where there is no room for as many.
 *
 * `skin` is the wood wanted beside each; `within` the first and last place along the first part; `apart` how near two may
 * stand.
 */
export function movedRow(
  members: readonly RowIn[],
  {
    skin,
    within,
    apart,
  }: { readonly skin: number; readonly within: readonly [number, number]; readonly apart: number },
): readonly number[] | undefined {
  const [first] = members;
  const regular = first?.operation.positions.map(({ mm }) => mm) ?? [];
  const [start] = regular;
  if (!first || start === undefined) return undefined;
  const taken = members.flatMap((member) => takenOf(member, start, skin));
  if (regular.every((at) => taken.every(([from, to]) => at <= from + 1e-6 || at >= to - 1e-6))) return undefined;
  const placed = placeRow({ regular, within, apart, taken, least: regular.length });
  return placed.ok ? placed.places.map((at, index) => at - (regular[index] ?? 0)) : undefined;
}

/**
 * Runs of moves (mm along the length) by which an operation would come into something else cut in its part, less what it
 * cannot be moved clear of at all.
 */
export function movesTaken(
  operation: Operation,
  size: PartSize,
  others: readonly Operation[],
  skin: number,
): (readonly [from: number, to: number])[] {
  return spacesOf(operation, size).flatMap((mine) =>
    others
      .flatMap((other) => spacesOf(other, size))
      .filter((other) => other.high[0] - other.low[0] < size.length / 2 && beside(mine, other, 1, skin))
      .flatMap((other) => alongWithin(other, mine.low[1] - skin, mine.high[1] + skin))
      .map(([low, high]) => [low - mine.high[0] - skin, high - mine.low[0] + skin] as const),
  );
}

/** From where to where a space reaches along the length between two places across: what lies slanting reaches less far. */
function alongWithin({ low, high, corners }: Space, from: number, to: number): (readonly [number, number])[] {
  if (!corners) return [[low[0], high[0]]];
  const reached = corners.flatMap(([u, v], at): number[] => {
    const [nextU, nextV] = corners[(at + 1) % corners.length] ?? [u, v];
    const crossing = (line: number) =>
      (v - line) * (nextV - line) < 0 ? [u + ((nextU - u) * (line - v)) / (nextV - v)] : [];
    return [...(v >= from && v <= to ? [u] : []), ...crossing(from), ...crossing(to)];
  });
  return reached.length > 0 ? [[Math.min(...reached), Math.max(...reached)]] : [];
}

type Block = Pick<Space, 'low' | 'high'>;

/** True where two come together across the row and in depth, wherever they are along it. */
function beside(mine: Block, other: Block, across: 0 | 1, skin: number): boolean {
  return ([across, 2] as const).every(
    (axis) => other.low[axis] < mine.high[axis] + skin && other.high[axis] > mine.low[axis] - skin,
  );
}

/** Runs of places along the first part in which the row would come into something in this one. */
function takenOf(
  { operation, size, others, runs = 1 }: RowIn,
  start: number,
  skin: number,
): (readonly [number, number])[] {
  const own = spacesOf({ ...operation, positions: operation.positions.slice(0, 1) } as Operation, size);
  const at = operation.positions[0]?.mm ?? 0;
  const along = runsAlong(operation);
  const across = along === 0 ? 1 : 0;
  return own.flatMap((mine) =>
    others
      .filter(({ group }) => group === undefined || group !== operation.group)
      .flatMap((other) => spacesOf(other, size))
      .filter((other) => beside(mine, other, across, skin))
      .map(({ low, high }) => {
        const from = low[along] - (mine.high[along] - at) - skin;
        const to = high[along] + (at - mine.low[along]) + skin;
        return runs === 1
          ? ([from - at + start, to - at + start] as const)
          : ([at - to + start, at - from + start] as const);
      }),
  );
}

/** The axis along which the places of an operation run: 0 its length, 1 its width. */
function runsAlong(operation: RowOperation): 0 | 1 {
  const edge = operation.kind === 'holes' ? operation.from : operation.edge;
  return edge.startsWith('u') ? 1 : 0;
}
