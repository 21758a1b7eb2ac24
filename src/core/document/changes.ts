import type { Cabinet, Job, JobHead } from './document.js';

/** What of a job is different from the version it names. Its id tells it from every other save. */
export interface JobChange extends Changed {
  readonly id: string;
  readonly version: number;
  readonly label: string;
}

/** The parts of a job that a change replaces, removes or puts in order. */
export interface Changed {
  readonly head?: JobHead | undefined;
  readonly cabinets?: readonly Cabinet[] | undefined;
  readonly removed?: readonly string[] | undefined;
  readonly order?: readonly string[] | undefined;
}

/** A job without its cabinets. */
export function headOf(job: Job): JobHead {
  const { cabinets: _cabinets, ...head } = job;
  return head;
}

/** What is different between the saved document and the one on the bench. Unchanged parts are the same objects. */
export function changeBetween(saved: Job, job: Job, version: number, label: string): JobChange | null {
  const head = headOf(job);
  const before = headOf(saved);
  const keys = new Set([...Object.keys(head), ...Object.keys(before)]);
  const headed = [...keys].some((key) => head[key as 'name'] !== before[key as 'name']);
  const same = new Set(saved.cabinets);
  const put = job.cabinets.filter((cabinet) => !same.has(cabinet));
  const ids = new Set(job.cabinets.map((cabinet) => cabinet.id));
  const removed = saved.cabinets.filter((cabinet) => !ids.has(cabinet.id)).map((cabinet) => cabinet.id);
  const order = job.cabinets.map((cabinet) => cabinet.id);
  const moved = order.join() !== saved.cabinets.map((cabinet) => cabinet.id).join();
  if (!headed && put.length === 0 && removed.length === 0 && !moved) return null;
  return {
    id: globalThis.crypto.randomUUID(),
    version,
    label: label.slice(0, 200),
    ...(headed ? { head } : {}),
    ...(put.length > 0 ? { cabinets: put } : {}),
    ...(removed.length > 0 ? { removed } : {}),
    ...(moved ? { order } : {}),
  };
}

/** A job with a change laid on it: what is changed stands where it stood, what is new at the end, unless an order says. */
export function withChange(job: Job, { head, cabinets = [], removed = [], order }: Changed): Job {
  const gone = new Set(removed);
  const put = new Map(cabinets.map((cabinet) => [cabinet.id, cabinet]));
  const kept = job.cabinets.filter(({ id }) => !gone.has(id)).map((each) => put.get(each.id) ?? each);
  const known = new Set(kept.map(({ id }) => id));
  const all = [...kept, ...[...put.values()].filter(({ id }) => !known.has(id))];
  if (order) {
    const place = new Map(order.map((id, at) => [id, at]));
    all.sort((a, b) => (place.get(a.id) ?? order.length) - (place.get(b.id) ?? order.length));
  }
  return { ...(head ?? headOf(job)), cabinets: all };
}
