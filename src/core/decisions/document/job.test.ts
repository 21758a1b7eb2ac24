import assert from 'node:assert/strict';
import { readdirSync, readFileSync } from 'node:fs';
import { test } from 'node:test';
import { decide } from '../../../../tests/support/edit.js';
import {
  applyEdits,
  JOB_VERSION,
  newJob,
  profilesOf,
  readJob,
  readJobText,
  solve,
  standardsOf,
} from '../../solve/index.js';
import { countedIds, EditPathError, newId, shelvesFill, spreadOf, thicknessOf } from '../job/index.js';
import { pathTo } from '../paths.js';
import { type Cabinet, type Job, newCabinet, writeJob } from './index.js';
import { migrateJob, migrations } from './migrations/index.js';

function twoCabinets() {
  const job = newJob('Reading room', 'metric');
  const ids = countedIds();
  job.cabinets.push(newCabinet(job, 'base', ids));
  job.cabinets.push(newCabinet(job, 'wall', ids));
  return job;
}

function errorsOf(data: unknown): Record<string, string> {
  const read = readJob(data);
  assert.ok(!read.ok, 'the document was accepted');
  return Object.fromEntries(read.errors.map((error) => [error.path, error.message]));
}

test('a job survives writing and reading, byte for byte', () => {
  const job = twoCabinets();
  const text = writeJob(job);
  const read = readJobText(text);
  assert.ok(read.ok);
  assert.deepEqual(read.value, job);
  assert.equal(writeJob(read.value), text);
  assert.ok(readJobText(`\uFEFF${text}`).ok, 'a byte order mark is passed over');
});

test('keys are written sorted, so that two exports differ only where the jobs do', () => {
  const job = twoCabinets();
  const shuffled = Object.fromEntries(Object.entries(job).reverse());
  assert.equal(writeJob(shuffled as typeof job), writeJob(job));
});

test('the demo jobs are valid', () => {
  const folder = 'demo/';
  const files = readdirSync(folder).filter((name) => name.endsWith('.json'));
  assert.ok(files.length >= 2);
  for (const name of files) {
    const read = readJobText(readFileSync(`${folder}${name}`, 'utf8'));
    assert.ok(read.ok, `${name}: ${read.ok ? '' : JSON.stringify(read.errors)}`);
  }
});

test('bad documents are refused with the path and a sentence', () => {
  assert.match(errorsOf(12)[''] ?? '', /JSON object/);
  assert.match(errorsOf({ format: 'other' }).format ?? '', /alcove-job/);
  assert.match(errorsOf({ format: 'alcove-job', version: 99 }).version ?? '', /newer Alcove/);
  assert.match(errorsOf({ format: 'alcove-job', version: 'one' }).version ?? '', /whole number/);
  const read = readJobText('{"format": ');
  assert.ok(!read.ok && /not valid JSON/.test(read.errors[0]?.message ?? ''));
});

test('unknown fields, wrong types and absurd sizes name their field', () => {
  const change = (path: string, value: unknown) => {
    const job = structuredClone(twoCabinets()) as unknown as Record<string, unknown>;
    const keys = path.split('/');
    const last = keys.pop() as string;
    const node = keys.reduce((at, key) => at[key] as Record<string, unknown>, job);
    node[last] = value;
    return errorsOf(job);
  };
  const table: [string, unknown, RegExp][] = [
    ['colour', 'red', /not a field/],
    ['cabinets/0/settings/toe', { heigth: 90 }, /not a field/],
    ['cabinets/0/size/width', 'wide', /A number was expected/],
    ['cabinets/0/size/width', 1e9, /at most 6000/],
    ['cabinets/0/size/width', -3, /at least 50/],
    ['cabinets/0/size/width', Number.NaN, /number was expected/],
    ['cabinets/0/kind', 'hovering', /one of: base, wall, tall/],
    ['cabinets/0/face/parts', [], /at least 1/],
    ['cabinets/0/settings/materials', { side: 'unobtainium' }, /no material/],
    ['cabinets/1/id', 'c1', /used twice/],
    ['materials', [], /at least 1/],
    ['display/mmStep', 0.3, /none of the values|one of/],
    ['name', '', /at least 1/],
    ['cabinets/0/face/parts/0/fill', { kind: 'window' }, /./],
  ];
  for (const [path, value, words] of table) {
    const errors = change(path, value);
    const found = Object.entries(errors).find(
      ([at]) => at.startsWith(path.split('/').slice(0, 2).join('/')) || path.startsWith(at),
    );
    assert.ok(found, `${path}: ${JSON.stringify(errors)}`);
    assert.match(found[1], words, path);
    assert.match(found[1], /\.$/);
  }
  const missing = structuredClone(twoCabinets()) as unknown as Record<string, unknown>;
  delete missing.house;
  assert.match(errorsOf(missing).house ?? '', /missing/);
});

