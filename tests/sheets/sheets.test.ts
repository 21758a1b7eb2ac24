import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import type { Method } from '../../src/core/decisions/index.js';
import { boundOf, type PackProblem, pack, plainCutting, stockOf } from '../../src/core/shop/index.js';
import { Random } from '../generator/random.js';
import { wrongWith } from './check.js';
import { classic } from './instances.js';

const METHODS: readonly Method[] = ['strips', 'guillotine', 'nested'];

function anyProblem(seed: number): PackProblem {
  const random = new Random(seed);
  const inch = seed % 3 === 0;
  const size = (low: number, high: number) =>
    inch ? (random.whole(low, high) * 25.4) / 32 : random.whole(low * 10, high * 10) / 10;
  return {
    sheet: { length: 2440, width: 1220, trim: random.pick([0, 5, 10, 12.7]) },
    kerf: random.pick([0, 3, 3.2, 3.175]),
    method: random.pick([...METHODS]),
    ...(random.whole(0, 3) === 0 ? { stages: random.whole(2, 4) } : {}),
    ...(random.whole(0, 4) === 0 ? { spacing: random.whole(4, 14) } : {}),
    parts: Array.from({ length: random.whole(1, 24) }, (_, at) => ({
      id: `p${at}`,
      length: size(60, inch ? 2200 : 1500),
      width: size(40, inch ? 1300 : 900),
      quantity: random.whole(1, 9),
      turn: random.whole(0, 1) === 1,
    })),
  };
}

test('whatever is asked, by whatever method: what comes out can be cut, and is all that was asked for', () => {
  const [sheets, unplaced, byMethod] = [[] as number[], [] as number[], new Map<string, number>()];
  for (let seed = 1; seed <= 150; seed += 1) {
    const problem = anyProblem(seed);
    const packing = pack(problem, { steps: 3 }, seed);
    assert.deepEqual(wrongWith(problem, packing), [], `seed ${seed}, ${problem.method}, ${problem.stages} stages`);
    assert.ok(packing.sheets.length >= packing.bound, `seed ${seed}: fewer sheets than are possible`);
    sheets.push(packing.sheets.length);
    unplaced.push(packing.unplaced.length);
    byMethod.set(problem.method, (byMethod.get(problem.method) ?? 0) + 1);
  }
  console.log(
    `${sheets.reduce((a, b) => a + b)} sheets; ${[...byMethod].map(([name, n]) => `${name} ${n}`).join(', ')}; ${unplaced.filter((n) => n > 0).length} with pieces too large`,
  );
  assert.ok([...byMethod.values()].every((n) => n > 30));
});

test('the checker finds what is wrong: too near, in the trim, turned, missing, not to be cut from edge to edge', () => {
  const asked = {
    sheet: { length: 100, width: 100, trim: 5 },
    kerf: 3,
    method: 'guillotine',
    parts: [{ id: 'a', length: 20, width: 30, quantity: 2, turn: false }],
  };
  const piece = (x: number, y: number, more: object = {}) => ({
    id: 'a',
    x,
    y,
    length: 20,
    width: 30,
    turned: false,
    ...more,
  });
  const found = (...placements: ReturnType<typeof piece>[]) =>
    wrongWith(asked, { sheets: [{ placements }], unplaced: [] }).join('; ');
  assert.equal(found(piece(5, 5), piece(28, 5)), '');
  assert.match(found(piece(5, 5), piece(27, 5)), /not 3 apart/);
  assert.match(found(piece(4, 5), piece(28, 5)), /trim/);
  assert.match(found(piece(5, 5, { turned: true, length: 30, width: 20 }), piece(60, 5)), /may not be turned/);
  assert.match(found(piece(5, 5)), /1 times, not 2/);
  // Four round a fifth: no blade passes.
  const pinwheel = {
    sheet: { length: 50, width: 50, trim: 0 },
    kerf: 0,
    method: 'guillotine',
    parts: ['a', 'b', 'c', 'd', 'e'].map((id) => ({ id, length: 30, width: 20, quantity: 1, turn: true })),
  };
  const laid = [
    { id: 'a', x: 0, y: 0, length: 30, width: 20, turned: false },
    { id: 'b', x: 30, y: 0, length: 20, width: 30, turned: true },
    { id: 'c', x: 20, y: 30, length: 30, width: 20, turned: false },
    { id: 'd', x: 0, y: 20, length: 20, width: 30, turned: true },
  ];
  const wrong = wrongWith(pinwheel, { sheets: [{ placements: laid }], unplaced: [{ id: 'e', quantity: 1 }] });
  assert.deepEqual(wrong, ['sheet 1 cannot be cut from edge to edge']);
});

