import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { type CabinetDecisions, jobWith, wildDecisions } from '../../../../tests/support/cabinets.js';
import type { Finding } from '../../cabinet/index.js';
import type { Act, Job } from '../../decisions/index.js';
import { applyEdits, checkJob, fixesFor, readJob, solve } from '../../solve/index.js';

const sameFinding = (a: Finding) => (b: Finding) => a.rule === b.rule && a.what === b.what;

/** What still says the same after a fix, or why the fix could not be carried out. */
function left(decisions: CabinetDecisions, finding: Finding, fix: Act): string | undefined {
  const job: Job = jobWith(decisions);
  applyEdits(job, fix.edits);
  const read = readJob(job);
  if (!read.ok) return `not a valid job: ${JSON.stringify(read.errors[0])}`;
  return checkJob(solve(read.value)).some(sameFinding(finding)) ? 'it is found again' : undefined;
}

test('whatever the cabinet, a fix that is offered leaves a valid job in which the finding is gone', () => {
  let tried = 0;
  fc.assert(
    fc.property(wildDecisions, (decisions) => {
      const solved = solve(jobWith(decisions));
      for (const finding of checkJob(solved))
        for (const fix of fixesFor(solved, finding.id)) {
          tried += 1;
          const problem = left(decisions, finding, fix);
          if (problem) throw new Error(`${finding.rule}, "${finding.what}", fixed by "${fix.label}": ${problem}`);
        }
    }),
    { numRuns: 150 },
  );
  assert.ok(tried > 100, `only ${tried} fixes were tried`);
});
