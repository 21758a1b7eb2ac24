import type { SaveAnswer, SaverWorld, SaveState } from './answers.js';
import type { Save } from './unsent.js';

/** What came of sending what was left over. */
export type SentLeftOver =
  | { readonly kind: 'sent' }
  /** It waits for the server, or for somebody. */
  | { readonly kind: 'waits'; readonly state: SaveState }
  /** Somebody saved meanwhile: these are not in it. */
  | {
      readonly kind: 'stale';
      readonly answer: Extract<SaveAnswer, { kind: 'stale' }>;
      readonly saves: readonly Save[];
    };

/** Sends saves that were left over, one after the other; what the server refuses is told and left out. */
export async function sendLeftOver(
  saves: readonly Save[],
  world: Pick<SaverWorld, 'send'>,
  refused: (save: Save, why: string) => void,
): Promise<SentLeftOver> {
  // Each was made on top of the one before it; one that is refused leaves the job as it was.
  let version = saves[0]?.version ?? 0;
  for (const [at, save] of saves.entries()) {
    const answer = await world.send({ ...save, version }, false).catch(noAnswer);
    if (answer.kind === 'saved') version = answer.version;
    else if (answer.kind === 'refused' || answer.kind === 'ended') refused(save, answer.message);
    else if (answer.kind === 'stale') return { kind: 'stale', answer, saves: saves.slice(at) };
    else return { kind: 'waits', state: waitingFor(answer) };
  }
  return { kind: 'sent' };
}

export const noAnswer = () => ({ kind: 'later', message: 'the server does not answer' }) as const;

/** What a save waits for that was not taken and will be. */
export function waitingFor(answer: Extract<SaveAnswer, { kind: 'later' | 'locked' | 'outdated' }>): SaveState {
  return answer.kind === 'later' ? { kind: 'kept', message: answer.message } : { kind: answer.kind };
}
