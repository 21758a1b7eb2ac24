import { Immer } from 'immer';
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
import type { BuiltCabinet, Finding } from '../cabinet/index.js';
import { checkCabinet, checkNeighbours, FindingsMemo } from '../check/index.js';
import type { Act, Cabinet, Job, JobHead, Standing } from '../decisions/index.js';
import { type Facts, NO_FACTS, type Surroundings } from '../given/index.js';
import { formatLengthWithUnit } from '../ground/index.js';
import { contactsOf } from '../motions/index.js';
import { type CutListGroup, cutList, markParts, withDecisions, withoutTraces } from '../part/index.js';
import { applyEdits, readCabinet, readJobHead, standardsOf } from './document.js';
import { fitAll } from './fit.js';
import { allKinds, type Fitted, type ResolvedCabinet } from './registry.js';
import { type Converted, convert } from './standing/index.js';
import { resolvedFor } from './surroundings.js';

/** Everything computed from one cabinet's decisions. */
export interface SolvedCabinet extends BuiltCabinet<ResolvedCabinet, Fitted> {
  readonly findings: readonly Finding[];
}

export interface SolvedJob {
  readonly job: Job;
  readonly cabinets: readonly SolvedCabinet[];
  readonly findings: readonly Finding[];
  /** Trays for cabinets that stand already. */
  readonly standing: readonly Converted[];
}

/**
 * The acts that settle a finding, in the order in which its rule proposes them. Each is carried out on a copy that is
 * solved, so they are figured only when somebody looks; those between two cabinets are taken as they are proposed.
 */
export function fixesFor({ job, cabinets, findings }: SolvedJob, id: string): readonly Act[] {
  const finding = findings.find((each) => each.id === id);
  if (!finding) return [];
  const solved = cabinets.find((each) => each.findings.includes(finding));
  if (!solved) return finding.proposed;
  const { cabinets: _others, ...head } = job;
  const solveOne = solverOf(head);
  return finding.proposed.filter((fix) => settles(fix, finding, { head, solveOne }, solved));
}

/** A copy that shares what no edit touches; what is given is left as it is, not frozen. */
const { produce } = new Immer({ autoFreeze: false });

/** True when a fix leaves a valid cabinet in which the finding, and not another of its kind in its place, is gone. */
function settles(
  fix: Act,
  finding: Finding,
  { head, solveOne }: { readonly head: JobHead; readonly solveOne: (cabinet: Cabinet) => SolvedCabinet },
  { cabinet, findings }: SolvedCabinet,
): boolean {
  const trial = produce({ ...head, cabinets: [cabinet] } as Job, (draft) => applyEdits(draft as Job, fix.edits));
  const [changed] = trial.cabinets;
  const { cabinets: _cabinets, ...headAfter } = trial;
  if (!changed || !readCabinet(changed).ok || !readJobHead(headAfter).ok) return false;
  const after = (sameHead(head, headAfter) ? solveOne(changed) : solveCabinet(headAfter, changed)).findings;
  const alike = (other: Finding) => other.rule === finding.rule && other.parts.join() === finding.parts.join();
  return (
    !after.some((other) => other.rule === finding.rule && other.what === finding.what) &&
    after.filter(alike).length < findings.filter(alike).length
  );
}

/** What cabinets of one head share while they are solved one after another. */
interface Shared {
  readonly standards: ReturnType<typeof standardsOf>;
  readonly memo?: FindingsMemo;
}

/**
 * decisions → resolve → layout → build → fit → check, for one cabinet. Never throws on a valid document. What stands around
 * it is given, or is as its own ends and keep-out boxes say; facts are readings laid over its numbers.
 */
export function solveCabinet(
  head: JobHead,
  cabinet: Cabinet,
  surroundings?: Surroundings,
  facts: Facts = NO_FACTS,
  { standards, memo }: Shared = { standards: standardsOf(head) },
): SolvedCabinet {
  const resolved = resolvedFor(standards, cabinet, surroundings, facts);
  const box = deriveBox(cabinet, resolved);
  const face = layOutFace(cabinet, box, resolved);
  const cells = face.ok ? face.cells : [];
  const fronts = buildFronts(cells, face.ok ? face.root : undefined, box, resolved);
  const interiors = layOutInteriors(cells, box, resolved);
  const boundaries = face.ok ? face.boundaries : [];
  const carcass = buildCarcass({ cabinet, box, cells, boundaries, inner: interiors.boundaries, resolved });
  const grid = pinGrid(carcass.parts, resolved);
  const bays = layOutBays(interiors.compartments, carcass.parts, grid, resolved, carcass.crossings);
  const shelves = withDecisions(
    bays.flatMap((bay) => buildShelves(bay, box, resolved)),
    resolved,
  );
  const built = [...carcass.parts, ...shelves.parts, ...fronts.flatMap((front) => front.parts)];
  const {
    parts: bored,
    leftOut: notFitted,
    fitted,
    buy,
    occupied,
    motions,
    hung,
    decidedHeights,
    screwLines: lines,
  } = fitAll({
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
  });
  const { joints, fittings } = carcass;
  const leftOut = [...carcass.leftOut, ...shelves.leftOut, ...notFitted];
  const { parts, screwLines } = fixAdded(withoutTraces(bored, leftOut), lines, resolved);
  const whole = {
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
    rows: markParts(cabinet.number, parts),
  };
  return { findings: checkCabinet(head, whole, allKinds, memo), ...whole };
}

