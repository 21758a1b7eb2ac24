import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { jobWith, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import { cutListOf, solve } from '../../solve/index.js';
import { type Axis, edgeName, isMirrored, type Placement, partLetter, toCabinet, toPart } from './index.js';

const axes: Axis[] = ['+x', '-x', '+y', '-y', '+z', '-z'];
const placements: fc.Arbitrary<Placement> = fc
  .record({
    origin: fc.tuple(
      fc.integer({ min: -900, max: 900 }),
      fc.integer({ min: -900, max: 900 }),
      fc.integer({ min: -900, max: 900 }),
    ),
    axes: fc.shuffledSubarray(['x', 'y', 'z'], { minLength: 3, maxLength: 3 }),
    signs: fc.tuple(fc.constantFrom('+', '-'), fc.constantFrom('+', '-'), fc.constantFrom('+', '-')),
  })
  .map(({ origin, axes: order, signs }) => ({
    origin,
    u: `${signs[0]}${order[0]}` as Axis,
    v: `${signs[1]}${order[1]}` as Axis,
    w: `${signs[2]}${order[2]}` as Axis,
  }));

test('a position on a part goes to the cabinet and back', () => {
  fc.assert(
    fc.property(placements, fc.tuple(fc.integer(), fc.integer(), fc.integer()), (placement, [u, v, w]) => {
      const back = toPart(placement, toCabinet(placement, u, v, w));
      assert.deepEqual(back, [u, v, w]);
    }),
  );
});

test('turning one axis round mirrors a part', () => {
  fc.assert(
    fc.property(placements, (placement) => {
      const turned = { ...placement, w: (placement.w[0] === '+' ? '-' : '+') + placement.w[1] } as Placement;
      assert.notEqual(isMirrored(placement), isMirrored(turned));
    }),
  );
  assert.equal(isMirrored({ origin: [0, 0, 0], u: '+x', v: '+y', w: '+z' }), false);
  assert.ok(axes.length === 6);
});

test("a part is mirrored when its axes turn the other way round than the cabinet's", () => {
  // The sign of the determinant of the three axes, written out.
  const vector = (axis: Axis) => ['x', 'y', 'z'].map((name) => (axis[1] === name ? (axis[0] === '+' ? 1 : -1) : 0));
  fc.assert(
    fc.property(placements, (placement) => {
      const [a, b, c] = [placement.u, placement.v, placement.w].map(vector) as [number[], number[], number[]];
      const cross = [0, 1, 2].map((at) => {
        const [next, last] = [(at + 1) % 3, (at + 2) % 3];
        return (a[next] ?? 0) * (b[last] ?? 0) - (a[last] ?? 0) * (b[next] ?? 0);
      });
      const determinant = cross.reduce((sum, value, at) => sum + value * (c[at] ?? 0), 0);
      assert.equal(isMirrored(placement), determinant < 0);
    }),
    { numRuns: 300 },
  );
});

test('opposite edges have opposite names, the far one that of the way the part runs', () => {
  const opposite: Record<string, string> = {
    left: 'right',
    right: 'left',
    front: 'rear',
    rear: 'front',
    top: 'bottom',
    bottom: 'top',
  };
  const far: Record<Axis, string> = {
    '+x': 'right',
    '-x': 'left',
    '+y': 'rear',
    '-y': 'front',
    '+z': 'top',
    '-z': 'bottom',
  };
  fc.assert(
    fc.property(placements, (placement) => {
      for (const way of ['u', 'v'] as const) {
        assert.equal(edgeName(placement, `${way}1`), far[placement[way]]);
        assert.equal(edgeName(placement, `${way}0`), opposite[far[placement[way]]]);
      }
    }),
    { numRuns: 300 },
  );
});

test('edges are called by where they stand', () => {
  const solved = solveWith({});
  for (const hand of ['left', 'right']) {
    const { placement } = partOf(solved, `side/${hand}`);
    assert.deepEqual(
      (['u0', 'u1', 'v0', 'v1'] as const).map((edge) => edgeName(placement, edge)),
      ['bottom', 'top', 'front', 'rear'],
    );
  }
  assert.notEqual(
    isMirrored(partOf(solved, 'side/left').placement),
    isMirrored(partOf(solved, 'side/right').placement),
  );
});

test('letters go on after Z', () => {
  assert.deepEqual([0, 25, 26, 27, 51, 52, 702].map(partLetter), ['A', 'Z', 'AA', 'AB', 'AZ', 'BA', 'AAA']);
});

test('identical parts share a mark, twins and unlike parts do not', () => {
  const solved = solveWith({
    parts: [
      {
        id: 'o1',
        size: { rule: 'share', weight: 1 },
        fill: { kind: 'pair', interior: { kind: 'shelves', shelves: 3 } },
      },
    ],
  });
  const row = (name: string) => solved.rows.filter((each) => each.part.name === name);
  assert.equal(row('Adjustable shelf')[0]?.quantity, 3);
  assert.equal(row('Adjustable shelf').length, 1);
  assert.equal(row('Side, left').length + row('Side, right').length, 2);
  assert.equal(new Set(solved.rows.map((each) => each.mark)).size, solved.rows.length);
  const pieces = solved.rows.reduce((sum, each) => sum + each.quantity, 0);
  assert.equal(pieces, solved.parts.length);
});

test('bands come off the cut size on the edges they are on', () => {
  const solved = solveWith({ settings: { banding: { caseThickness: 0.8, frontThickness: 2 } } });
  const side = partOf(solved, 'side/left');
  assert.ok(Math.abs(side.width.value - side.cutWidth.value - 0.8) < 1e-9);
  assert.equal(side.length.value, side.cutLength.value);
  const door = partOf(solved, 'door/o2/left');
  assert.ok(Math.abs(door.length.value - door.cutLength.value - 4) < 1e-9);
  const bare = solveWith({ settings: { banding: { caseEdges: 'none', frontEdges: 'none' } } });
  for (const part of bare.parts) assert.deepEqual([part.bands.length, part.cutLength.value], [0, part.length.value]);
});

test('the cut list groups by material, keeps equal widths together and adds up', () => {
  const cutList = cutListOf(solve(jobWith({})));
  assert.deepEqual(
    cutList.map((group) => group.material.id),
    ['birch18', 'front18', 'birch12', 'birch6'],
  );
  for (const group of cutList) {
    const widths = group.rows.map((row) => row.part.cutWidth.value);
    assert.deepEqual(
      widths,
      [...widths].sort((a, b) => b - a),
    );
    const area = group.rows.reduce(
      (sum, { part, quantity }) => sum + (quantity * part.cutLength.value * part.cutWidth.value) / 1e6,
      0,
    );
    assert.ok(Math.abs(area - group.totals.area) < 1e-9 && group.totals.weight > 0);
  }
  const doors = cutList.find((group) => group.material.id === 'front18');
  // One drawer front 797 × 140 and two doors 397 × 624, banded all round.
  assert.ok(Math.abs((doors?.totals.band ?? 0) - (2 * (0.797 + 0.14) + 4 * (0.397 + 0.624))) < 1e-6);
});

test('rows of one width stand from the longest down, and alike ones in the order of their marks', () => {
  const job = jobWith({});
  const { cabinets } = job;
  const [first] = cabinets;
  assert.ok(first);
  for (const number of ['10', '2', '3'])
    cabinets.push({ ...structuredClone(first), id: `c${number}`, number, leftNeighbour: null });
  for (const { rows } of cutListOf(solve(job))) {
    for (let at = 1; at < rows.length; at += 1) {
      const [a, b] = [rows[at - 1], rows[at]];
      assert.ok(a && b);
      const width = a.part.cutWidth.value - b.part.cutWidth.value;
      const length = a.part.cutLength.value - b.part.cutLength.value;
      assert.ok(width >= 0 && (width > 0 || length >= 0), `${a.mark} before ${b.mark}`);
      const [one, other] = [a, b].map(({ mark }) => Number(mark.split('.')[0])) as [number, number];
      if (width === 0 && length === 0) assert.ok(one <= other, `${a.mark} before ${b.mark}`);
    }
  }
});

test('the totals of a material are the area off the saw, the band round it, and what the finished parts weigh', () => {
  const { cabinets } = solve(jobWith({ settings: { banding: { frontThickness: 2 } } }));
  const parts = cabinets.flatMap((each) => each.parts).filter(({ material }) => material.id === 'front18');
  const group = cutListOf(solve(jobWith({ settings: { banding: { frontThickness: 2 } } }))).find(
    ({ material }) => material.id === 'front18',
  );
  assert.ok(group && parts.length === 3);
  let [area, weight, band] = [0, 0, 0];
  for (const { length, width, cutLength, cutWidth, thickness, material } of parts) {
    area += (cutLength.value / 1000) * (cutWidth.value / 1000);
    weight += (length.value / 1000) * (width.value / 1000) * (thickness.value / 1000) * material.density;
    band += (2 * (length.value + width.value)) / 1000;
  }
  assert.ok(Math.abs(group.totals.area - area) < 1e-9);
  assert.ok(Math.abs(group.totals.weight - weight) < 1e-9, `${group.totals.weight} kg, not ${weight}`);
  assert.ok(Math.abs(group.totals.band - band) < 1e-9);
});
