import assert from 'node:assert/strict';
import { test } from 'node:test';
import { jobWith } from '../../../../tests/support/cabinets.js';
import type { StockBand } from '../../decisions/index.js';
import { solve } from '../../solve/index.js';
import { bandBought, bandFor, bandsMissing, isLeftOnFor, isTooNarrow } from './index.js';

const band = (more: Partial<StockBand>): StockBand => ({
  id: 'e1',
  name: 'band',
  width: 22,
  thickness: 1,
  price: 1,
  milled: true,
  materials: ['front18'],
  ...more,
});

test('bands are bought longer than their edges: each by 50 mm, and a tenth more of all', () => {
  assert.ok(Math.abs(bandBought(2, 4, 'oak').value - (2 + 4 * 0.05) * 1.1) < 1e-9);
});

test('a band matches by material and thickness, is wide enough by 1.5 mm, and what is missing is told once', () => {
  const job = jobWith({});
  const parts = solve(job).cabinets.flatMap((cabinet) => cabinet.parts);
  const wanted = bandsMissing([], parts).map(({ material, thickness }) => `${material.id} ${thickness}`);
  assert.equal(new Set(wanted).size, wanted.length);
  assert.ok(wanted.includes('front18 1') && wanted.includes('birch18 0.5'), wanted.join());
  const left = bandsMissing([band({})], parts).map(({ material, thickness }) => `${material.id} ${thickness}`);
  assert.deepEqual(
    left,
    wanted.filter((each) => each !== 'front18 1'),
  );
  assert.equal(bandFor([band({ thickness: 2 })], 'front18', 1), undefined);
  assert.equal(isTooNarrow(band({ width: 19.4 }), job.materials), true);
  assert.equal(isTooNarrow(band({ width: 19.5 }), job.materials), false);
});

test('what the bander mills off has to be left on by the cut sizes', () => {
  const parts = (preMilling: number) =>
    solve(jobWith({ settings: { banding: { preMilling } } })).cabinets.flatMap((cabinet) => cabinet.parts);
  assert.equal(isLeftOnFor(band({}), parts(0)), false);
  assert.equal(isLeftOnFor(band({}), parts(0.5)), true);
});
