import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { readJob } from '../src/core/document/index.js';
import { presentJob } from '../src/core/present/index.js';
import { solve } from '../src/core/solve.js';
import { buildableDecisions, jobWith, wildDecisions } from './support/cabinets.js';

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

test('10,000 random documents: a good one solves, a bad one is refused with its places, nothing throws', () => {
  let refused = 0;
  let solved = 0;
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
      const result = solve(read.value);
      assert.ok(JSON.stringify(presentJob(result)).length > 50);
      for (const cabinet of result.cabinets)
        for (const part of cabinet.parts)
          assert.ok(Number.isFinite(part.cutLength.mm) && Number.isFinite(part.cutWidth.mm), part.key);
    }),
    { numRuns: 10_000 },
  );
  assert.ok(refused > 500 && solved > 2000, `${refused} refused, ${solved} solved`);
});
