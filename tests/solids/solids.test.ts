import assert from 'node:assert/strict';
import { test } from 'node:test';
import { linesOf, withEdits } from '../../src/core/commands/index.js';
import { loadSolids, shapeOf } from '../../src/core/part/index.js';
import { check, solve } from '../../src/core/solve/index.js';
import { buildable } from '../generator/buildable.js';
import { jobWith, partOf, solveWith } from '../support/cabinets.js';
import { prove } from './prove.js';
import { readKnown, runSolids, worse } from './run.js';

const COUNT = 60;

test('as solids no cabinet fails in a way, or more often, than is known', async () => {
  const { found, clean } = await runSolids(COUNT);
  console.log(`${clean} of ${COUNT} without any failure, ${found.length} kinds known`);
  assert.deepEqual(worse(found, readKnown(), COUNT), []);
});

test('every known failure has its cause, its seed and its numbers', () => {
  for (const { what, cause, seed, counts } of readKnown()) {
    assert.ok(cause.length > 20, what);
    assert.ok(Number.isInteger(seed) && Object.keys(counts).length > 0, what);
  }
});

test('a new failure, and a known one more often, are both said', () => {
  const known = [{ what: 'a + b share space', cause: '', seed: 3, counts: { 60: 2, 1000: 40 } }];
  const run = (what: string, count: number) => [{ what, seed: 1, detail: 'x', count }];
  assert.deepEqual(worse(run('a + b share space', 2), known, 60), []);
  assert.deepEqual(worse(run('a + b share space', 40), known, 500), []);
  assert.equal(worse(run('a + b share space', 3), known, 60).length, 1);
  assert.equal(worse(run('a + c share space', 1), known, 60).length, 1);
});

test('the proof sees a part that is moved, a groove that is gone and a hole without its counterpart', async () => {
  const solids = await loadSolids();
  const solved = solveWith({ settings: { joints: { bottom: 'dowels' }, top: { kind: 'full' } } });
  assert.deepEqual(prove(solved, solids), []);
  const [side, back] = [partOf(solved, 'side/left'), partOf(solved, 'back')];
  assert.equal(solids.shared(shapeOf(side), shapeOf(back)), 0);
  const bare = shapeOf({ ...side, machining: [] });
  const held = solved.box.backHold.value * back.thickness.value * back.length.value;
  assert.ok(Math.abs(solids.shared(bare, shapeOf(back)) - held) < 1, 'as much as the groove takes');
  const parts = (change: (key: string) => boolean) =>
    solved.parts.map((part) => {
      if (!change(part.key)) return part;
      const [x, y, z] = part.placement.origin;
      return { ...part, placement: { ...part.placement, origin: [x, y, z + 3] as const } };
    });
  const moved = prove({ ...solved, parts: parts((key) => key === 'bottom') }, solids, []).map(({ what }) => what);
  assert.ok(moved.some((what) => what === 'dowels of side meet nothing'));
  assert.ok(moved.some((what) => what === 'dowels of bottom meet nothing'));
  const nailer = prove({ ...solved, parts: parts((key) => key === 'nailer/high') }, solids, []).map(({ what }) => what);
  assert.deepEqual(nailer, ['nailer + top share space']);
});

test('with runners raised as far as their lines may be dragged nothing shares space, unless a stop says so', async () => {
  const solids = await loadSolids();
  let [raised, stopped] = [0, 0];
  for (let seed = 0; seed < 400 && raised < 24; seed += 1) {
    const job = jobWith(buildable(seed).decisions);
    const [before] = solve(job).cabinets;
    const stops = (solved: typeof before) =>
      solved ? check(solved).filter(({ severity }) => severity === 'stop').length : 0;
    if (!before || stops(before) > 0 || prove(before, solids).length > 0) continue;
    const lines = linesOf(before).filter(({ id, most, at }) => /^runner\/.*\/left$/.test(id) && most > at + 1);
    if (lines.length === 0) continue;
    const edits = lines.flatMap((line) => line.place(seed % 3 === 0 ? line.most : (line.at + line.most) / 2).edits);
    const [after] = solve(withEdits(job, edits)).cabinets;
    if (!after || stops(after) > 0) {
      stopped += 1;
      continue;
    }
    raised += 1;
    assert.deepEqual(prove(after, solids), [], `seed ${seed}`);
  }
  console.log(`${raised} cabinets with raised runners, ${stopped} stopped`);
  assert.ok(raised >= 24 && stopped < raised, `${raised} raised, ${stopped} stopped`);
});
