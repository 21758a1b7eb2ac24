import assert from 'node:assert/strict';
import { test } from 'node:test';
import { solveWith } from '../../../../tests/support/cabinets.js';
import { differencesBetween, isNone } from './index.js';

const share = { rule: 'share' as const, weight: 1 };
const pair = { width: 600, height: 720, parts: [{ id: 'o1', size: share, fill: { kind: 'pair' as const } }] };

test('nothing differs between a cabinet and the same once more', () => {
  assert.ok(isNone(differencesBetween(solveWith(pair), solveWith(pair))));
});

test('wider by 40: what runs across is 40 longer, what stands is as before, and every number is that of its cut list', () => {
  const [before, after] = [solveWith(pair), solveWith({ ...pair, width: 640 })];
  const { parts } = differencesBetween(before, after);
  const change = (key: string) => parts.find((part) => part.key === key);
  const bottom = change('bottom')?.sizes.find(({ what }) => what === 'cut length');
  assert.ok(bottom && Math.abs(bottom.after - bottom.before - 40) < 1e-6);
  assert.deepEqual(change('side/left')?.sizes ?? [], []);
  const listed = (solved: typeof before) => new Map(solved.parts.map((part) => [part.key, part]));
  for (const { key, sizes } of parts)
    for (const { what, before: a, after: b } of sizes) {
      const pick = what === 'cut length' ? 'cutLength' : what === 'cut width' ? 'cutWidth' : 'thickness';
      assert.equal(listed(before).get(key)?.[pick].value, a);
      assert.equal(listed(after).get(key)?.[pick].value, b);
    }
  // Whatever is not named is alike in both.
  for (const part of before.parts.filter(({ key }) => !change(key)))
    assert.equal(listed(after).get(part.key)?.cutLength.value, part.cutLength.value, part.key);
});

test('parts that come and go, what is bought for them, and what was found', () => {
  const drawer = { ...pair, parts: [{ id: 'o1', size: share, fill: { kind: 'drawer' as const } }] };
  const { parts, fittings } = differencesBetween(solveWith(pair), solveWith(drawer));
  assert.ok(parts.some(({ key, after }) => key.startsWith('door/') && !after));
  assert.ok(parts.some(({ key, before }) => key.startsWith('drawer/') && !before));
  assert.ok(
    fittings.some(({ before, after }) => before > 0 && after === 0),
    'hinges go',
  );
  assert.ok(
    fittings.some(({ before, after }) => before === 0 && after > 0),
    'runners come',
  );
  const narrow = differencesBetween(solveWith(pair), solveWith({ ...pair, width: 120 }));
  assert.ok(narrow.came.length > 0);
  const back = differencesBetween(solveWith({ ...pair, width: 120 }), solveWith(pair));
  assert.deepEqual(
    back.went.map(({ what }) => what),
    narrow.came.map(({ what }) => what),
  );
});

test('a hole that moves is a change of its part though its size is the same', () => {
  const moved = { ...pair, settings: { hinges: { endDistance: 130 } } };
  const { parts } = differencesBetween(solveWith(pair), solveWith(moved));
  const door = parts.find(({ key }) => key.startsWith('door/'));
  assert.ok(door && door.sizes.length === 0 && door.cuts);
});
