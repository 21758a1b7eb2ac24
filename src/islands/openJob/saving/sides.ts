import { conflictsBetween, editsBetween, isSame, laid, merge, withEdits } from '../../../core/commands/index.js';
import type { Edit, Job } from '../../../core/decisions/index.js';
import type { SaveAnswer, ServerState, Sides } from './answers.js';

/** What comes of two sides: both together, or what is to be put before the maker. */
export type Joined =
  | { readonly kind: 'joined'; readonly theirs: ServerState; readonly job: Job }
  | { readonly kind: 'sides'; readonly sides: Sides };

/** What the server has, laid under what is on the bench, where the two do not touch. */
export function joined(
  saved: Job,
  bench: Job,
  present: ServerState,
  their: readonly Edit[],
  restored: boolean,
): Joined {
  // What did not change stays the same objects, so that it is not solved anew.
  const theirs = { ...present, document: withEdits(saved, their) };
  if (restored) {
    const mine = editsBetween(theirs.document, bench);
    return mine.length === 0
      ? { kind: 'joined', theirs, job: theirs.document }
      : { kind: 'sides', sides: { theirs, mine, their, conflicts: [], restored } };
  }
  const mine = editsBetween(saved, bench);
  const merged = merge(theirs.document, mine, their);
  return merged.ok
    ? { kind: 'joined', theirs, job: merged.job }
    : { kind: 'sides', sides: { theirs, mine, their, conflicts: merged.conflicts, why: merged.why, restored } };
}

/** What was left over, laid on what somebody saved meanwhile. */
export interface LaidLeftOver {
  readonly job: Job;
  /** What leads nowhere any more, for the history. */
  readonly gaveWay: readonly Edit[];
  /** What is to be put before the maker, if anything. */
  readonly sides: Sides | undefined;
}

/** Lays what was left over, and what was done since, on what somebody saved meanwhile. */
export function laidLeftOver(
  { theirs, since, restored }: Extract<SaveAnswer, { kind: 'stale' }>,
  left: readonly Edit[],
  meanwhile: readonly Edit[],
): LaidLeftOver {
  const mine = [...left, ...meanwhile];
  const { job, kept } = laid(theirs.document, mine);
  // What was decided just as here does not stand against what is decided here now: the page that went may have sent it.
  const others = since?.filter((edit) => !left.some((own) => isSame(own, edit)));
  const conflicts = others && !restored ? conflictsBetween(mine, others) : [];
  if (since && !restored && conflicts.length > 0)
    return { job, gaveWay: [], sides: { theirs, mine, their: since, conflicts, restored } };
  const gaveWay = mine.filter((edit) => !kept.has(edit));
  if (since && !restored) return { job, gaveWay, sides: undefined };
  // What was saved since is not known edit by edit: all that is otherwise is looked at.
  const otherwise = editsBetween(theirs.document, job);
  return { job, gaveWay, sides: { theirs, mine: otherwise, their: [], conflicts: [], restored: true } };
}

/** Where both cannot be together though no two meet, all of mine is to be looked at. */
export function lookedAt(sides: Sides): Sides {
  const { conflicts, mine, their, restored } = sides;
  const [first] = their;
  return !restored && conflicts.length === 0 && first
    ? { ...sides, conflicts: mine.map((edit) => ({ mine: edit, theirs: first })) }
    : sides;
}
