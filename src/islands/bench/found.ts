import { useEffect, useState } from 'react';
import type { Finding } from '../../core/cabinet/index.js';
import { stopBrought } from '../../core/commands/index.js';
import type { Act, Cabinet } from '../../core/decisions/index.js';
import { revived } from '../../core/ground/index.js';
import { fixesFor, foundIn, type SolvedCabinet } from '../../core/solve/index.js';
import type { Beside } from '../../workers/asks.js';
import { useBench, useBenchStore } from './context.js';
import type { BenchState, BenchStore } from './store.js';
import { theCache } from './useAnswer.js';

/** What was found in a cabinet, and as what it stood then, with those beside it. */
export interface Found {
  readonly row: Row;
  readonly findings: readonly Finding[];
}

type Row = Beside & { readonly own: Cabinet };

/** Those at the ends of each cabinet, by its id; a list of cabinets is gone through once, however many ask. */
const ends = new WeakMap<readonly Cabinet[], ReadonlyMap<string, Beside>>();
function endsIn(cabinets: readonly Cabinet[]): ReadonlyMap<string, Beside> {
  const known = ends.get(cabinets);
  if (known) return known;
  const byId = new Map(cabinets.map((cabinet) => [cabinet.id, cabinet]));
  const rightOf = new Map<string, Cabinet>();
  for (const cabinet of cabinets) {
    const { leftNeighbour } = cabinet;
    if (leftNeighbour !== null && !rightOf.has(leftNeighbour)) rightOf.set(leftNeighbour, cabinet);
  }
  const made = new Map(
    cabinets.map(({ id, leftNeighbour }) => [
      id,
      { left: leftNeighbour === null ? undefined : byId.get(leftNeighbour), right: rightOf.get(id) },
    ]),
  );
  ends.set(cabinets, made);
  return made;
}

/** A cabinet of the job with those at its ends. */
function rowOf({ job: { cabinets } }: Pick<BenchState, 'job'>, own: Cabinet): Row {
  const beside = endsIn(cabinets).get(own.id);
  return { own, left: beside?.left, right: beside?.right };
}

const isSame = (a: Row, b: Row) => a.own === b.own && a.left === b.left && a.right === b.right;

/** What was found in a cabinet last, and whether that is of it as it is now. */
export function useFindings({ cabinet }: SolvedCabinet): {
  readonly findings: readonly Finding[];
  /** True while it is still looked through: what is told is of a moment ago, or nothing yet. */
  readonly looking: boolean;
} {
  const found = useBench((state) => state.found[cabinet.id]);
  const looking = useBench((state) => !found || !isSame(found.row, rowOf(state, cabinet)));
  return { findings: found?.findings ?? NONE, looking };
}
const NONE: readonly Finding[] = [];

/** The acts that settle a finding, figured beside the page; none until they are there. */
export function useFixes({ id, cabinetId }: Finding): readonly Act[] {
  const store = useBenchStore();
  const found = useBench((state) => state.found[cabinetId]);
  const [fixes, setFixes] = useState<readonly Act[]>([]);
  useEffect(() => {
    if (!found) return undefined;
    let left = false;
    const hear = (acts: readonly Act[]) => {
      if (!left) setFixes(acts);
    };
    const { own, ...beside } = found.row;
    const ask = { kind: 'fixes', finding: id, ...beside } as const;
    const { job, solved } = store.getState();
    const asked = theCache().ask(`fixes ${id}`, job, own, ask, (answer) => hear(answer as readonly Act[]));
    const timer = asked ? undefined : setTimeout(() => hear(fixesFor(solved, id)));
    return () => {
      left = true;
      clearTimeout(timer);
    };
  }, [store, found, id]);
  return fixes;
}

/** Has every cabinet of the job looked through beside the page whenever it changes, the one on the bench first. */
export function useLookingThrough(): void {
  const store = useBenchStore();
  const job = useBench((state) => state.job);
  const cabinetId = useBench((state) => state.cabinetId);
  // biome-ignore lint/correctness/useExhaustiveDependencies: whatever changed of the job is looked through anew
  useEffect(() => {
    const { cabinets } = store.getState().job;
    const first = cabinets.filter(({ id }) => id === cabinetId);
    for (const own of [...first, ...cabinets.filter(({ id }) => id !== cabinetId)]) look(store, own);
  }, [store, job, cabinetId]);
}

/** Cabinets are known by numbers where what is asked of one has to name those beside it. */
const numbers = new WeakMap<Cabinet, number>();
let last = 0;
function numberOf(cabinet: Cabinet | undefined): number {
  if (!cabinet) return 0;
  const known = numbers.get(cabinet);
  if (known !== undefined) return known;
  last += 1;
  numbers.set(cabinet, last);
  return last;
}

function look(store: BenchStore, own: Cabinet): void {
  const state = store.getState();
  const row = rowOf(state, own);
  const known = state.found[own.id];
  if (known && isSame(known.row, row)) return;
  const { left, right } = row;
  const name = `findings ${own.id} ${numberOf(left)} ${numberOf(right)}`;
  const asked = theCache().ask(name, state.job, own, { kind: 'findings', left, right }, (answer) =>
    heard(store, row, revived(answer as readonly Finding[])),
  );
  // Without a worker the page looks for itself, when it has drawn.
  if (!asked) setTimeout(() => lookHere(store, row));
}

function lookHere(store: BenchStore, row: Row): void {
  const { solved } = store.getState();
  heard(store, row, foundIn(solved, row.own.id));
}

/** What was found is kept, unless the cabinet is another one by now; a new stop goes into the line on the last act. */
function heard(store: BenchStore, row: Row, findings: readonly Finding[]): void {
  const state = store.getState();
  const { id } = row.own;
  const now = state.job.cabinets.find((cabinet) => cabinet.id === id);
  if (!now || !isSame(row, rowOf(state, now))) return;
  const before = state.found[id]?.findings;
  const stop = before && stopBrought(before, findings);
  const lastAct =
    stop && state.lastAct && id === state.cabinetId && !state.lastAct.includes(stop.what)
      ? `${state.lastAct}. New stop: ${stop.what}`
      : state.lastAct;
  store.setState({ found: { ...state.found, [id]: { row, findings } }, lastAct });
}
