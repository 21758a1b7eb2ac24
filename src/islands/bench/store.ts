import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Finding } from '../../core/cabinet/index.js';
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
import type { Dim } from '../../core/ground/index.js';
import { ALL_LAYERS, type Beside, type Layers } from '../../core/present/index.js';
import { createSolver, type SolvedCabinet, type SolvedJob } from '../../core/solve/index.js';
import type { Outcome } from '../fields/LengthField.js';
import { FIRST_LOOK, type Look } from './picture/looks.js';
import type { BenchView } from './sheet/views/index.js';
import { NO_ZOOM, type Zoom } from './sheet/zoom.js';

/** A step that can be undone: what it was called, and the job before and after it. */
interface Step {
  readonly label: string;
  readonly before: Job;
  readonly after: Job;
}

/** Finds a number again after every solve; `undefined` once it is gone. */
export type Finder = (solved: SolvedCabinet) => Dim | undefined;

export interface OpenTape {
  readonly find: Finder;
  /** Labels of the terms opened one inside the other. */
  readonly trail: readonly string[];
  /** Opened under the number itself; it goes with what is selected. */
  readonly inPlace: boolean;
}

export interface BenchState {
  readonly job: Job;
  readonly solved: SolvedJob;
  readonly cabinetId: string | null;
  /** Key of the selected part; the same in drawing, table and findings. */
  readonly selected: string | null;
  /** Ids of openings that are chosen besides the selected one. */
  readonly also: readonly string[];
  /** Where the menu of the chosen openings stands (px in the window); null while it is shut. */
  readonly menu: { readonly x: number; readonly y: number } | null;
  readonly tape: OpenTape | null;
  /** Whether a tape says what else is figured with its number. */
  readonly usersShown: boolean;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
  /** Which folds of the decisions are open or shut, by title, where the maker has touched them. */
  readonly openFolds: Readonly<Record<string, boolean>>;
  readonly view: BenchView;
  /** Which room or drawer the plan is cut through, whether that drawer is drawn open, and a height that was typed. */
  readonly plan: { readonly level: string | null; readonly open: boolean; readonly at: number | null };
  /** Whether the parts list lies under the drawing; without it the drawing has the whole height. */
  readonly partsShown: boolean;
  /** Which list lies under the drawing. */
  readonly list: 'parts' | 'buy' | 'steps' | 'compare';
  /** What came from other windows, each with how many steps had been taken here. */
  readonly arrivals: readonly { readonly after: number; readonly label: string }[];
  /** How the cabinet is looked at in the round. */
  readonly picture: Look;
  /** Whether the picture stands in the corner the views in projection leave. */
  readonly cornerShown: boolean;
  /** How near the sheet is looked at. */
  readonly zoom: Zoom;
  /** What of the drawings is shown. */
  readonly layers: Layers;
  /** Whether all decisions of the cabinet stand beside the sheet. */
  readonly decisionsShown: boolean;
  /** What the last act changed, for one line under the drawing. */
  readonly lastAct: string | null;

  /** Carries out an act, or says in one sentence why not and changes nothing. */
  act(act: Act): Outcome;
  /** Why an act would be refused, or the first stop it would bring; null when it may be. Changes nothing. */
  trial(act: Act): string | null;
  undo(): void;
  redo(): void;
  /** Takes so many steps again, or takes so many back where it is negative. */
  walk(steps: number): void;
  showCabinet(id: string): void;
  select(key: string | null): void;
  /** Chooses openings besides the selected one. */
  choose(also: readonly string[]): void;
  openMenu(at: BenchState['menu']): void;
  setFold(title: string, open: boolean): void;
  show(view: BenchView): void;
  cutPlan(plan: BenchState['plan']): void;
  lookAt(look: Partial<Look>): void;
  showCorner(shown: boolean): void;
  zoomTo(zoom: Zoom): void;
  showParts(shown: boolean): void;
  showList(list: BenchState['list']): void;
  showDecisions(shown: boolean): void;
  setLayers(layers: Partial<Layers>): void;
  openTape(find: Finder, inPlace?: boolean): void;
  followTape(trail: readonly string[]): void;
  closeTape(): void;
  showUsers(shown: boolean): void;
  /**
   * Puts the job there with another window's edits under it. What this window did can still be undone, but for steps
   * that touch those.
   */
  rebase(job: Job, foreign: readonly Edit[]): void;
}

export type BenchStore = StoreApi<BenchState>;

/** Steps kept for undo. */
const MOST_STEPS = 200;

/** So many arrivals are remembered. */
const MOST_ARRIVALS = 50;

/** How the bench was left, as its address says. */
export type Opened = Partial<
  Pick<BenchState, 'view' | 'selected' | 'partsShown' | 'decisionsShown' | 'layers' | 'zoom' | 'cornerShown'>
>;

