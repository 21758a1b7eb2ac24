import { type Asked, type Task, tasks } from './tasks.js';

/** What a thread of its own runs for the server: one task after another, each by its name, with what it was asked. */
export default function work<T extends Task>({ task, asked }: { task: T; asked: Asked<T> }) {
  return (tasks[task] as (asked: Asked<T>) => unknown)(asked);
}
