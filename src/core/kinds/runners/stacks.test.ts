import assert from 'node:assert/strict';
import { test } from 'node:test';
import { jobWith } from '../../../../tests/support/cabinets.js';
import { actOf, type Cabinet, type Job, type Opening, type SizeRule } from '../../decisions/index.js';
import { applyEdits, check, checkJob, fixesFor, type SolvedCabinet, solve } from '../../solve/index.js';
import type { DrawerContents } from './fills.js';
import { heightsByContents, heightsBySides } from './stacks.js';

const share: SizeRule = { rule: 'share', weight: 1 };
const drawer = (id: string, contents?: DrawerContents, size: SizeRule = share): Opening => ({
  id,
  size,
  fill: { kind: 'drawer', ...(contents ? { contents } : {}) },
});
const chest = (parts: Opening[], more = {}): Job => jobWith({ width: 500, height: 870, parts, ...more });
const only = (job: Job): SolvedCabinet => solve(job).cabinets[0] as SolvedCabinet;

/** Clear over the bottom of a box to what lies over the drawer, measured on the parts. */
function over(solved: SolvedCabinet, id: string): number {
  const bottom = solved.parts.find(({ key }) => key === `drawer/${id}/box/bottom`);
  const cell = solved.face.ok ? solved.face.cells.find(({ opening }) => opening.id === id) : undefined;
  assert.ok(bottom && cell);
  return Math.min(cell.clear.v.high.value, cell.inside.v.high.value) - bottom.extent.max[2];
}

test('heights by what goes in leave that much over each bottom and 5 more, the rest goes to the last', () => {
  for (const settings of [{}, { school: 'faceFrame' as const }, { fronts: { lay: 'openings' as const } }]) {
    const job = chest([drawer('a', { height: 60 }), drawer('b', { height: 120 }), drawer('c')], { settings });
    const solved = only(job);
    assert.ok(solved.face.ok);
    const act = heightsByContents(solved.face, solved.fitted.runners, solved.parts, 'a');
    assert.ok(act);
    applyEdits(job, actOf(job.cabinets[0] as Cabinet, act).edits);
    const after = only(job);
    for (const [id, height] of [
      ['a', 60],
      ['b', 120],
    ] as const) {
      const there = over(after, id);
      assert.ok(there >= height + 5 - 0.01 && there < height + 6, `${id}: ${there}`);
    }
  }
});

test('where all have something said, the last takes what is left', () => {
  const job = chest([drawer('a', { height: 60 }), drawer('b', { height: 100 }, { rule: 'fixed', mm: 300 })]);
  const solved = only(job);
  assert.ok(solved.face.ok);
  const act = heightsByContents(solved.face, solved.fitted.runners, solved.parts, 'b');
  assert.ok(act);
  applyEdits(job, actOf(job.cabinets[0] as Cabinet, act).edits);
  const after = only(job);
  assert.ok(after.face.ok, 'it closes');
  assert.ok(over(after, 'a') >= 65 - 0.01 && over(after, 'a') < 66);
  assert.ok(over(after, 'b') > 105);
});

test('what is too high is found, and sharing out is a fix that settles it', () => {
  const low = { rule: 'fixed', mm: 120 } as const;
  const job = chest([drawer('a', { height: 150 }, low), drawer('b')]);
  const all = solve(job);
  const finding = checkJob(all).find(({ rule }) => rule === 'drawers/contents-too-high');
  assert.ok(finding);
  const labels = fixesFor(all, finding.id).map(({ label }) => label);
  assert.deepEqual(labels, ['Heights by what goes in', 'Let go of how high it is']);
});

test('boxes in whole steps: all but the last come out so, none higher than it was', () => {
  const job = chest([drawer('a'), drawer('b'), drawer('c'), drawer('d')]);
  const before = only(job);
  assert.ok(before.face.ok);
  const act = heightsBySides(before.face, before.fitted.runners, 'c', 32);
  assert.ok(act);
  applyEdits(job, actOf(job.cabinets[0] as Cabinet, act).edits);
  const heights = (solved: SolvedCabinet) => solved.fitted.runners.map(({ plan }) => plan?.height.value ?? 0);
  const [was, is] = [heights(before), heights(only(job))];
  for (const [at, height] of is.slice(0, -1).entries()) {
    assert.ok(Math.abs(height / 32 - Math.round(height / 32)) < 1e-6, `${height}`);
    assert.ok(height <= (was[at] ?? 0) + 1e-6);
  }
});

test('a weight that was said is what the runners have to carry', () => {
  const said = only(chest([drawer('a', { weight: 44 }), drawer('b')]));
  assert.equal(said.fitted.runners[0]?.runner?.contents.value, 44);
  const heavy = only(chest([drawer('a', { weight: 200 }), drawer('b')]));
  assert.ok(check(heavy).some(({ rule }) => rule === 'drawers/overloaded'));
});
