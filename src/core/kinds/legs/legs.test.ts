import assert from 'node:assert/strict';
import { test } from 'node:test';
import { type CabinetDecisions, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import { type Holes, toCabinet } from '../../part/index.js';

const share = { rule: 'share' as const, weight: 1 };
type Settings = NonNullable<CabinetDecisions['settings']>;
const standing = (more: CabinetDecisions = {}, settings: Settings = {}) =>
  solveWith({ ...more, settings: { toe: { kind: 'legs' }, ...settings } });

test('every leg has its four screws under the bottom, short of its upper face, and the pairs mirror', () => {
  const solved = standing({ width: 800 });
  const bottom = partOf(solved, 'bottom');
  const bored = bottom.machining.filter((each): each is Holes => each.kind === 'holes' && each.by.kind === 'legs');
  const at = bored.flatMap(({ offset, positions }) =>
    positions.map(({ value: mm }) => toCabinet(bottom.placement, mm, offset.value, bottom.thickness.value)),
  );
  const { legs } = solved.fitted;
  assert.equal(at.length, 4 * 2 * (legs?.pairs ?? 0));
  for (const [x, y, z] of at) {
    assert.ok(Math.abs(z - bottom.extent.min[2]) < 0.01, 'from below');
    assert.ok(x > 20 && x < solved.box.width.value - 20 && y > 20 && y < solved.box.sideDepth.value - 20);
    assert.ok(
      at.some((other) => Math.abs(other[0] - (solved.box.width.value - x)) < 0.01 && Math.abs(other[1] - y) < 0.01),
    );
  }
  for (const { depth } of bored) assert.ok((depth?.value ?? 99) < bottom.thickness.value - 2);
  assert.ok(!solved.findings.some(({ severity }) => severity === 'stop'));
  // A leg stands behind the toe board, and under the box.
  for (const { by, extent } of solved.occupied)
    if (by === 'legs') {
      assert.ok(extent.min[1] > partOf(solved, 'toe/board').extent.max[1]);
      assert.ok(extent.max[1] < solved.box.sideDepth.value && extent.max[2] <= 0);
    }
});

test('a heavy load wants more legs than the width does, by what one of them carries', () => {
  const shelves: CabinetDecisions['parts'] = [
    { id: 'o1', size: share, fill: { kind: 'open', interior: { kind: 'shelves', shelves: 6 } } },
  ];
  const heavy = standing({ from: 'tall', width: 1150, parts: shelves }, { shelves: { load: 'records' } }).fitted.legs;
  assert.ok(heavy?.profile);
  const whole = heavy.weight.value + heavy.contents.value;
  assert.ok(heavy.pairs * 2 * heavy.profile.load >= whole);
  assert.ok(heavy.byLoad > 0 && (heavy.byLoad - 1) * 2 * heavy.profile.load < whole, 'not one pair too many');
  // Eight boards at 55 kg a metre, reckoned apart.
  assert.ok(Math.abs(heavy.contents.value - 7 * 1.11 * 55) < 25, `${heavy.contents.value}`);
});

test('a toe no leg is as high as, and a load no row of legs carries, stop; the fixes settle them', () => {
  const high = standing({}, { toe: { kind: 'legs', height: 300 } });
  assert.match(high.findings.find(({ rule }) => rule === 'legs/no-leg')?.why ?? '', /at most; the toe is 300/);
  const narrow = standing(
    {
      from: 'tall',
      width: 320,
      parts: [{ id: 'o1', size: share, fill: { kind: 'open', interior: { kind: 'shelves', shelves: 20 } } }],
    },
    { shelves: { load: 'records' }, legs: { choice: 'brae-leg-100', inset: 140 } },
  );
  const { legs } = narrow.fitted;
  assert.ok(legs);
  assert.equal(
    narrow.findings.some(({ rule }) => rule === 'legs/overloaded'),
    legs.pairs > legs.room,
  );
});
