import assert from 'node:assert/strict';
import { test } from 'node:test';
import { jobWith } from '../../../../tests/support/cabinets.js';
import { type Cabinet, pathTo } from '../../decisions/index.js';
import { drawElevation, drawPlan, drawSection } from '../../present/index.js';
import { applyEdits, check, readJob, type SolvedCabinet, solve } from '../../solve/index.js';

const share = { rule: 'share' as const, weight: 1 };
type Zone = NonNullable<Cabinet['zones']>[number];
const pipe = (more: Partial<Zone> = {}): Zone => ({
  id: 'z1',
  name: 'waste pipe',
  left: 300,
  up: 0,
  behind: 420,
  width: 110,
  height: 400,
  depth: 200,
  ...more,
});
const withZones = (zones: Zone[], parts: Parameters<typeof jobWith>[0]['parts']): SolvedCabinet => {
  const job = jobWith({ width: 900, ...(parts ? { parts } : {}) });
  const [cabinet] = job.cabinets as [Cabinet];
  cabinet.zones = zones;
  return solve(job).cabinets[0] as SolvedCabinet;
};
const drawers: Parameters<typeof jobWith>[0]['parts'] = ['o1', 'o2', 'o3'].map((id) => ({
  id,
  size: share,
  fill: { kind: 'drawer' },
}));

test('a drawer before a keep-out box gets shorter runners that end before it; the others stay as they were', () => {
  const before = withZones([], drawers).fitted.runners;
  const solved = withZones([pipe()], drawers);
  const low = solved.fitted.runners.find(({ opening }) => opening === 'o3');
  assert.equal(low?.rearBy, 'waste pipe');
  const box = solved.parts.filter(({ key }) => key.startsWith('drawer/o3/box'));
  assert.ok(box.length > 0 && box.every(({ extent }) => extent.max[1] <= 420), 'nothing of the box reaches the pipe');
  assert.ok((low?.runner?.length.value ?? 999) < (before[2]?.runner?.length.value ?? 0));
  assert.ok(
    low?.against.some(({ why }) => why.includes('waste pipe')),
    'and the longer ones say why not',
  );
  assert.deepEqual(solved.fitted.runners[0]?.runner?.length.value, before[0]?.runner?.length.value);
  assert.ok(!check(solved).some(({ rule }) => rule === 'drawers/no-runner'));
});

test('whatever stands in a keep-out box is found, and nothing else: every part is asked by its corners', () => {
  const zone = pipe({ behind: 100, up: 100, height: 300 });
  const solved = withZones(
    [zone],
    [{ id: 'o1', size: share, fill: { kind: 'pair', interior: { kind: 'shelves', shelves: 3 } } }],
  );
  const inside = solved.parts.filter(({ extent: { min, max } }) => {
    const beyond =
      max[0] <= zone.left ||
      min[0] >= zone.left + zone.width ||
      max[1] <= zone.behind ||
      min[1] >= zone.behind + zone.depth ||
      max[2] <= zone.up ||
      min[2] >= zone.up + zone.height;
    return !beyond;
  });
  const [finding] = check(solved).filter(({ rule }) => rule === 'zones/in-the-way');
  assert.ok(inside.length > 0);
  assert.deepEqual([...(finding?.parts ?? [])].sort(), inside.map(({ key }) => key).sort());
  assert.equal(finding?.severity, 'stop', 'a shelf is not cut round a pipe');
  assert.ok(
    !check(
      withZones([pipe({ up: 60, height: 20, depth: 100 })], [{ id: 'o1', size: share, fill: { kind: 'pair' } }]),
    ).some(({ rule }) => rule === 'zones/in-the-way'),
  );
});

test('a keep-out box is drawn in front, section and plan, and goes by an edit', () => {
  const solved = withZones([pipe()], drawers);
  const drawn = [drawElevation(solved, 'job'), drawSection(solved, 'job'), drawPlan(solved, 'job', 200)];
  for (const { items, title } of drawn)
    assert.ok(
      items.some((item) => item.kind === 'mark' && item.text === 'waste pipe'),
      title.view,
    );
  assert.ok(!drawPlan(solved, 'job', 600).items.some((item) => item.kind === 'mark' && item.text === 'waste pipe'));
  const job = jobWith({});
  applyEdits(job, [{ path: pathTo.zones('c1'), insert: pipe() }]);
  assert.equal(job.cabinets[0]?.zones?.length, 1);
  assert.ok(readJob(structuredClone(job)).ok);
  applyEdits(job, [{ path: pathTo.zone('c1', 'z1'), value: undefined }]);
  assert.ok(!('zones' in (job.cabinets[0] ?? {})), 'and leaves nothing behind');
});