test('settings resolve from here, then the job, then the house, and say so', () => {
  const job = twoCabinets();
  const [base, wall] = job.cabinets as [Cabinet, Cabinet];
  const gap = (cabinet: Cabinet) => standardsOf(job).resolved(cabinet).settings.fronts.gap;
  assert.equal(gap(base).value, 3);
  assert.equal(gap(base).source?.kind, 'house');
  applyEdits(job, [decide('standards/all/fronts/gap', 4)]);
  assert.deepEqual([gap(base).value, gap(base).source?.kind], [4, 'job']);
  applyEdits(job, [decide('standards/wall/fronts/gap', 2)]);
  assert.deepEqual([gap(base).value, gap(wall).value], [4, 2]);
  applyEdits(job, [decide(`cabinets/${base.id}/settings/fronts/gap`, 2.5)]);
  assert.deepEqual([gap(base).value, gap(base).source?.kind], [2.5, 'here']);
  applyEdits(job, [decide(`cabinets/${base.id}/settings/fronts/gap`, undefined)]);
  assert.equal(gap(base).value, 4);
  assert.deepEqual(base.settings, {}, 'an emptied group of overrides goes');
  assert.equal(standardsOf(job).resolved(base).settings.toe.kind.value, 'plinth');
  assert.equal(standardsOf(job).resolved(wall).settings.toe.kind.value, 'none');
});

test('measured thickness is the mean of its readings and says where it comes from', () => {
  const [material] = newJob('x', 'metric').materials;
  assert.ok(material);
  assert.equal(thicknessOf(material).source?.kind, 'nominal');
  const measured = { ...material, measured: { batch: 'B2', readings: [17.6, 17.8, 18.0] } };
  assert.ok(Math.abs(thicknessOf(measured).value - 17.8) < 1e-9);
  assert.ok(Math.abs(spreadOf(measured) - 0.4) < 1e-9);
  assert.equal(thicknessOf({ ...material, measured: { batch: 'B2', readings: [17.7] } }).source?.note, 'batch B2');
});

test('edits reach into lists by id and refuse paths that lead nowhere', () => {
  const job = twoCabinets();
  applyEdits(job, [decide('cabinets/c1/face/parts/o2/pin', 500)]);
  assert.equal(job.cabinets[0]?.face.parts[1]?.pin, 500);
  applyEdits(job, [decide('cabinets/c1/face/parts/o2/pin', undefined)]);
  assert.equal('pin' in (job.cabinets[0]?.face.parts[1] ?? {}), false);
  applyEdits(job, [decide('cabinets/c2', undefined)]);
  assert.equal(job.cabinets.length, 1);
  const added = newCabinet(job, 'wall');
  applyEdits(job, [decide(`cabinets/${added.id}`, added)]);
  assert.equal(job.cabinets.length, 2);
  assert.throws(() => applyEdits(job, [decide('cabinets/c9/size/width', 3)]), EditPathError);
  assert.throws(() => applyEdits(job, [decide('name/first/letter', 3)]), EditPathError);
  assert.throws(() => applyEdits(job, [decide('cabinets/c9', { id: 'other' })]), EditPathError);
});

test('numbers go on from what is there', () => {
  const job = twoCabinets();
  assert.deepEqual(
    job.cabinets.map((cabinet) => cabinet.number),
    ['1', '2'],
  );
});

const fixture = (name: string) => {
  const read = readJobText(readFileSync(`tests/cases/${name}`, 'utf8'));
  assert.ok(read.ok, read.ok ? '' : JSON.stringify(read.errors));
  return read;
};

test('a job of version 2 comes forward with its hinges and holes as they were, and asks for nothing new', () => {
  const { value } = fixture('version-2.alcove.json');
  assert.equal(value.version, JOB_VERSION);
  const solved = solve(value);
  const door = solved.cabinets[0]?.fitted.hinges[0];
  assert.equal(door?.chosen?.profile.id, 'ostrel-110-full');
  assert.deepEqual(
    door?.places.map(({ onDoor }) => onDoor.value),
    [100, 524],
  );
  const framed = solved.cabinets.find(({ cabinet }) => cabinet.id === 'c8')?.fitted.hinges[0];
  assert.equal(framed?.chosen?.profile.family, 'compact');
  const reasons = solved.cabinets.flatMap(({ parts }) => parts.flatMap((part) => part.machining.map((o) => o.reason)));
  assert.ok(!reasons.some((reason) => /^(pins: |pull: |pull, )/.test(reason)));
  assert.ok(profilesOf(value, 'hinges').every(({ family }) => family === 'concealed' || family === 'compact'));
});

