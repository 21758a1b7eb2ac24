import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import {
  countedIds,
  type Job,
  type LayoutSheet,
  layoutSchema,
  type Method,
  type SheetLayout,
  writeJob,
} from '../../src/core/decisions/index.js';
import {
  acceptLayout,
  type CuttingProblem,
  type CuttingWay,
  changedSince,
  cutInVain,
  type Demand,
  demandOf,
  isTicked,
  layOut,
  markCut,
  movePiece,
  offcutsOf,
  planFor,
  proposalOf,
  tickSetUp,
  USUAL_WAY,
} from '../../src/core/shop/index.js';
import { applyEdits, readJobText, solve, validate } from '../../src/core/solve/index.js';
import { Random } from '../generator/random.js';
import { wrongWith } from './check.js';

const demo = (): Job => {
  const read = readJobText(readFileSync('demo/reading-room.alcove.json', 'utf8'));
  assert.ok(read.ok);
  return read.value;
};
const STEPS = { steps: 2 };

function laid(job: Job, demand: Demand, way: CuttingWay = USUAL_WAY, seed = 5) {
  const plan = planFor(
    job,
    demand,
    way,
    job.layouts?.find(({ id }) => id === demand.material.id),
  );
  return { plan, ...proposalOf(plan, layOut(plan.problem, STEPS, seed)) };
}

/** Looks at a layout of a job with the checker that knows nothing of how it was made, sheet size by sheet size. */
function wrongWithLayout(layout: SheetLayout, demand: Demand): string[] {
  const pieces = new Map(demand.pieces.map((piece) => [`${piece.cabinet} ${piece.key}`, piece]));
  const wrong: string[] = [];
  const seen = new Set<string>();
  for (const sheet of layout.sheets) {
    const placements = sheet.placements.map(({ cabinet, part, locked: _, ...place }) => ({
      id: `${cabinet} ${part}`,
      ...place,
    }));
    for (const { id } of placements) {
      if (seen.has(id)) wrong.push(`${id} lies twice`);
      seen.add(id);
    }
    const asked = {
      sheet,
      kerf: layout.kerf,
      method: layout.method,
      spacing: layout.spacing,
      ...(layout.stages === null ? {} : { stages: layout.stages }),
      parts: placements.flatMap(({ id }) => {
        const piece = pieces.get(id);
        return piece ? [{ id, length: piece.length, width: piece.width, quantity: 1, turn: piece.turn }] : [];
      }),
    };
    wrong.push(...wrongWith(asked, { sheets: placements.length > 0 ? [{ placements }] : [], unplaced: [] }));
    for (const area of sheet.clear)
      for (const piece of placements)
        if (
          piece.x < area.x + area.length - 1e-6 &&
          area.x < piece.x + piece.length - 1e-6 &&
          piece.y < area.y + area.width - 1e-6 &&
          area.y < piece.y + piece.width - 1e-6
        )
          wrong.push(`${piece.id} lies where nothing may`);
  }
  for (const id of pieces.keys()) if (!seen.has(id)) wrong.push(`${id} lies nowhere`);
  return wrong;
}

test('every layout of the demo job holds, by every method: each part once, in the trim, a kerf apart, cut as is said', () => {
  const job = demo();
  const demands = demandOf(solve(job).cabinets);
  assert.ok(demands.length >= 3);
  for (const method of ['strips', 'guillotine', 'nested'] as const satisfies readonly Method[])
    for (const demand of demands) {
      const { layout, unplaced } = laid(job, demand, {
        ...USUAL_WAY,
        method,
        stages: method === 'guillotine' ? 3 : null,
      });
      assert.deepEqual(unplaced, []);
      assert.deepEqual(wrongWithLayout(layout, demand), [], `${demand.material.name}, ${method}`);
      assert.ok(validate(layoutSchema, layout).ok);
      // Offcuts in stock go first.
      const offcuts = job.stock.sheets.filter(
        ({ material, offcut }) => offcut && material === demand.material.id,
      ).length;
      assert.ok(layout.sheets.filter(({ offcut }) => offcut).length <= offcuts);
    }
});

