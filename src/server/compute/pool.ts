import { availableParallelism } from 'node:os';
import { join, sep } from 'node:path';
import { fileURLToPath } from 'node:url';
import { setFlagsFromString } from 'node:v8';
import { MessageChannel } from 'node:worker_threads';
import { Piscina } from 'piscina';
import type { Tell } from '../../formats/exports/index.js';
import { Refusal } from '../refusal.js';
import { root } from '../root.js';
import type { Task, TaskCall, TaskResult } from './tasks.js';
import type { Done } from './worker.js';
import { YOUNG } from './young.js';

/** Two at least: one job that takes long keeps nobody else waiting. */
export const THREADS = Math.max(2, Math.min(4, availableParallelism() - 1));
/** What takes longer is given up (ms). ALCOVE_LONGEST sets it otherwise. */
const LONGEST = Number(process.env.ALCOVE_LONGEST ?? 60_000);
/** A thread that wants more memory ends, and not the server with it (MB). */
const MEMORY = 1024;
/** Built, the work of a thread is one file beside the server's. */
const isBuilt = fileURLToPath(import.meta.url).startsWith(join(root, 'dist') + sep);
const WORK = isBuilt ? join('dist', 'server', 'compute.mjs') : join('src', 'server', 'compute', 'worker.mjs');
/** So many wait at most; whoever comes after is told to come again. */
const QUEUE = 64;

/** One for the host and the pages it runs. */
const SLOT = Symbol.for('alcove.threads');
const slot = globalThis as { [SLOT]?: { readonly pool: Piscina; ending: boolean } };

function threads(): { readonly pool: Piscina; ending: boolean } {
  if (!slot[SLOT]) setFlagsFromString(YOUNG);
  slot[SLOT] ??= {
    ending: false,
    pool: new Piscina({
      filename: join(root, WORK),
      minThreads: 1,
      maxThreads: THREADS,
      maxQueue: QUEUE,
      resourceLimits: { maxOldGenerationSizeMb: MEMORY },
    }),
  };
  return slot[SLOT];
}

/**
 * Has a task done on another thread. It is given up when it takes too long, or when whoever asked is gone: its thread is
 * ended and another begun. `tell` hears how far it has come, from tasks that say so.
 */
export async function figure<T extends Task>(
  task: T,
  asked: TaskCall<T>,
  gone?: AbortSignal,
  tell?: Tell,
): Promise<TaskResult<T>> {
  const threading = threads();
  const { pool } = threading;
  if (pool.queueSize >= QUEUE)
    throw new Refusal(503, 'busy', 'Alcove is busy with other jobs; try again in a moment.', [], {}, 2);
  const late = AbortSignal.timeout(LONGEST);
  const heard = tell && hearing(tell);
  try {
    const signal = gone ? AbortSignal.any([gone, late]) : late;
    const done = (await (heard
      ? pool.run({ task, asked, port: heard.port2 }, { signal, transferList: [heard.port2] })
      : pool.run({ task, asked }, { signal }))) as Done;
    if (!('refused' in done)) return done.value as TaskResult<T>;
    const { status, code, message, fields } = done.refused;
    throw new Refusal(status, code, message, fields);
  } catch (error) {
    if (error instanceof Refusal) throw error;
    if (threading.ending) throw new Refusal(503, 'ending', 'Alcove is being stopped.');
    if (late.aborted)
      throw new Refusal(
        503,
        'too-long',
        `This job took longer than ${LONGEST / 1000} seconds to figure, so it was given up. Nothing was changed.`,
      );
    if (gone?.aborted) throw new Refusal(499, 'gone', 'Whoever asked for this is gone.');
    if (codeOf(error) === 'ERR_WORKER_OUT_OF_MEMORY')
      throw new Refusal(
        503,
        'too-large',
        'This job took too much memory to figure, so it was given up. Nothing was changed.',
      );
    throw error;
  } finally {
    heard?.port1.close();
  }
}

/** A way for a thread to say how far it has come. */
function hearing(tell: Tell): MessageChannel {
  const channel = new MessageChannel();
  channel.port1.on('message', ({ share, doing }: Told) => tell(share, doing));
  return channel;
}

interface Told {
  readonly share: number;
  readonly doing: string;
}

const codeOf = (error: unknown) => (error as { code?: unknown } | null)?.code;

/** Ends the threads; what was asked of them is told that Alcove is being stopped. */
export async function endThreads(): Promise<void> {
  const threading = slot[SLOT];
  if (!threading) return;
  threading.ending = true;
  await threading.pool.destroy();
  delete slot[SLOT];
}
