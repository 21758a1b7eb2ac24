import {
  buildCarcass,
  buildFronts,
  buildShelves,
  deriveBox,
  fixAdded,
  layOutBays,
  layOutFace,
  layOutInteriors,
  pinGrid,
} from '../build/index.js';
import type { BuiltCabinet, Named } from '../cabinet/index.js';
import { type Cabinet, type Design, headOf, type Job, type JobHead, type Standing } from '../decisions/index.js';
import { type Facts, NO_FACTS, type Surroundings } from '../given/index.js';
import { formatLengthWithUnit } from '../ground/index.js';
import { contactsOf } from '../motions/index.js';
import { type CutListGroup, cutList, Intake, letterParts, marked, withoutTraces } from '../part/index.js';
import { standardsOf } from './document.js';
import { fitAll } from './fit.js';
import type { Fitted, ResolvedCabinet } from './registry.js';
import { type Converted, convert } from './standing/index.js';
import { resolvedFor } from './surroundings.js';

/** Everything computed from what is decided of a cabinet, whichever it is: those decided and given alike are one. */
export type SolvedDesign = BuiltCabinet<ResolvedCabinet, Fitted>;

/**
 * The same as one cabinet of a job. It shares all but its name and its marks with those that are decided alike; what is
 * wrong with it is found when somebody asks (`check`).
 */
export type SolvedCabinet = Named<SolvedDesign>;

export interface SolvedJob {
  readonly job: Job;
  readonly cabinets: readonly SolvedCabinet[];
  /** Trays for cabinets that stand already. */
  readonly standing: readonly Converted[];
}

/** What cabinets of one head share while they are solved one after another. */
interface Shared {
  readonly standards: ReturnType<typeof standardsOf>;
}

/** One cabinet solved: its design, under its own name and marks. */
export function solveCabinet(
  head: JobHead,
  cabinet: Cabinet,
  surroundings?: Surroundings,
  facts?: Facts,
  shared?: Shared,
): SolvedCabinet {
  return asOne(solveDesign(head, cabinet, surroundings, facts, shared), cabinet);
}

/** A solved design as the cabinet that is decided so. */
export function asOne(design: SolvedDesign, cabinet: Cabinet): SolvedCabinet {
  return { ...design, cabinet, rows: marked(cabinet.number, design.rows) };
}

/**
 * decisions → resolve → layout → build → fit, for one cabinet. Never throws on a valid document. What stands around
 * it is given, or is as its own ends and keep-out boxes say; facts are readings laid over its numbers.
 */
function solveDesign(
  head: JobHead,
  cabinet: Design,
  surroundings?: Surroundings,
  facts: Facts = NO_FACTS,
  { standards }: Shared = { standards: standardsOf(head) },
): SolvedDesign {
  const resolved = resolvedFor(standards, cabinet, surroundings, facts);
  const intake = new Intake(resolved);
  const box = deriveBox(cabinet, resolved);
  const face = layOutFace(cabinet, box, resolved);
  const cells = face.ok ? face.cells : [];
  const fronts = buildFronts(cells, face.ok ? face.root : undefined, box, resolved, intake);
  const interiors = layOutInteriors(cells, box, resolved);
  const boundaries = face.ok ? face.boundaries : [];
  const carcass = buildCarcass({ cabinet, box, cells, boundaries, inner: interiors.boundaries, resolved }, intake);
  const grid = pinGrid(carcass.parts, resolved);
  const bays = layOutBays(interiors.compartments, carcass.parts, grid, resolved, carcass.crossings);
  const shelves = intake.take(bays.flatMap((bay) => buildShelves(bay, box, resolved)));
  const built = [...carcass.parts, ...shelves, ...fronts.flatMap((front) => front.parts)];
  const {
    parts: bored,
    fitted,
    buy,
    occupied,
    motions,
    hung,
    decidedHeights,
    screwLines: lines,
  } = fitAll(
    {
      head,
      cabinet,
      box,
      resolved,
      cells,
      interiors,
      fronts,
      parts: built,
      screwLines: carcass.screwLines,
      grid,
      bays,
    },
    intake,
  );
  const { joints, fittings } = carcass;
  const { leftOut } = intake;
  const { parts, screwLines } = fixAdded(withoutTraces(bored, leftOut), lines, resolved);
  return {
    head,
    cabinet,
    resolved,
    box,
    face,
    interiors,
    fronts,
    parts,
    leftOut,
    joints,
    screwLines,
    grid,
    bays,
    fitted,
    hung,
    decidedHeights,
    occupied,
    motions,
    contacts: contactsOf(motions, occupied, box, resolved.given),
    fittings: [...fittings, ...buy],
    rows: letterParts(parts),
  };
}

/** Solves one cabinet after another of a head: what they share is worked out once. */
export function solverOf(head: JobHead): (cabinet: Cabinet) => SolvedCabinet {
  // A result holds the head it was figured in, and no other cabinets.
  const own = headOf(head as Job);
  const shared = { standards: standardsOf(own) };
  return (cabinet) => solveCabinet(own, cabinet, undefined, NO_FACTS, shared);
}

