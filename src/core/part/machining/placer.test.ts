/** The placer, held against trying everything on a grid of whole millimetres. */
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { Random } from '../../../../tests/generator/random.js';
import { placeRow, type WantedRow } from './placer.js';

/** All ways of standing on whole millimetres: as many as can, moved least in all. Knows nothing of how the placer goes about it. */
function bruteForce({
  regular,
  within,
  apart,
  mostApart = Number.POSITIVE_INFINITY,
  furthest = Number.POSITIVE_INFINITY,
  taken,
}: WantedRow): {
  count: number;
  moved: number;
} {
  const free: number[] = [];
  for (let at = Math.ceil(within[0]); at <= within[1]; at += 1)
    if (taken.every(([from, to]) => at <= from || at >= to)) free.push(at);
  const known = new Map<string, { count: number; moved: number }>();
  const from = (index: number, last: number): { count: number; moved: number } => {
    if (index === regular.length) return { count: 0, moved: 0 };
    const key = `${index} ${last}`;
    const before = known.get(key);
    if (before) return before;
    let best = from(index + 1, last);
    for (const place of free) {
      if (place - last < apart || (last !== Number.NEGATIVE_INFINITY && place - last > mostApart)) continue;
      if (Math.abs(place - (regular[index] as number)) > furthest) continue;
      const rest = from(index + 1, place);
      const count = rest.count + 1;
      const moved = rest.moved + Math.abs(place - (regular[index] as number));
      if (count > best.count || (count === best.count && moved < best.moved)) best = { count, moved };
    }
    known.set(key, best);
    return best;
  };
  return from(0, Number.NEGATIVE_INFINITY);
}

function randomRow(random: Random, most: number): WantedRow {
  const length = random.whole(20, 90);
  const count = random.whole(1, most);
  const first = random.whole(0, 8);
  const taken = Array.from({ length: random.whole(0, 5) }, () => {
    const at = random.whole(0, length);
    return [at, at + random.whole(1, 18)] as const;
  });
  const regular = Array.from({ length: count }, () => random.whole(first, length - first)).sort((a, b) => a - b);
  const furthest = random.whole(0, 2) === 0 ? { furthest: random.whole(1, 20) } : {};
  return { regular, within: [first, length - first], apart: random.whole(2, 12), taken, least: 1, ...furthest };
}

test('two thousand rows of up to eight: as many stand, and are moved as little, as in any way there is', () => {
  const random = new Random(31);
  let [stood, leftOut, none] = [0, 0, 0];
  for (let at = 0; at < 2000; at += 1) {
    const row = randomRow(random, 8);
    const placed = placeRow(row);
    const best = bruteForce(row);
    const places = placed.ok ? placed.places : [];
    const said = `${JSON.stringify(row)} ${JSON.stringify(places)}`;
    assert.equal(places.length, best.count, said);
    if (places.length === 0) none += 1;
    else stood += 1;
    if (places.length < row.regular.length) leftOut += 1;
    for (const [index, place] of places.entries()) {
      assert.ok(place >= row.within[0] && place <= row.within[1], said);
      assert.ok(
        row.taken.every(([from, to]) => place <= from + 1e-6 || place >= to - 1e-6),
        said,
      );
      if (index > 0) assert.ok(place - (places[index - 1] as number) >= row.apart - 1e-6, said);
    }
    // Which were left out is not said: where all stand, the moves are compared.
    if (places.length === row.regular.length) {
      const moved = places.reduce((sum, place, index) => sum + Math.abs(place - (row.regular[index] as number)), 0);
      assert.ok(Math.abs(moved - best.moved) < 1e-6, `${said}: ${moved} for ${best.moved}`);
    }
  }
  assert.ok(stood > 1500 && leftOut > 200 && none > 5, `${stood} stood, ${leftOut} left some out, ${none} had none`);
});

test('where nothing is in the way nothing is moved, and the same row has the same places', () => {
  const row: WantedRow = { regular: [50, 200, 350], within: [12, 388], apart: 20, taken: [], least: 2 };
  assert.deepEqual(placeRow(row), { ok: true, places: [50, 200, 350] });
  const crossed = { ...row, taken: [[190, 215]] as const };
  assert.deepEqual(placeRow(crossed), { ok: true, places: [50, 190, 350] });
  assert.deepEqual(placeRow(crossed), placeRow(structuredClone(crossed)));
});

test('never one alone where two are wanted; a row without room says why', () => {
  const row: WantedRow = { regular: [20, 60], within: [12, 68], apart: 20, taken: [[12.5, 69]], least: 2 };
  assert.deepEqual(placeRow(row), { ok: false, why: 'all taken' });
  assert.deepEqual(placeRow({ ...row, within: [12, 25], taken: [] }), { ok: false, why: 'too short' });
  assert.deepEqual(placeRow({ ...row, within: [30, 20], taken: [] }), { ok: false, why: 'too short' });
});

test('where they may not stand too far apart, one that is moved takes its neighbours along', () => {
  const row: WantedRow = {
    regular: [10, 40, 70],
    within: [0, 100],
    apart: 10,
    mostApart: 32,
    taken: [[35, 50]],
    least: 3,
  };
  const placed = placeRow(row);
  assert.ok(placed.ok);
  const [a = 0, b = 0, c = 0] = placed.places;
  assert.ok(b - a <= 32 + 1e-6 && c - b <= 32 + 1e-6 && (b <= 35 || b >= 50), placed.places.join());
});
