import assert from 'node:assert/strict';
import { readdirSync, readFileSync } from 'node:fs';
import { test } from 'node:test';
import { type CabinetDecisions, jobWith, solveWith } from '../../../tests/support/cabinets.js';
import { applyEdits, type Job, type Opening, readJobText, type Split } from '../job/index.js';
import { solve, solveCabinet } from '../solve.js';
import { findingRules } from './index.js';

const rulesOf = (decisions: CabinetDecisions) => solveWith(decisions).findings.map((finding) => finding.rule);
const withRoom = (decisions: CabinetDecisions, room: Job['room']) => {
  const job = { ...jobWith(decisions), room };
  return solve(job).findings;
};

const share = { rule: 'share' as const, weight: 1 };
const split = (kind: Split['kind'], parts: Opening[]): Split => ({
  kind,
  graduation: { kind: 'arithmetic', step: 10 },
  parts,
});
const rows = (...parts: Opening[]) => split('rows', parts);
const columns = (...parts: Opening[]) => split('columns', parts);

/** For each rule a cabinet that deserves it. */
const BAD: Record<string, () => string[]> = {
  'sizes/part-vanishes': () => rulesOf({ width: 60, settings: { fronts: { reveal: { left: 35, right: 35 } } } }),
  'sizes/part-exceeds-sheet': () => rulesOf({ width: 2600 }),
  'sizes/stack-does-not-close': () =>
    rulesOf({ height: 300, parts: [{ id: 'o1', size: { rule: 'fixed', mm: 400 }, fill: { kind: 'drawer' } }] }),
  'sizes/into-the-room': () =>
    withRoom({ height: 2390, depth: 700 }, { ceiling: 2400, doorway: 2000 }).map((finding) => finding.rule),
  'sizes/outside-usual': () => rulesOf({ width: 1250 }),
  'sizes/no-clear-depth': () => rulesOf({ depth: 55 }),
  'sizes/stack-does-not-close (nested)': () =>
    rulesOf({
      face: columns({
        id: 'a',
        size: share,
        fill: rows({ id: 'x', size: { rule: 'fixed', mm: 5000 }, fill: { kind: 'drawer' } }),
      }),
    }),
  'fronts/inset-without-stop': () => rulesOf({ settings: { fronts: { fit: 'inset', stops: 'none' } } }),
  'fronts/lipped-binds': () => rulesOf({ settings: { fronts: { fit: 'lipped', lip: 12, rebateWidth: 10 } } }),
  'hinges/not-reachable': () => rulesOf({ settings: { hinges: { opening: 178 } } }),
  'hinges/against-shelf': () => rulesOf({ parts: [{ id: 'o1', size: share, fill: { kind: 'pair', shelves: 14 } }] }),
  'hinges/door-too-small': () =>
    rulesOf({
      parts: [
        { id: 'o1', size: share, fill: { kind: 'drawer' } },
        { id: 'o2', size: { rule: 'fixed', mm: 100 }, fill: { kind: 'pair', shelves: 0 } },
      ],
    }),
  'hinges/gap-too-small': () =>
    rulesOf({ measured: { front18: 26 }, settings: { fronts: { reveal: { left: 1, right: 1 } } } }),
  'hinges/cup-does-not-fit': () => rulesOf({ settings: { making: { kind: 'stick', stile: 40 } } }),
  'machining/operations-meet': () =>
    rulesOf({
      settings: {
        joints: { bottom: 'dowels' },
        back: { offsetFrom: 'set', offset: 48 },
        fasteners: { dowelInEnd: 28 },
        nailer: { rails: 'none' },
      },
    }),
  'machining/hole-near-edge': () => rulesOf({ settings: { fasteners: { pilot: 12 } }, measured: { birch18: 15 } }),
  'shelves/sags': () => rulesOf({ width: 1150, settings: { shelves: { load: 'records' } } }),
  'carcass/wall-without-nailer': () => rulesOf({ from: 'wall', settings: { nailer: { rails: 'none' } } }),
  'carcass/bottom-in-withdrawal': () => rulesOf({ from: 'wall', settings: { bottom: { place: 'under' } } }),
  'carcass/cut-too-deep': () => rulesOf({ settings: { back: { grooveDepth: 10 } } }),
  'carcass/groove-near-edge': () =>
    rulesOf({ settings: { back: { offsetFrom: 'set', offset: 4 }, nailer: { rails: 'none' } } }),
  'carcass/nailer-does-not-fit': () => rulesOf({ settings: { back: { offsetFrom: 'set', offset: 12 } } }),
  'carcass/back-not-held': () => rulesOf({ settings: { nailer: { rails: 'none' }, top: { kind: 'none' } } }),
  'carcass/racks': () =>
    rulesOf({ settings: { back: { kind: 'none' }, nailer: { rails: 'none' }, top: { kind: 'none' } } }),
  'carcass/visible-fasteners': () => rulesOf({ settings: { ends: { left: 'exposed' } } }),
  'carcass/back-edge-shows': () => rulesOf({ settings: { ends: { right: 'exposed' }, back: { kind: 'applied' } } }),
  'carcass/partition-without-support': () =>
    rulesOf({
      face: rows(
        {
          id: 'o1',
          size: share,
          divider: 'stretcher',
          fill: columns(
            { id: 'a', size: share, fill: { kind: 'drawer' } },
            { id: 'b', size: share, fill: { kind: 'drawer' } },
          ),
        },
        { id: 'o2', size: share, fill: { kind: 'pair', shelves: 0 } },
      ),
    }),
  'carcass/negative-packing': () => rulesOf({ settings: { school: 'faceFrame', frame: { stileLeft: 15 } } }),
  'fronts/too-close': () => rulesOf({ settings: { school: 'faceFrame', frame: { midRail: 25 } } }),
  'carcass/solid-wood-moves': () => rulesOf({ settings: { school: 'traditional' } }),
  'carcass/joint-without-partner': () =>
    rulesOf({
      settings: { dividers: { partitions: 'none' } },
      face: columns(
        {
          id: 'a',
          size: share,
          fill: rows(
            { id: 'a1', size: share, divider: 'shelf', fill: { kind: 'drawer' } },
            { id: 'a2', size: share, fill: { kind: 'drawer' } },
          ),
        },
        { id: 'b', size: share, fill: { kind: 'drawer' } },
      ),
    }),
  'carcass/bottom-cannot-go-under': () =>
    rulesOf({ settings: { bottom: { place: 'under' }, toe: { kind: 'notched' } } }),
  'carcass/web-frame-too-small': () => rulesOf({ width: 210, settings: { top: { kind: 'web' } } }),
  'materials/uneven-batch': () => {
    const job = jobWith({});
    applyEdits(job, [{ path: 'materials/birch18/measured/readings', value: [17.5, 17.9] }]);
    return solve(job).findings.map((finding) => finding.rule);
  },
};

