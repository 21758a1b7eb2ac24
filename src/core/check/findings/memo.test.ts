import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { buildableDecisions, jobWith, wildDecisions } from '../../../../tests/support/cabinets.js';
import type { Cabinet, Job } from '../../decisions/index.js';
import { check, createSolver, type SolvedCabinet, solve, solveCabinet } from '../../solve/index.js';

/** A job with the same cabinet three times over, under numbers and names of their own, and one that is decided otherwise. */
function repeated(job: Job): Job {
  const [first] = job.cabinets as [Cabinet];
  const twins = ['a', 'b'].map((id, at) => ({
    ...structuredClone(first),
    id,
    number: `${at + 7}`,
    name: `Twin ${id}`,
  }));
  const other = {
    ...structuredClone(first),
    id: 'z',
    number: '9',
    size: { ...first.size, width: first.size.width + 61 },
  };
  return { ...job, cabinets: [first, ...twins, other] };
}

test('what a rule did not say of one cabinet it does not say of one decided alike: each comes to what it comes to alone', () => {
  let found = 0;
  fc.assert(
    fc.property(fc.oneof(buildableDecisions, wildDecisions), (decisions) => {
      const job = repeated(jobWith(decisions));
      const together = solve(job);
      for (const [at, cabinet] of job.cabinets.entries()) {
        const alone = check(solveCabinet(job, cabinet));
        assert.deepEqual(check(together.cabinets[at] as SolvedCabinet), alone);
        found += alone.length;
      }
    }),
    { numRuns: 50 },
  );
  assert.ok(found > 200, `${found} findings`);
});

test('a change of the job is heard by every cabinet, however alike they are', () => {
  const solver = createSolver();
  const job = repeated(jobWith({ height: 870, depth: 560, settings: { toe: { kind: 'none' } } }));
  assert.ok(solver(job).cabinets.every((each) => check(each).every(({ severity }) => severity !== 'stop')));
  const low = { ...job, room: { ...job.room, ceiling: 1000 } };
  const after = solver(low);
  for (const each of after.cabinets) {
    const [findings, { cabinet }] = [check(each), each];
    assert.ok(
      findings.some(({ severity }) => severity === 'stop'),
      cabinet.id,
    );
    assert.ok(findings.every(({ cabinetId, id }) => cabinetId === cabinet.id && id.startsWith(`${cabinet.id}/`)));
  }
});
