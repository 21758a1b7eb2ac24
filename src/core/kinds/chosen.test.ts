import assert from 'node:assert/strict';
import { test } from 'node:test';
import { chosenOf } from './chosen.js';

const profile = (id: string, size: number, stock = true) => ({
  id,
  maker: 'Vale',
  name: `size ${size}`,
  stock,
  note: '',
  size,
});
const library = [profile('great', 9), profile('small', 2), profile('fair', 4), profile('near', 3, false)];
const choice = {
  unfit: ({ size }: { size: number }) => (size < 3 ? 'too small' : undefined),
  order: (a: { size: number }, b: { size: number }) => a.size - b.size,
  passedOver: 'is larger than it need be',
};
const told = (decided: string) => {
  const { profile: taken, against } = chosenOf(library, decided, choice);
  return { taken: taken?.id, against: against.map(({ profile: id, why, unasked }) => [id, why, unasked ?? false]) };
};

test('the best that fits and is in stock is taken; of each other it is said why not', () => {
  assert.deepEqual(told('none'), {
    taken: 'fair',
    against: [
      ['great', 'is larger than it need be', false],
      ['small', 'too small', false],
      ['near', 'fits, but is not in stock', false],
    ],
  });
});

test('the one that was decided is taken, in stock or not; the others were not asked for', () => {
  const { taken, against } = told('near');
  assert.equal(taken, 'near');
  assert.deepEqual(
    new Set(against.map(([, why, unasked]) => `${why} ${unasked}`)),
    new Set(['another one was decided true']),
  );
  assert.equal(against.length, 3);
});

test('the one that was decided and does not fit is not taken, and none in its place', () => {
  const { taken, against } = told('small');
  assert.equal(taken, undefined);
  assert.deepEqual(
    against.filter(([, , unasked]) => !unasked),
    [['small', 'too small', false]],
  );
});
