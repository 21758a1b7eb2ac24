import assert from 'node:assert/strict';
import { test } from 'node:test';
import { type CabinetDecisions, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import { type Holes, toCabinet } from '../../part/index.js';
import type { SolvedCabinet } from '../../solve/index.js';

const share = { rule: 'share' as const, weight: 1 };
const wardrobe = (more: CabinetDecisions = {}) =>
  solveWith({
    from: 'tall',
    width: 900,
    depth: 600,
    parts: [
      {
        id: 'o1',
        size: share,
        fill: {
          kind: 'pair',
          interior: {
            kind: 'rows',
            graduation: { kind: 'arithmetic', step: 0 },
            parts: [
              { id: 'r1', size: { rule: 'fixed', mm: 300 }, fill: { kind: 'nothing' } },
              { id: 'r2', size: share, fill: { kind: 'rail' } },
            ],
          },
        },
      },
    ],
    ...more,
  });

/** Middles of the socket holes in the cabinet. */
function sockets(solved: SolvedCabinet, key: string): number[][] {
  const part = partOf(solved, key);
  return part.machining
    .filter((each): each is Holes => each.kind === 'holes' && each.by.kind === 'hanging')
    .flatMap(({ positions, offset, face }) =>
      positions.map(({ value: mm }) => [
        ...toCabinet(part.placement, mm, offset.value, face === 1 ? 0 : part.thickness.value),
      ]),
    );
}

test('a rail hangs in the middle of its room, its sockets opposite each other on what stands beside it', () => {
  const solved = wardrobe();
  const [rail] = solved.fitted.hanging;
  const shelf = partOf(solved, 'divider/r1').extent;
  const [left, right] = [sockets(solved, 'side/left'), sockets(solved, 'side/right')];
  assert.ok(rail && left.length === 2 && right.length === 2);
  for (const [at, hole] of left.entries()) {
    const opposite = right[at] ?? [];
    assert.ok(
      Math.abs((hole[1] ?? 0) - (opposite[1] ?? 0)) < 1e-6 && Math.abs((hole[2] ?? 0) - (opposite[2] ?? 0)) < 1e-6,
    );
    assert.ok(Math.abs((hole[1] ?? 0) - solved.box.clearDepth.value / 2) < 1e-6, 'in the middle of the depth');
    assert.ok((hole[2] ?? 0) < shelf.min[2], 'under the shelf');
  }
  const middle = ((left[0]?.[2] ?? 0) + (left[1]?.[2] ?? 0)) / 2;
  assert.ok(Math.abs(middle - (shelf.min[2] - 60)) <= 32, 'about as far below it as was said');
  const between = partOf(solved, 'side/right').extent.min[0] - partOf(solved, 'side/left').extent.max[0];
  assert.ok(Math.abs(rail.length.value - (between - 2)) < 1e-6);
  assert.deepEqual(
    solved.findings.filter(({ severity }) => severity !== 'note').map(({ what }) => what),
    [],
  );
  assert.deepEqual(
    solved.fittings.filter(({ name }) => /rail/i.test(name)).map(({ name, quantity }) => `${quantity} ${name}`),
    ['1 Hanging rail, 862.4 mm', '1 Rail sockets, pair'].map((line) =>
      line.replace('862.4 mm', `${rail.length.value.toFixed(1).replace('.0', '')} mm`),
    ),
  );
});

test('a socket moves to stand clear of what is bored where it would go', () => {
  const hit = wardrobe({ settings: { hanging: { centres: 64, fromTop: 40 } } });
  assert.ok(!hit.findings.some(({ rule }) => rule === 'machining/operations-meet'));
});