test('accepted, locked, kept clear, cut, run again: what stays stays, the rest holds; stock goes down and offcuts come in', () => {
  const job = demo();
  const demand = demandOf(solve(job).cabinets).find(({ material }) => material.id === 'birch18') as Demand;
  const leaves = (layout: SheetLayout) => (sheet: LayoutSheet) =>
    sheet.from === 's1' && offcutsOf(job, layout, sheet).length > 0;
  const first = [1, 2, 3, 4, 5, 6, 7, 8]
    .map((seed) => laid(job, demand, USUAL_WAY, seed).layout)
    .find((layout) => layout.sheets.some(leaves(layout)));
  assert.ok(first, "none of the shop's own sheets leaves an offcut");
  applyEdits(job, acceptLayout(job, first).edits);
  const layout = job.layouts?.[0] as SheetLayout;
  // One sheet of the shop's own three is cut, a piece of another is locked, a place of a third is kept clear.
  const own = layout.sheets.find(leaves(layout)) as LayoutSheet;
  const before = job.stock.sheets.length;
  applyEdits(job, markCut(job, 'birch18', own.id, countedIds()).edits);
  assert.equal(job.stock.sheets.find(({ id }) => id === 's1')?.count, 2);
  assert.ok(job.stock.sheets.length > before, 'no offcut came into stock');
  const marks = job.stock.sheets.map(({ mark }) => mark).filter(Boolean);
  assert.equal(new Set(marks).size, marks.length);
  const [second, third] = (job.layouts?.[0]?.sheets ?? []).filter(({ cut, offcut }) => !cut && !offcut) as [
    LayoutSheet,
    LayoutSheet,
  ];
  const locked = second.placements.at(-1);
  assert.ok(locked);
  locked.locked = true;
  const { x, y, length, width } = third.placements[0] as LayoutSheet['placements'][number];
  third.clear.push({ x, y, length, width });
  for (const method of ['strips', 'guillotine', 'nested'] as const) {
    const again = laid(job, demand, { ...USUAL_WAY, method });
    assert.deepEqual(again.unplaced, []);
    const now = again.layout;
    const cut = now.sheets.find(({ id }) => id === own.id);
    assert.deepEqual(cut?.placements, own.placements, 'a sheet that is cut changed');
    const still: LayoutSheet['placements'][number] | undefined = now.sheets
      .find(({ id }) => id === second.id)
      ?.placements.find(({ part, cabinet }) => part === locked.part && cabinet === locked.cabinet);
    assert.deepEqual(still, locked);
    assert.equal(now.sheets.find(({ id }) => id === third.id)?.clear.length, 1);
    // What was cut by another method need not be cuttable by this one.
    const open: SheetLayout = {
      ...now,
      sheets: now.sheets.map((sheet) => (sheet.cut ? { ...sheet, trim: 0 } : sheet)),
    };
    const wrong = wrongWithLayout(open, demand).filter((each) => method !== 'nested' || !each.includes('apart'));
    assert.deepEqual(wrong, [], method);
  }
});

