import assert from 'node:assert/strict';
import { test } from 'node:test';
import { prove } from '../../../../tests/solids/prove.js';
import { type CabinetDecisions, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import { type Holes, loadSolids, toCabinet } from '../../part/index.js';
import type { SolvedCabinet } from '../../solve/index.js';

const share = { rule: 'share' as const, weight: 1 };
const hung = (more: CabinetDecisions = {}) =>
  solveWith({
    from: 'wall',
    ...more,
    settings: { hangers: { fitted: 'hangers' }, nailer: { rails: 'none' }, ...more.settings },
  });

function holes(solved: SolvedCabinet, key: string): number[][] {
  const part = partOf(solved, key);
  return part.machining
    .filter((each): each is Holes => each.kind === 'holes' && each.by.kind === 'hangers')
    .flatMap(({ positions, offset, face }) =>
      positions.map(({ value: mm }) => [
        ...toCabinet(part.placement, mm, offset.value, face === 1 ? 0 : part.thickness.value),
      ]),
    );
}

test('hangers stand in the upper corners, alike on both sides, and hold a cabinet that has no nailer', async () => {
  const solved = hung();
  const [left, right] = [holes(solved, 'side/left'), holes(solved, 'side/right')];
  assert.equal(left.length, 2);
  for (const [at, hole] of left.entries())
    assert.ok(
      Math.abs((hole[1] ?? 0) - (right[at]?.[1] ?? 0)) + Math.abs((hole[2] ?? 0) - (right[at]?.[2] ?? 0)) < 1e-6,
    );
  const top = solved.box.topUnderside.value;
  const back = solved.box.clearDepth.value;
  for (const [, y = 0, z = 0] of left) assert.ok(z < top && z > top - 140 && y < back && y > back - 60);
  assert.deepEqual(
    solved.findings.map(({ rule }) => rule),
    [],
  );
  assert.deepEqual(prove(solved, await loadSolids()), []);
  const bought = solved.fittings
    .filter(({ name }) => name.includes('anger'))
    .map(({ name, quantity }) => `${quantity} ${name}`);
  assert.deepEqual(bought, ['2 Wall hanger: corner hanger', '2 Wall plate for a hanger']);
});

test('as many hang as the load wants: stronger ones, then one on a partition, then it stops', () => {
  const open = (id: string, shelves = 3) => ({
    id,
    size: share,
    fill: { kind: 'open' as const, interior: { kind: 'shelves' as const, shelves } },
  });
  const columns = {
    kind: 'columns' as const,
    graduation: { kind: 'arithmetic' as const, step: 0 },
    parts: [open('a'), open('b')],
  };
  const counts = (['clothes', 'kitchen', 'books', 'records'] as const).map((load) => {
    const solved = hung({ width: 1150, height: 900, face: columns, settings: { shelves: { load } } });
    const { profile, wanted, carriers, weight, contents } = solved.fitted.hangers ?? assert.fail('nothing hangs');
    assert.ok(profile && wanted * profile.load >= weight.value + contents.value, 'together they carry it');
    assert.equal(carriers.length, wanted);
    assert.equal(carriers.includes('divider/a'), wanted > 2);
    return wanted;
  });
  assert.deepEqual([counts[0], counts.at(-1)], [2, 3], 'two for clothes, one on the partition as well for records');
  const full = { ...columns, parts: [open('a', 6), open('b', 6)] };
  const records = hung({ width: 1150, height: 1100, face: full, settings: { shelves: { load: 'records' } } });
  assert.ok(records.findings.some(({ rule, severity }) => rule === 'hangers/overloaded' && severity === 'stop'));
});

test('nobody hangs by hangers who did not ask for them, nor what stands on the floor', () => {
  assert.equal(solveWith({ from: 'wall' }).fitted.hangers, null);
  assert.equal(solveWith({ settings: { hangers: { fitted: 'hangers' } } }).fitted.hangers, null);
});
