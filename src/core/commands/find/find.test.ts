import assert from 'node:assert/strict';
import { test } from 'node:test';
import { jobWith } from '../../../../tests/support/cabinets.js';
import { settingLeaves, solve } from '../../solve/index.js';
import { findables, otherWords } from './index.js';

function all(settings = {}) {
  const job = jobWith({ settings });
  const [solved] = solve(job).cabinets;
  assert.ok(solved);
  return { job, solved, found: findables(solved, job) };
}

/** As a maker looks: every word typed is in the words, or in what else it is called. */
const looked = (typed: string, settings = {}) =>
  all(settings)
    .found.filter(({ words, also }) => {
      const text = [words, ...also].join(' ').toLowerCase();
      return typed.split(' ').every((word) => text.includes(word));
    })
    .map(({ words }) => words);

test('every setting that matters, every part and every cabinet can be found, once, and says how it stands', () => {
  const { solved, job, found } = all();
  assert.equal(new Set(found.map(({ id }) => id)).size, found.length);
  const decided = found
    .filter(({ group }) => group === 'Decisions')
    .map(({ lead }) => lead.to === 'decision' && lead.path);
  assert.ok(decided.length > settingLeaves.length / 3, `${decided.length} of ${settingLeaves.length}`);
  assert.ok(decided.includes('toe/height') && !decided.includes('frame/stile'), 'without a frame it has no stile');
  assert.equal(found.filter(({ group }) => group === 'Parts').length, solved.rows.length);
  assert.equal(found.filter(({ group }) => group === 'Cabinets').length, job.cabinets.length);
  for (const { id, words, value } of found) assert.ok(words.length > 1 && value.length > 0, id);
  assert.equal(found.find(({ words }) => words === 'Overall width')?.value, '800 mm');
  // Each size leads to the field that decides it.
  assert.ok(decided.includes('cabinets/c1/size/height/mm'));
});

test('what another school calls it is found as well', () => {
  assert.ok(looked('kick height').some((words) => /toe height/i.test(words)));
  assert.ok(looked('slide').some((words) => /runner|drawer/i.test(words)));
  assert.ok(looked('handle').some((words) => /pull/i.test(words)));
  assert.ok(otherWords('Rabbet depth').includes('rebate'));
  assert.ok(looked('gable').some((words) => /side, left/i.test(words)));
  assert.ok(otherWords('Toe height').includes('kick'));
  assert.ok(!otherWords('Toe height').includes('toe'), 'its own words are no others');
});
