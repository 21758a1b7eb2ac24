/**
 * npm run solids -- --count N: solves the first N cabinets of the generator, looks at each as solids and prints what
 * fails, by kind. What is known stands in known.json with its cause; a new kind or a higher number ends with 1.
 *   --write    writes the numbers found into known.json, causes kept
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { assemblyOf } from '../../src/core/check/index.js';
import { loadSolids } from '../../src/core/part/index.js';
import { buildable } from '../generator/buildable.js';
import { solveWith } from '../support/cabinets.js';
import { proveOrder } from './order.js';
import { prove } from './prove.js';

/** A failure that is known: why it is there, the smallest seed that shows it, and in how many cabinets, by run length. */
export interface Known {
  readonly what: string;
  readonly cause: string;
  readonly seed: number;
  readonly counts: Readonly<Record<string, number>>;
}

export interface Run {
  readonly what: string;
  readonly seed: number;
  readonly detail: string;
  readonly count: number;
}

const FILE = new URL('known.json', import.meta.url);
export const readKnown = (): Known[] => JSON.parse(readFileSync(FILE, 'utf8'));

/** Of every so many cabinets the order of assembly is replayed. */
const ORDER_EVERY = 3;

/** Failures over the first `count` seeds, most frequent first, and how many cabinets were free of any. */
export async function runSolids(
  count: number,
): Promise<{ found: Run[]; clean: number; stopped: number; ordered: number }> {
  const solids = await loadSolids();
  const found = new Map<string, { what: string; seed: number; detail: string; count: number }>();
  let clean = 0;
  let stopped = 0;
  let ordered = 0;
  for (let seed = 0; seed < count; seed += 1) {
    const solved = solveWith(buildable(seed).decisions);
    if (solved.findings.some(({ severity }) => severity === 'stop')) stopped += 1;
    const failures = prove(solved, solids);
    if (seed % ORDER_EVERY === 0 && !solved.findings.some(({ severity }) => severity === 'stop')) {
      ordered += 1;
      failures.push(...proveOrder(solved.parts, assemblyOf(solved.parts).steps, solids));
    }
    if (failures.length === 0) clean += 1;
    for (const what of new Set(failures.map((failure) => failure.what))) {
      const known = found.get(what);
      const detail = failures.find((failure) => failure.what === what)?.detail ?? '';
      if (known) known.count += 1;
      else found.set(what, { what, seed, detail, count: 1 });
    }
  }
  return { found: [...found.values()].sort((a, b) => b.count - a.count), clean, stopped, ordered };
}

/** What is new, or happens in more cabinets than is known: the number known for the next longer run is the limit. */
export function worse(found: readonly Run[], known: readonly Known[], count: number): string[] {
  return found.flatMap(({ what, seed, detail, count: now }) => {
    const entry = known.find((each) => each.what === what);
    if (!entry) return [`new: ${what}, seed ${seed}: ${detail}`];
    const lengths = Object.keys(entry.counts)
      .map(Number)
      .sort((a, b) => a - b);
    const length = lengths.find((each) => each >= count);
    const most = length === undefined ? Number.POSITIVE_INFINITY : (entry.counts[length] ?? 0);
    return now > most ? [`more: ${what} in ${now} cabinets, ${most} known`] : [];
  });
}

if (process.argv[1]?.endsWith('run.ts')) {
  const at = process.argv.indexOf('--count');
  const count = Number(at < 0 ? 1000 : process.argv[at + 1]);
  const started = performance.now();
  const { found, clean, stopped, ordered } = await runSolids(count);
  console.log(
    `${count} cabinets in ${((performance.now() - started) / 1000).toFixed(0)} s: ${stopped} with a stop, ${clean} without a failure; ${ordered} put together`,
  );
  for (const { what, seed, detail, count: times } of found) console.log(`${times}  ${what}; seed ${seed}, ${detail}`);
  const known = readKnown();
  if (process.argv.includes('--write')) {
    const names = [...new Set([...found.map(({ what }) => what), ...known.map(({ what }) => what)])].sort();
    const next = names.flatMap((what): Known[] => {
      const before = known.find((each) => each.what === what);
      const now = found.find((each) => each.what === what);
      const counts = { ...before?.counts, [count]: now?.count ?? 0 };
      return [
        {
          what,
          cause: before?.cause ?? '',
          seed: Math.min(before?.seed ?? now?.seed ?? 0, now?.seed ?? before?.seed ?? 0),
          counts,
        },
      ];
    });
    writeFileSync(FILE, `${JSON.stringify(next, null, 2)}\n`);
  } else {
    const problems = worse(found, known, count);
    for (const problem of problems) console.log(problem);
    if (problems.length > 0) process.exitCode = 1;
  }
}
