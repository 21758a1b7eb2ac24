import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import {
  buildableDecisions,
  type CabinetDecisions,
  jobWith,
  partOf,
  solveWith,
} from '../../../../tests/support/cabinets.js';
import { decide } from '../../../../tests/support/edit.js';
import { balancedHeights, holeHeight } from '../../build/index.js';
import type { Opening, Split } from '../../decisions/index.js';
import { type Holes, type Part, toCabinet } from '../../part/index.js';
import { applyEdits, solve } from '../../solve/index.js';

const share = { rule: 'share' as const, weight: 1 };
const bay = (id: string, shelves: number, shelvesAt?: { id: string; mm: number }[]): Opening => ({
  id,
  size: share,
  fill: { kind: 'open', interior: { kind: 'shelves', shelves, ...(shelvesAt ? { shelvesAt } : {}) } },
});
const tall = (settings: CabinetDecisions['settings'] = {}, part = bay('o1', 3)): CabinetDecisions => ({
  from: 'tall',
  parts: [part],
  settings,
});
const columns = (...parts: Opening[]): Split => ({
  kind: 'columns',
  graduation: { kind: 'arithmetic', step: 0 },
  parts,
});
const pinsOf = (part: Part) =>
  part.machining.filter((each): each is Holes => each.kind === 'holes' && each.reason.startsWith('pins: '));

test('balanced heights are 32 · n + 2 · e0, the nearest below and above', () => {
  assert.deepEqual(balancedHeights(770, 9, 32), { below: 754, above: 786 });
  assert.deepEqual(balancedHeights(754, 9, 32), { below: 754, above: 754 });
  assert.deepEqual(balancedHeights(720, 8, 32), { below: 720, above: 720 });
});

test('each shelf stands on a hole of the grid, nearest to where equal spaces would have it', () => {
  const solved = solveWith(tall());
  const [cell] = solved.bays;
  assert.ok(cell && solved.grid);
  for (const [at, { underside, hole }] of cell.places.entries()) {
    assert.ok(hole !== undefined);
    assert.ok(Math.abs(underside.value - holeHeight(solved.grid, hole) - 2.5) < 1e-9, 'on a pin of half its diameter');
    const clear = cell.room.inside.v;
    const even = clear.low.value + ((clear.size.value - 3 * 18) / 4) * (at + 1) + 18 * at;
    assert.ok(Math.abs(underside.value - even) <= 16 + 1e-9);
    assert.equal(partOf(solved, `shelf/o1/${at + 1}`).extent.min[2], underside.value);
  }
});

test('a decided height takes the nearest hole, the others stay where they were', () => {
  const before = solveWith(tall()).bays[0]?.places.map(({ underside }) => underside.value) ?? [];
  const moved = solveWith(tall({}, bay('o1', 3, [{ id: 's2', mm: 900 }]))).bays[0]?.places ?? [];
  assert.ok(moved[1]?.decided);
  assert.ok(Math.abs((moved[1]?.underside.value ?? 0) - 18 - 900) <= 16);
  assert.deepEqual([moved[0]?.underside.value, moved[2]?.underside.value], [before[0], before[2]]);
});

test('without pins shelves stand at equal clear spaces, or exactly where they were set', () => {
  const free = solveWith(tall({ pins: { kind: 'none' } }, bay('o1', 2, [{ id: 's2', mm: 700 }])));
  const { low, size } = free.bays[0]?.room.inside.v ?? { low: { value: 0 }, size: { value: 0 } };
  assert.ok(Math.abs((free.bays[0]?.places[0]?.underside.value ?? 0) - low.value - (size.value - 36) / 3) < 1e-9);
  assert.equal(free.bays[0]?.places[1]?.underside.value, low.value + 700);
  assert.deepEqual(pinsOf(partOf(free, 'side/left')), []);
});

test('two lines in each side: 37 behind the front, whole steps of 32 behind that and clear of the back', () => {
  const solved = solveWith(tall());
  const lines = pinsOf(partOf(solved, 'side/left')).map(({ offset }) => offset.value);
  assert.equal(lines[0], 37);
  const rear = lines[1] ?? 0;
  assert.equal((rear - 37) % 32, 0);
  const back = solved.box.clearDepth.value;
  assert.ok(rear + 2.5 + 10 <= back && rear + 32 + 2.5 + 10 > back, 'the furthest step that stays clear');
  const set = solveWith(tall({ pins: { rear: 'groove' } }));
  assert.equal(pinsOf(partOf(set, 'side/left'))[1]?.offset.value, set.box.clearDepth.value - 37);
  const inset = solveWith(tall({ fronts: { fit: 'inset', gap: 2 } }));
  assert.equal(pinsOf(partOf(inset, 'side/left'))[0]?.offset.value, 37 + 18, 'behind an inset front');
});

