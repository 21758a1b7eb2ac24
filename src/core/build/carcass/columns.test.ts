import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { prove } from '../../../../tests/solids/prove.js';
import { partOf, solveWith } from '../../../../tests/support/cabinets.js';
import { SCHOOLS, TWO_COLUMNS } from '../../../../tests/support/columns.js';
import { type Opening, shelved } from '../../decisions/index.js';
import { length } from '../../ground/index.js';
import { loadSolids, type Operation, spacedAlong } from '../../part/index.js';
import { movedClear } from './facing.js';

const { given, expect } = JSON.parse(readFileSync('tests/cases/15-two-columns.json', 'utf8'));
const nearAll = (numbers: readonly number[], wanted: readonly number[]) =>
  assert.ok(
    numbers.length === wanted.length && numbers.every((mm, at) => Math.abs(mm - (wanted[at] as number)) < 1e-3),
    `${numbers.join(' ')}, not ${wanted.join(' ')}`,
  );

test('worked case: the line of the second shelf is moved by 32 and keeps 12 and more between hole edges', () => {
  const { screw } = given;
  const first = spacedAlong(length(given.depth), length(screw.first), length(screw.most));
  nearAll(
    first.map(({ value: mm }) => mm),
    expect.leftLine,
  );
  const facing = first.map(({ value: mm }) => ({ at: mm, half: screw.diameter / 2 }));
  const second = movedClear([first], length(given.depth), 4, facing).map(({ value: mm }) => mm);
  nearAll(second, expect.rightLine);
  nearAll([(second[0] ?? 0) - (first[0]?.value ?? 0)], [expect.rightLineMovedBy]);
  const gaps = second.flatMap((b) => first.map((a) => Math.abs(b - a.value) - 4 - screw.diameter / 2));
  nearAll([Math.min(...gaps)], [expect.edgeToEdge]);
});

const share = { rule: 'share' as const, weight: 1 };
const behind = (shelves: number) => ({ interior: shelved(shelves) });
const twoDoors = (shelves: number): Opening[] => [
  { id: 'o1', size: share, fill: { kind: 'door', hinged: 'right', ...behind(shelves) } },
  { id: 'o2', size: share, fill: { kind: 'door', hinged: 'left', ...behind(shelves) } },
];
const hung = (partition: number, shelves: number, snap: 'grid' | 'free' = 'grid') =>
  solveWith({
    width: 900,
    settings: { hinges: { snap } },
    measured: { birch18: partition },
    face: { kind: 'columns', graduation: { kind: 'arithmetic', step: 10 }, parts: twoDoors(shelves) },
  });

test('worked case: plates on both faces of a partition at one height: one door is moved by two steps of the grid, marks on door and case alike', () => {
  const solved = hung(given.partition, 1);
  const [one, two] = solved.fitted.hinges;
  assert.ok(one && two);
  const heights = (door: typeof one) => door.places.map(({ onCase }) => onCase.value);
  heights(two).forEach((height, at) =>
    assert.equal(Math.abs(height - (heights(one)[at] ?? Number.NaN)), expect.movedBy, 'moved by two steps'),
  );
  for (const door of [one, two])
    for (const { onDoor, onCase } of door.places)
      assert.ok(Math.abs(onCase.value - onDoor.value - door.front.v.low.value) < 1e-6);
  const plates = partOf(solved, 'divider/o1').machining.filter(({ by }) => by.kind === 'hinges' && by.what === 'plate');
  assert.equal(plates.length, 2);
  const depth = plates.reduce((sum, each) => sum + (each.kind === 'holes' ? (each.depth?.value ?? 0) : 0), 0);
  assert.equal(depth, expect.platesTogether);
  assert.equal(depth <= given.partition - 1, expect.platesFit);
  // A thick partition takes both at one height.
  const thick = hung(25.5, 1);
  const [a, b] = thick.fitted.hinges;
  assert.deepEqual(a && heights(a), b && heights(b));
  // Off the grid half a step does.
  const [free, moved] = hung(given.partition, 0, 'free').fitted.hinges;
  assert.ok(free && moved);
  heights(moved).forEach((height, at) =>
    assert.equal(Math.abs(height - (heights(free)[at] ?? Number.NaN)), expect.movedByOffGrid),
  );
});

test('only the first of two parts on one place of a panel is screwed through it', () => {
  const solved = solveWith({ ...TWO_COLUMNS['two by three drawers'], settings: { school: 'frameless' } });
  const [partition] = solved.parts.filter(({ role }) => role === 'partition');
  const through = partition?.machining.filter((each) => each.kind === 'holes' && each.by.what === 'screws') ?? [];
  const dowels = partition?.machining.filter((each) => each.kind === 'holes' && each.by.what === 'dowels') ?? [];
  const stretchers = solved.parts.filter(({ key, role }) => role === 'divider' && key.startsWith('divider/'));
  assert.equal(stretchers.length, 4);
  assert.equal(through.length, 2);
  assert.equal(dowels.length, 2);
  const line = (each: Operation | undefined) =>
    each?.kind === 'holes' ? each.positions.map(({ value: mm }) => mm) : [];
  for (const screw of line(through[0])) for (const dowel of line(dowels[0])) assert.ok(Math.abs(screw - dowel) > 9.2);
});

test('cabinets of two columns have no stop on their defaults in any school, and stand the proof as solids', async () => {
  const solids = await loadSolids();
  for (const [name, decisions] of Object.entries(TWO_COLUMNS))
    for (const [school, settings] of Object.entries(SCHOOLS)) {
      const solved = solveWith({ ...decisions, settings });
      // A traditional wall cabinet has nothing to hang on until the maker says what.
      const stops = solved.findings.filter(
        ({ severity, rule }) => severity === 'stop' && rule !== 'carcass/wall-without-nailer',
      );
      assert.deepEqual(
        stops.map(({ what }) => what),
        [],
        `${name}, ${school}`,
      );
      assert.deepEqual(prove(solved, solids), [], `${name}, ${school}`);
    }
});
