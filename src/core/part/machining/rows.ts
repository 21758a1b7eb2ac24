import { gather } from '../../ground/index.js';
import type { PartSize, Space } from './definition.js';
import { type Operation, spacesOf } from './operations/index.js';
import { placeRow } from './placer.js';

/** An operation with a row of places along its part. */
export type RowOperation = Extract<Operation, { readonly kind: 'holes' | 'edge holes' | 'pockets' }>;

/** The same row of fasteners as it is cut in one of the parts it goes through. */
export interface RowIn {
  readonly operation: RowOperation;
  readonly size: PartSize;
  /** What else is cut or bored in that part, and the lines of other screws there. */
  readonly others: readonly Operation[];
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
  const regular = first?.operation.positions.map(({ value: mm }) => mm) ?? [];
  const [start] = regular;
  if (!first || start === undefined) return undefined;
  const taken = members.flatMap((member) => takenOf(member, start, skin));
  if (regular.every((at) => taken.every(([from, to]) => at <= from + 1e-6 || at >= to - 1e-6))) return undefined;
  const placed = placeRow({ regular, within, apart, taken, least: regular.length });
  return placed.ok ? placed.places.map((at, index) => at - (regular[index] ?? 0)) : undefined;
}

type Runs = (readonly [from: number, to: number])[];

/**
 * Runs of moves (mm along the length) by which an operation would come into something else cut in its part, less what runs
 * along with it, which it cannot be moved clear of at all.
 */
export function movesTaken(operation: Operation, size: PartSize, others: readonly Operation[], skin: number): Runs {
  const passes = ({ low, high }: Space) => high[0] - low[0] < size.length / 2;
  return movesInto(operation, size, 0, gather(others, (other) => spacesOf(other, size)).filter(passes), skin);
}

/** Runs of moves along an axis by which an operation would come into one of some spaces. */
function movesInto(operation: Operation, size: PartSize, along: 0 | 1, spaces: readonly Space[], skin: number): Runs {
  const across = along === 0 ? 1 : 0;
  return spacesOf(operation, size).flatMap((mine) =>
    spaces
      .filter((other) => beside(mine, other, across, skin))
      .flatMap((other) => reaches(other, along, mine.low[across] - skin, mine.high[across] + skin))
      .map(([low, high]) => [low - mine.high[along] - skin, high - mine.low[along] + skin] as const),
  );
}

/** From where to where a space reaches along an axis between two places across it: what lies slanting reaches less far. */
function reaches({ low, high, corners }: Space, along: 0 | 1, from: number, to: number): Runs {
  if (!corners) return [[low[along], high[along]]];
  const across = along === 0 ? 1 : 0;
  const reached = corners.flatMap((corner, at): number[] => {
    const next = corners[(at + 1) % corners.length] ?? corner;
    const [a, b] = [corner[along], next[along]];
    const [v, nextV] = [corner[across], next[across]];
    const crossing = (line: number) =>
      (v - line) * (nextV - line) < 0 ? [a + ((b - a) * (line - v)) / (nextV - v)] : [];
    return [...(v >= from && v <= to ? [a] : []), ...crossing(from), ...crossing(to)];
  });
  return reached.length > 0 ? [[Math.min(...reached), Math.max(...reached)]] : [];
}

type TakenBlock = Pick<Space, 'low' | 'high'>;

/** True where two come together across the row and in depth, wherever they are along it. */
function beside(mine: TakenBlock, other: TakenBlock, across: 0 | 1, skin: number): boolean {
  return ([across, 2] as const).every(
    (axis) => other.low[axis] < mine.high[axis] + skin && other.high[axis] > mine.low[axis] - skin,
  );
}

/** Runs of places along the first part, whose first one stands at `start`, in which the row would come into something in this one. */
function takenOf({ operation, size, others }: RowIn, start: number, skin: number): Runs {
  const first = { ...operation, positions: operation.positions.slice(0, 1) } as Operation;
  const near = others.filter(({ group }) => group === undefined || group !== operation.group);
  const spaces = gather(near, (other) => spacesOf(other, size));
  return movesInto(first, size, runsAlong(operation), spaces, skin).map(
    ([from, to]) => [from + start, to + start] as const,
  );
}

/** The axis along which the places of an operation run: 0 its length, 1 its width. */
function runsAlong(operation: RowOperation): 0 | 1 {
  const edge = operation.kind === 'holes' ? operation.from : operation.edge;
  return edge.startsWith('u') ? 1 : 0;
}
