import { applyPatches, enablePatches, type Patch, produceWithPatches } from 'immer';
import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Dim } from '../../core/derive/index.js';
import type { Beside } from '../../core/drawing/index.js';
import type { Finding } from '../../core/findings/index.js';
import {
  type Act,
  applyEdits,
  type FieldError,
  type Job,
  neighbourProblems,
  readCabinet,
  readJobHead,
} from '../../core/job/index.js';
import { createSolver, type SolvedCabinet, type SolvedJob } from '../../core/solve.js';
import { formatLengthWithUnit } from '../../core/units/index.js';
import type { Outcome } from '../fields/LengthField.js';

enablePatches();

/** A step that can be undone: what it was called and how to go back and forth. */
interface Step {
  readonly label: string;
  readonly forward: readonly Patch[];
  readonly backward: readonly Patch[];
}

/** Finds a number again after every solve; `undefined` once it is gone. */
export type Finder = (solved: SolvedCabinet) => Dim | undefined;

export interface OpenTape {
  readonly find: Finder;
  /** Labels of the terms opened one inside the other. */
  readonly trail: readonly string[];
}

export interface BenchState {
  readonly job: Job;
  readonly solved: SolvedJob;
  readonly cabinetId: string | null;
  /** Key of the selected part; the same in drawing, table and findings. */
  readonly selected: string | null;
  readonly tape: OpenTape | null;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
  /** Which folds of the decisions are open or shut, by title, where the maker has touched them. */
  readonly openFolds: Readonly<Record<string, boolean>>;
  readonly view: BenchView;
  /** Whether the parts list lies under the drawing; without it the drawing has the whole height. */
  readonly partsShown: boolean;
  /** What the last act changed, for one line under the drawing. */
  readonly lastAct: string | null;

  /** Carries out an act, or says in one sentence why not and changes nothing. */
  act(act: Act): Outcome;
  undo(): void;
  redo(): void;
  showCabinet(id: string): void;
  select(key: string | null): void;
  setFold(title: string, open: boolean): void;
  show(view: BenchView): void;
  showParts(shown: boolean): void;
  openTape(find: Finder): void;
  followTape(trail: readonly string[]): void;
  closeTape(): void;
  /** Replaces the document, as after another window has saved. History starts anew. */
  replace(job: Job): void;
}

/** What lies on the sheet. */
export type BenchView = 'front' | 'section' | 'panel' | 'hinge';

export type BenchStore = StoreApi<BenchState>;

/** Steps kept for undo. */
const MOST_STEPS = 200;

export function createBenchStore(job: Job, cabinetId: string | null): BenchStore {
  const solver = createSolver();
  const known = (id: string | null, among: Job) =>
    among.cabinets.find((cabinet) => cabinet.id === id)?.id ?? among.cabinets[0]?.id ?? null;

  return createStore<BenchState>((set, get) => {
    const move = (from: 'past' | 'future') => {
      const state = get();
      const step = state[from].at(-1);
      if (!step) return;
      const next = applyPatches(state.job, from === 'past' ? step.backward : step.forward);
      const rest = state[from].slice(0, -1);
      set({
        job: next,
        solved: solver(next),
        cabinetId: known(state.cabinetId, next),
        lastAct: `${from === 'past' ? 'Undone' : 'Redone'}: ${step.label}`,
        ...(from === 'past'
          ? { past: rest, future: [...state.future, step] }
          : { future: rest, past: [...state.past, step] }),
      });
    };

    return {
      job,
      solved: solver(job),
      cabinetId: known(cabinetId, job),
      selected: null,
      tape: null,
      past: [],
      future: [],
      openFolds: {},
      view: 'front',
      partsShown: true,
      lastAct: null,

      act(act) {
        const state = get();
        const [next, forward, backward] = produceWithPatches(state.job, (draft) => applyEdits(draft as Job, act.edits));
        if (forward.length === 0) return { ok: true };
        const problem = problemWith(state.job, next);
        if (problem) return { ok: false, message: problem };
        const solved = solver(next);
        const refusal = stackRefusal(state.solved, solved, act);
        if (refusal) {
          // Put the solver's memory back to what stays on the bench.
          solver(state.job);
          return { ok: false, message: refusal };
        }
        const step: Step = { label: act.label, forward, backward };
        set({
          job: next,
          solved,
          cabinetId: known(state.cabinetId, next),
          past: [...state.past, step].slice(-MOST_STEPS),
          future: [],
          lastAct: consequences(act.label, state.solved, solved),
        });
        return { ok: true };
      },
      undo: () => move('past'),
      redo: () => move('future'),
      showCabinet: (id) => set({ cabinetId: id, selected: null, tape: null }),
      select: (key) => set({ selected: key }),
      setFold: (title, open) =>
        set(({ openFolds }) => (openFolds[title] === open ? {} : { openFolds: { ...openFolds, [title]: open } })),
      show: (view) => set({ view }),
      showParts: (shown) => set({ partsShown: shown }),
      openTape: (find) => set({ tape: { find, trail: [] } }),
      followTape: (trail) => set(({ tape }) => ({ tape: tape && { ...tape, trail } })),
      closeTape: () => set({ tape: null }),
      replace: (document) =>
        set((state) => ({
          job: document,
          solved: solver(document),
          cabinetId: known(state.cabinetId, document),
          past: [],
          future: [],
          lastAct: null,
        })),
    };
  });
}

