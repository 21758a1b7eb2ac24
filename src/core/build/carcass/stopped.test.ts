import assert from 'node:assert/strict';
import { test } from 'node:test';
import { type CabinetDecisions, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import { loadSolids, shapeOf } from '../../part/index.js';

type Settings = NonNullable<CabinetDecisions['settings']>;

/** Sheet sides with bare front edges, and everything dadoed. */
const bare: Settings = {
  banding: { caseEdges: 'none' },
  joints: { bottom: 'dado', top: 'dado', shelf: 'dado', partition: 'dado', dadoDepth: 6 },
  top: { kind: 'full' },
};
/** The back lies loosely in its groove (mm³). */
const LOOSE = 60;
const share = { rule: 'share' as const, weight: 1 };
/** A dado at the very end of a side is a rabbet. */
const CUTS: ReadonlySet<string> = new Set(['groove', 'rabbet']);
const stopped = (settings: Settings) =>
  solveWith({ width: 700, settings, parts: [{ id: 'o1', size: share, fill: { kind: 'pair' } }] });

test('a dado stops short of a front edge that shows, and the corner of what sits in it is notched by as much', () => {
  const solved = stopped(bare);
  const side = partOf(solved, 'side/left');
  const dadoes = side.machining.filter(({ kind, by }) => CUTS.has(kind) && by.kind === 'joint');
  assert.ok(dadoes.length > 0);
  for (const dado of dadoes) assert.equal('stopped' in dado && dado.stopped?.start?.value, 10);
  const notches = partOf(solved, 'bottom').machining.filter(({ kind }) => kind === 'notch');
  assert.deepEqual(
    notches.map((notch) => notch.kind === 'notch' && [notch.corner, notch.alongLength.value, notch.alongWidth.value]),
    [
      [['u0', 'v0'], 6, 10],
      [['u1', 'v0'], 6, 10],
    ],
  );
});

test('banded, behind a frame, or decided so, it runs out, and nothing is notched', () => {
  for (const settings of [
    { ...bare, banding: { caseEdges: 'front' as const } },
    { ...bare, joints: { ...bare.joints, dadoStop: 0 } },
    { ...bare, frame: { fitted: 'fitted' as const } },
  ]) {
    const solved = stopped(settings);
    assert.ok(
      partOf(solved, 'side/left').machining.every((each) => !('stopped' in each) || each.stopped === undefined),
    );
    assert.ok(!partOf(solved, 'bottom').machining.some(({ kind, by }) => kind === 'notch' && by.kind === 'joint'));
  }
});

test('as solids the front 10 of a side stay whole, and what sits in it fills the rest of its dado', async () => {
  const solids = await loadSolids();
  for (const school of ['frameless', 'traditional'] as const) {
    const solved = solveWith({
      width: 900,
      settings: { ...bare, school, frame: { fitted: 'none' } },
      face: {
        kind: 'rows',
        graduation: { kind: 'arithmetic', step: 10 },
        parts: [
          { id: 'o1', size: share, divider: school === 'traditional' ? 'web' : 'shelf', fill: { kind: 'drawer' } },
          { id: 'o2', size: share, fill: { kind: 'drawer' } },
        ],
      },
    });
    assert.ok(!solved.findings.some(({ severity }) => severity === 'stop'), school);
    const side = partOf(solved, 'side/left');
    const { min, max } = side.extent;
    const shape = shapeOf(side);
    const piece = (from: typeof min, to: typeof min) => ({
      key: 'piece',
      blank: { min: from, max: to },
      blocks: [],
      prisms: [],
      bores: [],
    });
    const strip = piece(min, [max[0], min[1] + 9.9, max[2]]);
    const size = (max[0] - min[0]) * 9.9 * (max[2] - min[2]);
    assert.ok(Math.abs(solids.shared(shape, strip) - size) < 1, `${school}: the strip is cut`);
    const sitting = solved.parts.filter(({ key, extent }) => key !== side.key && extent.min[0] < max[0] - 1);
    assert.ok(sitting.length > 1, school);
    for (const part of sitting) assert.ok(solids.shared(shape, shapeOf(part)) < 5, `${school}: ${part.key}`);
    // What the dadoes took of the side where these parts run into it is what their own wood fills.
    for (const part of sitting.filter(({ role }) => role === 'divider' || role === 'bottom')) {
      const within = piece(
        [max[0] - 6, part.extent.min[1], part.extent.min[2]],
        [max[0], part.extent.max[1], part.extent.max[2]],
      );
      const room = 6 * (part.extent.max[1] - part.extent.min[1]) * (part.extent.max[2] - part.extent.min[2]);
      // The back runs into both.
      const filled = [side, part, partOf(solved, 'back')].map((each) => solids.shared(shapeOf(each), within));
      const left = room - filled.reduce((sum, volume) => sum + volume, 0);
      assert.ok(Math.abs(left) < LOOSE, `${school}: ${part.key} leaves ${left}`);
    }
  }
});