test('every rule fires on a cabinet that deserves it', () => {
  const ids = new Set(Object.keys(BAD).map((name) => name.split(' ')[0] ?? ''));
  assert.deepEqual([...ids].sort(), findingRules.map((rule) => rule.id).sort(), 'each rule has a bad cabinet here');
  for (const [name, fires] of Object.entries(BAD))
    assert.ok(fires().includes(name.split(' ')[0] ?? ''), `${name} did not fire`);
});

test('no rule fires on the demo jobs', () => {
  const folder = new URL('../../../demo/', import.meta.url);
  for (const name of readdirSync(folder).filter((file) => file.endsWith('.json'))) {
    const read = readJobText(readFileSync(new URL(name, folder), 'utf8'));
    assert.ok(read.ok);
    // A note is a judgement call; the traditional chest has one about its solid sides.
    const said = solve(read.value).findings.filter((finding) => finding.severity !== 'note');
    assert.deepEqual(said, [], name);
  }
});

test('every fix can be applied and settles its finding', () => {
  const bad: CabinetDecisions[] = [
    { from: 'wall', settings: { nailer: { rails: 'none' } } },
    { from: 'wall', settings: { bottom: { place: 'under' } } },
    { settings: { back: { offsetFrom: 'set', offset: 12 } } },
    { settings: { fronts: { fit: 'inset', stops: 'none' } } },
    { width: 900, settings: { shelves: { load: 'books' } } },
    { settings: { ends: { left: 'exposed' } } },
    { settings: { back: { kind: 'none' }, nailer: { rails: 'none' }, top: { kind: 'none' } } },
  ];
  for (const decisions of bad) {
    const before = solve(jobWith(decisions)).findings.filter((finding) => finding.fixes.length > 0);
    assert.ok(before.length > 0);
    for (const finding of before)
      for (const fix of finding.fixes) {
        const job = jobWith(decisions);
        applyEdits(job, fix.edits);
        const worse = solve(job).findings.filter(
          (other) => other.rule === finding.rule && other.severity === finding.severity,
        );
        assert.deepEqual(worse, [], `${finding.rule}: ${fix.label}`);
      }
  }
});

test('an over-constrained stack says by how much, and its first fix settles it', () => {
  const job = jobWith({
    height: 870,
    parts: [
      { id: 'o1', size: { rule: 'fixed', mm: 500 }, fill: { kind: 'drawer' } },
      { id: 'o2', size: { rule: 'fixed', mm: 400 }, fill: { kind: 'drawer' } },
    ],
  });
  const [finding] = solve(job).findings;
  assert.equal(finding?.severity, 'stop');
  // 770 box − 3 top reveal − 3 gap = 764; 900 is decided.
  assert.match(finding?.what ?? '', /136 mm more/);
  const [fix] = finding?.fixes ?? [];
  assert.ok(fix);
  applyEdits(job, fix.edits);
  assert.deepEqual(solve(job).findings, []);
});

test('a part that fits only across the grain is refused for that reason', () => {
  const job = jobWith({
    width: 1300,
    settings: { fronts: { drawerGrain: 'up' } },
    parts: [{ id: 'o1', size: { rule: 'share', weight: 1 }, fill: { kind: 'drawer' } }],
  });
  const finding = solve(job).findings.find((each) => each.rule === 'sizes/part-exceeds-sheet');
  assert.match(finding?.why ?? '', /across the grain/);
});

test('a box taller than the doorway but not than the ceiling is only a note', () => {
  const severities = withRoom({ height: 2200, depth: 400 }, { ceiling: 2600, doorway: 2000 }).map(
    (finding) => finding.severity,
  );
  assert.deepEqual(severities, ['note']);
});

test('stops come first', () => {
  const solved = solveWith({ width: 2600, depth: 900 });
  const ranks = solved.findings.map((finding) => ['stop', 'warn', 'note'].indexOf(finding.severity));
  assert.deepEqual(
    ranks,
    [...ranks].sort((a, b) => a - b),
  );
  assert.ok(new Set(ranks).size > 1);
});

test('findings speak the unit of the job', () => {
  const job = jobWith({ width: 1250 });
  const inches = solveCabinet(
    { ...job, display: { unit: 'in', mmStep: 0.1, graduation: 16 } },
    job.cabinets[0] as Job['cabinets'][number],
  );
  assert.match(inches.findings[0]?.what ?? '', / in /);
});
