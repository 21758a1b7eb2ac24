import { Worker } from 'node:worker_threads';
import { BadProblem, Misuse } from './misuse.js';
import type { Printed, SheetOptions } from './sheets.js';

/** What is laid out: a packing problem or a job, by its file. */
export interface Laying {
  readonly kind: 'pack' | 'sheets';
  readonly file: string;
  readonly options: SheetOptions;
}

export interface Asked {
  readonly laying: Laying;
  /** Not 0 once the search is to end with what was found so far. */
  readonly flag: Int32Array;
}

/** What the thread answers: what is printed, or what is wrong with the problem or the call. */
export type Answer = { readonly printed: Printed } | { readonly bad: string } | { readonly misuse: string };

/** Lays out in a thread of its own. Whoever presses Ctrl C meanwhile gets the best that was found so far. */
export async function layInThread(laying: Laying): Promise<Printed> {
  const flag = new Int32Array(new SharedArrayBuffer(4));
  const stop = () => void Atomics.store(flag, 0, 1);
  process.on('SIGINT', stop);
  try {
    const worker = new Worker(new URL('./thread.mjs', import.meta.url), {
      workerData: { laying, flag } satisfies Asked,
    });
    const answer = await new Promise<Answer>((done, fail) => {
      worker.once('message', done);
      worker.once('error', fail);
    });
    if ('bad' in answer) throw new BadProblem(answer.bad);
    if ('misuse' in answer) throw new Misuse(answer.misuse);
    return answer.printed;
  } finally {
    process.off('SIGINT', stop);
  }
}
