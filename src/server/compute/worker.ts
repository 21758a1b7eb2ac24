import { setPriority } from 'node:os';
import { Refusal } from '../refusal.js';
import { type Task, type TaskCall, tasks } from './tasks.js';

/** Whoever asks the server something goes before what is figured: these threads give way (on Linux a thread can say so for itself). */
const GIVES_WAY = 10;
if (process.platform === 'linux') setPriority(0, GIVES_WAY);

/** What a thread of its own runs for the server: one task after another, each by its name, with what it was asked. */
export default async function work<T extends Task>({ task, asked }: { task: T; asked: TaskCall<T> }): Promise<Done> {
  try {
    return { value: await (tasks[task] as (asked: TaskCall<T>) => unknown)(asked) };
  } catch (error) {
    // What is sent between threads is plain: a refusal would arrive as an error without its status.
    if (!(error instanceof Refusal)) throw error;
    const { status, code, message, fields } = error;
    return { refused: { status, code, message, fields } };
  }
}

/** What became of a task. */
export type Done =
  | { readonly value: unknown }
  | { readonly refused: Pick<Refusal, 'status' | 'code' | 'message' | 'fields'> };
