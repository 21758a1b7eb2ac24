import { createStore, type StoreApi } from 'zustand/vanilla';
import {
  consequenceLine,
  consequencesOf,
  documentRefusal,
  editsBetween,
  saidInShort,
  stackRefusal,
  stopBrought,
  touch,
  withEdits,
} from '../../core/commands/index.js';
import { type Act, type Edit, EditPathError, type Job } from '../../core/decisions/index.js';
import { check, checker, createSolver, type SolvedCabinet, type SolvedJob } from '../../core/solve/index.js';
import type { Outcome } from '../fields/LengthField.js';

/** A step that can be undone: the act as it was carried out, and the job before and after it. */
interface Step {
  readonly label: string;
  readonly edits: readonly Edit[];
  readonly before: Job;
  readonly after: Job;
}

/** A job that is open in this window: the document, all that is computed from it, and the steps that led here. */
export interface OpenJob {
  readonly job: Job;
  readonly solved: SolvedJob;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
  /** What came from other windows, each with how many steps had been taken here. */
  readonly arrivals: readonly { readonly after: number; readonly label: string }[];
  /** What the last act changed, in one line. */
  readonly lastAct: string | null;

  /** Carries out an act, or says in one sentence why not and changes nothing. */
  act(act: Act): Outcome;
  /** Why an act would be refused, or the first stop it would bring to a cabinet; null when it may be. Changes nothing. */
  trial(act: Act, cabinetId: string | null): string | null;
  undo(): void;
  redo(): void;
  /** Takes so many steps again, or takes so many back where it is negative. */
  walk(steps: number): void;
  /**
   * Puts the job there with another window's edits under it. What this window did can still be undone, but for steps
   * that touch those.
   */
  rebase(job: Job, foreign: readonly Edit[]): void;
}

export type OpenJobStore = StoreApi<OpenJob>;

/** Steps kept for undo. */
const MOST_STEPS = 200;
/** So many arrivals are remembered. */
const MOST_ARRIVALS = 50;

/** A job open by itself, for a view that keeps nothing else. */
export function createOpenJob(job: Job): OpenJobStore {
  return createStore<OpenJob>((set, get) => openJob(job, set, get));
}

/**
 * The open job as a part of a view's store: the view may keep more beside it. `alongside` says what of that changes with
 * the job.
 */
export function openJob<S extends OpenJob>(
  job: Job,
  set: (changed: Partial<S>) => void,
  get: () => S,
  alongside: (state: S, next: Job) => Partial<S> = () => ({}),
): OpenJob {
  const solver = createSolver();
  const put = (changed: Partial<OpenJob> & { readonly job: Job }) =>
    set({ ...changed, ...alongside(get(), changed.job) } as Partial<S>);

  const move = (from: 'past' | 'future') => {
    const state = get();
    const step = state[from].at(-1);
    if (!step) return;
    const rest = state[from].slice(0, -1);
    const next = from === 'past' ? takenBack(state.job, step) : takenAgain(state.job, step);
    if (!next) {
      set({ [from]: rest, lastAct: `${step.label}: what it was about is gone` } as unknown as Partial<S>);
      return;
    }
    put({
      job: next,
      solved: solver(next),
      lastAct: `${from === 'past' ? 'Undone' : 'Redone'}: ${step.label}`,
      ...(from === 'past'
        ? { past: rest, future: [...state.future, step] }
        : { future: rest, past: [...state.past, step] }),
    });
  };

  return {
    job,
    solved: solver(job),
    past: [],
    future: [],
    arrivals: [],
    lastAct: null,

    act(act) {
      const state = get();
      const next = withEdits(state.job, act.edits);
      if (next === state.job) return { ok: true };
      const problem = documentRefusal(state.job, next);
      if (problem) return { ok: false, message: problem };
      const { solved, keep } = solver.tried(next);
      const refusal = stackRefusal(state.solved, solved, act);
      if (refusal) return { ok: false, message: refusal };
      keep();
      const step: Step = { label: act.label, edits: act.edits, before: state.job, after: next };
      put({
        job: next,
        solved,
        past: [...state.past, step].slice(-MOST_STEPS),
        future: [],
        lastAct: consequenceLine(act.label, consequencesOf(state.solved, solved)),
      });
      return { ok: true };
    },
    trial(act, cabinetId) {
      const { job: present, solved } = get();
      const next = withEdits(present, act.edits);
      const problem = documentRefusal(present, next);
      if (problem) return problem;
      const before = solved.cabinets.find(({ cabinet }) => cabinet.id === cabinetId);
      const cabinet = next.cabinets.find(({ id }) => id === cabinetId);
      if (!before || !cabinet) return null;
      return stopBrought(check(before), check(solver.one(next, cabinet)))?.what ?? null;
    },
    undo: () => move('past'),
    redo: () => move('future'),
    walk(steps) {
      for (let left = Math.abs(steps); left > 0; left -= 1) move(steps < 0 ? 'past' : 'future');
    },
    rebase(next, foreign) {
      const state = get();
      const solved = solver(next);
      if (foreign.length === 0) {
        put({ job: next, solved });
        return;
      }
      const past = state.past.filter((step) => !meets(step, foreign));
      const label = newsOf(foreign, state, next, solved);
      put({
        job: next,
        solved,
        past,
        future: state.future.filter((step) => !meets(step, foreign)),
        lastAct: label,
        arrivals: [...state.arrivals, { after: past.length, label }].slice(-MOST_ARRIVALS),
      });
    },
  };
}

/** A job without a step; undefined where what it was about is gone. */
function takenBack(job: Job, { before, after }: Step): Job | undefined {
  return job === after ? before : carriedOut(job, editsBetween(after, before));
}

/** A job with a step taken once more, as it was taken; undefined where what it was about is gone. */
function takenAgain(job: Job, { before, after, edits }: Step): Job | undefined {
  return job === before ? after : carriedOut(job, edits);
}

function carriedOut(job: Job, edits: readonly Edit[]): Job | undefined {
  try {
    return withEdits(job, edits);
  } catch (error) {
    if (error instanceof EditPathError) return undefined;
    throw error;
  }
}

/** True where a step and what another window did touch: by what the step came to, which may be less than it said. */
function meets({ before, after }: Step, foreign: readonly Edit[]): boolean {
  return editsBetween(before, after).some((own) => foreign.some((other) => touch(own, other)));
}

/** What came from another window, in one line, with the stops it brought. */
function newsOf(foreign: readonly Edit[], before: OpenJob, job: Job, solved: SolvedJob): string {
  // Only what is another cabinet now is looked through.
  const were = new Set(before.solved.cabinets);
  const now = solved.cabinets.filter((each) => !were.has(each));
  const ids = new Set(now.map(({ cabinet }) => cabinet.id));
  const known = new Set(stopsIn(before.solved.cabinets.filter(({ cabinet }) => ids.has(cabinet.id))));
  const stops = stopsIn(now).filter((stop) => !known.has(stop));
  const brought =
    stops.length > 0 ? `. New ${stops.length === 1 ? 'stop' : 'stops'}: ${stops.slice(0, 3).join('; ')}` : '';
  return `From another window: ${saidInShort(foreign, before.job, job)}${brought}`;
}

const stopsIn = (cabinets: readonly SolvedCabinet[]) =>
  cabinets.flatMap(checker()).flatMap(({ severity, what }) => (severity === 'stop' ? [what] : []));
