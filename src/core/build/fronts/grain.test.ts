import assert from 'node:assert/strict';
import { test } from 'node:test';
import { type CabinetDecisions, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import { grainGroups } from './index.js';

const share = { rule: 'share' as const, weight: 1 };
const drawers: CabinetDecisions = {
  width: 600,
  parts: ['o1', 'o2', 'o3'].map((id) => ({ id, size: share, fill: { kind: 'drawer' as const } })),
};
const blanks = (decisions: CabinetDecisions) => {
  const solved = solveWith(decisions);
  return { solved, groups: grainGroups(solved.fronts, solved.resolved) };
};

test('fronts of a column come out of one blank from the top down, with a saw cut between two', () => {
  const { solved, groups } = blanks({ ...drawers, settings: { fronts: { grainRuns: 'columns' } } });
  const [group] = groups;
  assert.ok(group && groups.length === 1);
  assert.deepEqual(
    group.parts.map(({ key }) => key),
    ['drawer/o1', 'drawer/o2', 'drawer/o3'],
  );
  const cut = group.parts.map((part) => part.cutLength.value);
  assert.ok(Math.abs(group.height.value - cut.reduce((sum, mm) => sum + mm, 0) - 2 * 4) < 1e-9);
  assert.equal(group.width.value, group.parts[0]?.cutWidth.value);
  assert.deepEqual(partOf(solved, 'drawer/o2').grain, { group: 'G1', piece: 2, of: 3 });
  assert.equal(partOf(solved, 'drawer/o1').placement.u, '+z', 'all run as the doors do');
});

test('alike fronts of one blank are not one row: each has its place in the grain', () => {
  const { solved } = blanks({ ...drawers, settings: { fronts: { grainRuns: 'columns' } } });
  const rows = solved.rows.filter(({ part }) => part.role === 'drawer front');
  assert.deepEqual(
    rows.map(({ quantity }) => quantity),
    [1, 1, 1],
  );
});

test('over the whole face both ways; along a row side by side; not at all when fronts stand alone', () => {
  const face: CabinetDecisions = { width: 800, settings: { fronts: { grainRuns: 'face' } } };
  const [whole] = blanks(face).groups;
  assert.equal(whole?.parts.length, 3, 'a drawer over a pair');
  const rows = blanks({ ...face, settings: { fronts: { grainRuns: 'rows' } } }).groups;
  assert.deepEqual(
    rows.map(({ parts }) => parts.map(({ key }) => key)),
    [['door/o2/left', 'door/o2/right']],
  );
  assert.deepEqual(blanks({ width: 800 }).groups, []);
});

test('framed fronts have no running grain', () => {
  assert.deepEqual(
    blanks({ ...drawers, settings: { fronts: { grainRuns: 'columns' }, making: { kind: 'stick', slabBelow: 0 } } })
      .groups,
    [],
  );
});
