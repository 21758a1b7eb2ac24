import assert from 'node:assert/strict';
import { test } from 'node:test';
import { settingLeaves } from '../../src/core/solve/index.js';
import { solveWith } from '../support/cabinets.js';
import { APART, buildable } from './buildable.js';
import { coverageOf, seedsFor } from './coverage.js';

test('every pair of choices that can go together, and every setting at its limits and between, at least 20 times', () => {
  const { seeds, pairs, limits } = coverageOf(seedsFor(20));
  const numeric = settingLeaves.filter((leaf) => leaf.limits !== undefined).length;
  console.log(
    `${seeds} seeds: ${pairs.length} pairs, rarest ${pairs[0]?.join(' ')}; ${limits.length} uses of limits, rarest ${limits[0]?.join(' ')}`,
  );
  for (const [factor, word, other, otherWord, why] of APART)
    console.log(`apart: ${factor} ${word} and ${other} ${otherWord}: ${why}`);
  assert.equal(limits.length, numeric * 3);
  assert.ok((limits[0]?.[1] ?? 0) >= 20, limits[0]?.join(' '));
  assert.ok((pairs[0]?.[1] ?? 0) >= 20, pairs[0]?.join(' '));
});

test('of the cabinets that are meant to be buildable at least 80 in 100 have no stop', () => {
  const seeds = 400;
  let free = 0;
  for (let seed = 0; seed < seeds; seed += 1)
    if (!solveWith(buildable(seed).decisions).findings.some(({ severity }) => severity === 'stop')) free += 1;
  console.log(`${free} of ${seeds} without a stop`);
  assert.ok(free >= 0.8 * seeds, `${free} of ${seeds}`);
});

test('one seed is one cabinet', () => {
  assert.deepEqual(buildable(17), buildable(17));
  assert.notDeepEqual(buildable(17).decisions, buildable(18).decisions);
});
