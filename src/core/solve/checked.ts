import { Immer } from 'immer';
import type { Finding } from '../cabinet/index.js';
import { checkCabinet, checkNeighbours, FindingsMemo, proposedFor, refusalOf } from '../check/index.js';
import type { Act, Cabinet, Job, JobHead } from '../decisions/index.js';
import { applyEdits, readCabinet, readJobHead } from './document.js';
import { allKinds } from './registry.js';
import { type SolvedCabinet, type SolvedJob, sameHead, solveCabinet, solverOf } from './solve.js';

/**
 * What is wrong with cabinets is found when somebody asks: checking takes nearly as long as solving, and a drag wants none of
 * it. What was found is kept beside the result, as long as that lives.
 */
const found = new WeakMap<SolvedCabinet, readonly Finding[]>();
const foundBetween = new WeakMap<SolvedCabinet, WeakMap<SolvedCabinet, readonly Finding[]>>();
/** What rules had nothing to say of, for cabinets that are decided alike in one head. */
const memos = new WeakMap<JobHead, FindingsMemo>();

/** What is found in a cabinet; stops come first. */
export function check(solved: SolvedCabinet): readonly Finding[] {
  const before = found.get(solved);
  if (before) return before;
  const memo = memos.get(solved.head) ?? new FindingsMemo();
  memos.set(solved.head, memo);
  const findings = checkCabinet(solved, allKinds, memo);
  found.set(solved, findings);
  return findings;
}

/** True where a cabinet was checked already. */
export const isChecked = (solved: SolvedCabinet): boolean => found.has(solved);

/** What is found between two cabinets that stand side by side. */
export function checkBetween(left: SolvedCabinet, right: SolvedCabinet): readonly Finding[] {
  const pairs = foundBetween.get(left) ?? new WeakMap<SolvedCabinet, readonly Finding[]>();
  foundBetween.set(left, pairs);
  const before = pairs.get(right);
  if (before) return before;
  const findings = checkNeighbours(left, right, allKinds);
  pairs.set(right, findings);
  return findings;
}

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
export function checkJob(solved: SolvedJob): readonly Finding[] {
  return [...solved.cabinets.flatMap(check), ...pairsOf(solved).flatMap(([left, right]) => checkBetween(left, right))];
}

/** What is found in a cabinet of a job, then what stands between it and its neighbours and is its own. */
export function foundIn(solved: SolvedJob, id: string): Finding[] {
  const own = solved.cabinets.filter(({ cabinet }) => cabinet.id === id);
  const between = pairsOf(solved)
    .flatMap(([left, right]) => checkBetween(left, right))
    .filter(({ cabinetId }) => cabinetId === id);
  return [...own.flatMap(check), ...between];
}

/** Why an act that led to a cabinet is refused; undefined where it is not. Asked with each act: only what refuses is run. */
export const refused = (solved: SolvedCabinet): Finding | undefined => refusalOf(solved, allKinds);

/** A copy that shares what no edit touches; what is given is left as it is, not frozen. */
const { produce } = new Immer({ autoFreeze: false });

/**
 * The acts that settle a finding, in the order in which its rule proposes them. Each is carried out on a copy that is
 * solved and checked, so they are figured only when somebody looks; those between two cabinets are taken as proposed.
 */
export function fixesFor(solved: SolvedJob, id: string): readonly Act[] {
  for (const one of solved.cabinets) {
    const finding = check(one).find((each) => each.id === id);
    if (finding) return fixesIn(one, finding);
  }
  const between = pairsOf(solved).flatMap(([left, right]) => checkBetween(left, right));
  const finding = between.find((each) => each.id === id);
  return finding ? proposedFor(finding) : [];
}

/** The same for a finding of one cabinet. */
function fixesIn(solved: SolvedCabinet, finding: Finding): readonly Act[] {
  const proposed = proposedFor(finding);
  if (proposed.length === 0) return proposed;
  const solveOne = solverOf(solved.head);
  return proposed.filter((fix) => settles(fix, finding, solveOne, solved));
}

/** True when a fix leaves a valid cabinet in which the finding, and not another of its kind in its place, is gone. */
function settles(
  fix: Act,
  finding: Finding,
  solveOne: (cabinet: Cabinet) => SolvedCabinet,
  solved: SolvedCabinet,
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
    after.filter(alike).length < check(solved).filter(alike).length
  );
}
