import type { Cabinet, Job, JobHead } from '../core/decisions/index.js';
import { sameHead } from '../core/solve/index.js';
import type { Answer, Answers, Ask } from './asks.js';

/** A worker, as whoever asks it has it; a test stands one in. */
export interface AnswersWorker {
  head(head: unknown): Promise<void>;
  answer(cabinet: unknown, ask: Ask): Promise<Answer | undefined>;
}

interface Pending {
  readonly head: JobHead;
  readonly cabinet: Cabinet;
  readonly ask: Ask;
  readonly heard: (answer: Answer) => void;
}

interface Kept {
  readonly head: JobHead;
  readonly answer: Answer;
}

/**
 * Asks a worker and keeps what it answers while head and cabinet stay as they are. Of asks with one name only the newest
 * waits: while somebody drags, the worker draws what is there when it comes to it, not every step on the way.
 */
export class AnswerCache {
  private readonly waiting = new Map<string, Pending>();
  private readonly kept = new WeakMap<Cabinet, Map<string, Kept>>();
  private working = false;
  private sent: JobHead | undefined;
  /** True once the worker could not be started or has died: nothing is answered any more. */
  private dead = false;

  constructor(private readonly worker: AnswersWorker) {}

  /** The worker could not be started, or has died. */
  failed(): void {
    this.dead = true;
    this.waiting.clear();
  }

  /** The answer, where it is known already. */
  known<A extends Ask>(name: string, head: JobHead, cabinet: Cabinet): Answers[A['kind']] | undefined {
    const kept = this.kept.get(cabinet)?.get(name);
    return kept && sameHead(kept.head, head) ? (kept.answer as Answers[A['kind']]) : undefined;
  }

  /**
   * Asks, unless the answer is known; an older ask of the same name that has not been begun is dropped. False where nobody
   * answers any more.
   */
  ask(name: string, head: JobHead, cabinet: Cabinet, ask: Ask, heard: Pending['heard']): boolean {
    const known = this.known(name, head, cabinet);
    if (known) heard(known);
    else if (this.dead) return false;
    else {
      this.waiting.set(name, { head, cabinet, ask, heard });
      void this.work();
    }
    return true;
  }

  /** Asks one thing after another until nothing waits. */
  private async work(): Promise<void> {
    if (this.working) return;
    this.working = true;
    for (let [first] = this.waiting; first && !this.dead; [first] = this.waiting) {
      const [name, pending] = first;
      this.waiting.delete(name);
      await this.answer(name, pending).catch(() => this.failed());
    }
    this.working = false;
  }

  private async answer(name: string, { head, cabinet, ask, heard }: Pending): Promise<void> {
    if (!this.sent || !sameHead(this.sent, head)) {
      const { cabinets: _cabinets, ...own } = head as Partial<Job>;
      this.sent = head;
      await this.worker.head(own);
    }
    const answer = await this.worker.answer(cabinet, ask);
    if (answer === undefined) return;
    const own = this.kept.get(cabinet) ?? new Map<string, Kept>();
    this.kept.set(cabinet, own.set(name, { head, answer }));
    heard(answer);
  }
}
