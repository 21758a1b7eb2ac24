import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { checkJob, jobByHand, newJob, readJobText, solve } from '../../solve/index.js';
import { type Job, startingPoints, writeJob } from './index.js';

const read = (value: unknown): Job => {
  const result = readJobText(typeof value === 'string' ? value : JSON.stringify(value));
  assert.ok(result.ok, JSON.stringify(!result.ok && result.errors));
  return result.value;
};
/** What is said of a file, line by line as the terminal prints it. */
const said = (value: unknown): string[] => {
  const result = readJobText(JSON.stringify(value));
  assert.ok(!result.ok);
  return result.errors.map(({ where = '', message }) => `${where}: ${message}`);
};

const cabinet = (more: object = {}) => ({
  id: 'c1',
  number: '7',
  name: 'Sink',
  kind: 'base',
  size: { width: 600, height: { from: 'overall', mm: 870 }, depth: 580 },
  face: { kind: 'rows', parts: [{ id: 'o1', size: { rule: 'share', weight: 1 }, fill: { kind: 'drawer' } }] },
  ...more,
});
const file = (more: object = {}, ...cabinets: object[]) => ({ format: 'alcove-job', ...more, cabinets });

test('the example of the documentation is a job', () => {
  const page = readFileSync('docs/job-format.md', 'utf8');
  const [, example = ''] = /```json\n([\s\S]*?)```/.exec(page) ?? [];
  const job = read(example);
  assert.equal(job.cabinets[0]?.size.depth, 23 * 25.4);
  assert.equal(solve(job).cabinets[0]?.resolved.settings.toe.height.value, 90);
});

test('what the terminal prints to begin with is a job without a stop, in either unit, from every start', () => {
  for (const set of ['metric', 'inch'] as const)
    for (const from of Object.keys(startingPoints) as (keyof typeof startingPoints)[]) {
      const job = read(jobByHand(set, from));
      const stops = checkJob(solve(job)).filter(({ severity }) => severity === 'stop');
      assert.deepEqual(stops, [], `${from}, ${set}`);
      assert.equal(job.display.unit, set === 'inch' ? 'in' : 'mm');
      assert.deepEqual(job.house, newJob('', set).house);
    }
});

test('what is left out is what a new job starts with; what is said stays', () => {
  const job = read(file({}, cabinet()));
  const { name: _name, cabinets: _cabinets, ...start } = newJob('', 'metric');
  const { name: _own, cabinets, ...rest } = job;
  assert.deepEqual(rest, start);
  assert.deepEqual([cabinets[0]?.leftNeighbour, cabinets[0]?.settings], [null, {}]);
  const inch = read(file({ display: { unit: 'in', graduation: 32 } }, cabinet()));
  assert.deepEqual(inch.display, { unit: 'in', mmStep: 0.1, graduation: 32 });
  assert.equal(inch.house.name, 'Inch house standards');
  assert.equal(read(file({ room: { ceiling: 2400 } })).room.doorway, null);
});

test('lengths are read with their unit, and without one in that of the job; nothing else is read from a text', () => {
  const size = { width: '23 3/4 in', height: { from: 'overall', mm: '34 1/2' }, depth: '600 mm' };
  const settings = { fronts: { gap: '1/8', reveal: { left: '3 mm' } } };
  const job = read(file({ display: { unit: 'in' }, room: { ceiling: "8'" } }, cabinet({ size, settings })));
  const near = (a: number | undefined, b: number) => assert.ok(Math.abs((a ?? 0) - b) < 1e-9, `${a}, not ${b}`);
  near(job.cabinets[0]?.size.width, 23.75 * 25.4);
  const high = job.cabinets[0]?.size.height;
  near(high?.from === 'overall' ? high.mm : undefined, 34.5 * 25.4);
  near(job.cabinets[0]?.size.depth, 600);
  near(job.cabinets[0]?.settings.fronts?.gap, 25.4 / 8);
  near(job.cabinets[0]?.settings.fronts?.reveal?.left, 3);
  near(job.room.ceiling ?? 0, 8 * 12 * 25.4);
  const parts = [{ id: 'o1', size: { rule: 'share', weight: '3' }, fill: { kind: 'drawer' } }];
  assert.deepEqual(said(file({}, cabinet({ face: { kind: 'rows', parts } }))), [
    'cabinet 7, face, opening o1, size/weight: A number was expected here.',
  ]);
  assert.deepEqual(said(file({}, cabinet({ settings: { hinges: { opening: '95 mm' } } }))), [
    'cabinet 7, settings/hinges/opening: A number was expected here.',
  ]);
});

