/** Tall pull-outs, drawers round a pipe, and runners on rear brackets. */
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { prove } from '../../../../tests/solids/prove.js';
import { type CabinetDecisions, jobWith, partOf } from '../../../../tests/support/cabinets.js';
import { assemblyOf } from '../../check/index.js';
import type { Cabinet } from '../../decisions/index.js';
import { loadSolids } from '../../part/index.js';
import { check, readJob, type SolvedCabinet, solve, solveCabinet } from '../../solve/index.js';

type Zone = NonNullable<Cabinet['zones']>[number];
type Settings = NonNullable<CabinetDecisions['settings']>;
const share = { rule: 'share' as const, weight: 1 };

const solved = (decisions: CabinetDecisions, zones?: Zone[]): SolvedCabinet => {
  const job = jobWith(decisions);
  const [cabinet] = job.cabinets as [Cabinet];
  if (zones) cabinet.zones = zones;
  return solveCabinet(job, cabinet);
};
const stops = (of: SolvedCabinet) =>
  check(of)
    .filter(({ severity }) => severity === 'stop')
    .map(({ rule, what }) => `${rule}: ${what}`);

const pullOut = (settings: Settings = {}) =>
  solved({
    from: 'tall',
    width: 350,
    height: 1900,
    settings: { drawers: { family: 'tall' }, ...settings },
    parts: [
      { id: 'o1', size: share, divider: 'shelf', fill: { kind: 'drawer' } },
      { id: 'o2', size: { rule: 'fixed', mm: 700 }, fill: { kind: 'drawer' } },
    ],
  });

test('a tall pull-out takes the side rule, stands on its third runner, and is as high as its opening', () => {
  const [high] = pullOut().fitted.runners;
  assert.equal(high?.runner?.profile.id, 'dunmore-tower-60');
  assert.ok(high.plan && high.runner.profile.family === 'tall');
  const { thickness, play, under, clearAbove, clearBelow } = high.runner.profile;
  assert.ok(Math.abs(high.plan.outside.value - (high.across.value - 2 * thickness - play)) < 1e-9);
  assert.ok(Math.abs(high.plan.above.value - under.thickness - clearBelow) < 1e-9);
  assert.ok(Math.abs(high.plan.free.value - clearAbove) < 1e-9);
});

test('its third runner is screwed to a strip of the box and to what lies under it, in one line', () => {
  const cabinet = pullOut();
  const strip = partOf(cabinet, 'drawer/o2/box/strip');
  const floor = partOf(cabinet, 'bottom');
  const own = floor.machining.filter(({ reason }) => reason.startsWith('third runner'));
  assert.equal(own.length, 1);
  const [hole] = own;
  assert.ok(hole?.kind === 'holes');
  const middle = (strip.extent.min[0] + strip.extent.max[0]) / 2;
  assert.ok(Math.abs(floor.extent.min[0] + hole.offset.value - middle) < 0.01);
  assert.ok(strip.machining.some(({ kind }) => kind === 'holes'));
  assert.ok(partOf(cabinet, 'divider/o1').machining.some(({ reason }) => reason.startsWith('third runner')));
});

test('behind a frame the third runner is packed up to the rail; nothing shares space, all goes together', async () => {
  const solids = await loadSolids();
  for (const settings of [
    {},
    { school: 'faceFrame' as const, frame: { lip: 12 } },
    { fronts: { fit: 'inset' as const } },
  ]) {
    const cabinet = pullOut(settings);
    assert.deepEqual(stops(cabinet), [], JSON.stringify(settings));
    assert.deepEqual(prove(cabinet, solids), []);
    assert.equal(assemblyOf(cabinet.parts).stuck, undefined);
    const packed = cabinet.parts.find(({ key }) => key === 'drawer/o2/packing/under');
    assert.equal(packed !== undefined, 'school' in settings);
    if (packed) assert.ok(Math.abs(packed.thickness.value - 12) < 0.01, 'by as much as the lip stands above the floor');
  }
});

test('an older job is given the tall pull-outs, and keeps what it has', () => {
  const job = JSON.parse(JSON.stringify(jobWith({})));
  job.version = 11;
  job.hardware.runners = job.hardware.runners.filter(({ family }: { family: string }) => family !== 'tall').slice(0, 2);
  const read = readJob(job);
  assert.ok(read.ok);
  assert.deepEqual(
    read.value.hardware.runners?.slice(2).map(({ id }) => id),
    ['dunmore-tower-60', 'pell-tower-100'],
  );
});

