import { createStore, type StoreApi } from 'zustand/vanilla';
import type { NumberAddress } from '../../core/commands/index.js';
import type { Job } from '../../core/decisions/index.js';
import { ALL_LAYERS, type Beside, type Drawing, type Layers } from '../../core/present/index.js';
import type { SolvedCabinet, SolvedJob } from '../../core/solve/index.js';
import { type OpenJob, openJob } from '../openJob/openJob.js';
import type { Found } from './found.js';
import { FIRST_LOOK, type Look } from './picture/looks.js';
import type { BenchView } from './sheet/views/index.js';
import { NO_ZOOM, type Zoom } from './sheet/zoom.js';

/** The tape that is open: whose, by its address, and the terms opened one inside the other, by their keys. */
export interface OpenTape {
  readonly of: NumberAddress;
  readonly trail: readonly string[];
  /** Opened under the number itself; it goes with what is selected. */
  readonly inPlace: boolean;
}

/** How a view draws a cabinet, again after every edit; undefined when there is nothing to show. */
export type Draw = (solved: SolvedCabinet) => Drawing | undefined;

/** A job that is open, and how it is looked at on the bench. */
export interface BenchState extends OpenJob {
  readonly cabinetId: string | null;
  /** What was found in each cabinet when it was looked through last, by its id. */
  readonly found: Readonly<Record<string, Found>>;
  /** Key of the selected part; the same in drawing, table and findings. */
  readonly selected: string | null;
  /** Ids of openings that are chosen besides the selected one. */
  readonly also: readonly string[];
  /** Where the menu of the chosen openings stands (px in the window); null while it is shut. */
  readonly menu: { readonly x: number; readonly y: number } | null;
  readonly tape: OpenTape | null;
  /** Whether a tape says what else is figured with its number. */
  readonly usersShown: boolean;
  /** Which folds of the decisions are open or shut, by title, where the maker has touched them. */
  readonly openFolds: Readonly<Record<string, boolean>>;
  readonly view: BenchView;
  /** Which room or drawer the plan is cut through, whether that drawer is drawn open, and a height that was typed. */
  readonly plan: { readonly level: string | null; readonly open: boolean; readonly at: number | null };
  /** Whether the parts list lies under the drawing; without it the drawing has the whole height. */
  readonly partsShown: boolean;
  /** Which list lies under the drawing. */
  readonly list: 'parts' | 'buy' | 'steps' | 'compare';
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
  /** How each view that was looked at draws a cabinet. */
  readonly drawings: Readonly<Record<string, Draw>>;

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
  openTape(of: NumberAddress, inPlace?: boolean): void;
  followTape(trail: readonly string[]): void;
  closeTape(): void;
  showUsers(shown: boolean): void;
  /** The view that is looked at says how it draws: numbers that stand on drawings only are found again by it. */
  drawnBy(views: Readonly<Record<string, Draw>>): void;
}

export type BenchStore = StoreApi<BenchState>;

/** How the bench was left, as its address says. */
export type Opened = Partial<
  Pick<BenchState, 'view' | 'selected' | 'tape' | 'partsShown' | 'decisionsShown' | 'layers' | 'zoom' | 'cornerShown'>
>;

export function createBenchStore(job: Job, cabinetId: string | null, opened: Opened = {}): BenchStore {
  const known = (id: string | null, among: Job) =>
    among.cabinets.find((cabinet) => cabinet.id === id)?.id ?? among.cabinets[0]?.id ?? null;

  return createStore<BenchState>((set, get) => ({
    ...openJob(job, set, get, (state, next) => ({ cabinetId: known(state.cabinetId, next) })),
    cabinetId: known(cabinetId, job),
    found: {},
    selected: null,
    also: [],
    menu: null,
    tape: null,
    usersShown: false,
    openFolds: {},
    view: 'all',
    plan: { level: null, open: false, at: null },
    list: 'parts',
    picture: FIRST_LOOK,
    cornerShown: false,
    zoom: NO_ZOOM,
    partsShown: false,
    decisionsShown: false,
    drawings: {},
    layers: ALL_LAYERS,
    ...opened,

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
    openTape: (of, inPlace = false) => set({ tape: { of, trail: [], inPlace } }),
    followTape: (trail) => set(({ tape }) => ({ tape: tape && { ...tape, trail } })),
    closeTape: () => set({ tape: null }),
    showUsers: (shown) => set({ usersShown: shown }),
    drawnBy(views) {
      const { drawings } = get();
      if (Object.entries(views).some(([view, draw]) => drawings[view] !== draw))
        set({ drawings: { ...drawings, ...views } });
    },
  }));
}

/** The cabinet on the bench, solved. */
export function benchCabinet(state: BenchState): SolvedCabinet | undefined {
  return state.solved.cabinets.find((solved) => solved.cabinet.id === state.cabinetId);
}

/** The cabinets at the ends of one, where the job says so. */
export function besideOf(job: Job, solved: SolvedJob, cabinetId: string): Beside {
  const find = (id: string | null | undefined) => solved.cabinets.find(({ cabinet }) => cabinet.id === id);
  return {
    left: find(job.cabinets.find(({ id }) => id === cabinetId)?.leftNeighbour),
    right: find(job.cabinets.find(({ leftNeighbour }) => leftNeighbour === cabinetId)?.id),
  };
}