test('a later change says which placements no longer hold, what is cut already first', () => {
  const job = demo();
  const accept = () => {
    for (const demand of demandOf(solve(job).cabinets))
      applyEdits(job, acceptLayout(job, laid(job, demand).layout).edits);
  };
  accept();
  const compare = () => {
    const demands = demandOf(solve(job).cabinets);
    return (job.layouts ?? []).flatMap((layout) =>
      changedSince(
        layout,
        demands.find(({ material }) => material.id === layout.id),
        demands,
      ),
    );
  };
  assert.deepEqual(compare(), []);
  const layout = job.layouts?.find(({ id }) => id === 'birch18') as SheetLayout;
  const sheet = layout.sheets.find(({ placements }) =>
    placements.some(({ cabinet, part }) => cabinet === 'c1' && part === 'bottom'),
  ) as LayoutSheet;
  const inVain = () => cutInVain(job.layouts ?? [], solve(job).cabinets);
  sheet.cut = true;
  assert.deepEqual(inVain(), [], 'what is cut is what is wanted');
  const cabinet = job.cabinets.find(({ id }) => id === 'c1') as Job['cabinets'][number];
  cabinet.size.width -= 20;
  const changed = compare();
  assert.deepEqual(
    inVain(),
    changed.filter(({ cut }) => cut),
  );
  sheet.cut = false;
  assert.deepEqual(inVain(), [], 'what is not cut costs nothing');
  sheet.cut = true;
  assert.ok(changed.length > 3);
  assert.ok(changed.every(({ cabinet: id }) => id === 'c1'));
  const own = changed.filter(({ kind, cut }) => kind === 'size' && cut);
  assert.ok(own.length > 0 && own.every((each) => each.sheet === sheet.id));
  const bottom = changed.find(({ part }) => part === 'bottom');
  assert.equal(bottom?.kind, 'size');
  assert.ok(Math.abs((bottom?.was?.[0] ?? 0) - (bottom?.is?.[0] ?? 0) - 20) < 1e-6);
  // A cabinet that is gone leaves its pieces without a part.
  job.cabinets = job.cabinets.filter(({ id }) => id !== 'c2');
  assert.ok(compare().some(({ kind, cabinet: id }) => kind === 'gone' && id === 'c2'));
});

test('a piece is moved to where it can lie and be cut, or it is said why not', () => {
  const sheet = (placements: object[]): LayoutSheet => ({
    id: 's1',
    from: null,
    length: 1000,
    width: 600,
    trim: 10,
    offcut: false,
    cut: false,
    clear: [],
    placements: placements.map((each) => ({
      cabinet: 'c1',
      turned: false,
      locked: false,
      ...each,
    })) as LayoutSheet['placements'],
  });
  const layout: SheetLayout = {
    id: 'ply',
    method: 'strips',
    stages: null,
    kerf: 3,
    spacing: 0,
    oversize: 0,
    bound: 1,
    ticks: [],
    sheets: [
      sheet([
        { part: 'a', x: 10, y: 10, length: 300, width: 200 },
        { part: 'b', x: 313, y: 10, length: 300, width: 200 },
        { part: 'c', x: 10, y: 213, length: 300, width: 150 },
      ]),
    ],
  };
  const words = { mark: ({ part }: { part: string }) => part, show: (mm: number) => `${mm} mm` };
  const to = (at: number, x: number, y: number) => movePiece(layout, { sheet: 's1', at }, { sheet: 's1', x, y }, words);
  const why = (at: number, x: number, y: number) => {
    const moved = to(at, x, y);
    return moved.ok ? '' : moved.why;
  };
  // Near the next piece it sticks a kerf from it, and is locked.
  const moved = to(2, 620, 20);
  assert.ok(moved.ok);
  const c = moved.ok ? moved.sheets[0]?.placements.at(-1) : undefined;
  assert.deepEqual([c?.x, c?.y, c?.locked], [616, 10, true]);
  assert.match(why(2, 100, 100), /not be 3 mm clear of [ab]/);
  assert.match(why(2, 2000, 10), /trimmed off the edges/);
  // Four round a hole: as long as one of them lies elsewhere, cuts pass.
  const wheel: SheetLayout = {
    ...layout,
    method: 'guillotine',
    sheets: [
      sheet([
        { part: 'a', x: 10, y: 10, length: 200, width: 100 },
        { part: 'b', x: 213, y: 10, length: 100, width: 200 },
        { part: 'c', x: 113, y: 213, length: 200, width: 100 },
        { part: 'd', x: 700, y: 10, length: 100, width: 200 },
      ]),
    ],
  };
  const other = movePiece(wheel, { sheet: 's1', at: 3 }, { sheet: 's1', x: 10, y: 113 }, words);
  assert.ok(!other.ok && /No cut from edge to edge/.test(other.why), JSON.stringify(other));
  assert.ok(movePiece(wheel, { sheet: 's1', at: 3 }, { sheet: 's1', x: 640, y: 60 }, words).ok);
});

