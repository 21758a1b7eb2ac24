import assert from 'node:assert/strict';
import { test } from 'node:test';
import { jobWith } from '../../../../tests/support/cabinets.js';
import type { HingeProfile } from '../../kinds/hinges/index.js';
import { libraries, readHardwareText, readJob } from '../../solve/index.js';
import { type Hardware, mergeHardware, startingHardware } from '../index.js';
import { writeHardware } from './index.js';

const library: Hardware = startingHardware(libraries);

test('a library goes out and comes back the same, byte for byte', () => {
  const text = writeHardware(library);
  const read = readHardwareText(text);
  assert.ok(read.ok);
  assert.deepEqual(read.value, library);
  assert.equal(writeHardware(read.value), text);
  assert.match(text, /"unit": "mm"/);
});

test('what is wrong with a library is said where it is wrong', () => {
  const refused = (change: (data: Record<string, unknown>) => void) => {
    const data = JSON.parse(writeHardware(library)) as Record<string, unknown>;
    change(data);
    const read = readHardwareText(JSON.stringify(data));
    assert.ok(!read.ok);
    return read.errors[0];
  };
  const first = (data: Record<string, unknown>) =>
    (data.hinges as Record<string, unknown>[])[0] as Record<string, unknown>;
  assert.match(refused((data) => Object.assign(data, { format: 'other' }))?.message ?? '', /not a hardware library/);
  assert.match(refused((data) => Object.assign(data, { unit: 'in' }))?.message ?? '', /millimetres/);
  assert.equal(refused((data) => Object.assign(first(data), { opening: 400 }))?.path, 'hinges/0/opening');
  assert.match(refused((data) => Object.assign(first(data), { arm: 'long' }))?.message ?? '', /number was expected/);
  assert.equal(refused((data) => Object.assign(first(data), { colour: 'red' }))?.path, 'hinges/0/colour');
  assert.match(refused((data) => Object.assign(first(data), { family: 'magnet' }))?.path ?? '', /hinges\/0\/family/);
  assert.match(refused((data) => (data.hinges as unknown[]).push(first(data)))?.message ?? '', /is used twice/);
  for (const text of ['', '[]', '3', '{', 'null']) assert.ok(!readHardwareText(text).ok, text);
});

test('two libraries as one: the same id is replaced, the rest added', () => {
  const [hinge] = library.hinges ?? [];
  assert.ok(hinge);
  const merged = mergeHardware(library, {
    ...library,
    hinges: [{ ...hinge, name: 'newer sheet' } as HingeProfile, { ...hinge, id: 'another' } as HingeProfile],
    pulls: [],
  });
  assert.equal(merged.hinges?.[0]?.name, 'newer sheet');
  assert.equal(merged.hinges?.length, (library.hinges?.length ?? 0) + 1);
  assert.deepEqual(merged.pulls, library.pulls);
});

test('a left neighbour is another cabinet of the job, one to each, and never in a ring', () => {
  const job = jobWith({});
  const [first] = job.cabinets;
  assert.ok(first);
  const with3 = (links: (string | null)[]) =>
    readJob({
      ...job,
      cabinets: links.map((leftNeighbour, at) => ({
        ...first,
        id: `c${at + 1}`,
        number: String(at + 1),
        leftNeighbour,
      })),
    });
  assert.ok(with3([null, 'c1', 'c2']).ok);
  const message = (links: (string | null)[]) => {
    const read = with3(links);
    return read.ok ? '' : (read.errors[0]?.message ?? '');
  };
  assert.match(message([null, 'c9', null]), /no cabinet "c9"/);
  assert.match(message([null, 'c1', 'c1']), /already stands to the right of 1/);
  assert.match(message(['c3', 'c1', 'c2']), /beside itself/);
  assert.match(message(['c1', null, null]), /beside itself/);
});
