/** Ordinary cabinets, untouched: nothing stands against them. `npm run everyday` looks at all of them, this at a twentieth. */
import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { Cabinet } from '../../src/core/decisions/index.js';
import { stopsOfOptions } from '../../src/core/present/index.js';
import { checkJob, fixesFor, readJob, type SolvedCabinet, solve } from '../../src/core/solve/index.js';
import { type Everyday, everydayCabinets, FACES, jobOf, SCHOOLS, UNITS } from './cabinets.js';
import { compare, KNOWN_STOPS, KNOWN_WARNINGS } from './known.js';
import { sweep } from './sweep.js';

const { cabinets, leftOut } = everydayCabinets();
const TWENTIETH = 20;
const some = cabinets.filter((_, at) => at % TWENTIETH === 7);

test('the sweep is the same each time, and says what it leaves out', () => {
  assert.equal(cabinets.length, 5259);
  assert.equal(new Set(cabinets.map(({ name }) => name)).size, cabinets.length, 'each by a name of its own');
  assert.ok(
    Object.values(leftOut).every((count) => count > 0),
    'each reason is used',
  );
  for (const unit of UNITS)
    for (const school of SCHOOLS)
      for (const face of Object.keys(FACES))
        assert.ok(
          cabinets.some((each) => each.unit === unit && each.school === school && each.face === face),
          `${unit} ${school} ${face}`,
        );
});

test('its cabinets are documents anybody could write, and have the doors and drawers they are named for', () => {
  const looked = new Map<string, number>();
  for (const each of cabinets.filter((_, at) => at % 9 === 0)) {
    const job = jobOf(each);
    const read = readJob(structuredClone(job));
    assert.ok(read.ok, `${each.name}: ${read.ok ? '' : read.errors[0]?.message}`);
    looked.set(each.face, (looked.get(each.face) ?? 0) + 1);
  }
  assert.ok(looked.size >= 9, `${[...looked.keys()].join(', ')}`);
  const hung = (solved: SolvedCabinet) => solved.fitted.hinges.filter(({ places }) => places.length > 0).length;
  const boxes = (solved: SolvedCabinet) => solved.fitted.runners.filter(({ parts }) => parts.length > 0).length;
  const wanted: Readonly<Record<string, readonly [doors: number, drawers: number]>> = {
    'one door, left': [1, 0],
    'one door, right': [1, 0],
    'a pair of doors': [2, 0],
    'a drawer over a door': [1, 1],
    'a drawer over a pair': [2, 1],
    'three drawers': [0, 3],
    'four drawers': [0, 4],
    'open, adjustable shelves': [0, 0],
  };
  for (const [face, [doors, drawers]] of Object.entries(wanted)) {
    const plain = cabinets.filter((each) => each.face === face && Object.keys(each.settings).length === 0);
    assert.ok(plain.length > 10, face);
    sweep(
      plain.filter((_, at) => at % 12 === 0),
      (solved) => assert.deepEqual([hung(solved), boxes(solved)], [doors, drawers], face),
    );
  }
});

test('nothing stands against a twentieth of them but what is known and true', () => {
  const { found } = sweep(some);
  for (const [severity, known] of [
    ['stop', KNOWN_STOPS],
    ['warn', KNOWN_WARNINGS],
  ] as const) {
    const { unknown } = compare(
      found.filter((each) => each.severity === severity),
      known,
    );
    assert.deepEqual(
      unknown.map(({ name, rule, what }) => `${name}: ${rule}: ${what}`),
      [],
    );
  }
});

test('no cabinet as it starts, in any usual size with any usual face, stops', () => {
  const plain = cabinets.filter(({ settings }) => Object.keys(settings).length === 0);
  assert.ok(plain.length > 1200, `${plain.length} cabinets`);
  const stops = sweep(plain.filter((_, at) => at % 8 === 3)).found.filter(({ severity }) => severity === 'stop');
  assert.deepEqual(
    stops.map(({ name, what }) => `${name}: ${what}`),
    [],
  );
});

/** One cabinet of the sweep for each known stop. */
function examples(): { readonly each: Everyday; readonly rule: string }[] {
  return KNOWN_STOPS.map(({ rule, of }) => {
    const named = cabinets.filter(({ name, settings }) => of?.test(name) && Object.keys(settings).length === 1);
    const each = named.find((one) => sweep([one]).found.some((found) => found.rule === rule));
    return { rule, each: each ?? assert.fail(`${rule} is said of nothing`) };
  });
}

test('a choice that stops a cabinet says so before it is chosen, and once chosen says what to do', () => {
  for (const { rule, each } of examples()) {
    const [[path, option]] = Object.entries(each.settings) as [[string, string]];
    const start = jobOf({ ...each, settings: {} });
    const [told] = stopsOfOptions(start, start.cabinets[0] as Cabinet, path, [option]);
    assert.ok(told && told.stops.length > 0, `${each.name} is told beforehand`);
    const solved = solve(jobOf(each));
    const finding = checkJob(solved).find((one) => one.rule === rule);
    assert.ok(finding, each.name);
    const offered = fixesFor(solved, finding.id).map(({ label }) => label);
    // Where nothing can be offered, the words say what to do: an act the maker carries out.
    const advised = /\b(Take|Change|Put|Make|Use|Widen|Ask|Get|Leave|Let|Choose|choose|Lie)\b/.test(finding.why);
    assert.ok(offered.length > 0 || advised, `${each.name}: ${finding.what} ${finding.why}`);
  }
});
