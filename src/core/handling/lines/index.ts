import type { Beside } from '../../drawing/index.js';
import type { SolvedCabinet } from '../../solve.js';
import { edgeLines } from './edges.js';
import { gapLines } from './gaps.js';
import type { Line } from './line.js';
import { pullLines } from './pulls.js';
import { roomLines } from './rooms.js';

export type { Following, Line, Snap } from './line.js';

/** Everything that can be dragged, in the order in which it lies over one another. A new kind is a file and a line here. */
const KINDS: readonly ((solved: SolvedCabinet, beside: Beside) => Line[])[] = [
  gapLines,
  roomLines,
  edgeLines,
  pullLines,
];

/** Every line that can be dragged on the front elevation. */
export function linesOf(solved: SolvedCabinet, beside: Beside = {}): Line[] {
  return KINDS.flatMap((of) => of(solved, beside));
}
