import type { Cabinet, Job, JobHead } from '../core/decisions/index.js';
import { sameHead } from '../core/solve/index.js';
import type { Answers, Ask, FromWorker, ToWorker } from './asks.js';

/** What the asker needs of a worker; a test stands one in. */
export interface Port {
  post(message: ToWorker): void;
  /** Called once, before anything is posted. */
  listen(heard: (message: FromWorker) => void, failed: () => void): void;
}

interface Pending {
  readonly head: JobHead;
  readonly cabinet: Cabinet;
  readonly ask: Ask;
  readonly heard: (answer: Answers[Ask['kind']]) => void;
}

interface Kept {
  readonly head: JobHead;
  readonly answer: Answers[Ask['kind']];
}

/**
 * Asks a worker and keeps what it answers while head and cabinet stay as they are. Of asks with one name only the newest
 * waits: while somebody drags, the worker draws what is there when it comes to it, not every step on the way.
 */
export class Asker {
  private readonly waiting = new Map<string, Pending>();
  private readonly kept = new WeakMap<Cabinet, Map<string, Kept>>();
  private working: { readonly id: number; readonly name: string; readonly pending: Pending } | undefined;
  private sent: JobHead | undefined;
  private asked = 0;
  /** True once the worker could not be started or has died: nothing is answered any more. */
  private dead = false;

  constructor(private readonly port: Port) {
    port.listen(
      (message) => this.hear(message),
      () => {
        this.dead = true;
        this.waiting.clear();
      },
    );
  }

  /** The answer, where it is known already. */
  known<A extends Ask>(name: string, head: JobHead, cabinet: Cabinet): Answers[A['kind']] | undefined {
    const kept = this.kept.get(cabinet)?.get(name);
    return kept && sameHead(kept.head, head) ? (kept.answer as Answers[A['kind']]) : undefined;
  }

  /** Asks, unless the answer is known; an older ask of the same name that has not been begun is dropped. */
  ask(name: string, head: JobHead, cabinet: Cabinet, ask: Ask, heard: Pending['heard']): void {
    const known = this.known(name, head, cabinet);
    if (known) heard(known);
    else if (!this.dead) {
      this.waiting.set(name, { head, cabinet, ask, heard });
      this.next();
    }
  }

  private next(): void {
    const [first] = this.waiting;
    if (this.working || !first) return;
    const [name, pending] = first;
    this.waiting.delete(name);
    if (!this.sent || !sameHead(this.sent, pending.head)) {
      const { cabinets: _cabinets, ...head } = pending.head as Partial<Job>;
      this.port.post({ head });
      this.sent = pending.head;
    }
    this.asked += 1;
    this.working = { id: this.asked, name, pending };
    this.port.post({ id: this.asked, cabinet: pending.cabinet, ask: pending.ask });
  }

  private hear(message: FromWorker): void {
    if (this.working?.id !== message.id) return;
    const { name, pending } = this.working;
    this.working = undefined;
    if ('answer' in message) {
      const own = this.kept.get(pending.cabinet) ?? new Map<string, Kept>();
      this.kept.set(pending.cabinet, own.set(name, { head: pending.head, answer: message.answer }));
      pending.heard(message.answer);
    }
    this.next();
  }
}
