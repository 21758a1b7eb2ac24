import { setPriority } from 'node:os';
import type { MessagePort } from 'node:worker_threads';
import type { Tell } from '../../formats/exports/index.js';
import { Refusal } from '../refusal.js';
import { type Task, type TaskCall, tasks } from './tasks.js';

/** Whoever asks the server something goes before what is figured: these threads give way (on Linux a thread can say so for itself). */
const GIVES_WAY = 10;
if (process.platform === 'linux') setPriority(0, GIVES_WAY);

/** Whoever waits is told no more often than this (ms). */
const TURN = 100;

/** Tells whoever waits at the other end, now and then. */
function tellingTo(port: MessagePort | undefined): Tell {
  let last = 0;
  return (share, doing) => {
    const now = performance.now();
    if (!port || now - last < TURN) return;
    last = now;
    port.postMessage({ share, doing });
  };
}

/** What a thread is asked: a task by its name, and where whoever waits hears how far it has come. */
export interface Asked<T extends Task> {
  readonly task: T;
  readonly asked: TaskCall<T>;
  readonly port?: MessagePort;
}

/** What a thread of its own runs for the server: one task after another. */
export default async function work<T extends Task>({ task, asked, port }: Asked<T>): Promise<Done> {
  try {
    const carryOut = tasks[task] as (asked: TaskCall<T>, tell: Tell) => unknown;
    return { value: await carryOut(asked, tellingTo(port)) };
  } catch (error) {
    // What is sent between threads is plain: a refusal would arrive as an error without its status.
    if (!(error instanceof Refusal)) throw error;
    const { status, code, message, fields } = error;
    return { refused: { status, code, message, fields } };
  } finally {
    port?.close();
  }
}

/** What became of a task. */
export type Done =
  | { readonly value: unknown }
  | { readonly refused: Pick<Refusal, 'status' | 'code' | 'message' | 'fields'> };