test('everything wrong is said at once: cabinets by number, what is missing by name, what can stand there as a list', () => {
  const wrong = cabinet({
    size: { height: { mm: 870 }, depth: 'deep' },
    settings: { toe: { kind: 'floating', height: -2 } },
    face: { kind: 'rows', parts: [{ id: 'o 1', size: { rule: 'fixd' }, fill: { kind: 'window' } }] },
  });
  const lines = said(file({ colour: 'red' }, wrong, { ...cabinet({ id: 'c2', number: '8' }), kind: 'bsae' }));
  const expected = [
    /^cabinet 7, size\/depth: "deep" is not a length\. /,
    /^cabinet 7, size\/width: "width" is missing: a number was expected\.$/,
    /^cabinet 7, size\/height\/from: "from" is missing: one of overall, worktop was expected\.$/,
    /^cabinet 7, settings\/toe\/kind: This should be one of: none, plinth, notched, legs, standing\.$/,
    /^cabinet 7, settings\/toe\/height: This should be at least 0 mm\.$/,
    /^cabinet 7, face, opening o 1, id: Letters, digits, hyphens and underscores were expected\.$/,
    /^cabinet 7, face, opening o 1, size\/rule: This should be one of: fixed, share, graduated\.$/,
    /^cabinet 7, face, opening o 1, fill\/kind: This should be one of: drawer, false, door, pair, lift, waste, open, rows, columns\.$/,
    /^cabinet 8, kind: This should be one of: base, wall, tall\.$/,
    /^colour: "colour" is not a field Alcove knows here\.$/,
  ];
  for (const words of expected)
    assert.ok(
      lines.some((line) => words.test(line)),
      `${words} in\n${lines.join('\n')}`,
    );
  assert.equal(lines.length, expected.length, lines.join('\n'));
  for (const line of lines) assert.doesNotMatch(line, /\^|\\d|\[a-z/, 'no pattern is printed');
});

test('a decided height without a proper id is refused in words', () => {
  const parts = [
    {
      id: 'o1',
      size: { rule: 'share', weight: 1 },
      fill: { kind: 'open', interior: { kind: 'shelves', shelves: 1, shelvesAt: [{ id: 'x', mm: 200 }] } },
    },
  ];
  const [line = ''] = said(file({}, cabinet({ face: { kind: 'rows', parts } })));
  assert.match(line, /^cabinet 7, face, opening o1, fill\/interior, height of shelf x, id: /);
  assert.doesNotMatch(line, /pattern|\^/);
});

test('how far runners are raised, and where an opening is held, may be written with their unit', () => {
  const parts = [
    { id: 'o1', size: { rule: 'share', weight: 1 }, pin: '5 in', fill: { kind: 'drawer', raised: '1 in' } },
    { id: 'o2', size: { rule: 'share', weight: 1 }, fill: { kind: 'drawer' } },
  ];
  const [opening] = read(file({}, cabinet({ face: { kind: 'rows', parts } }))).cabinets[0]?.face.parts ?? [];
  assert.deepEqual([opening?.pin, opening?.fill], [127, { kind: 'drawer', raised: 25.4 }]);
  parts[0] = { ...parts[0], fill: { kind: 'drawer', raised: '1500 mm' } } as never;
  assert.match(
    said(file({}, cabinet({ face: { kind: 'rows', parts } }))).join(),
    /raised: This should be at most 1000 mm/,
  );
});

test('what Alcove writes is read as it is, and a file of an older version is not filled in', () => {
  const job = read(file({}, cabinet()));
  assert.deepEqual(read(writeJob(job)), job);
  const of = (version: number) => readJobText(JSON.stringify({ format: 'alcove-job', version, cabinets: [] }));
  const old = of(3);
  assert.ok(!old.ok && old.errors.some(({ path }) => path === 'house'));
  // What came since version 4 is only added, so a file written by hand then is read like one of today.
  assert.ok(of(4).ok);
  for (const version of ['5', 4.5, true, null]) {
    const odd = readJobText(JSON.stringify({ format: 'alcove-job', version, cabinets: [] }));
    assert.ok(!odd.ok && odd.errors[0]?.path === 'version', `${version}`);
  }
});

test('a file of this version from before a school was there takes its standards up', () => {
  const { house } = newJob('', 'metric');
  const { traditional, ...known } = house.schools;
  const job = read(file({ house: { ...house, schools: known } }, cabinet()));
  assert.deepEqual(job.house.schools.traditional, traditional);
});

test('a thousand cabinets with every length as a text are read, and one wrong among them is named', () => {
  const texts = { width: '600 mm', height: { from: 'overall', mm: '870 mm' }, depth: '580 mm' };
  const settings = { toe: { height: '100' }, fronts: { gap: '3', reveal: { left: '1.5', right: '1.5', top: '3' } } };
  const many = Array.from({ length: 1000 }, (_, at) =>
    cabinet({ id: `c${at}`, number: `${at}`, size: texts, settings }),
  );
  assert.equal(read(file({}, ...many)).cabinets[999]?.size.width, 600);
  many[700] = cabinet({ id: 'c700', number: '700', size: { ...texts, width: 'broad' } });
  const lines = said(file({}, ...many));
  assert.equal(lines.length, 1);
  assert.match(lines[0] ?? '', /^cabinet 700, size\/width: "broad" is not a length/);
});

test('of very much wrong the first hundred are told, and how many more there are', () => {
  const many = Array.from({ length: 160 }, (_, at) => cabinet({ id: `c${at}`, number: `${at}`, kind: 'odd' }));
  const lines = said(file({}, ...many));
  assert.equal(lines.length, 101);
  assert.match(lines.at(-1) ?? '', /60 more things wrong/);
});
