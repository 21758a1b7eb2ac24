import type { Cabinet, Job, JobHead } from '../../core/document/index.js';

/** What of a job is different from the version it names. Its id tells it from every other save. */
export interface ChangeBody {
  readonly id: string;
  readonly version: number;
  readonly label: string;
  readonly head?: JobHead;
  readonly cabinets?: readonly Cabinet[];
  readonly removed?: readonly string[];
  readonly order?: readonly string[];
}

function headOf(job: Job): JobHead {
  const { cabinets: _cabinets, ...head } = job;
  return head;
}

/** What is different between the saved document and the one on the bench. Unchanged parts are the same objects. */
export function changeBetween(saved: Job, job: Job, version: number, label: string): ChangeBody | null {
  const head = headOf(job);
  const before = headOf(saved);
  const keys = new Set([...Object.keys(head), ...Object.keys(before)]);
  const headed = [...keys].some((key) => head[key as 'name'] !== before[key as 'name']);
  const put = job.cabinets.filter((cabinet) => !saved.cabinets.includes(cabinet));
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

/** A document with a change laid on it, as the server would. */
export function withChange(job: Job, { head, cabinets = [], removed = [], order }: ChangeBody): Job {
  const put = new Map(cabinets.map((cabinet) => [cabinet.id, cabinet]));
  const kept = job.cabinets.filter(({ id }) => !removed.includes(id)).map((each) => put.get(each.id) ?? each);
  const known = new Set(kept.map(({ id }) => id));
  const all = [...kept, ...cabinets.filter(({ id }) => !known.has(id))];
  const place = new Map((order ?? []).map((id, at) => [id, at]));
  const last = order?.length ?? 0;
  if (order) all.sort((a, b) => (place.get(a.id) ?? last) - (place.get(b.id) ?? last));
  return { ...(head ?? headOf(job)), cabinets: all };
}
