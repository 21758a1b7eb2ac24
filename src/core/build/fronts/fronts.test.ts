import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import fc from 'fast-check';
import { buildableDecisions, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import type { SettingOverrides } from '../../decisions/index.js';

const share = { rule: 'share' as const, weight: 1 };
const two = [
  { id: 'a', size: share, divider: 'shelf' as const, fill: { kind: 'drawer' as const } },
  { id: 'b', size: share, fill: { kind: 'pair' as const, interior: { kind: 'shelves' as const, shelves: 1 } } },
];

test('inset fronts lie in their openings with the gap all round, flush with the case', () => {
  const solved = solveWith({ width: 800, settings: { fronts: { fit: 'inset', gap: 2 } }, parts: two });
  const { face, box } = solved;
  assert.ok(face.ok);
  const [drawer, doors] = face.cells;
  assert.equal(drawer?.face.h.size.value, 764 - 4);
  assert.ok(Math.abs((drawer?.face.v.size.value ?? 0) - ((drawer?.clear.v.size.value ?? 0) - 4)) < 1e-9);
  // A pair: (opening − left gap − right gap − middle gap) / 2.
  assert.equal(partOf(solved, 'door/b/left').width.value, (764 - 6) / 2);
  const extent = partOf(solved, 'drawer/a').extent;
  assert.deepEqual([extent.min[1], extent.max[1]], [0, 18]);
  assert.equal(box.mountingPlane.value, 18);
  assert.equal(solved.fronts.find((front) => front.key === 'door/b/left')?.overlay?.value, -2);
  assert.ok(Math.abs((doors?.face.v.high.value ?? 0) - ((doors?.clear.v.high.value ?? 0) - 2)) < 1e-9);
});

test('inset fronts take nothing off the depth, and move what lies behind them back', () => {
  const shelf = (fit: 'overlay' | 'inset') =>
    partOf(solveWith({ settings: { fronts: { fit }, depth: { means: 'carcass' } } }), 'shelf/o2/1');
  assert.equal(shelf('overlay').width.value - shelf('inset').width.value, 18);
  assert.equal(shelf('inset').extent.min[1], 18 + 5);
  const depth = (fit: 'overlay' | 'inset' | 'lipped') =>
    solveWith({ depth: 580, settings: { fronts: { fit, rebateDepth: 9 } } }).box.sideDepth.value;
  assert.deepEqual([depth('overlay'), depth('inset'), depth('lipped')], [560, 580, 571]);
});

test('n inset fronts in one opening share it with their gaps', () => {
  const solved = solveWith({
    settings: { fronts: { fit: 'inset', gap: 3 }, dividers: { betweenFronts: 'none' } },
    parts: ['a', 'b', 'c'].map((id) => ({ id, size: share, fill: { kind: 'drawer' as const } })),
  });
  assert.ok(solved.face.ok);
  const heights = solved.face.cells.reduce((sum, cell) => sum + cell.face.v.size.value, 0);
  assert.ok(Math.abs(heights - (solved.box.clearHeight.value - 4 * 3)) < 1e-9);
});

test('lipped fronts lap their opening and carry a rebate all round the back', () => {
  const solved = solveWith({
    settings: { fronts: { fit: 'lipped', lip: 8, rebateWidth: 10, rebateDepth: 9 } },
    parts: two,
  });
  const drawer = partOf(solved, 'drawer/a');
  assert.equal(drawer.length.value, 764 + 16);
  assert.equal(drawer.machining.filter((operation) => operation.kind === 'rabbet' && operation.face === 2).length, 4);
  const extent = drawer.extent;
  assert.deepEqual([extent.min[1], extent.max[1]], [-9, 9], 'half in, half out');
});

test('inset fronts in a face frame are measured from its members', () => {
  const solved = solveWith({
    width: 900,
    settings: { school: 'faceFrame', fronts: { fit: 'inset', gap: 2 }, frame: { overhangNeighbour: 0 } },
    parts: two,
  });
  assert.ok(solved.face.ok);
  assert.equal(solved.face.cells[0]?.face.h.size.value, 900 - 80 - 4);
  const front = partOf(solved, 'drawer/a').extent;
  assert.equal(front.min[1], -20, 'flush with the frame');
});

const { given, expect } = JSON.parse(readFileSync('tests/cases/09-framed-doors.json', 'utf8'));

/** One cabinet whose left door is 397 by 574. */
const made = (kind: 'slab' | 'stick' | 'mitred' | 'trim', more: SettingOverrides['making'] = {}) =>
  solveWith({
    width: 800,
    height: 870,
    settings: {
      toe: { height: 150 },
      making: {
        kind,
        stile: given.stile,
        rail: given.rail,
        groove: given.grooveDepth,
        panelPlay: given.playPerSide,
        trimThickness: given.trimThickness,
        ...more,
      },
      banding: { frontThickness: given.slabBand },
    },
  });
const sizeOf = (solved: ReturnType<typeof made>, key: string, cut = false) => {
  const part = partOf(solved, `door/o2/left/${key}`);
  return (cut ? [part.cutLength.value, part.cutWidth.value] : [part.length.value, part.width.value]).map(
    (mm) => Math.round(mm * 1000) / 1000,
  );
};

test('worked case: one door by three ways of making it', () => {
  const stick = made('stick');
  const door = stick.fronts.find((front) => front.key === 'door/o2/left');
  assert.deepEqual([door?.h.size.value, door?.v.size.value], [given.doorWidth, given.doorHeight]);
  assert.deepEqual(sizeOf(stick, 'stile/left'), expect.stickStile);
  assert.deepEqual(sizeOf(stick, 'rail/top'), expect.stickRail);
  assert.deepEqual(sizeOf(stick, 'panel'), [...expect.stickPanel].reverse(), 'grain upright: height is the length');
  const mitred = made('mitred');
  assert.deepEqual(sizeOf(mitred, 'stile/right'), expect.mitredStile);
  assert.deepEqual(sizeOf(mitred, 'rail/bottom'), expect.mitredRail);
  assert.deepEqual(sizeOf(mitred, 'panel'), [...expect.mitredPanel].reverse());
  const trim = made('trim');
  assert.deepEqual(sizeOf(trim, 'stile/left'), expect.trimStile);
  assert.deepEqual(sizeOf(trim, 'rail/top'), expect.trimRail);
  assert.deepEqual(sizeOf(trim, 'slab', true), [...expect.trimSlabCut].reverse());
});

test('the pieces of a framed front fill it exactly', () => {
  for (const kind of ['stick', 'mitred', 'trim'] as const) {
    const solved = made(kind);
    for (const front of solved.fronts) {
      assert.ok(Math.abs(front.extent.max[0] - front.extent.min[0] - front.h.size.value) < 1e-6, kind);
      assert.ok(Math.abs(front.extent.max[2] - front.extent.min[2] - front.v.size.value) < 1e-6, kind);
    }
  }
});

test('a low drawer front is a slab, a middling one has narrow rails, a high one full rails', () => {
  const drawer = (height: number) => {
    const solved = solveWith({
      settings: { making: { kind: 'stick' } },
      parts: [
        { id: 'o1', size: { rule: 'fixed', mm: height }, fill: { kind: 'drawer' } },
        { id: 'o2', size: { rule: 'share', weight: 1 }, fill: { kind: 'pair' } },
      ],
    });
    const front = solved.fronts.find((each) => each.kind === 'drawer');
    return front?.parts.length === 1 ? 'slab' : front?.parts.find((part) => part.key.endsWith('rail/top'))?.width.value;
  };
  assert.deepEqual([120, 121, 190, 191].map(drawer), ['slab', 40, 40, 64]);
});

test('a thicker front takes more of the depth, and drawers may stay slabs', () => {
  assert.equal(made('slab').box.sideDepth.value - made('trim').box.sideDepth.value, given.trimThickness);
  const solved = solveWith({
    settings: { making: { kind: 'stick', drawers: 'slab' } },
    parts: [{ id: 'o1', size: { rule: 'share', weight: 1 }, fill: { kind: 'drawer' } }],
  });
  assert.equal(solved.fronts[0]?.parts.length, 1);
});

test('however fronts lie, those of one cabinet never overlap', () => {
  const fits = fc.constantFrom('overlay' as const, 'inset' as const, 'lipped' as const);
  fc.assert(
    fc.property(buildableDecisions, fits, (decisions, fit) => {
      const solved = solveWith({
        ...decisions,
        settings: { ...decisions.settings, fronts: { ...decisions.settings?.fronts, fit } },
      });
      if (solved.findings.some((finding) => finding.severity === 'stop')) return;
      const boxes = solved.fronts.map((front) => front.extent);
      for (const [at, a] of boxes.entries())
        for (const b of boxes.slice(at + 1)) {
          const apart =
            a.max[0] <= b.min[0] + 0.01 ||
            b.max[0] <= a.min[0] + 0.01 ||
            a.max[2] <= b.min[2] + 0.01 ||
            b.max[2] <= a.min[2] + 0.01;
          assert.ok(apart, 'two fronts lie on each other');
        }
    }),
    { numRuns: 200 },
  );
});