test('ticks belong to the layouts they were made on', () => {
  const job = demo();
  const setUp = { id: 'rip_56000', what: 'Rip', materials: ['birch18', 'front18'] };
  assert.deepEqual(tickSetUp(job, setUp, true).edits, []);
  assert.equal(isTicked(job, setUp), false);
  for (const demand of demandOf(solve(job).cabinets))
    applyEdits(job, acceptLayout(job, laid(job, demand).layout).edits);
  applyEdits(job, tickSetUp(job, setUp, true).edits);
  assert.equal(isTicked(job, setUp), true);
  assert.equal(job.layouts?.filter(({ ticks }) => ticks.length === 1).length, 2);
  applyEdits(job, tickSetUp(job, setUp, false).edits);
  assert.equal(isTicked(job, setUp), false);
});

test('what is cut from boards is ticked without a layout of sheets, alone or with what lies on sheets', () => {
  const job = demo();
  const boards = { id: 'rip_40000', what: 'Rip', materials: ['oak20'] };
  applyEdits(job, tickSetUp(job, boards, true).edits);
  assert.equal(isTicked(job, boards), true);
  assert.deepEqual(readJobText(writeJob(job)), { ok: true, value: job }, 'it is a job that can be stored');
  assert.equal(job.layouts?.find(({ id }) => id === 'oak20')?.sheets.length, 0);
  // A second tick goes to the same place; with sheets it waits for their layout, or is kept at the boards alone.
  const both = { id: 'rip_56000', what: 'Rip', materials: ['birch18', 'oak20'] };
  applyEdits(job, tickSetUp(job, both, true).edits);
  assert.equal(isTicked(job, both), true);
  applyEdits(job, tickSetUp(job, boards, false).edits);
  assert.equal(isTicked(job, boards), false);
  assert.equal(isTicked(job, both), true);
  // An accepted layout of sheets asks for its own tick.
  const birch = demandOf(solve(job).cabinets).find(({ material }) => material.id === 'birch18');
  assert.ok(birch);
  applyEdits(job, acceptLayout(job, laid(job, birch).layout).edits);
  assert.equal(isTicked(job, both), false);
  applyEdits(job, tickSetUp(job, both, true).edits);
  assert.equal(isTicked(job, both), true);
});

