import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import fc from 'fast-check';
import { buildable } from '../../../../tests/generator/buildable.js';
import { buildableDecisions, jobWith, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import type { Cabinet } from '../../decisions/index.js';
import { checkJob, solve } from '../../solve/index.js';
import { bandedEdges, compareSchools, machiningSummary, presentJob, summariseCabinet } from './index.js';

test('schools are compared at the same overall size', () => {
  const job = jobWith({ width: 900 });
  const [frameless, framed, traditional] = compareSchools(job, job.cabinets[0] as Cabinet);
  assert.deepEqual([frameless?.school, framed?.school, traditional?.school], ['frameless', 'faceFrame', 'traditional']);
  assert.equal(frameless?.insideWidth, 864);
  assert.ok((framed?.openingWidth ?? 0) < (frameless?.openingWidth ?? 0), 'a frame costs opening');
  assert.ok((framed?.pieces ?? 0) > (frameless?.pieces ?? 0), 'a frame costs parts');
  assert.ok((framed?.visibleReveal ?? 0) > (frameless?.visibleReveal ?? 0), 'a frame shows');
  assert.equal(framed?.visibleReveal, 40 - 12);
  assert.ok(traditional && traditional.area > 0);
});

test('the comparison keeps everything else that was decided', () => {
  const job = jobWith({ settings: { school: 'faceFrame', joints: { bottom: 'tenons' } } });
  const before = structuredClone(job);
  compareSchools(job, job.cabinets[0] as Cabinet);
  assert.deepEqual(job, before);
});

test('edges and machining are written as a maker says them', () => {
  const solved = solveWith({});
  const show = (mm: number) => String(Math.round(mm * 10) / 10);
  assert.equal(bandedEdges(partOf(solved, 'side/left')), 'front');
  assert.equal(bandedEdges(partOf(solved, 'door/o2/left')), 'all round');
  const side = machiningSummary(partOf(solved, 'side/left'), show);
  assert.match(side, /groove 6.3 wide, 8 deep, 18 from the rear edge/);
  assert.match(side, /4 through holes 4.5, 9 from the bottom edge/);
  const dowelled = machiningSummary(partOf(solveWith({ settings: { joints: { bottom: 'dowels' } } }), 'bottom'), show);
  assert.match(dowelled, /holes 8 in the left edge/);
  const notched = machiningSummary(partOf(solveWith({ settings: { toe: { kind: 'notched' } } }), 'side/left'), show);
  assert.match(notched, /notch 100 by 68, bottom front corner/);
});

test('the result is plain data that survives being written down, tape and all', () => {
  fc.assert(
    fc.property(buildableDecisions, (decisions) => {
      const result = presentJob(solve(jobWith(decisions)), { tape: true });
      const text = JSON.stringify(result);
      assert.equal(JSON.stringify(JSON.parse(text)), text);
      assert.ok(!text.includes('null'), 'no number is lost');
      const ids = new Set(Object.keys(result.derivations ?? {}));
      for (const [, id] of text.matchAll(/"tape":"(d\d+)"/g)) assert.ok(ids.has(id ?? ''));
      for (const { terms } of Object.values(result.derivations ?? {}))
        for (const term of terms ?? []) assert.ok(ids.has(term));
    }),
    { numRuns: 60 },
  );
});

test('every chain of derivations ends in a setting that says who decided it', () => {
  const { derivations } = presentJob(solve(jobWith({ settings: { school: 'faceFrame' } })), { tape: true });
  assert.ok(derivations);
  for (const [id, entry] of Object.entries(derivations)) {
    if (entry.terms) continue;
    const decided = entry.source !== undefined || entry.says !== undefined || entry.reason !== undefined;
    assert.ok(decided, `${id} ${entry.label} comes from nowhere`);
  }
});

test('a summary counts what is open and draws the cabinet', () => {
  const solved = solveWith({ width: 2600, settings: { ends: { left: 'exposed' } } });
  const { stops, warnings, thumbnail } = summariseCabinet(solved, solved.findings);
  assert.ok(stops >= 1 && warnings >= 1);
  assert.equal(thumbnail.width, 2600);
});

test('every field of a result stands on its page of the documentation', () => {
  const page = new Set(
    [...readFileSync('docs/result-format.md', 'utf8').matchAll(/[`"]([A-Za-z]+)[`"]/g)].map(([, word]) => word),
  );
  const missing = new Set<string>();
  const walk = (value: unknown): void => {
    if (Array.isArray(value)) for (const entry of value) walk(entry);
    else if (typeof value === 'object' && value !== null)
      for (const [key, entry] of Object.entries(value)) {
        // The ids of derivations are no fields.
        if (!/^d\d+$/.test(key) && !page.has(key)) missing.add(key);
        walk(entry);
      }
  };
  for (let seed = 0; seed < 60; seed += 1)
    walk(presentJob(solve(jobWith(buildable(seed).decisions)), { tape: seed % 20 === 0 }));
  const tight = jobWith({
    settings: { fronts: { grainRuns: 'columns' }, catches: { doors: 'ostrel-magnet' } },
    width: 2600,
  });
  walk(presentJob(solve(tight), { fixes: true }));
  assert.deepEqual([...missing], []);
});

test('alike parts each say where they stand, a finding where it is and what settles it', () => {
  const solved = solve(
    jobWith({ from: 'tall', settings: { ends: { left: 'exposed' }, joints: { bottom: 'screws' } } }),
  );
  const { cabinets, findings } = presentJob(solved, { fixes: true });
  const nailers = cabinets[0]?.parts.find(({ name }) => name === 'Nailer');
  assert.equal(nailers?.quantity, 3);
  const levels = nailers?.pieces.map(({ placement }) => placement.origin[2]) ?? [];
  assert.equal(new Set(levels).size, 3, `${levels}`);
  for (const { rows } of solved.cabinets)
    for (const [at, row] of rows.entries())
      assert.deepEqual(
        cabinets[0]?.parts[at]?.pieces.map(({ key }) => key),
        row.keys,
      );
  assert.ok(findings.length > 0 && findings.every(({ id }) => checkJob(solved).some((each) => each.id === id)));
  const fixed = findings.find((finding) => 'fixes' in finding && (finding.fixes?.length ?? 0) > 0);
  assert.ok(fixed && 'fixes' in fixed && fixed.fixes?.[0]?.label);
  const { now = 0, below = 0, above = 0 } = cabinets[0]?.balanced ?? {};
  assert.ok(now > 0 && below <= now && now <= above, `${below}, ${now}, ${above}`);
});
