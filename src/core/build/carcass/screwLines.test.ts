import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { buildableDecisions, type CabinetDecisions, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import { type EdgeHoles, type Holes, type Operation, toCabinet } from '../../part/index.js';
import type { SolvedCabinet } from '../../solve/index.js';

const screwLines = (solved: SolvedCabinet, key: string): readonly Operation[] => solved.screwLines.get(key) ?? [];
const joints = (kind: 'screws' | 'pocket' | 'dowels', more: CabinetDecisions = {}): CabinetDecisions => ({
  ...more,
  settings: { ...more.settings, joints: { bottom: kind, top: kind, shelf: kind, partition: kind } },
});

test('a screw goes on through the side into the end of the bottom by what is left of its length', () => {
  const solved = solveWith(joints('screws', { measured: { birch18: 17.8 } }));
  const way = screwLines(solved, 'bottom').find(
    (each): each is EdgeHoles => each.kind === 'edge holes' && each.edge === 'u0',
  );
  assert.ok(way);
  assert.ok(Math.abs(way.depth.value - (50 - 17.8)) < 1e-9);
  assert.equal(way.offset.value, 17.8 / 2, 'along the middle of its thickness');
  const bored = partOf(solved, 'side/left').machining.find(({ reason }) => reason === 'screws: carries the bottom');
  assert.ok(bored?.kind === 'holes');
  assert.deepEqual(
    way.positions.map(({ value: mm }) => mm),
    bored.positions.map(({ value: mm }) => mm),
    'one way for each hole',
  );
});

test('a pocket screw goes out of the bottom into the inside face of the side', () => {
  const solved = solveWith(joints('pocket'));
  const way = screwLines(solved, 'side/left').find(
    (each): each is Holes => each.kind === 'holes' && /bottom/.test(each.reason),
  );
  assert.ok(way);
  assert.equal(way.face, 1);
  assert.equal(way.depth?.value, 12);
  assert.equal(way.offset.value, 9, 'in the middle of the bottom');
  assert.deepEqual(screwLines(solveWith(joints('dowels')), 'side/left'), [], 'dowels are bored, and need no way');
});

test('the lines are in no list of machining', () => {
  const solved = solveWith(joints('screws'));
  for (const part of solved.parts) assert.ok(part.machining.every(({ reason }) => !reason.startsWith('way of')));
});

test('screws that pull a frame on go into the backs of its stiles, behind the middle of the side', () => {
  const solved = solveWith({ settings: { school: 'faceFrame' } });
  const way = screwLines(solved, 'frame/stile/left')[0];
  assert.ok(way?.kind === 'holes');
  assert.equal(way.face, 2);
  const stile = partOf(solved, 'frame/stile/left');
  const [x] = toCabinet(stile.placement, 0, way.offset.value, 0);
  const { min, max } = partOf(solved, 'side/left').extent;
  assert.ok(Math.abs(x - (min[0] + max[0]) / 2) < 1e-9);
  const pockets = partOf(solved, 'side/left').machining.find(({ kind }) => kind === 'pockets');
  assert.ok(pockets?.kind === 'pockets');
  assert.equal(way.positions.length, pockets.positions.length);
});

test('two dowels in a stretcher on edge stand one above the other, a quarter of its height from its edges', () => {
  const solved = solveWith({ settings: { top: { kind: 'uprightRear' }, joints: { top: 'dowels' } } });
  const holes = partOf(solved, 'stretcher/rear').machining.find(
    (each): each is EdgeHoles => each.kind === 'edge holes',
  );
  assert.ok(holes);
  assert.deepEqual(
    holes.positions.map(({ value: mm }) => mm),
    [25, 75],
  );
  assert.equal(holes.offset.value, 9);
  const inSide = partOf(solved, 'side/left').machining.find(({ reason }) => /dowels: carries the upright/.test(reason));
  assert.ok(inSide?.kind === 'holes');
  const side = partOf(solved, 'side/left').placement;
  const stretcher = partOf(solved, 'stretcher/rear').placement;
  const [, sy, sz] = toCabinet(side, inSide.positions[0]?.value ?? 0, inSide.offset.value, 0);
  const [, ty, tz] = toCabinet(stretcher, 0, holes.positions[0]?.value ?? 0, holes.offset.value);
  assert.ok(Math.abs(sy - ty) < 0.01 && Math.abs(sz - tz) < 0.01, `${sy} ${sz} is not ${ty} ${tz}`);
});

test('every way begins at a joint: on the part it lies in, and within it', () => {
  fc.assert(
    fc.property(buildableDecisions, (decisions) => {
      const solved = solveWith(decisions);
      if (solved.findings.some(({ severity }) => severity === 'stop')) return;
      for (const [key, operations] of solved.screwLines) {
        const part = partOf(solved, key);
        for (const operation of operations) {
          assert.match(operation.reason, /^way of the (pocket )?screws/);
          if (!('positions' in operation)) continue;
          for (const { value: mm } of operation.positions)
            assert.ok(mm > -0.01 && mm < Math.max(part.length.value, part.width.value) + 0.01, `${key}: ${mm}`);
        }
      }
    }),
    { numRuns: 80 },
  );
});

test('into what is narrower than a screw is long goes a shorter one: no further than there is wood, by what is left of it', () => {
  let shorter = 0;
  for (const width of [30, 36, 44, 80]) {
    const solved = solveWith({ settings: { nailer: { width }, top: { kind: 'full' } } });
    const bored = partOf(solved, 'top').machining.find(({ reason }) => /^screws: holds the nailer along/.test(reason));
    assert.ok(bored?.kind === 'holes' && bored.fastens);
    const { size, reach } = bored.fastens;
    assert.ok(
      Math.abs(size.length.value - 18 - reach.value) < 1e-9,
      `${width}: ${size.length.value}, ${reach.value} in`,
    );
    assert.ok(reach.value < width, 'it comes out of the other edge');
    const way = screwLines(solved, 'nailer/high').find(
      (each): each is EdgeHoles => each.kind === 'edge holes' && each.edge.startsWith('v'),
    );
    assert.ok(Math.abs((way?.depth.value ?? 0) - reach.value) < 1e-9);
    if (size.length.value < 50) shorter += 1;
  }
  assert.ok(shorter >= 1 && shorter < 4, `${shorter} are shorter`);
});
