import type { Beside } from '../../../present/index.js';
import type { SolvedCabinet } from '../../../solve/index.js';
import { depthLines } from './depths.js';
import { edgeLines } from './edges.js';
import { gapLines } from './gaps.js';
import type { Line } from './line.js';
import { pinColumnLines } from './pins.js';
import { pullLines } from './pulls.js';
import { roomLines } from './rooms.js';
import { runnerLines, runnerSectionLines } from './runners.js';

export type { Following, Line, Snap } from './line.js';

/** Everything that can be dragged, in the order in which it lies over one another. A new kind is a file and a line here. */
const KINDS: readonly ((solved: SolvedCabinet, beside: Beside) => Line[])[] = [
  gapLines,
  roomLines,
  edgeLines,
  pullLines,
  runnerLines,
];

/** The same on the side section. */
const ON_SECTION: readonly ((solved: SolvedCabinet) => Line[])[] = [depthLines, pinColumnLines, runnerSectionLines];

/** Every line that can be dragged on the front elevation. */
export function linesOf(solved: SolvedCabinet, beside: Beside = {}): Line[] {
  return KINDS.flatMap((of) => of(solved, beside));
}

/** Every line that can be dragged on the side section. */
export function sectionLinesOf(solved: SolvedCabinet): Line[] {
  return ON_SECTION.flatMap((of) => of(solved));
}
