import assert from 'node:assert/strict';
import { test } from 'node:test';
import { ASPECTS, fingerprint, frozenJobs, readCorpus, readResults, solveFrozen } from './corpus.js';

/** As many of the frozen cabinets are compared here; `npm run frozen` compares them all. */
const COUNT = 60;
/** The arithmetic behind a number may be told better at any time; what it comes to may not change. */
const COMPARED = ASPECTS.filter((aspect) => aspect !== 'tapes');

test('sizes, places, operations, findings, fixes and hardware are what they were when they were frozen', () => {
  const known = readResults();
  for (const { name, job } of frozenJobs(readCorpus(), COUNT)) {
    const result = solveFrozen(job);
    for (const aspect of COMPARED)
      assert.equal(fingerprint(result[aspect]), known[name]?.[ASPECTS.indexOf(aspect)], `${aspect} of ${name} changed`);
  }
});
