import { type Extent, keyForm } from '../../part/index.js';
import type { FittedDrawer } from './drawers.js';
import type { OnCase } from './onCase.js';

/** On the case to the left or right of the box, or the third one under a tall pull-out: in the order of their bodies. */
const HANDS = ['left', 'right', 'under'] as const;

const runnerKey = keyForm('runner/:opening/:hand');

/** One runner of a drawer, selected by its key. */
export interface Runner {
  readonly key: string;
  readonly hand: (typeof HANDS)[number];
  readonly drawer: FittedDrawer;
  /** The room it takes. */
  readonly extent: Extent;
  /** What it is screwed to; undefined on brackets, and where nothing carries it. */
  readonly held: OnCase['held']['left'];
}

/** The runners of a drawer; none where it runs wood on wood, or nothing fits. */
export function runnersOf(drawer: FittedDrawer): Runner[] {
  const { bodies = [], opening, runner } = drawer;
  return bodies.flatMap((extent, at): Runner[] => {
    const hand = HANDS[at];
    if (!hand) return [];
    const held = hand === 'under' ? undefined : runner?.held[hand];
    return [{ key: runnerKey.of({ opening, hand }), hand, drawer, extent, held }];
  });
}

/** The runner a key stands for; undefined for the keys of parts. */
export function runnerAt(drawers: readonly FittedDrawer[], key: string | null): Runner | undefined {
  return drawers.flatMap(runnersOf).find((runner) => runner.key === key);
}
