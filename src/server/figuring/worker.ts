import { setPriority } from 'node:os';
import { type Asked, type Task, tasks } from './tasks.js';

/** Whoever asks the server something goes before what is figured: these threads give way (on Linux a thread can say so for itself). */
const GIVES_WAY = 10;
if (process.platform === 'linux') setPriority(0, GIVES_WAY);

/** What a thread of its own runs for the server: one task after another, each by its name, with what it was asked. */
export default function work<T extends Task>({ task, asked }: { task: T; asked: Asked<T> }) {
  return (tasks[task] as (asked: Asked<T>) => unknown)(asked);
}
