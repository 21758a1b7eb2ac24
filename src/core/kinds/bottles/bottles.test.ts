import assert from 'node:assert/strict';
import { test } from 'node:test';
import { prove } from '../../../../tests/solids/prove.js';
import { type CabinetDecisions, solveWith } from '../../../../tests/support/cabinets.js';
import { assemblyOf } from '../../check/index.js';
import { loadSolids } from '../../part/index.js';

const share = { rule: 'share' as const, weight: 1 };
const cells = (decisions: CabinetDecisions = {}, fill: 'open' | 'pair' = 'open') =>
  solveWith({
    ...decisions,
    parts: [{ id: 'o1', size: share, fill: { kind: fill, interior: { kind: 'bottles' } } }],
  });

test('as many cells as fit, all alike and none under the size asked for, boards and cells filling the room', () => {
  for (const width of [400, 517, 600, 888, 1000]) {
    const solved = cells({ width });
    const [crate] = solved.fitted.bottles;
    const [room] = solved.interiors.compartments;
    assert.ok(crate?.fits && room);
    const board = solved.resolved.materials.cells.thickness.value;
    const inside = room.inside.h.size.value - 2;
    assert.ok(Math.abs(crate.across * crate.width.value + (crate.across - 1) * board - inside) < 1e-9);
    assert.ok(crate.width.value >= 95 && crate.height.value >= 95);
    // One more would be too narrow.
    assert.ok((inside - crate.across * board) / (crate.across + 1) < 95);
    assert.equal(crate.parts.length, crate.across - 1 + crate.up - 1);
  }
});

test('boards go half into each other, stand behind hinges, and can be put together', async () => {
  const solids = await loadSolids();
  for (const solved of [cells(), cells({}, 'pair'), cells({ settings: { school: 'faceFrame' } }, 'pair')]) {
    assert.deepEqual(prove(solved, solids), []);
    assert.equal(assemblyOf(solved.parts).stuck, undefined);
    assert.deepEqual(
      solved.findings.filter(({ severity }) => severity === 'stop').map(({ what }) => what),
      [],
    );
  }
});
