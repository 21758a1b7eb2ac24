import { type Edit, EditPathError, type Job } from '../../decisions/index.js';
import { readTouched } from '../../solve/index.js';
import { isSame, withEdits } from './between.js';

/** An edit of ours and one of theirs that cannot both stand as they were meant. */
export interface Conflict {
  readonly mine: Edit;
  readonly theirs: Edit;
}

/** Where an edit lies: for one that inserts, the entry it makes. */
export function placeOf(edit: Edit): string {
  return 'insert' in edit ? `${edit.path}/${edit.insert.id}` : edit.path;
}

const listOf = (path: string) => path.slice(0, path.lastIndexOf('/'));
const holds = (outer: string, inner: string) => outer === inner || inner.startsWith(`${outer}/`);
const isMove = (edit: Edit): edit is Extract<Edit, { moveBefore: string | null }> => 'moveBefore' in edit;
/** True for an edit that takes something away, or leaves it to the next layer. */
export const isRemoval = (edit: Edit) => !('insert' in edit) && !isMove(edit) && edit.value === undefined;

/**
 * Two edits touch when one lies where the other does or inside it, when both put one list in order, or when one takes
 * away what the other names. Two that come to the same do not.
 */
export function touch(a: Edit, b: Edit): boolean {
  if (isSame(a, b)) return false;
  if (isMove(a) && isMove(b)) return listOf(a.path) === listOf(b.path);
  if (isRemoval(a) && names(b, a.path)) return true;
  if (isRemoval(b) && names(a, b.path)) return true;
  // Where an entry stands and what it says are two things.
  if (isMove(a) || isMove(b))
    return isMove(a) ? holds(placeOf(b), a.path) && isRemoval(b) : holds(placeOf(a), b.path) && isRemoval(a);
  return holds(placeOf(a), placeOf(b)) || holds(placeOf(b), placeOf(a));
}

/** True where an edit says the id of an entry of a list: as a place in it, or as a value that points to it. */
function names(edit: Edit, removed: string): boolean {
  const id = removed.slice(removed.lastIndexOf('/') + 1);
  if (isMove(edit)) return edit.moveBefore === id && listOf(edit.path) === listOf(removed);
  if ('insert' in edit) return (edit.before === id && edit.path === listOf(removed)) || says(edit.insert, id);
  return says(edit.value, id);
}

function says(value: unknown, id: string): boolean {
  if (typeof value !== 'object' || value === null) return value === id;
  return Object.values(value).some((each) => says(each, id));
}

/** The pairs that touch, each of ours with the first of theirs it meets. */
export function conflictsBetween(mine: readonly Edit[], theirs: readonly Edit[]): Conflict[] {
  return mine.flatMap((edit): Conflict[] => {
    const met = theirs.find((other) => touch(edit, other));
    return met ? [{ mine: edit, theirs: met }] : [];
  });
}

export type Merged =
  | { readonly ok: true; readonly job: Job }
  /** What touches, or, with no pair that does, why both together cannot be. */
  | { readonly ok: false; readonly conflicts: readonly Conflict[]; readonly why?: string };

/** Lays our edits on the job as another window left it, where nothing of them touches what that window did. */
export function merge(theirs: Job, mine: readonly Edit[], their: readonly Edit[]): Merged {
  const conflicts = conflictsBetween(mine, their);
  if (conflicts.length > 0) return { ok: false, conflicts };
  try {
    const job = withEdits(theirs, mine);
    const problem = problemOf(job, mine);
    return problem === undefined ? { ok: true, job } : { ok: false, conflicts: [], why: problem };
  } catch (error) {
    if (error instanceof EditPathError) return { ok: false, conflicts: [], why: `${error.message}.` };
    throw error;
  }
}

/** Why a job cannot be as edits leave it. */
export function problemOf(job: Job, edits: readonly Edit[]): string | undefined {
  const read = readTouched(job, edits.map(placeOf));
  return read.ok ? undefined : read.errors[0]?.message;
}
