// What a thread of its own runs for the server: one task after another.
import { register } from 'tsx/esm/api';

register();
const { tasks } = await import('./tasks.ts');

/** Does one task, by its name, with what it was asked. */
export default function work({ task, asked }) {
  return tasks[task](asked);
}