test('around each shelf or over the whole opening, from one reference end for both sides', () => {
  const around = pinsOf(partOf(solveWith(tall({ pins: { around: 2 } })), 'side/left'))[0];
  assert.equal(around?.positions.length, 3 * 5);
  const solved = solveWith(tall({ pins: { column: 'full' } }));
  const full = pinsOf(partOf(solved, 'side/left'))[0];
  const { low, high } = solved.bays[0]?.room.inside.v ?? { low: { value: 0 }, high: { value: 0 } };
  assert.ok((full?.positions.length ?? 0) > 50);
  for (const { value: mm } of full?.positions ?? []) assert.ok(mm >= low.value + 60 && mm <= high.value - 60);
  const heights = (key: string) =>
    pinsOf(partOf(solved, key)).flatMap(({ positions }) => positions.map(({ value: mm }) => mm));
  assert.deepEqual(heights('side/left'), heights('side/right'));
  const fromTop = solveWith(tall({ pins: { from: 'top' } }));
  const side = partOf(fromTop, 'side/left');
  for (const { value: mm } of pinsOf(side)[0]?.positions ?? [])
    assert.ok(Math.abs(((side.length.value - 9 - mm) / 32) % 1) < 1e-9, 'counted from the upper end');
});

test('opposite a partition: as deep as (tP − 1) / 2 allows, else every other hole, or through', () => {
  const face = columns(bay('a', 2), bay('b', 2));
  const at = (settings: CabinetDecisions['settings'], reading: number) =>
    solveWith({ face, width: 1000, settings: settings ?? {}, measured: { birch18: reading } });
  const shallow = pinsOf(partOf(at({ pins: { depth: 10 } }, 19), 'divider/a'));
  assert.ok(
    shallow.every(({ depth }) => depth?.value === 9),
    '(19 − 1) / 2',
  );
  const staggered = pinsOf(partOf(at({}, 17.8), 'divider/a'));
  const heights = (face: 1 | 2) =>
    new Set(
      staggered.filter((each) => each.face === face).flatMap(({ positions }) => positions.map(({ value: mm }) => mm)),
    );
  const [left, right] = [heights(1), heights(2)];
  assert.ok(left.size > 0 && right.size > 0 && [...left].every((mm) => !right.has(mm)), 'no hole opposite another');
  assert.ok(staggered.every(({ depth }) => depth?.value === 10));
  const through = at({ pins: { opposite: 'through' } }, 17.8);
  const bored = pinsOf(partOf(through, 'divider/a'));
  assert.ok(bored.some(({ depth }) => depth === undefined));
  assert.deepEqual(
    through.findings.filter(({ rule }) => rule.startsWith('machining/')),
    [],
  );
});

test('plate holes on the grid serve as its holes; every shelf has four pins to buy', () => {
  const {
    parts,
    fittings,
    fitted: { hinges: doors },
  } = solveWith({
    settings: { pins: { column: 'full', ends: 20 } },
    parts: [{ id: 'o1', size: share, fill: { kind: 'pair', interior: { kind: 'shelves', shelves: 1 } } }],
  });
  const side = parts.find(({ key }) => key === 'side/left') as Part;
  const plates = side.machining.find(({ reason }) => reason.startsWith('plate: ')) as Holes;
  const front = pinsOf(side)[0];
  for (const plate of plates.positions)
    assert.ok(
      front?.positions.every(({ value: mm }) => Math.abs(mm - plate.value) > 30),
      'not bored twice',
    );
  assert.equal(doors.length, 2);
  assert.equal(fittings.find(({ name }) => name === 'Shelf pin')?.quantity, 4);
});

test('pins of a bay stand at the same heights in the cabinet on both its uprights, and under its shelves', () => {
  fc.assert(
    fc.property(buildableDecisions, (decisions) => {
      const solved = solveWith(decisions);
      const rise = solved.resolved.settings.pins.diameter.value / 2;
      for (const { room, left, right, places } of solved.bays) {
        if (!solved.grid || !left || !right) continue;
        const reason = new RegExp(`${room.name}$`);
        for (const upright of [left, right]) {
          const part = partOf(solved, upright.key);
          const bored = part.machining.flatMap((each) =>
            each.kind === 'holes' && (reason.test(each.reason) || each.reason.startsWith('plate: '))
              ? each.positions.map(({ value: mm }) => toCabinet(part.placement, mm, 0, 0)[2])
              : [],
          );
          // A through hole of the other bay serves this one too.
          const through = part.machining.flatMap((each) =>
            each.kind === 'holes' && each.reason.startsWith('pins: ') && !each.depth
              ? each.positions.map(({ value: mm }) => toCabinet(part.placement, mm, 0, 0)[2])
              : [],
          );
          for (const { underside, hole } of places)
            if (hole !== undefined)
              assert.ok(
                [...bored, ...through].some((z) => Math.abs(z - (underside.value - rise)) < 0.01),
                `${room.name}: no pin under the shelf at ${underside.value} in ${upright.key}`,
              );
        }
      }
    }),
    { numRuns: 150 },
  );
});

test('a shelf moved by an edit is back where it was when the edit is taken back', () => {
  const job = jobWith(tall());
  const before = solve(job).cabinets[0]?.bays[0]?.places.map(({ hole }) => hole);
  applyEdits(job, [decide('cabinets/c1/face/parts/o1/fill/interior/shelvesAt/s2', { id: 's2', mm: 700 })]);
  assert.notDeepEqual(
    solve(job).cabinets[0]?.bays[0]?.places.map(({ hole }) => hole),
    before,
  );
  applyEdits(job, [decide('cabinets/c1/face/parts/o1/fill/interior/shelvesAt', undefined)]);
  assert.deepEqual(
    solve(job).cabinets[0]?.bays[0]?.places.map(({ hole }) => hole),
    before,
  );
});
