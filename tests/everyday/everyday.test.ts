/** Ordinary cabinets, untouched. `npm run everyday` looks at all of them; here stand those that must not stop any more. */
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { type Everyday, everydayCabinets } from './cabinets.js';
import { sweep } from './sweep.js';

const { cabinets, leftOut } = everydayCabinets();
const stopsOf = (some: readonly Everyday[], rules = /./) =>
  sweep(some)
    .found.filter(({ severity, rule }) => severity === 'stop' && rules.test(rule))
    .map(({ name, rule, what }) => `${name}: ${rule}: ${what}`);

test('the sweep is the same each time, and says what it leaves out', () => {
  assert.equal(cabinets.length, 4749);
  assert.equal(new Set(cabinets.map(({ name }) => name)).size, cabinets.length, 'each by a name of its own');
  assert.ok(Object.values(leftOut).every((count) => count > 0));
});

test('the screws of a framed drawer front stand beside the groove of its panel', () => {
  const framed = cabinets.filter(
    ({ school, settings, from }) =>
      school === 'frameless' && from === 'base' && settings['making/kind'] === 'stick' && settings['drawers/family'],
  );
  assert.ok(framed.length >= 12, `${framed.length} cabinets`);
  const metric = framed.filter(({ unit }) => unit === 'metric');
  assert.deepEqual(stopsOf(metric, /operations-meet/), []);
});

test('in narrow wall cabinets the screws along a nailer begin beyond those in its ends', () => {
  const narrow = cabinets.filter(
    ({ school, from, size, settings }) =>
      school === 'frameless' && from === 'wall' && size.width < 280 && Object.keys(settings).length === 0,
  );
  assert.ok(narrow.length >= 18, `${narrow.length} cabinets`);
  assert.deepEqual(stopsOf(narrow), []);
});

test('a hold of one unit is met by the like size of the other', () => {
  const inch = cabinets.filter(
    ({ unit, from, settings }) =>
      unit === 'inch' && from === 'base' && (Object.keys(settings).length === 0 || settings['back/kind'] !== undefined),
  );
  assert.ok(inch.length > 100, `${inch.length} cabinets`);
  assert.deepEqual(
    stopsOf(
      inch.filter((_, at) => at % 3 === 0),
      /screw-holds-little/,
    ),
    [],
  );
});

test('of a fortieth of all no more stop than did when this was written', () => {
  const some = cabinets.filter((_, at) => at % 40 === 7);
  const stopped = new Set(stopsOf(some).map((said) => said.split(': ')[0]));
  assert.ok(stopped.size <= MOST_STOPPED, `${stopped.size} of ${some.length}: ${[...stopped].join('; ')}`);
});

/** The number only goes down. */
const MOST_STOPPED = 21;
