import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { jobWith } from '../../../../tests/support/cabinets.js';
import { cutListCsv, shoppingListCsv } from '../../../formats/csv.js';
import { type Job, pathTo, type Standing, writeJob } from '../../decisions/index.js';
import { loadSolids, shapeOf } from '../../part/index.js';
import { presentJob } from '../../present/index.js';
import { applyEdits, readJob, readJobText } from '../index.js';
import { createSolver, solve } from '../solve.js';
import type { Converted } from './index.js';

const measured: Standing = {
  id: 's1',
  number: 'T1',
  name: 'Old press',
  width: 764.4,
  left: 21,
  right: 21,
  depth: 520,
  height: 620,
  trays: 2,
  runner: 'none',
};
const withStanding = (more: Partial<Standing> = {}, birch = {}): Job => {
  const job = jobWith({ measured: birch });
  job.standing = [{ ...measured, ...more }];
  return job;
};
const only = (job: Job): Converted => solve(job).standing[0] as Converted;
const near = (is: number | undefined, should: number, what = '') =>
  assert.ok(is !== undefined && Math.abs(is - should) < 0.01, `${what} is ${is}, should be ${should}`);

test('worked case: spacer and tray of a standing cabinet', () => {
  const file = 'tests/cases/06-tray.json';
  const { given, expect } = JSON.parse(readFileSync(file, 'utf8'));
  const [first, second] = given.spacerStock;
  const job = withStanding({ width: given.insideWidth }, { birch18: first, birch6: second });
  for (const material of job.materials)
    if (['front18', 'birch12'].includes(material.id)) material.measured = { batch: 'test', readings: [first] };
  const { trays } = only(job);
  near(trays[0]?.spacers.left?.thickness.value, expect.spacer, 'spacer');
  assert.deepEqual(
    trays[0]?.spacers.left?.layers.map(({ thickness }) => thickness.value),
    expect.spacerLayers,
  );
  near(trays[0]?.plan?.outside.value, expect.trayWidth, 'tray');
});

test('spacers, runners, play and tray fill the measured width, and nothing shares space', async () => {
  const solids = await loadSolids();
  for (const more of [{}, { left: 0 }, { left: 0, right: 0 }, { trays: 1, height: 200 }, { trays: 4, height: 900 }]) {
    const { parts, trays, problems, standing } = only(withStanding(more));
    assert.deepEqual(problems, []);
    for (const { plan, chosen, spacers } of trays) {
      assert.ok(plan && chosen && chosen.profile.family === 'side');
      const { thickness, play } = chosen.profile;
      const packed = (spacers.left?.thickness.value ?? 0) + (spacers.right?.thickness.value ?? 0);
      near(packed + 2 * thickness + play + plan.outside.value, standing.width, 'across');
    }
    const shapes = parts.map(shapeOf);
    for (const [at, a] of shapes.entries())
      for (const b of shapes.slice(at + 1)) assert.ok(solids.shared(a, b) <= 5, `${a.key} and ${b.key}`);
    for (const { extent, key } of parts) {
      assert.ok(extent.min[0] >= -0.01 && extent.max[0] <= standing.width + 0.01, key);
      assert.ok(extent.max[1] <= standing.depth + 0.01 && extent.max[2] <= standing.height + 0.01, key);
    }
  }
});

test('sticks are shorter and shorter, and each is where its spacer begins', () => {
  const { sticks, parts } = only(withStanding({ trays: 3, height: 900 }));
  assert.equal(sticks.length, 3);
  for (const [at, stick] of sticks.entries()) {
    const spacer = parts.find(({ key, role }) => role === 'spacer' && key.startsWith(`drawer/s1-${at + 1}/`));
    near(spacer?.extent.min[2], stick.value, `stick ${at + 1}`);
    if (at > 0) assert.ok(stick.value < (sticks[at - 1]?.value ?? 0));
  }
});

test('it is in the cut list, the shopping list and the result, survives the file, and goes without a trace', () => {
  const job = withStanding();
  const style = job.display;
  assert.match(cutListCsv(solve(job), style), /T1\.A/);
  assert.match(shoppingListCsv(solve(job), style), /T1/);
  assert.equal(presentJob(solve(job)).standing?.[0]?.steps.length, 6);
  const again = readJob(JSON.parse(writeJob(job)));
  assert.ok(again.ok);
  assert.deepEqual(again.value.standing, job.standing);
  applyEdits(job, [{ path: pathTo.standing('s1'), value: undefined }]);
  assert.ok(!('standing' in job));
});

test('a runner that is decided is taken, whatever the rules would take', () => {
  const { trays } = only(withStanding({ runner: 'dunmore-glide-68', depth: 560 }));
  assert.equal(trays[0]?.chosen?.profile.id, 'dunmore-glide-68');
});

test('what cannot be carried is said in words; a file by hand may measure in inches', () => {
  const { problems, steps } = only(withStanding({ depth: 130 }));
  assert.equal(problems.length, 2);
  assert.match(problems[0] ?? '', /No runner in the library carries tray 1/);
  assert.deepEqual(steps, []);
  const file = JSON.stringify({
    format: 'alcove-job',
    display: { unit: 'in' },
    standing: [{ ...measured, width: '30 1/8', depth: '20 in', left: '3/4', right: 0, height: '24 in' }],
  });
  const read = readJobText(file);
  assert.ok(read.ok, JSON.stringify(read));
  near(read.value.standing?.[0]?.width, 765.175);
});

test('an edit of a cabinet figures the standing ones no second time', () => {
  const job = withStanding();
  const solver = createSolver();
  const first = solver(job).standing[0];
  const [cabinet] = job.cabinets;
  assert.ok(cabinet);
  const next = { ...job, cabinets: [{ ...cabinet, name: 'other' }] };
  assert.equal(solver(next).standing[0], first);
});
