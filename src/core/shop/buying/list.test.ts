import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { parse } from 'csv-parse/sync';
import { type CabinetDecisions, jobWith, solveWith } from '../../../../tests/support/cabinets.js';
import { shoppingListCsv } from '../../../formats/csv.js';
import { presentJob } from '../../present/index.js';
import { readJobText, solve } from '../../solve/index.js';
import { shoppingList } from './index.js';

const metric = { unit: 'mm', mmStep: 0.1, graduation: 16 } as const;
const share = { rule: 'share' as const, weight: 1 };
const listOf = (decisions: CabinetDecisions = {}) => shoppingList([solveWith(decisions)], metric);
const quantity = (list: ReturnType<typeof listOf>, words: RegExp) =>
  list.filter(({ name }) => words.test(name)).reduce((sum, each) => sum + each.quantity, 0);

test('screws are as many as the holes they go through, counted from the result as it is printed', () => {
  const job = jobWith({
    parts: [{ id: 'o1', size: share, fill: { kind: 'pair', interior: { kind: 'shelves', shelves: 2 } } }],
  });
  const solved = solve(job);
  const [cabinet] = presentJob(solved).cabinets as unknown as {
    parts: { quantity: number; machining: { kind: string; depth?: number; by: { kind: string }; positions?: [] }[] }[];
  }[];
  const through = (cabinet?.parts ?? []).reduce(
    (sum, { quantity: of, machining }) =>
      sum +
      of *
        machining
          .filter(
            ({ kind, depth, by }) =>
              kind === 'holes' && !depth && ['joint', 'frame', 'web', 'fixing'].includes(by.kind),
          )
          .reduce((all, { positions }) => all + (positions?.length ?? 0), 0),
    0,
  );
  assert.ok(through > 10);
  assert.equal(quantity(shoppingList(solved.cabinets, metric), /^Screws .*construction/), through);
});

test('a dowel is bought once though it is bored for twice, and pockets take pocket screws', () => {
  const parts: CabinetDecisions['parts'] = [{ id: 'o1', size: share, fill: { kind: 'open' } }];
  const joints = (kind: 'dowels' | 'pocket') => ({ bottom: kind, top: kind, shelf: kind, partition: kind }) as const;
  const dowelled = solveWith({ parts, settings: { joints: joints('dowels'), top: { kind: 'full' } } });
  const inEnds = dowelled.parts
    .filter(({ key }) => key === 'bottom' || key === 'top')
    .flatMap(({ machining }) => machining)
    .reduce((sum, each) => sum + (each.kind === 'edge holes' ? each.positions.length : 0), 0);
  assert.ok(inEnds > 0);
  assert.equal(quantity(shoppingList([dowelled], metric), /^Dowels/), inEnds);
  const pocketed = listOf({ parts, settings: { joints: joints('pocket') } });
  assert.ok(quantity(pocketed, /^Pocket screws/) > 0);
});

test('a band is as long as the edges it covers, with what is cut off', () => {
  const solved = solveWith({ parts: [{ id: 'o1', size: share, fill: { kind: 'open' } }] });
  let edges = 0;
  for (const { bands, length, width } of solved.parts)
    for (const { edge } of bands) edges += 50 + (edge.startsWith('u') ? width.value : length.value);
  const metres = (edges * 1.1) / 1000;
  assert.ok(Math.abs(quantity(shoppingList([solved], metric), /^Band/) - metres) <= 0.1, `${metres}`);
});

test('a drawer brings its runners, its locks by hand and its screws', () => {
  const list = listOf({
    settings: { drawers: { family: 'under' } },
    parts: [1, 2].map((n) => ({ id: `o${n}`, size: share, fill: { kind: 'drawer' as const } })),
  });
  assert.equal(quantity(list, /^Runners, pair/), 2);
  assert.equal(quantity(list, /front lock, left/), 2);
  assert.equal(quantity(list, /front lock, right/), 2);
  const corners = list.find(({ name }) => /box corners/.test(name));
  assert.equal(corners?.group, 'fasteners');
  assert.equal(corners?.packs?.count, Math.ceil((corners?.quantity ?? 0) / 100));
});

test('the list of a job adds up those of its cabinets and names them; as CSV it reads back the same', () => {
  const read = readJobText(readFileSync('demo/reading-room.alcove.json', 'utf8'));
  assert.ok(read.ok);
  const solved = solve(read.value);
  const whole = shoppingList(solved.cabinets, metric);
  const apart = solved.cabinets.flatMap((cabinet) => shoppingList([cabinet], metric));
  for (const { name, note, quantity: all, unit, cabinets } of whole) {
    const own = apart.filter((each) => each.name === name && each.note === note);
    const sum = own.reduce((total, each) => total + each.quantity, 0);
    assert.ok(Math.abs(sum - all) <= (unit === 'm' ? 0.1 * own.length : 0), `${name}: ${sum} and ${all}`);
    assert.equal(cabinets.length, own.length, name);
  }
  const rows = parse(shoppingListCsv(solved, metric), { columns: true }) as Record<string, string>[];
  assert.deepEqual(
    rows.map(({ what, quantity: count }) => [what, Number(count)]),
    whole.map(({ name, quantity: count }) => [name, count]),
  );
});

test('runners, bins and rail sockets come with a screw for every hole bored for them; a spacer of two layers with one', () => {
  const tray = { kind: 'pair' as const, interior: { kind: 'tray' as const } };
  const solved = solveWith({ width: 900, parts: [{ id: 'o1', size: share, fill: tray }] });
  const list = shoppingList([solved], { unit: 'mm', mmStep: 0.1, graduation: 16 });
  const count = (words: string) =>
    list.filter(({ name }) => name.startsWith(words)).reduce((sum, { quantity }) => sum + quantity, 0);
  const places = solved.parts.flatMap(({ machining }) =>
    machining.flatMap((each) => (each.by.kind === 'runners' && 'positions' in each ? each.positions : [])),
  );
  assert.ok(places.length > 8);
  assert.equal(count('Screws for runners'), places.length);
  const layers = solved.parts.filter(({ role }) => role === 'spacer');
  assert.equal(layers.length, 4, 'two layers on each side');
  const driven = layers.flatMap(({ machining }) =>
    machining.flatMap((each) =>
      each.by.kind === 'fixing' && each.fastens && 'positions' in each ? each.positions : [],
    ),
  );
  const bored = layers.flatMap(({ machining }) =>
    machining.flatMap((each) => (each.by.kind === 'fixing' && 'positions' in each ? each.positions : [])),
  );
  assert.equal(bored.length, 2 * driven.length, 'each hole goes through both');
});
