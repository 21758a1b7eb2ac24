import assert from 'node:assert/strict';
import fc from 'fast-check';
import { countedIds, type Job, newCabinet } from '../../src/core/decisions/index.js';
import { presentJob } from '../../src/core/present/index.js';
import { check, newJob, readJob, solve, solveCabinet } from '../../src/core/solve/index.js';
import { buildableDecisions, jobWith, wildDecisions } from '../support/cabinets.js';

type Data = Record<string, unknown> | unknown[];

/** What ends up where a number or word should be. */
const odd = fc.oneof(
  fc.constantFrom<unknown>(null, '', 'screws', 'none', -1, 0, 1e-9, 1e12, -0, true, [], {}, 'o1', 17.8),
  fc.double({ min: -2000, max: 8000, noNaN: true }),
  fc.string({ maxLength: 6 }),
);
const mutations = fc.array(
  fc.record({
    steps: fc.array(fc.nat(), { minLength: 1, maxLength: 9 }),
    value: odd,
    act: fc.constantFrom('set', 'set', 'set', 'drop', 'add'),
  }),
  { maxLength: 4 },
);

/** Walks into the document along `steps` and changes what it comes to. */
function mutate(data: Data, steps: readonly number[], value: unknown, act: string): void {
  let node = data;
  for (const [at, step] of steps.entries()) {
    const keys = Object.keys(node);
    if (act === 'add' && at === steps.length - 1 && !Array.isArray(node)) {
      node[`extra${step % 7}`] = value;
      return;
    }
    const key = keys[step % Math.max(1, keys.length)];
    if (key === undefined) return;
    const next = (node as Record<string, unknown>)[key];
    if (at === steps.length - 1 || typeof next !== 'object' || next === null) {
      if (act === 'drop' && !Array.isArray(node)) delete node[key];
      else (node as Record<string, unknown>)[key] = value;
      return;
    }
    node = next as Data;
  }
}

/** How long something takes (ms), the least of three times while it seems to take long. */
function leastTime(act: () => unknown, long: number): number {
  let least = Number.POSITIVE_INFINITY;
  for (let time = 0; time < 3 && least > long; time += 1) {
    const start = performance.now();
    act();
    least = Math.min(least, performance.now() - start);
  }
  return least;
}

export interface Documents {
  readonly refused: number;
  readonly solved: number;
  /** Of those that do not close, each with a stop that says by how much. */
  readonly open: number;
  readonly 'slowest cabinet ms': number;
}

/**
 * Random documents, good and spoilt. A good one is solved and given out without a number that is none; one that does not
 * close says by how much; a bad one is refused with its places; nothing throws.
 */
export function readOddDocuments(count: number, seed?: number): Documents {
  let [refused, solved, open, slowest] = [0, 0, 0, 0];
  fc.assert(
    fc.property(fc.oneof(buildableDecisions, wildDecisions), mutations, (decisions, changes) => {
      const job = structuredClone(jobWith(decisions)) as unknown as Data;
      for (const { steps, value, act } of changes) mutate(job, steps, value, act);
      const read = readJob(job);
      if (!read.ok) {
        refused += 1;
        assert.ok(read.errors.length > 0);
        for (const { path, message } of read.errors) {
          assert.equal(typeof path, 'string');
          assert.match(message, /\.$/);
        }
        return;
      }
      solved += 1;
      const start = performance.now();
      const result = solve(read.value);
      const took = performance.now() - start;
      // What seems slow is looked at again: the machine may be busy.
      if (took > slowest)
        slowest = Math.max(
          slowest,
          Math.min(
            took,
            leastTime(() => solve(read.value), slowest),
          ),
        );
      const text = JSON.stringify(presentJob(result));
      assert.ok(text.length > 50 && !/NaN|Infinity/.test(text));
      for (const solved of result.cabinets) {
        const { parts } = solved;
        for (const part of parts)
          assert.ok(Number.isFinite(part.cutLength.value) && Number.isFinite(part.cutWidth.value), part.key);
        const stop = check(solved).find(({ refuses }) => refuses);
        if (!stop) continue;
        open += 1;
        assert.match(`${stop.what} ${stop.why}`, /\d/, 'it says by how much');
      }
    }),
    { numRuns: count, ...(seed === undefined ? {} : { seed }) },
  );
  return { refused, solved, open, 'slowest cabinet ms': Math.round(slowest) };
}

/**
 * The largest cabinet there may be, in several sorts (ms for each, on a thread that solved one before), and a job of a
 * thousand cabinets: the first thing a thread does, and later. `pace` is a fixed piece of work, which says how busy the
 * machine is: 1 to 1.5 s while it is quiet.
 */
export function solveTheLargest(): Readonly<Record<string, number>> {
  const once = (act: () => void) => {
    const start = performance.now();
    act();
    return Math.round(performance.now() - start);
  };
  const grid = (fill: object): Job => {
    const job = newJob('Large', 'metric');
    const cabinet = newCabinet(job, 'base', countedIds());
    const { graduation } = cabinet.face;
    const size = { rule: 'share', weight: 1 };
    const rows = (column: number) =>
      Array.from({ length: 9 }, (_, at) => ({ id: `r${column}-${at}`, size, fill: structuredClone(fill) }));
    const columns = Array.from({ length: 10 }, (_, at) => ({
      id: `k${at}`,
      size,
      fill: { kind: 'rows', graduation, parts: rows(at) },
    }));
    const face = { kind: 'columns', graduation, parts: columns };
    const large = { ...cabinet, size: { width: 6000, height: { from: 'overall', mm: 4000 }, depth: 600 }, face };
    const read = readJob({ ...job, cabinets: [large] });
    assert.ok(read.ok, JSON.stringify(read.ok || read.errors));
    return read.value;
  };
  const cabinet = (fill: object) => {
    const job = grid(fill);
    const act = () => void solveCabinet(job, job.cabinets[0] as Job['cabinets'][number]);
    act();
    return Math.min(once(act), once(act), once(act));
  };
  const many = newJob('Many', 'metric');
  const ids = countedIds();
  for (let at = 0; at < 1000; at += 1) many.cabinets.push(newCabinet(many, at % 3 ? 'base' : 'wall', ids));
  const first = once(() => void solve(many));
  return {
    pace: once(alwaysTheSame),
    '90 drawers ms': cabinet({ kind: 'drawer' }),
    '90 pairs with 360 shelves ms': cabinet({ kind: 'pair', interior: { kind: 'shelves', shelves: 4 } }),
    '90 open with 360 shelves ms': cabinet({ kind: 'open', interior: { kind: 'shelves', shelves: 4 } }),
    '1,000 cabinets ms, first': first,
    '1,000 cabinets ms': once(() => void solve(many)),
  };
}

/** Objects made and added up. */
function alwaysTheSame(): void {
  let sum = 0;
  for (let round = 0; round < 40; round += 1) {
    const made: { readonly x: number; readonly z: readonly number[] }[] = [];
    for (let at = 0; at < 200_000; at += 1) made.push({ x: at, z: [at] });
    for (const { x, z } of made) sum += x + (z[0] ?? 0);
  }
  assert.ok(sum > 0);
}
