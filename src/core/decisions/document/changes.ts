import type { Cabinet, Job, JobHead } from './schemas.js';

/** The parts of a job that a save replaced, removed or put in order, as history kept them before it kept edits. */
export interface SavedChange {
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

/** A job with a change laid on it: what is changed stands where it stood, what is new at the end, unless an order says. */
export function withChange(job: Job, { head, cabinets = [], removed = [], order }: SavedChange): Job {
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