test('several sizes, offcuts and prices: counts are kept, every layout can be cut, offcuts save sheets, the bound stays below', () => {
  let [offcutsUsed, mixed] = [0, 0];
  for (let seed = 1; seed <= 80; seed += 1) {
    const random = new Random(seed);
    const problem: CuttingProblem = {
      method: random.pick(['strips', 'guillotine', 'nested'] as const),
      kerf: 3,
      goals: { first: random.pick(['sheets', 'cost'] as const), next: 'offcut' },
      minimumStrip: 40,
      sheets: [
        {
          id: 'rest',
          length: random.whole(400, 1200),
          width: random.whole(300, 900),
          trim: 0,
          count: random.whole(1, 3),
          price: 0,
          offcut: true,
        },
        { id: 'small', length: 1830, width: 915, trim: 10, count: random.whole(0, 2) || 1, price: 40, offcut: false },
        { id: 'large', length: 2440, width: 1220, trim: 10, price: 70, offcut: false },
      ],
      parts: Array.from({ length: random.whole(2, 12) }, (_, at) => ({
        id: `p${at}`,
        length: random.whole(150, 1500),
        width: random.whole(60, 900),
        quantity: random.whole(1, 5),
        turn: random.whole(0, 1) === 1,
      })),
    };
    const packing = layOut(problem, { steps: 3 }, seed);
    assert.deepEqual(packing.unplaced, []);
    const used = new Map<string, number>();
    for (const { from, placements } of packing.sheets) {
      used.set(from, (used.get(from) ?? 0) + 1);
      const supply = problem.sheets.find(({ id }) => id === from);
      assert.ok(supply);
      const parts = problem.parts.map((part) => ({
        ...part,
        quantity: placements.filter(({ id }) => id === part.id).length,
      }));
      assert.deepEqual(
        wrongWith(
          { sheet: supply, kerf: 3, method: problem.method, parts: parts.filter(({ quantity }) => quantity > 0) },
          { sheets: [{ placements }], unplaced: [] },
        ),
        [],
        `seed ${seed}, ${problem.method}`,
      );
    }
    for (const { id, count } of problem.sheets)
      assert.ok((used.get(id) ?? 0) <= (count ?? Number.POSITIVE_INFINITY), `seed ${seed}: too many of ${id}`);
    for (const part of problem.parts)
      assert.equal(
        packing.sheets.reduce((sum, { placements }) => sum + placements.filter(({ id }) => id === part.id).length, 0),
        part.quantity,
      );
    const whole = packing.sheets.filter(({ from }) => from !== 'rest').length;
    assert.ok(whole >= packing.bound, `seed ${seed}: ${whole} sheets, bound ${packing.bound}`);
    if (used.has('rest')) offcutsUsed += 1;
    if (used.has('small')) mixed += 1;
  }
  console.log(`offcuts used in ${offcutsUsed} of 80, small sheets in ${mixed}`);
  assert.ok(offcutsUsed > 50 && mixed > 10);
});

test('pieces whose grain runs on stay one behind the other in a blank', () => {
  for (const method of ['strips', 'guillotine', 'nested'] as const) {
    const problem: CuttingProblem = {
      method,
      kerf: 3,
      goals: { first: 'sheets', next: 'nothing' },
      sheets: [{ id: 'ply', length: 2440, width: 1220, trim: 10, price: 0, offcut: false }],
      parts: [
        { id: 'other', length: 500, width: 300, quantity: 9, turn: true },
        {
          id: 'G1',
          length: 600,
          width: 140 + 4 + 200 + 4 + 250,
          quantity: 1,
          turn: false,
          pieces: [
            { id: 'd1', x: 0, y: 0, length: 600, width: 140 },
            { id: 'd2', x: 0, y: 144, length: 600, width: 200 },
            { id: 'd3', x: 0, y: 348, length: 600, width: 250 },
          ],
        },
      ],
    };
    const { sheets, unplaced } = layOut(problem, { steps: 3 });
    assert.deepEqual(unplaced, []);
    const all = sheets.flatMap(({ placements }) => placements);
    const [d1, d2, d3] = ['d1', 'd2', 'd3'].map((id) => all.find((piece) => piece.id === id));
    assert.ok(d1 && d2 && d3);
    assert.ok(Math.abs(d1.x - d2.x) < 1e-6 && Math.abs(d2.x - d3.x) < 1e-6);
    assert.ok(Math.abs(d2.y - d1.y - 144) < 1e-6 && Math.abs(d3.y - d1.y - 348) < 1e-6);
    const parts = [
      { id: 'other', length: 500, width: 300, quantity: 9, turn: true },
      ...['d1', 'd2', 'd3'].map((id, at) => ({
        id,
        length: 600,
        width: [140, 200, 250][at] as number,
        quantity: 1,
        turn: false,
      })),
    ];
    assert.deepEqual(
      wrongWith({ sheet: { length: 2440, width: 1220, trim: 10 }, kerf: 3, method, parts }, { sheets, unplaced: [] }),
      [],
      method,
    );
  }
});