/** Solves one cabinet after another of a head: what they share is worked out once. */
export function solverOf(head: JobHead): (cabinet: Cabinet) => SolvedCabinet {
  const shared = { standards: standardsOf(head), memo: new FindingsMemo() };
  return (cabinet) => solveCabinet(head, cabinet, undefined, NO_FACTS, shared);
}

/** Solves a job again and again. */
export interface Solver {
  (job: Job): SolvedJob;
  /** Solves a job that may be refused: what is remembered stays as it is until that is kept. */
  tried(job: Job): { readonly solved: SolvedJob; keep(): void };
  /** One cabinet as it might be; what its head says is worked out once while the head stays as it is. */
  one(head: JobHead, cabinet: Cabinet): SolvedCabinet;
}

/** What a solver knows of the job it solved last. */
interface Remembered {
  readonly head: JobHead;
  readonly solveOne: (cabinet: Cabinet) => SolvedCabinet;
  readonly cabinets: ReadonlyMap<string, SolvedCabinet>;
  readonly converted: ReadonlyMap<Standing, Converted>;
}

/**
 * Keeps the last result of every cabinet: an edit re-solves only what it touched. Documents are compared by identity,
 * so callers must not change one in place.
 */
export function createSolver(): Solver {
  let known: Remembered | undefined;
  const tried: Solver['tried'] = (job) => {
    const { solved, remembered } = solvedFrom(known, job);
    return {
      solved,
      keep() {
        known = remembered;
      },
    };
  };
  const solver = (job: Job) => {
    const { solved, keep } = tried(job);
    keep();
    return solved;
  };
  const one: Solver['one'] = (head, cabinet) =>
    (known && sameHead(known.head, head) ? known.solveOne : solverOf(head))(cabinet);
  return Object.assign(solver, { tried, one });
}

function solvedFrom(
  known: Remembered | undefined,
  job: Job,
): { readonly solved: SolvedJob; readonly remembered: Remembered } {
  const before = known && sameHead(known.head, job) ? known : undefined;
  const solveOne = before?.solveOne ?? solverOf(job);
  const next = new Map<string, SolvedCabinet>();
  const cabinets = job.cabinets.map((cabinet) => {
    const kept = before?.cabinets.get(cabinet.id);
    const result = kept?.cabinet === cabinet ? kept : solveOne(cabinet);
    next.set(cabinet.id, result);
    return result;
  });
  const converted = convertedOf(job, before?.converted ?? new Map());
  return {
    solved: joinCabinets(job, cabinets, neighbourFindings(job, next), [...converted.values()]),
    remembered: { head: job, solveOne, cabinets: next, converted },
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

/** What is found between two cabinets that stand side by side. */
export function findingsBetween(job: JobHead, left: SolvedCabinet, right: SolvedCabinet): Finding[] {
  return checkNeighbours(job, left, right, allKinds);
}

/** What was found of two cabinets side by side, kept while both stay as they are. */
const found = new WeakMap<SolvedCabinet, WeakMap<SolvedCabinet, readonly Finding[]>>();

/** Findings between cabinets that stand beside each other. */
function neighbourFindings(job: Job, solvedCabinets: ReadonlyMap<string, SolvedCabinet>): Finding[] {
  return job.cabinets.flatMap(({ id, leftNeighbour }) => {
    const right = solvedCabinets.get(id);
    const left = leftNeighbour === null ? undefined : solvedCabinets.get(leftNeighbour);
    if (!left || !right) return [];
    const pairs = found.get(left) ?? new WeakMap<SolvedCabinet, readonly Finding[]>();
    found.set(left, pairs);
    const known = pairs.get(right);
    if (known) return known;
    const findings = findingsBetween(job, left, right);
    pairs.set(right, findings);
    return findings;
  });
}

/** Trays for cabinets that stand, those that stay as they were kept. */
function convertedOf(job: Job, known: ReadonlyMap<Standing, Converted>): ReadonlyMap<Standing, Converted> {
  const show = (mm: number) => formatLengthWithUnit(mm, job.display);
  return new Map(
    (job.standing ?? []).map((standing) => [standing, known.get(standing) ?? convert(job, standing, show)]),
  );
}

function joinCabinets(
  job: Job,
  cabinets: readonly SolvedCabinet[],
  between: readonly Finding[],
  standing: readonly Converted[],
): SolvedJob {
  return { job, standing, cabinets, findings: [...cabinets.flatMap(({ findings }) => findings), ...between] };
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
