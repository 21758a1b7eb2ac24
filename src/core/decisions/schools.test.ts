import assert from 'node:assert/strict';
import { test } from 'node:test';
import { jobWith } from '../../../tests/support/cabinets.js';
import { form, readJob, settingLeaf } from '../solve/index.js';
import { fillSchools, SCHOOL_IDS, schoolStandards, schools } from './index.js';

test('what every school brings is made of settings there are, and each reads in the list of choices', () => {
  for (const set of ['metric', 'inch'] as const)
    for (const id of SCHOOL_IDS) {
      const read = form.declared.overrides.safeParse(schools[id].standards[set]);
      assert.ok(read.success, `${id}, ${set}: ${read.error?.message}`);
    }
  assert.deepEqual(Object.keys(settingLeaf('school').options ?? {}), [...SCHOOL_IDS]);
});

test('a job that does not know a school yet is given its standards, in its own unit and of its own materials', () => {
  const { traditional, ...older } = schoolStandards('metric');
  const filled = fillSchools(older, 'metric', new Set(['oak20']));
  assert.deepEqual(filled.traditional, traditional);
  assert.deepEqual(Object.keys(filled).sort(), [...SCHOOL_IDS].sort());
  const without = fillSchools(older, 'metric', new Set(['birch18'])).traditional;
  assert.ok(typeof without === 'object' && without !== null && !('materials' in without));
  assert.deepEqual(fillSchools({ ...older, traditional: {} }, 'inch', new Set()).traditional, {}, 'a shop decides');
});

test('a stored job without a school opens, and its cabinets are what they were', () => {
  const job = jobWith({});
  const { traditional: _gone, ...known } = job.house.schools;
  const read = readJob({ ...job, house: { ...job.house, schools: known } });
  assert.ok(read.ok, JSON.stringify(!read.ok && read.errors));
  assert.deepEqual(read.ok && read.value, job);
});
