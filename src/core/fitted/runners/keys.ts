/** Which runner of a drawer: on the case to its left or right, or the third one under a tall pull-out. */
export type RunnerHand = 'left' | 'right' | 'under';

const HANDS: readonly RunnerHand[] = ['left', 'right', 'under'];

/** The key under which a runner is selected. `at` is its place among the bodies of its drawer. */
export function runnerKey(opening: string, at: number): string {
  return `runner/${opening}/${HANDS[at] ?? at + 1}`;
}

/** The opening and hand a runner's key stands for; undefined for the keys of parts. */
export function runnerOfKey(key: string | null): { opening: string; hand: RunnerHand } | undefined {
  const found = /^runner\/(.+)\/(left|right|under)$/.exec(key ?? '');
  return found ? { opening: found[1] as string, hand: found[2] as RunnerHand } : undefined;
}