const pipe: Zone = { id: 'z1', name: 'trap', left: 330, up: 420, behind: 300, width: 120, height: 200, depth: 200 };
const vanity = (settings: Settings = {}, zone: Zone = pipe) =>
  solved(
    {
      width: 800,
      height: 800,
      depth: 560,
      settings: { back: { kind: 'none' }, drawers: { round: 'u' }, ...settings },
      parts: [
        { id: 'o1', size: { rule: 'fixed', mm: 220 }, fill: { kind: 'drawer' } },
        { id: 'o2', size: share, fill: { kind: 'pair' } },
      ],
    },
    [zone],
  );

test('a drawer goes round a trap by as much as is kept clear, and its runners are as long as without it', () => {
  const cabinet = vanity({ drawers: { round: 'u', roundBy: 15 } });
  const short = vanity({ drawers: { round: 'short' } });
  const length = (each: SolvedCabinet) => each.fitted.runners[0]?.runner?.length.value ?? 0;
  assert.ok(length(cabinet) > length(short));
  const [left, right, middle] = ['wall/left', 'wall/right', 'middle'].map((key) =>
    partOf(cabinet, `drawer/o1/box/${key}`),
  );
  assert.ok(left && right && middle);
  assert.ok(Math.abs(pipe.left - left.extent.max[0] - 15) < 0.01);
  assert.ok(Math.abs(right.extent.min[0] - pipe.left - pipe.width - 15) < 0.01);
  assert.ok(Math.abs(pipe.behind - middle.extent.max[1] - 15) < 0.01);
  assert.ok(!check(cabinet).some(({ rule }) => rule === 'zones/in-the-way'), 'nothing of it stands in the trap');
});

test('its boards share no space with each other or the trap, in every school of corners and bottoms', async () => {
  const solids = await loadSolids();
  let looked = 0;
  for (const corner of ['butt', 'dowels', 'lapped', 'rabbet', 'halfblind', 'through'] as const)
    for (const bottom of ['groove', 'slid', 'applied'] as const)
      for (const family of ['side', 'corner'] as const) {
        const cabinet = vanity({ drawers: { round: 'u', corner, bottom, family } });
        assert.deepEqual(stops(cabinet), [], `${corner} ${bottom}`);
        assert.deepEqual(prove(cabinet, solids), [], `${corner} ${bottom}`);
        assert.ok(cabinet.parts.some(({ key }) => key === 'drawer/o1/box/wall/left'));
        looked += 1;
      }
  assert.equal(looked, 36);
});

test('where there is no room beside it, or hidden runners want a whole back, the drawer ends before it', () => {
  const beside = vanity({}, { ...pipe, left: 40 });
  const hidden = vanity({ drawers: { round: 'u', family: 'under' } });
  for (const cabinet of [beside, hidden]) {
    assert.ok(!cabinet.parts.some(({ key }) => key.includes('/wall/')));
    assert.equal(cabinet.fitted.runners[0]?.rearBy, 'trap');
  }
});

const framed = (settings: Settings = {}) =>
  solved({
    width: 700,
    settings: {
      school: 'faceFrame',
      materials: { back: 'birch12' },
      drawers: { family: 'side', behindFrame: 'brackets' },
      ...settings,
    },
    parts: [{ id: 'o1', size: share, fill: { kind: 'drawer' } }],
  });

test('on rear brackets nothing is packed out; runners are screwed into the stile and the back at their line', () => {
  const cabinet = framed();
  const [drawer] = cabinet.fitted.runners;
  assert.equal(drawer?.runner?.profile.id, 'dunmore-glide-30');
  assert.ok(!cabinet.parts.some(({ role }) => role === 'packing'));
  const bored = (key: string) => partOf(cabinet, key).machining.filter(({ by }) => by.kind === 'runners');
  assert.equal(bored('back').length, 2);
  assert.equal(bored('frame/stile/left').length, 1);
  assert.equal(bored('frame/stile/right').length, 1);
  assert.equal(bored('side/left').length, 0);
  assert.ok(cabinet.fittings.some(({ name, quantity }) => name === 'Runners: rear brackets, pair' && quantity === 1));
  assert.ok(drawer.against.some(({ why }) => why === 'has no rear bracket'));
  assert.deepEqual(stops(cabinet), []);
});

test('a bracket that does not reach the back refuses the length, with what it reaches', () => {
  const job = jobWith({
    width: 700,
    depth: 580,
    settings: { school: 'faceFrame', drawers: { behindFrame: 'brackets', length: 300 } },
    parts: [{ id: 'o1', size: share, fill: { kind: 'drawer' } }],
  });
  const [drawer] = solve(job).cabinets[0]?.fitted.runners ?? [];
  assert.equal(drawer?.runner, undefined);
  assert.ok(drawer?.against.some(({ why }) => why.includes('its rear bracket reaches 60 mm')));
});
