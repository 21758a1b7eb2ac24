import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { hingeProfileSchema } from '../../../kinds/hinges/index.js';
import { readJob } from '../../../solve/index.js';
import { toVersion3 } from './3-hardware.js';

type Data = Record<string, unknown>;
const old = (): Data => JSON.parse(readFileSync('tests/cases/version-2.alcove.json', 'utf8')) as Data;
const at = (data: unknown, ...path: (string | number)[]) =>
  path.reduce<unknown>((node, key) => (node as Record<string | number, unknown> | undefined)?.[key], data);

test('the migration does not touch what it is given', () => {
  const data = old();
  toVersion3(data);
  assert.deepEqual(data, old());
});

test('a hinge gets its family, its carcass and its fits from what it was made for', () => {
  const hinge = (fit: string) => {
    const data = old();
    const profile = { ...(at(data, 'hardware', 'hinges', 0) as Data), fit };
    const after = toVersion3({ ...data, hardware: { hinges: [profile] } });
    return at(after, 'hardware', 'hinges', 0) as Data;
  };
  const table: [string, string, string[], string[]][] = [
    ['full', 'concealed', ['frameless'], ['full']],
    ['half', 'concealed', ['frameless'], ['half']],
    ['inset', 'concealed', ['frameless'], ['inset', 'lipped']],
    ['frame', 'compact', ['frame'], ['full']],
  ];
  for (const [fit, family, carcass, fits] of table) {
    const after = hinge(fit);
    assert.deepEqual([after.family, after.carcass, after.fits], [family, carcass, fits], fit);
    assert.ok(!('fit' in after));
    assert.ok(hingeProfileSchema.safeParse(after).success, fit);
  }
});

test('a least-gap table keeps its gaps, at the middle of the cup offsets it was given for', () => {
  const data = old();
  const before = at(data, 'hardware', 'hinges', 0, 'gaps') as { thickness: number; gap: number }[];
  const cup = at(data, 'hardware', 'hinges', 0, 'cup') as { least: number; most: number };
  const after = at(toVersion3(data), 'hardware', 'hinges', 0, 'gaps');
  assert.deepEqual(
    after,
    before.map(({ thickness, gap }) => ({ thickness, at: [{ offset: (cup.least + cup.most) / 2, gap }] })),
  );
});

test('in every layer the kind of hinge becomes its family', () => {
  const layered = (kind: string) => {
    const data = old();
    (at(data, 'standards', 'wall') as Data).hinges = { kind };
    (at(data, 'house', 'schools', 'traditional') as Data).hinges = { kind };
    (at(data, 'cabinets', 0, 'settings') as Data).hinges = { kind, endDistance: 80 };
    return toVersion3(data);
  };
  const after = layered('none');
  for (const path of [
    ['standards', 'wall', 'hinges'],
    ['house', 'schools', 'traditional', 'hinges'],
  ] as const)
    assert.deepEqual(at(after, ...path), { family: 'none' });
  assert.deepEqual(at(after, 'cabinets', 0, 'settings', 'hinges'), { family: 'none', endDistance: 80 });
  assert.deepEqual(at(layered('concealed'), 'standards', 'wall', 'hinges'), { family: 'any' });
});

test('nothing is bored or screwed that was not before, and what was decided stays', () => {
  const data = old();
  (at(data, 'house', 'all') as Data).hinges = {
    kind: 'concealed',
    opening: 130,
    closing: 'snap',
    endDistance: 77,
    choice: 'x',
  };
  const all = at(toVersion3(data), 'house', 'all');
  assert.deepEqual(at(all, 'hinges'), {
    family: 'any',
    opening: 130,
    closing: 'snap',
    endDistance: 77,
    choice: 'x',
    stopAt: 180,
    leafPlace: 'length',
    snap: 'free',
  });
  assert.deepEqual(
    [at(all, 'pulls', 'doors'), at(all, 'pulls', 'drawers'), at(all, 'pins', 'kind')],
    ['none', 'none', 'none'],
  );
  assert.equal(at(all, 'fronts', 'gap'), at(old(), 'house', 'all', 'fronts', 'gap'));
});

test('a job in inches gets inch numbers for what is new', () => {
  const data = old();
  (data.display as Data).unit = 'in';
  const all = at(toVersion3(data), 'house', 'all');
  assert.equal(at(all, 'fasteners', 'screwLength'), 50.8);
  assert.equal(at(all, 'pins', 'spacing'), 31.75);
  assert.equal(at(toVersion3(old()), 'house', 'all', 'pins', 'spacing'), 32);
});

test('data it cannot follow is left for the schema to refuse, with the place', () => {
  for (const [path, value] of [
    ['hardware', 'many'],
    ['cabinets', { c1: true }],
    ['house', null],
  ] as const) {
    const data = { ...old(), [path]: value };
    assert.doesNotThrow(() => toVersion3(data));
    const read = readJob({ ...data, version: 2 });
    assert.ok(!read.ok && read.errors.some((error) => error.path.startsWith(path)), path);
  }
});
