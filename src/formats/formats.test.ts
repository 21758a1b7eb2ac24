import assert from 'node:assert/strict';
import { test } from 'node:test';
import { parse } from 'csv-parse/sync';
import { jobWith } from '../../tests/support/cabinets.js';
import { solve } from '../core/solve/index.js';
import { cutListCsv } from './csv.js';
import { fileNameFor } from './filename.js';
import { cutListText } from './text.js';

const metric = { unit: 'mm', mmStep: 0.1, graduation: 16 } as const;

test('the cut list as CSV can be read back, one row a mark', () => {
  const solved = solve(jobWith({}));
  const rows = parse(cutListCsv(solved, metric), { columns: true }) as Record<string, string>[];
  assert.equal(rows.length, solved.cabinets[0]?.rows.length);
  const side = rows.find((row) => row.name === 'Side, left');
  assert.deepEqual(
    [side?.['cut length (mm)'], side?.['cut width (mm)'], side?.['finished width (mm)'], side?.['banded edges']],
    ['770', '559.5', '560', 'front'],
  );
  assert.match(side?.machining ?? '', /groove 6.3 wide/);
});

test('inches go out as fractions with their remainder', () => {
  const solved = solve(jobWith({ width: 800 }));
  const rows = parse(cutListCsv(solved, { ...metric, unit: 'in' }), { columns: true }) as Record<string, string>[];
  assert.equal(rows.find((row) => row.name === 'Bottom')?.['cut length (in)'], '30 1/16 plus 1/64');
});

test('a name that a spreadsheet would run is made harmless', () => {
  for (const first of '=+-@＝＋－＠') {
    const job = jobWith({});
    for (const material of job.materials) material.name = `${first}HYPERLINK("x")`;
    for (const row of parse(cutListCsv(solve(job), metric), { columns: true, bom: true }) as Record<string, string>[])
      assert.equal(row.material, `'${first}HYPERLINK("x")`);
  }
});

test('the text list lines its columns up', () => {
  const text = cutListText(solve(jobWith({})), metric);
  const [head, ...rows] = text.split('\n').filter((line) => /^(mark|1\.)/.test(line));
  const end = (head ?? '').indexOf('length') + 'length'.length;
  const number = rows[0]?.slice(0, end).split(/\s+/).at(-1);
  assert.match(number ?? '', /^[\d.]+$/);
  assert.match(text, /Birch plywood 18, 18 mm thick/);
});

test('file names are plain', () => {
  assert.equal(fileNameFor('Reading room: “east” run / 2'), 'reading-room-east-run-2');
  assert.equal(fileNameFor('../../etc/passwd'), 'etcpasswd');
  assert.equal(fileNameFor('日本'), 'job');
});

test('the list says which blank a front with running grain comes out of', () => {
  const share = { rule: 'share' as const, weight: 1 };
  const job = jobWith({
    width: 600,
    settings: { fronts: { grainRuns: 'columns' } },
    parts: ['o1', 'o2'].map((id) => ({ id, size: share, fill: { kind: 'drawer' as const } })),
  });
  const rows = parse(cutListCsv(solve(job), metric), { columns: true }) as Record<string, string>[];
  assert.deepEqual(
    rows.filter(({ name }) => name?.startsWith('Drawer front')).map(({ grain }) => grain),
    ['along length, piece 1 of 2 of blank G1', 'along length, piece 2 of 2 of blank G1'],
  );
});

test('hinge holes, pins, pulls and mortises are told in words', () => {
  const machining = (settings: Parameters<typeof jobWith>[0]['settings'], name: string) => {
    const rows = parse(cutListCsv(solve(jobWith({ settings: settings ?? {} })), metric), { columns: true });
    return (rows as Record<string, string>[]).find((row) => row.name === name)?.machining ?? '';
  };
  assert.match(
    machining({}, 'Doors, left') || machining({}, 'Door, left'),
    /2 holes 35, 2[12](\.5)? from the left edge/,
  );
  assert.match(machining({}, 'Side, left'), /4 holes 5, 37 from the front edge/);
  const inset = { school: 'faceFrame' as const, fronts: { fit: 'inset' as const, gap: 2 } };
  assert.match(machining(inset, 'Stile, left'), /2 hinge mortises in the right edge/);
});

test('in inches no cell is taken for a date, and other letters are announced to spreadsheets', () => {
  const inches = jobWith({});
  inches.materials = inches.materials.map((each) => ({
    ...each,
    nominal: 19.05,
    measured: { batch: '', readings: [] },
  }));
  const text = cutListCsv(solve(inches), { ...metric, unit: 'in', graduation: 16 });
  const rows = parse(text, { columns: true, bom: true }) as Record<string, string>[];
  const cells = rows.flatMap((row) => Object.entries(row).filter(([column]) => column.endsWith('(in)')));
  assert.ok(
    cells.some(([, cell]) => /^0 \d+\/\d+$/.test(cell)),
    'a thickness under an inch',
  );
  for (const [column, cell] of cells) assert.doesNotMatch(cell, /^\d{1,2}[/-]\d{1,2}$/, column);
  const job = jobWith({});
  const plain = { ...job, materials: job.materials.map((material) => ({ ...material, name: 'Board' })) };
  assert.equal(
    cutListCsv(solve(plain), metric).charCodeAt(0) === 0xfeff,
    /[^\n\r\t -~]/.test(cutListCsv(solve(plain), metric)),
  );
  const named = { ...job, materials: job.materials.map((material) => ({ ...material, name: 'Fichte, weiß' })) };
  assert.equal(cutListCsv(solve(named), metric).charCodeAt(0), 0xfeff);
});