test('a job of version 1 comes forward with every size as it was', () => {
  const read = fixture('version-1.alcove.json');
  assert.equal(read.value.version, JOB_VERSION);
  const sizes = solve(read.value).cabinets.flatMap((each) =>
    each.rows.map(
      ({ part }) =>
        `${each.cabinet.number} ${part.name} ${part.cutLength.value.toFixed(2)} ${part.cutWidth.value.toFixed(2)}`,
    ),
  );
  // A few of the sizes version 1 gave for this file.
  for (const line of [
    '1 Side, left 770.00 559.50',
    '1 Back 759.70 879.40',
    '1 Stretcher, rear 864.40 100.00',
    '2 Drawer front 4 595.00 267.00',
    '3 Fixed shelf 664.40 535.70',
    '6 Top 564.40 329.50',
  ])
    assert.ok(
      sizes.includes(line),
      `${line} is not among ${sizes.filter((size) => size.startsWith(line.slice(0, 6))).join('; ')}`,
    );
});

test('migrations run one by one up to the present version', () => {
  const steps = {
    1: (data: Record<string, unknown>) => ({ ...data, one: true }),
    2: (data: Record<string, unknown>) => ({ ...data, two: true }),
  };
  assert.deepEqual(migrateJob({ version: 1 }, 1, 3, [steps]), { version: 3, one: true, two: true });
  assert.deepEqual(migrateJob({ version: 3 }, 3, 3, [steps]), { version: 3 });
  assert.deepEqual(
    migrateJob({ version: 1, kept: 1 }, 1, 2, [{}]),
    { version: 2, kept: 1 },
    'settings alone need none',
  );
});

test('version 4 gives decided heights the id of what they place, and touches nothing else', () => {
  const fill = (more: object) => ({ kind: 'pair', shelves: 3, ...more });
  const document = (parts: object[]) => ({ version: 3, cabinets: [{ id: 'c1', face: { kind: 'rows', parts } }] });
  const before = document([
    { id: 'a', fill: fill({ shelvesAt: [null, 300, null, 640.5], hingesAt: [100] }) },
    { id: 'b', fill: { kind: 'columns', parts: [{ id: 'c', fill: fill({ shelvesAt: [null, null] }) }] } },
    { id: 'd', fill: fill({ shelvesAt: 'high' }) },
  ]);
  const after = document([
    {
      id: 'a',
      fill: fill({
        shelvesAt: [
          { id: 's2', mm: 300 },
          { id: 's4', mm: 640.5 },
        ],
        hingesAt: [{ id: 'h1', mm: 100 }],
      }),
    },
    { id: 'b', fill: { kind: 'columns', parts: [{ id: 'c', fill: fill({}) }] } },
    { id: 'd', fill: fill({ shelvesAt: 'high' }) },
  ]);
  assert.deepEqual(migrateJob(before, 3, 4, [migrations]), { ...after, version: 4 });
});

const idsOf = (job: Job) => job.cabinets.flatMap(({ face }) => face.parts.map(({ id }) => id));

test('lists are edited by id: an entry is put in at a place, moved, taken out', () => {
  const job = twoCabinets();
  const parts = pathTo.split(pathTo.face('c1'), 'parts');
  const opening = (id: string) => ({ id, size: { rule: 'share', weight: 1 }, fill: { kind: 'drawer' } });
  applyEdits(job, [{ path: parts, insert: opening('x'), before: 'o2' }]);
  applyEdits(job, [{ path: parts, insert: opening('y') }]);
  assert.deepEqual(idsOf(job).slice(0, 4), ['o1', 'x', 'o2', 'y']);
  applyEdits(job, [{ path: pathTo.entry(parts, 'y'), moveBefore: 'o1' }]);
  applyEdits(job, [{ path: pathTo.entry(parts, 'o1'), moveBefore: null }]);
  assert.deepEqual(idsOf(job).slice(0, 4), ['y', 'x', 'o2', 'o1']);
  applyEdits(job, [{ path: pathTo.entry(parts, 'x'), value: undefined }]);
  assert.deepEqual(idsOf(job).slice(0, 3), ['y', 'o2', 'o1']);
  assert.throws(() => applyEdits(job, [{ path: parts, insert: opening('y') }]), /already/);
  assert.throws(() => applyEdits(job, [{ path: parts, insert: opening('z'), before: 'gone' }]), EditPathError);
  assert.throws(() => applyEdits(job, [{ path: pathTo.entry(parts, 'gone'), moveBefore: null }]), EditPathError);
});