export function createBenchStore(job: Job, cabinetId: string | null, opened: Opened = {}): BenchStore {
  const solver = createSolver();
  const known = (id: string | null, among: Job) =>
    among.cabinets.find((cabinet) => cabinet.id === id)?.id ?? among.cabinets[0]?.id ?? null;

  return createStore<BenchState>((set, get) => {
    const move = (from: 'past' | 'future') => {
      const state = get();
      const step = state[from].at(-1);
      if (!step) return;
      const rest = state[from].slice(0, -1);
      const next = stepped(state.job, from === 'past' ? [step.after, step.before] : [step.before, step.after]);
      if (!next) {
        set({ [from]: rest, lastAct: `${step.label}: what it was about is gone` });
        return;
      }
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
      also: [],
      menu: null,
      tape: null,
      usersShown: false,
      past: [],
      future: [],
      openFolds: {},
      view: 'all',
      plan: { level: null, open: false, at: null },
      list: 'parts',
      arrivals: [],
      picture: FIRST_LOOK,
      cornerShown: false,
      zoom: NO_ZOOM,
      partsShown: false,
      decisionsShown: false,
      layers: ALL_LAYERS,
      lastAct: null,
      ...opened,

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
        const step: Step = { label: act.label, before: state.job, after: next };
        set({
          job: next,
          solved,
          cabinetId: known(state.cabinetId, next),
          past: [...state.past, step].slice(-MOST_STEPS),
          future: [],
          lastAct: consequenceLine(act.label, consequencesOf(state.solved, solved)),
        });
        return { ok: true };
      },
      trial(act) {
        const { job, solved, cabinetId } = get();
        const next = withEdits(job, act.edits);
        const problem = documentRefusal(job, next);
        if (problem) return problem;
        const before = solved.cabinets.find(({ cabinet }) => cabinet.id === cabinetId);
        const cabinet = next.cabinets.find(({ id }) => id === cabinetId);
        if (!before || !cabinet) return null;
        return stopBrought(before.findings, solver.one(next, cabinet).findings)?.what ?? null;
      },
      undo: () => move('past'),
      redo: () => move('future'),
      walk(steps) {
        for (let left = Math.abs(steps); left > 0; left -= 1) move(steps < 0 ? 'past' : 'future');
      },
      showCabinet: (id) =>
        set(({ picture }) => ({
          cabinetId: id,
          selected: null,
          also: [],
          menu: null,
          tape: null,
          zoom: NO_ZOOM,
          picture: { ...picture, opened: {}, apart: 0 },
        })),
      select: (key) =>
        set(({ tape }) => ({ selected: key, also: [], menu: null, tape: tape?.inPlace === true ? null : tape })),
      choose: (also) => set({ also }),
      openMenu: (menu) => set({ menu }),
      setFold: (title, open) =>
        set(({ openFolds }) => (openFolds[title] === open ? {} : { openFolds: { ...openFolds, [title]: open } })),
      show: (view) => set((state) => (state.view === view ? {} : { view, zoom: NO_ZOOM })),
      cutPlan: (plan) => set({ plan }),
      showCorner: (shown) => set({ cornerShown: shown }),
      zoomTo: (zoom) => set({ zoom }),
      lookAt: (changed) => set(({ picture }) => ({ picture: { ...picture, ...changed } })),
      showParts: (shown) => set({ partsShown: shown }),
      showList: (list) => set({ list }),
      showDecisions: (shown) => set({ decisionsShown: shown }),
      setLayers: (changed) => set(({ layers }) => ({ layers: { ...layers, ...changed } })),
      openTape: (find, inPlace = false) => set({ tape: { find, trail: [], inPlace } }),
      followTape: (trail) => set(({ tape }) => ({ tape: tape && { ...tape, trail } })),
      closeTape: () => set({ tape: null }),
      showUsers: (shown) => set({ usersShown: shown }),
      rebase: (next, foreign) => {
        const state = get();
        const solved = solver(next);
        const untouched = ({ before, after }: Step) =>
          !editsBetween(before, after).some((own) => foreign.some((other) => touch(own, other)));
        const moved = { job: next, solved, cabinetId: known(state.cabinetId, next) };
        if (foreign.length === 0) {
          set(moved);
          return;
        }
        const past = state.past.filter(untouched);
        const label = newsOf(foreign, state, next, solved);
        set({
          ...moved,
          past,
          future: state.future.filter(untouched),
          lastAct: label,
          arrivals: [...state.arrivals, { after: past.length, label }].slice(-MOST_ARRIVALS),
        });
      },
    };
  });
}

/** A job with one step taken, either way; undefined where what it was about is gone. */
function stepped(job: Job, [from, to]: readonly [Job, Job]): Job | undefined {
  if (job === from) return to;
  try {
    return withEdits(job, editsBetween(from, to));
  } catch (error) {
    if (error instanceof EditPathError) return undefined;
    throw error;
  }
}

/** What came from another window, in one line, with the stops it brought. */
function newsOf(foreign: readonly Edit[], before: BenchState, job: Job, solved: SolvedJob): string {
  const known = new Set(stopsIn(before.solved));
  const stops = stopsIn(solved).filter((stop) => !known.has(stop));
  const brought =
    stops.length > 0 ? `. New ${stops.length === 1 ? 'stop' : 'stops'}: ${stops.slice(0, 3).join('; ')}` : '';
  return `From another window: ${saidInShort(foreign, before.job, job)}${brought}`;
}

const stopsIn = ({ findings }: SolvedJob) =>
  findings.filter(({ severity }) => severity === 'stop').map(({ what }) => what);

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
