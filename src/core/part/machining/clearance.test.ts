import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { buildableDecisions, solveWith } from '../../../../tests/support/cabinets.js';
import { length } from '../../ground/index.js';
import { findClashes, type Groove, type Holes, holesNearEdges, type Operation } from './index.js';

const size = { length: 700, width: 500, thickness: 18 };
const holes = (u: number, v: number, more: Partial<Holes> = {}): Holes => ({
  kind: 'holes',
  face: 1,
  from: 'v0',
  offset: length(v),
  positions: [length(u)],
  diameter: length(5),
  depth: length(10),
  reason: 'a pin',
  by: { kind: 'test' },
  ...more,
});
const groove: Groove = {
  kind: 'groove',
  face: 1,
  along: 'length',
  from: 'v1',
  offset: length(18),
  width: length(6),
  depth: length(8),
  reason: 'the back',
  by: { kind: 'test' },
};
const clash = (...operations: Operation[]) => findClashes(operations, size, 2);

test('two holes closer than the skin clash, further apart they do not', () => {
  assert.equal(clash(holes(100, 40), holes(100, 47.1)).length, 0);
  const [near] = clash(holes(100, 40), holes(100, 46));
  assert.ok(near && Math.abs(near.left - 1) < 1e-9);
  assert.equal(clash(holes(100, 40), holes(100, 43))[0]?.left, 0);
  // Round holes are nearer over the corner than their squares.
  assert.equal(clash(holes(100, 40), holes(105.2, 45.2)).length, 0);
});

test('holes from opposite faces meet only when their depths do', () => {
  const other = (depth: number) => holes(100, 40, { face: 2, depth: length(depth) });
  assert.equal(clash(holes(100, 40, { depth: length(8.5) }), other(8.5)).length, 0, '1 stays: (18 − 1) / 2 each');
  assert.equal(clash(holes(100, 40, { depth: length(8.5) }), other(9))[0]?.left.toFixed(1), '0.5');
  assert.equal(clash(holes(100, 40), other(10))[0]?.left, 0);
  const { depth: _depth, ...through } = holes(100, 40);
  assert.equal(clash(through, other(3))[0]?.left, 0);
});

test('a hole in a groove is found on either face, a groove across a groove is not', () => {
  const inGroove = 500 - 21;
  assert.equal(clash(groove, holes(300, inGroove))[0]?.left, 0);
  assert.equal(
    clash(groove, holes(300, inGroove, { face: 2, depth: length(8) })).length,
    0,
    '8 from behind leave 2 under a groove of 8',
  );
  assert.equal(clash(groove, holes(300, inGroove, { face: 2, depth: length(9) })).length, 1);
  const dado: Groove = {
    ...groove,
    along: 'width',
    from: 'u0',
    offset: length(200),
    width: length(18),
    reason: 'a shelf',
    by: { kind: 'test' },
  };
  assert.equal(clash(groove, dado).length, 0);
});

test('a hole in what a notch takes away is found', () => {
  const notch: Operation = {
    kind: 'notch',
    corner: ['u0', 'v0'],
    alongLength: length(100),
    alongWidth: length(60),
    reason: 'toe',
    by: { kind: 'test' },
  };
  assert.equal(clash(notch, holes(50, 30)).length, 1);
  assert.equal(clash(notch, holes(50, 80)).length, 0);
});

test('a hole in an edge and one in a face meet where they cross in the thickness', () => {
  const dowel: Operation = {
    kind: 'edge holes',
    edge: 'u0',
    offset: length(9),
    positions: [length(250)],
    diameter: length(8),
    depth: length(28),
    reason: 'a dowel',
    by: { kind: 'test' },
  };
  assert.equal(clash(dowel, holes(20, 250)).length, 1);
  assert.equal(clash(dowel, holes(20, 250, { depth: length(2.9) })).length, 0, 'a shallow one stays above it');
  assert.equal(clash(dowel, holes(40, 250)).length, 0);
});

test('a pocket hole is deep at its edge and runs out on the face', () => {
  const pocket: Operation = {
    kind: 'pockets',
    face: 2,
    edge: 'v0',
    positions: [length(350)],
    plugged: false,
    reason: 'a pocket',
    by: { kind: 'test' },
  };
  // 18 / 2 + 5 deep at the edge, less 0.268 for each mm from it.
  assert.equal(clash(pocket, holes(350, 37, { depth: length(10) })).length, 0, 'shallow where the pins stand');
  assert.equal(clash(pocket, holes(350, 20, { depth: length(10) })).length, 1, 'deep nearer its edge');
  assert.equal(clash(pocket, holes(350, 60, { face: 2 })).length, 0);
  assert.equal(clash(pocket, holes(350, 38, { face: 2 })).length, 1, 'they meet on the face they share');
});

test('what belongs together may meet: pilot holes in their mortise', () => {
  const mortise: Operation = {
    kind: 'mortises',
    place: { face: 1, from: 'v0' },
    offset: length(7),
    positions: [length(100)],
    length: length(50),
    thickness: length(14),
    depth: length(1.3),
    reason: 'a leaf',
    by: { kind: 'test' },
    group: 'hinge',
  };
  assert.equal(clash(mortise, holes(100, 7, { group: 'hinge' })).length, 0);
  assert.equal(clash(mortise, holes(100, 7)).length, 1);
  assert.equal(clash(mortise, holes(140, 7)).length, 0, 'beyond its end');
});

test('a hole near an edge is found on every edge', () => {
  const near = (u: number, v: number) => holesNearEdges([holes(u, v)], size, 2).length;
  assert.deepEqual([near(4, 250), near(696, 250), near(350, 4), near(350, 496), near(5, 5)], [1, 1, 1, 1, 0]);
});

test('the sweep finds what comparing every pair finds', () => {
  const many = fc.array(
    fc.record({
      u: fc.integer({ min: 10, max: 690 }),
      v: fc.integer({ min: 10, max: 490 }),
      face: fc.constantFrom(1 as const, 2 as const),
      depth: fc.integer({ min: 3, max: 17 }),
    }),
    { maxLength: 25 },
  );
  fc.assert(
    fc.property(many, (picks) => {
      const operations = picks.map(({ u, v, face, depth }) => holes(u, v, { face, depth: length(depth) }));
      const pairs = operations.flatMap((a, at) =>
        operations.slice(at + 1).filter((b) => findClashes([a, b], size, 2).length > 0),
      );
      assert.equal(findClashes(operations, size, 2).length, pairs.length);
    }),
  );
});

test('a cabinet without a machining finding has no two operations closer than the skin', () => {
  fc.assert(
    fc.property(buildableDecisions, (decisions) => {
      const solved = solveWith(decisions);
      const said = new Set(
        solved.findings
          .filter((finding) => finding.rule === 'machining/operations-meet')
          .flatMap((finding) => finding.parts),
      );
      for (const part of solved.parts) {
        const clashes = findClashes(
          [...part.machining, ...(solved.screwLines.get(part.key) ?? [])],
          { length: part.length.value, width: part.width.value, thickness: part.thickness.value },
          2,
        );
        assert.equal(clashes.length > 0, said.has(part.key), part.key);
      }
    }),
    { numRuns: 100 },
  );
});