test('two windows that put heights and openings in at once lose none of them, whichever comes first', () => {
  const inside = pathTo.openingField(pathTo.opening(pathTo.face('c1'), 'o2'), 'fill/interior');
  const heights = shelvesFill.at(inside, 'shelvesAt');
  const mine = { path: pathTo.entry(heights, 's1'), value: { id: 's1', mm: 200 } };
  const theirs = { path: pathTo.entry(heights, 's2'), value: { id: 's2', mm: 400 } };
  const after = [
    [mine, theirs],
    [theirs, mine],
  ].map((edits) => {
    const job = twoCabinets();
    applyEdits(job, edits);
    const [base] = job.cabinets as [Cabinet];
    const { fill } = base.face.parts[1] as { fill: { interior: { shelvesAt?: { id: string }[] } } };
    return fill.interior.shelvesAt?.map(({ id }) => id).sort();
  });
  assert.deepEqual(after, [
    ['s1', 's2'],
    ['s1', 's2'],
  ]);
  const job = twoCabinets();
  applyEdits(job, [mine, { path: mine.path, value: undefined }]);
  assert.ok(!JSON.stringify(job.cabinets).includes('shelvesAt'), 'a list that decides nothing any more goes');
  const ids = new Set(Array.from({ length: 5000 }, () => newId('o')));
  assert.equal(ids.size, 5000);
  assert.ok([...ids].every((id) => /^[a-zA-Z0-9_-]{1,40}$/.test(id)));
});

test('version 11 moves shelves into the room behind their front, and gives names that print', () => {
  const document = (version: number, fill: object, name: string) => ({
    version,
    name,
    cabinets: [
      {
        id: 'c1',
        name,
        face: {
          kind: 'rows',
          parts: [
            { id: 'o1', fill },
            { id: 'o2', fill: { kind: 'columns', parts: [{ id: 'o3', fill: { kind: 'open', shelves: 0 } }] } },
          ],
        },
      },
    ],
  });
  const before = document(10, { kind: 'pair', shelves: 2, shelvesAt: [{ id: 's2', mm: 300 }] }, 'two\u0007 bells');
  const shelves = { kind: 'shelves', shelves: 2, shelvesAt: [{ id: 's2', mm: 300 }] };
  const after = document(11, { kind: 'pair', interior: shelves }, 'two  bells');
  const columns = after.cabinets[0]?.face.parts[1] as { fill: { parts: { fill: object }[] } };
  columns.fill.parts = columns.fill.parts.map((part) => ({ ...part, fill: { kind: 'open' } }));
  assert.deepEqual(migrateJob(before, 10, 11, [migrations]), after);
});

test('more openings, rooms or shelves than a cabinet can have are refused with the place, however many', () => {
  const job = newJob('Many', 'metric');
  job.cabinets.push(newCabinet(job, 'base', countedIds()));
  const [cabinet] = structuredClone(job.cabinets) as [Job['cabinets'][number]];
  const size = { rule: 'share', weight: 1 };
  const rows = (deep: number, id: string): object => ({
    kind: 'rows',
    graduation: cabinet.face.graduation,
    parts: Array.from({ length: 24 }, (_, at) => ({
      id: `${id}${at}`,
      size,
      fill: deep > 1 ? rows(deep - 1, `${id}${at}-`) : { kind: 'drawer' },
    })),
  });
  const start = performance.now();
  const read = readJob({ ...job, cabinets: [{ ...cabinet, face: rows(3, 'o') }] });
  const taken = performance.now() - start;
  assert.ok(!read.ok);
  assert.deepEqual(
    read.errors.map(({ path, message }) => [path, message]),
    [['cabinets/0/face', 'A cabinet has at most 100 openings, this one has 14424.']],
  );
  assert.ok(taken < 5000, 'it is refused before it is solved');
  const shelves = (count: number) => ({
    kind: 'rows',
    graduation: cabinet.face.graduation,
    parts: Array.from({ length: 20 }, (_, at) => ({
      id: `o${at}`,
      size,
      fill: { kind: 'open', interior: { kind: 'shelves', shelves: count } },
    })),
  });
  assert.ok(readJob({ ...job, cabinets: [{ ...cabinet, face: shelves(20) }] }).ok);
  const many = readJob({ ...job, cabinets: [{ ...cabinet, face: shelves(21) }] });
  assert.ok(!many.ok && /at most 400 shelves, this one has 420/.test(many.errors[0]?.message ?? ''));
});

test('what nests without end is refused before anything walks down into it', () => {
  let deep: object = { kind: 'drawer' };
  for (let level = 0; level < 5000; level += 1) deep = { kind: 'rows', parts: [{ id: 'o', fill: deep }] };
  const read = readJob({ ...newJob('Deep', 'metric'), cabinets: [{ id: 'c1', face: deep }] });
  assert.ok(!read.ok);
  assert.match(read.errors[0]?.message ?? '', /nests more than 100 levels deep/);
});
