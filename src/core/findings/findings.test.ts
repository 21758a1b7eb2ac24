import assert from 'node:assert/strict';
import { readdirSync, readFileSync } from 'node:fs';
import { test } from 'node:test';
import { type CabinetDecisions, jobWith, solveWith } from '../../../tests/support/cabinets.js';
import { applyEdits, type Job, readJobText } from '../job/index.js';
import { solve, solveCabinet } from '../solve.js';
import { findingRules } from './index.js';

const rulesOf = (decisions: CabinetDecisions) => solveWith(decisions).findings.map((finding) => finding.rule);
const withRoom = (decisions: CabinetDecisions, room: Job['room']) => {
  const job = { ...jobWith(decisions), room };
  return solve(job).findings;
};

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
  'materials/uneven-batch': () => {
    const job = jobWith({});
    applyEdits(job, [{ path: 'materials/birch18/measured/readings', value: [17.5, 17.9] }]);
    return solve(job).findings.map((finding) => finding.rule);
  },
};

test('every rule fires on a cabinet that deserves it', () => {
  assert.deepEqual(
    Object.keys(BAD).sort(),
    findingRules.map((rule) => rule.id).sort(),
    'each rule has a bad cabinet here',
  );
  for (const [rule, fires] of Object.entries(BAD)) assert.ok(fires().includes(rule), `${rule} did not fire`);
});

test('no rule fires on the demo jobs', () => {
  const folder = new URL('../../../demo/', import.meta.url);
  for (const name of readdirSync(folder).filter((file) => file.endsWith('.json'))) {
    const read = readJobText(readFileSync(new URL(name, folder), 'utf8'));
    assert.ok(read.ok);
    assert.deepEqual(solve(read.value).findings, [], name);
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
