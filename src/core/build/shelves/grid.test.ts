import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { buildableDecisions, type CabinetDecisions, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import { holeDim, holeHeight, holesBetween, type PinGrid, pinGrid } from './index.js';

const gridOf = (decisions: CabinetDecisions): PinGrid => {
  const { parts, resolved } = solveWith(decisions);
  const grid = pinGrid(parts, resolved);
  assert.ok(grid);
  return grid;
};

test('the first hole stands a set distance from the lower end of the side, the rest 32 apart', () => {
  const grid = gridOf({});
  assert.deepEqual([holeHeight(grid, 0), holeHeight(grid, 1), holeHeight(grid, 10)], [9, 41, 329]);
  assert.equal(grid.count, Math.floor((770 - 18) / 32) + 1);
  assert.ok(holeHeight(grid, grid.count - 1) <= 770 - 9);
});

test('counted from the upper end it begins there and runs down', () => {
  const grid = gridOf({ settings: { pins: { from: 'top' } } });
  assert.deepEqual([holeHeight(grid, 0), holeHeight(grid, 1)], [770 - 9, 770 - 41]);
});

test('on sides that stand on the bottom the grid goes with the side, not with the box', () => {
  const grid = gridOf({ settings: { bottom: { place: 'under' } } });
  assert.equal(holeHeight(grid, 0), 18 + 9);
});

test('free spacing takes its own step; without pins there is no grid', () => {
  const free = gridOf({ settings: { pins: { kind: 'free', spacing: 25 } } });
  assert.equal(holeHeight(free, 1) - holeHeight(free, 0), 25);
  const { parts, resolved } = solveWith({ settings: { pins: { kind: 'none' } } });
  assert.equal(pinGrid(parts, resolved), undefined);
});

test('a side too short for one hole has no grid, and says nothing without shelves', () => {
  const decisions: CabinetDecisions = { from: 'wall', height: 100, settings: { pins: { first: 60 } } };
  const { parts, resolved } = solveWith(decisions);
  assert.equal(pinGrid(parts, resolved), undefined);
});

test('holes between two heights are exactly those, the lowest first', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 700, noNaN: true }),
      fc.double({ min: 0, max: 700, noNaN: true }),
      fc.constantFrom('bottom' as const, 'top' as const),
      (a, b, from) => {
        const grid = gridOf({ settings: { pins: { from } } });
        const [low, high] = [Math.min(a, b), Math.max(a, b)];
        const heights = holesBetween(grid, low, high).map((k) => holeHeight(grid, k));
        assert.deepEqual(
          heights,
          [...heights].sort((x, y) => x - y),
        );
        const all = Array.from({ length: grid.count }, (_, k) => holeHeight(grid, k));
        assert.equal(heights.length, all.filter((z) => z >= low - 1e-6 && z <= high + 1e-6).length);
      },
    ),
    { numRuns: 60 },
  );
});

test('a hole is worth the same as a number and as its arithmetic', () => {
  for (const from of ['bottom', 'top'] as const) {
    const grid = gridOf({ settings: { pins: { from } } });
    for (const k of [0, 1, 7]) assert.ok(Math.abs(holeDim(grid, k).value - holeHeight(grid, k)) < 1e-9);
  }
});

test('shelves of an opening never cross, stay in it, and stand in different holes', () => {
  fc.assert(
    fc.property(buildableDecisions, (decisions) => {
      const solved = solveWith(decisions);
      for (const { room, places } of solved.bays) {
        const holes = places.flatMap(({ hole }) => (hole === undefined ? [] : [hole]));
        assert.equal(new Set(holes).size, holes.length);
        places.forEach(({ underside, hole }, at) => {
          if (hole === undefined) return;
          const shelf = partOf(solved, `shelf/${room.id}/${at + 1}`).extent;
          assert.ok(shelf.min[2] >= room.inside.v.low.value && shelf.max[2] <= room.inside.v.high.value + 1e-6);
          const next = places[at + 1];
          if (next?.hole !== undefined)
            assert.ok(next.underside.value >= underside.value + (shelf.max[2] - shelf.min[2]), 'one above the other');
        });
      }
    }),
    { numRuns: 120 },
  );
});

test('two bays that share a thin partition never bore the same hole of it', () => {
  const share = { rule: 'share' as const, weight: 1 };
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 4 }), fc.integer({ min: 1, max: 3 }), (bays, shelves) => {
      const solved = solveWith({
        width: 1200,
        measured: { birch18: 17.5 },
        face: {
          kind: 'columns',
          graduation: { kind: 'arithmetic', step: 0 },
          parts: Array.from({ length: bays }, (_, n) => ({
            id: `b${n}`,
            size: share,
            fill: { kind: 'open' as const, shelves },
          })),
        },
      });
      for (const part of solved.parts.filter(({ role }) => role === 'partition')) {
        const bored = part.machining.flatMap((each) =>
          each.kind === 'holes' && each.reason.startsWith('pins: ')
            ? each.positions.map(({ value: mm }) => `${each.offset.value.toFixed(1)} ${mm.toFixed(1)}`)
            : [],
        );
        assert.equal(new Set(bored).size, bored.length, part.key);
      }
      assert.deepEqual(
        solved.findings.filter(({ rule }) => rule.startsWith('machining/') || rule === 'shelves/no-hole'),
        [],
      );
    }),
    { numRuns: 12 },
  );
});