/** Checks what an act touched against the schema. */
function problemWith(before: Job, after: Job): string | null {
  for (const cabinet of after.cabinets) {
    if (before.cabinets.includes(cabinet)) continue;
    const read = readCabinet(cabinet);
    if (!read.ok) return sentence(read.errors, after);
  }
  const [wrong] = neighbourProblems(after.cabinets);
  if (wrong) return `${wrong.message.charAt(0).toUpperCase()}${wrong.message.slice(1)}.`;
  const { cabinets: _old, ...headBefore } = before;
  const { cabinets: _new, ...headAfter } = after;
  if (Object.keys(headAfter).every((key) => headAfter[key as 'name'] === headBefore[key as 'name'])) return null;
  const read = readJobHead(headAfter);
  return read.ok ? null : sentence(read.errors, after);
}

/** Limits in the schema are in mm; a maker working in inches reads them in both. */
function sentence(errors: readonly FieldError[], job: Job): string {
  const message = errors[0]?.message ?? 'This cannot be.';
  const limit = /^This should be (at least|at most) (-?[\d.]+)\.$/.exec(message);
  if (!limit) return message;
  const mm = Number(limit[2]);
  return `This should be ${limit[1]} ${formatLengthWithUnit(mm, job.display)}.`;
}

/**
 * An edit of the face that would leave the stack over- or under-full is refused with the amount and changes nothing. A
 * change of overall size is let through: the finding then says what no longer fits.
 */
function stackRefusal(before: SolvedJob, after: SolvedJob, act: Act): string | null {
  if (!act.edits.some((edit) => edit.path.includes('/face/') || edit.path.includes('/settings/'))) return null;
  for (const [at, cabinet] of after.cabinets.entries()) {
    const was = before.cabinets[at];
    if (cabinet.face.ok || was?.cabinet.id !== cabinet.cabinet.id || !was.face.ok) continue;
    const finding = cabinet.findings.find((each) => each.rule === 'sizes/stack-does-not-close');
    if (finding) return `${finding.what} ${finding.why}`;
  }
  return null;
}

/** "Width of 1: 7 parts changed": one line on what an act did. */
function consequences(label: string, before: SolvedJob, after: SolvedJob): string {
  const sizes = (solved: SolvedJob) =>
    new Map(
      solved.cabinets.flatMap(({ cabinet, parts }) =>
        parts.map(
          (part) =>
            [
              `${cabinet.id}/${part.key}`,
              `${part.cutLength.mm.toFixed(3)}x${part.cutWidth.mm.toFixed(3)}x${part.thickness.mm.toFixed(3)}`,
            ] as const,
        ),
      ),
    );
  const [old, now] = [sizes(before), sizes(after)];
  let changed = 0;
  let added = 0;
  for (const [key, size] of now) {
    if (!old.has(key)) added += 1;
    else if (old.get(key) !== size) changed += 1;
  }
  const gone = [...old.keys()].filter((key) => !now.has(key)).length;
  const count = (n: number, what: string) => (n > 0 ? [`${n} ${n === 1 ? 'part' : 'parts'} ${what}`] : []);
  const words = [...count(changed, 'changed size'), ...count(added, 'added'), ...count(gone, 'gone')];
  return `${label}: ${words.length > 0 ? words.join(', ') : 'no part changed size'}`;
}

/** The cabinet on the bench, solved. */
export function benchCabinet(state: BenchState): SolvedCabinet | undefined {
  return state.solved.cabinets.find((solved) => solved.cabinet.id === state.cabinetId);
}

/** What was found about a cabinet: on its own, and with those it stands beside. */
export function findingsOf(all: SolvedJob, solved: SolvedCabinet): readonly Finding[] {
  const between = all.findings.filter(
    (finding) => finding.cabinetId === solved.cabinet.id && !solved.findings.includes(finding),
  );
  return between.length > 0 ? [...solved.findings, ...between] : solved.findings;
}

/** The cabinets at the ends of one, where the job says so. */
export function besideOf(job: Job, solved: SolvedJob, cabinetId: string): Beside {
  const find = (id: string | null | undefined) => solved.cabinets.find(({ cabinet }) => cabinet.id === id);
  return {
    left: find(job.cabinets.find(({ id }) => id === cabinetId)?.leftNeighbour),
    right: find(job.cabinets.find(({ leftNeighbour }) => leftNeighbour === cabinetId)?.id),
  };
}
