import { Immer } from 'immer';
import type { Finding } from '../cabinet/index.js';
import { cabinetOf, checkDesign, checkNeighbours, type Proposed, refusalOf, type Said, told } from '../check/index.js';
import type { Act, Cabinet, Job } from '../decisions/index.js';
import { applyEdits, readCabinet, readJobHead } from './document.js';
import { allKinds } from './registry.js';
import { type SolvedCabinet, type SolvedDesign, type SolvedJob, sameHead, solveCabinet, solverOf } from './solve.js';

const said = (solved: SolvedDesign): readonly Said[] => checkDesign(solved, allKinds);

/** What is found in one cabinet, with what is proposed. */
const proposedIn = (solved: SolvedCabinet): readonly Proposed[] =>
  said(solved).map((each) => told(solved.cabinet, each));

const found = ({ finding }: Proposed) => finding;

/**
 * What is found in a cabinet; stops come first. It is looked for when somebody asks, and each time anew: checking takes
 * nearly as long as solving, a drag wants none of it, and what is kept by a result keeps the result from being collected
 * (0017).
 */
export const check = (solved: SolvedCabinet): readonly Finding[] => proposedIn(solved).map(found);

/**
 * Looks through one cabinet after another of a list; those that are one design are looked through once. What was said is
 * kept while this function is.
 */
export function checker(): (solved: SolvedCabinet) => readonly Finding[] {
  const known = new Map<unknown, readonly Said[]>();
  return (solved) => {
    // Cabinets of one design share all they are figured to.
    const drafts = known.get(solved.parts) ?? said(solved);
    known.set(solved.parts, drafts);
    return drafts.map((each) => told(solved.cabinet, each).finding);
  };
}

/** What is found between two cabinets that stand side by side. */
export const checkBetween = (left: SolvedCabinet, right: SolvedCabinet): readonly Finding[] =>
  checkNeighbours(left, right, allKinds).map(found);

/** The cabinets of a job that stand side by side, the left one first. */
function pairsOf({ cabinets }: Pick<SolvedJob, 'cabinets'>): (readonly [SolvedCabinet, SolvedCabinet])[] {
  const byId = new Map(cabinets.map((solved) => [solved.cabinet.id, solved]));
  return cabinets.flatMap((right) => {
    const { leftNeighbour } = right.cabinet;
    const left = leftNeighbour === null ? undefined : byId.get(leftNeighbour);
    return left ? [[left, right] as const] : [];
  });
}

/** What is found in all cabinets of a job, and between them. */
export const checkJob = (solved: SolvedJob): readonly Finding[] => [
  ...solved.cabinets.flatMap(checker()),
  ...checkPairs(solved),
];

/** What is found between cabinets that stand side by side. */
export const checkPairs = (solved: Pick<SolvedJob, 'cabinets'>): readonly Finding[] =>
  pairsOf(solved).flatMap(([left, right]) => checkBetween(left, right));

/** What is found in a cabinet of a job, then what stands between it and its neighbours and is its own. */
export function foundIn(
  solved: Pick<SolvedJob, 'cabinets'>,
  id: string,
  looked: (own: SolvedCabinet) => readonly Finding[] = check,
): Finding[] {
  const own = solved.cabinets.filter(({ cabinet }) => cabinet.id === id);
  const beside = pairsOf(solved).filter((pair) => pair.some(({ cabinet }) => cabinet.id === id));
  const between = beside.flatMap(([left, right]) => checkBetween(left, right));
  return [...own.flatMap(looked), ...between.filter(({ cabinetId }) => cabinetId === id)];
}

/** Why an act that led to a cabinet is refused; undefined where it is not. Asked with each act: only what refuses is run. */
export const refused = (solved: SolvedCabinet): Finding | undefined => refusalOf(solved, allKinds);

/** A copy that shares what no edit touches; what is given is left as it is, not frozen. */
const { produce } = new Immer({ autoFreeze: false });

/**
 * The acts that settle a finding, in the order in which its rule proposes them. Each is carried out on a copy that is
 * solved and checked, so they are figured only when somebody looks; those between two cabinets are taken as proposed.
 */
export function fixesFor({ cabinets }: Pick<SolvedJob, 'cabinets'>, id: string): readonly Act[] {
  const solved = cabinets.find(({ cabinet }) => cabinet.id === cabinetOf(id));
  if (!solved) return proposedFor({ cabinets }, id);
  const all = proposedIn(solved);
  const own = all.find(({ finding }) => finding.id === id);
  if (!own) return [];
  const solveOne = solverOf(solved.head);
  const before = all.map(found);
  return own.fixes().filter((fix) => settles(fix, own.finding, solveOne, solved, before));
}

/** What a rule proposes with a finding, whether it settles it or not. */
export function proposedFor({ cabinets }: Pick<SolvedJob, 'cabinets'>, id: string): readonly Act[] {
  const one = cabinets.filter(({ cabinet }) => cabinet.id === cabinetOf(id));
  const all =
    one.length > 0
      ? one.flatMap(proposedIn)
      : pairsOf({ cabinets }).flatMap(([left, right]) => checkNeighbours(left, right, allKinds));
  const own = all.find(({ finding }) => finding.id === id);
  return own ? own.fixes() : [];
}

/** True when a fix leaves a valid cabinet in which the finding, and not another of its kind in its place, is gone. */
function settles(
  fix: Act,
  finding: Finding,
  solveOne: (cabinet: Cabinet) => SolvedCabinet,
  solved: SolvedCabinet,
  before: readonly Finding[],
): boolean {
  const { cabinets: _own, ...head } = solved.head as Job;
  const trial = produce({ ...head, cabinets: [solved.cabinet] } as Job, (draft) => applyEdits(draft as Job, fix.edits));
  const [changed] = trial.cabinets;
  const { cabinets: _cabinets, ...headAfter } = trial;
  if (!changed || !readCabinet(changed).ok || !readJobHead(headAfter).ok) return false;
  const after = check(sameHead(head, headAfter) ? solveOne(changed) : solveCabinet(headAfter, changed));
  const alike = (other: Finding) => other.rule === finding.rule && other.parts.join() === finding.parts.join();
  return (
    !after.some((other) => other.rule === finding.rule && other.what === finding.what) &&
    after.filter(alike).length < before.filter(alike).length
  );
}
