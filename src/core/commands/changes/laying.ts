import type { Edit, FieldError, Job } from '../../decisions/index.js';
import { withEdits } from './between.js';
import { placeOf, touch } from './merge.js';

export interface Laid {
  readonly job: Job;
  /** The edits that led somewhere. */
  readonly kept: ReadonlySet<Edit>;
}

/** Edits laid on a job one by one: those that lead nowhere any more are left out. */
export function laid(job: Job, edits: readonly Edit[]): Laid {
  const kept = new Set<Edit>();
  const now = edits.reduce((before, edit) => {
    try {
      const after = withEdits(before, [edit]);
      kept.add(edit);
      return after;
    } catch {
      return before;
    }
  }, job);
  return { job: now, kept };
}

/**
 * The edits that decide what was found wrong in the job they led to, with those that touch them; all of them, where no
 * place was named.
 */
export function blamed(edits: readonly Edit[], after: Job, errors: readonly FieldError[]): readonly Edit[] {
  const places = errors.flatMap(({ path }) => (path === '' ? [] : [byId(path, after)]));
  const wrong = edits.filter((edit) => places.some((place) => meet(place, placeOf(edit))));
  return wrong.length === 0
    ? edits
    : edits.filter((edit) => wrong.includes(edit) || wrong.some((each) => touch(each, edit)));
}

/** The place of an error counts cabinets; that of an edit names them. */
const byId = (path: string, { cabinets }: Job) =>
  path.replace(/^cabinets\/(\d+)/, (_, at) => `cabinets/${cabinets[Number(at)]?.id}`);

const meet = (a: string, b: string) => a === b || a.startsWith(`${b}/`) || b.startsWith(`${a}/`);
