import assert from 'node:assert/strict';
import { test } from 'node:test';
import { pathTo, writeHardware, writeJob } from '../../decisions/index.js';
import {
  allKinds,
  applyEdits,
  checkJob,
  libraries,
  newJob,
  profilesOf,
  readHardwareText,
  readJob,
  solve,
} from '../../solve/index.js';
import { testPieceFor } from './testPiece.js';

test('every profile of a kind that is proven on scrap goes into a small piece of its own, without a stop', () => {
  for (const set of ['metric', 'inch'] as const) {
    const job = newJob('Shop', set);
    const missing: string[] = [];
    let made = 0;
    for (const { id: kind } of libraries) {
      if (!allKinds.find((each) => each.id === kind)?.trials) continue;
      for (const { id } of job.hardware[kind] ?? []) {
        const piece = testPieceFor(job, kind, id);
        if (!piece) {
          missing.push(id);
          continue;
        }
        made += 1;
        const read = readJob(JSON.parse(writeJob(piece)));
        assert.ok(read.ok, id);
        const solved = solve(read.value);
        assert.ok(
          checkJob(solved).every(({ severity }) => severity !== 'stop'),
          id,
        );
        const [cabinet] = solved.cabinets;
        assert.ok(cabinet && cabinet.parts.length <= 24, `${id} is ${cabinet?.parts.length} parts`);
      }
    }
    assert.ok(made >= 25, `${made} made, none for ${missing.join(', ')}`);
    assert.ok(missing.length <= 2, `none for ${missing.join(', ')}`);
  }
});

test('what it taught is kept with the profile, and travels in the library file', () => {
  const job = newJob('Shop', 'metric');
  const [first] = profilesOf(job, 'hinges');
  assert.ok(first);
  const trial = { outcome: 'corrected', taught: 'cup half a millimetre nearer to the edge' } as const;
  applyEdits(job, [{ path: pathTo.trial('hinges', first.id), value: trial }]);
  const file = readHardwareText(writeHardware(job.hardware));
  assert.ok(file.ok);
  assert.deepEqual(file.value.hinges?.[0]?.trial, trial);
  assert.ok(readJob(JSON.parse(writeJob(job))).ok);
});