test('eight sides and four shelves come on two sheets, and fewer are impossible', () => {
  const { given, expect } = JSON.parse(readFileSync('tests/cases/16-sheets-small.json', 'utf8')) as {
    given: {
      sheet: [number, number];
      trim: number;
      kerf: number;
      parts: { id: string; size: [number, number]; quantity: number; turn: boolean }[];
    };
    expect: { sheets: number; bound: number };
  };
  for (const method of METHODS) {
    const problem: PackProblem = {
      sheet: { length: given.sheet[0], width: given.sheet[1], trim: given.trim },
      kerf: given.kerf,
      method,
      parts: given.parts.map(({ id, size: [length, width], quantity, turn }) => ({
        id,
        length,
        width,
        quantity,
        turn,
      })),
    };
    const packing = pack(problem, { steps: 40 });
    assert.deepEqual([packing.sheets.length, packing.bound], [expect.sheets, expect.bound], method);
    assert.deepEqual(wrongWith(problem, packing), []);
  }
});

test('the same seed and steps give the same layout; another seed may give another', () => {
  for (const method of METHODS) {
    const problem = { ...classic(5, 40, 1), method };
    const [a, b] = [pack(problem, { steps: 6 }, 7), pack(problem, { steps: 6 }, 7)];
    assert.equal(JSON.stringify(a), JSON.stringify(b));
  }
});

/** Fewest bins by trying everything: pieces on a grid of whole numbers, anywhere, none turned. */
function fewest(problem: PackProblem): number {
  const { length: L, width: W } = problem.sheet;
  const pieces = problem.parts
    .map(({ length, width }) => [length, width] as const)
    .sort((a, b) => b[0] * b[1] - a[0] * a[1]);
  for (let bins = 1; ; bins += 1) {
    const taken = Array.from({ length: bins }, () => new Uint8Array(L * W));
    const free = (grid: Uint8Array, x: number, y: number, l: number, w: number) => {
      for (let u = x; u < x + l; u += 1) for (let v = y; v < y + w; v += 1) if (grid[u * W + v]) return false;
      return true;
    };
    const set = (grid: Uint8Array, x: number, y: number, l: number, w: number, value: number) => {
      for (let u = x; u < x + l; u += 1) for (let v = y; v < y + w; v += 1) grid[u * W + v] = value;
    };
    const place = (at: number, used: number): boolean => {
      const piece = pieces[at];
      if (!piece) return true;
      const [l, w] = piece;
      for (let bin = 0; bin < Math.min(bins, used + 1); bin += 1) {
        const grid = taken[bin] as Uint8Array;
        for (let x = 0; x + l <= L; x += 1)
          for (let y = 0; y + w <= W; y += 1)
            if (free(grid, x, y, l, w)) {
              set(grid, x, y, l, w, 1);
              if (place(at + 1, Math.max(used, bin + 1))) return true;
              set(grid, x, y, l, w, 0);
            }
      }
      return false;
    };
    if (place(0, 0)) return bins;
  }
}

test('no bound is above what trying everything finds, on small cases', () => {
  let [tight, exact] = [0, 0];
  for (let seed = 1; seed <= 120; seed += 1) {
    const random = new Random(seed + 5000);
    const side = random.whole(4, 6);
    const problem: PackProblem = {
      sheet: { length: side, width: side, trim: 0 },
      kerf: 0,
      method: 'guillotine',
      parts: Array.from({ length: random.whole(2, 6) }, (_, at) => ({
        id: `p${at}`,
        length: random.whole(1, side),
        width: random.whole(1, side),
        quantity: 1,
        turn: false,
      })),
    };
    const least = fewest(problem);
    const bound = boundOf(stockOf(plainCutting(problem)).stock);
    assert.ok(bound <= least, `seed ${seed}: bound ${bound}, and ${least} are enough`);
    if (bound === least) tight += 1;
    for (const method of METHODS) {
      const { sheets, bound: proven } = pack({ ...problem, method }, { steps: 10 });
      assert.ok(sheets.length >= least);
      // What is proven by trying every way is never above it either.
      assert.ok(
        proven >= bound && proven <= least,
        `seed ${seed}, ${method}: ${proven} is said to be needed, ${least} are`,
      );
      if (method === 'nested' && proven === least) exact += 1;
    }
  }
  console.log(`${tight} of 120 bounds are what it takes, ${exact} with every way tried`);
  assert.ok(tight > 90 && exact > tight);
});