/** Solves a job again and again. */
export interface Solver {
  /** `told` hears after each cabinet how many of them all are done. */
  (job: Job, told?: (done: number, of: number) => void): SolvedJob;
  /** Solves a job that may be refused: what is remembered stays as it is until that is kept. */
  tried(job: Job, told?: (done: number, of: number) => void): { readonly solved: SolvedJob; keep(): void };
  /** One cabinet as it might be; what its head says is worked out once while the head stays as it is. */
  one(head: JobHead, cabinet: Cabinet): SolvedCabinet;
}

/** A solved cabinet, and the text that is the same for all that are decided alike. */
interface Kept {
  readonly solved: SolvedCabinet;
  readonly sort: string;
}

/** What a solver knows of the job it solved last. */
interface Remembered {
  readonly head: JobHead;
  readonly shared: Shared;
  readonly cabinets: ReadonlyMap<string, Kept>;
  readonly converted: ReadonlyMap<Standing, Converted>;
}

/**
 * Keeps the last result of every cabinet: an edit re-solves only what it touched, and cabinets that are decided alike are
 * solved once. Documents are compared by identity, so callers must not change one in place.
 */
export function createSolver(): Solver {
  let known: Remembered | undefined;
  const tried: Solver['tried'] = (job, told) => {
    const { solved, remembered } = solvedFrom(known, job, told);
    return {
      solved,
      keep() {
        known = remembered;
      },
    };
  };
  const solver = (job: Job, told?: (done: number, of: number) => void) => {
    const { solved, keep } = tried(job, told);
    keep();
    return solved;
  };
  const one: Solver['one'] = (head, cabinet) => {
    if (!known || !sameHead(known.head, head)) return solveCabinet(head, cabinet);
    return solveCabinet(known.head, cabinet, undefined, NO_FACTS, known.shared);
  };
  return Object.assign(solver, { tried, one });
}

/** All that is decided of a cabinet, as text: the same for cabinets that come to the same under one head. */
export function sortOf({ id: _, number: __, name: ___, leftNeighbour: ____, ...design }: Cabinet): string {
  return JSON.stringify(design);
}

function solvedFrom(
  known: Remembered | undefined,
  job: Job,
  told?: (done: number, of: number) => void,
): { readonly solved: SolvedJob; readonly remembered: Remembered } {
  const before = known && sameHead(known.head, job) ? known : undefined;
  // A result holds the head it was figured in, and no other cabinets.
  const head = before?.head ?? headOf(job);
  const shared = before?.shared ?? { standards: standardsOf(head) };
  const designs = new Map([...(before?.cabinets.values() ?? [])].map(({ solved, sort }) => [sort, solved]));
  const next = new Map<string, Kept>();
  const cabinets = job.cabinets.map((cabinet, at) => {
    told?.(at + 1, job.cabinets.length);
    const kept = before?.cabinets.get(cabinet.id);
    if (kept?.solved.cabinet === cabinet) {
      next.set(cabinet.id, kept);
      return kept.solved;
    }
    const sort = sortOf(cabinet);
    const design = designs.get(sort);
    const solved = design ? asOne(design, cabinet) : solveCabinet(head, cabinet, undefined, NO_FACTS, shared);
    designs.set(sort, solved);
    next.set(cabinet.id, { solved, sort });
    return solved;
  });
  const converted = convertedOf(job, before?.converted ?? new Map());
  return {
    solved: { job, cabinets, standing: [...converted.values()] },
    remembered: { head, shared, cabinets: next, converted },
  };
}

/** True while every decision outside the cabinets that a cabinet's numbers depend on is the same. */
export function sameHead(a: JobHead, b: JobHead): boolean {
  return (
    a.house === b.house &&
    a.hardware === b.hardware &&
    a.standards === b.standards &&
    a.materials === b.materials &&
    a.room === b.room &&
    a.workshop.cutting === b.workshop.cutting &&
    a.stock.sheets === b.stock.sheets &&
    a.display === b.display
  );
}

/** Trays for cabinets that stand, those that stay as they were kept. */
function convertedOf(job: Job, known: ReadonlyMap<Standing, Converted>): ReadonlyMap<Standing, Converted> {
  const show = (mm: number) => formatLengthWithUnit(mm, job.display);
  return new Map(
    (job.standing ?? []).map((standing) => [standing, known.get(standing) ?? convert(job, standing, show)]),
  );
}

/** The cut list of a whole job, without what is bought: for lists and exports; an edit on the bench does not wait for it. */
export function cutListOf({ cabinets, standing }: SolvedJob): CutListGroup[] {
  return cutList(
    [...cabinets, ...standing].flatMap(({ cabinet, rows }) =>
      rows.filter(({ part }) => !part.bought).map((row) => ({ cabinetId: cabinet.id, ...row })),
    ),
  );
}

/** Solves a whole job from nothing. */
export function solve(job: Job): SolvedJob {
  return createSolver()(job);
}
