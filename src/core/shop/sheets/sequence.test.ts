import assert from 'node:assert/strict';
import { test } from 'node:test';
import { Random } from '../../../../tests/generator/random.js';
import type { LayoutSheet, Method, SheetLayout } from '../../decisions/index.js';
import { type CuttingProblem, layOut, type SawCut, sequenceOf, stagesAllowed } from './index.js';

/** A rectangle of wood on the saw. */
interface Wood {
  readonly x: number;
  readonly y: number;
  readonly length: number;
  readonly width: number;
}
const NEAR = 1e-3;

/** Saws a raw sheet as it is told, knowing nothing of how the cuts were found: each has to run through one piece of wood from edge to edge. */
function saw({ length, width }: LayoutSheet, cuts: readonly SawCut[]): { wood: Wood[]; wrong: string[] } {
  let wood: Wood[] = [{ x: 0, y: 0, length, width }];
  const wrong: string[] = [];
  for (const { number, way, at, from, to, kerf } of cuts) {
    const [along, size, across, far] =
      way === 'rip' ? (['y', 'width', 'x', 'length'] as const) : (['x', 'length', 'y', 'width'] as const);
    const hit = wood.filter(
      (each) =>
        Math.abs(each[across] - from) < NEAR &&
        Math.abs(each[across] + each[far] - to) < NEAR &&
        at + kerf > each[along] + NEAR &&
        at < each[along] + each[size] - NEAR,
    );
    if (hit.length !== 1) {
      wrong.push(`cut ${number} runs through ${hit.length} pieces of wood`);
      continue;
    }
    const [one] = hit as [Wood];
    const low = at - one[along];
    const high = one[along] + one[size] - at - kerf;
    wood = wood.filter((each) => each !== one);
    if (low > NEAR) wood.push({ ...one, [size]: low });
    if (high > NEAR) wood.push({ ...one, [along]: at + kerf, [size]: high });
  }
  return { wood, wrong };
}

const same = (a: Wood, b: Wood) =>
  (['x', 'y', 'length', 'width'] as const).every((key) => Math.abs(a[key] - b[key]) < NEAR);

function anySheets(seed: number): { sheets: LayoutSheet[]; layout: Omit<SheetLayout, 'sheets'> } {
  const random = new Random(seed);
  const method: Method = random.pick(['strips', 'guillotine']);
  const trim = random.pick([0, 0, 2, 10]);
  const kerf = random.pick([0, 3.2, 4]);
  const oversize = random.whole(0, 3) === 0 ? 10 : 0;
  const stages = method === 'guillotine' && random.whole(0, 2) === 0 ? random.whole(2, 4) : null;
  const sheet = { length: 2440, width: 1220, trim };
  const problem: CuttingProblem = {
    method,
    kerf,
    ...(stages === null ? {} : { stages }),
    oversize,
    goals: { first: 'sheets', next: 'offcut' },
    sheets: [{ id: 'raw', ...sheet, price: 0, offcut: false }],
    parts: Array.from({ length: random.whole(1, 9) }, (_, at) => ({
      id: `p${at}`,
      length: at === 0 && seed % 5 === 0 ? 2440 - 2 * trim : random.whole(80, 1500),
      width: at === 0 && seed % 7 === 0 ? 1220 - 2 * trim : random.whole(50, 800),
      quantity: random.whole(1, 6),
      turn: random.whole(0, 1) === 1,
    })),
  };
  const packing = layOut(problem, { steps: 2 }, seed);
  return {
    sheets: packing.sheets.map(({ placements }, at) => ({
      id: `s${at + 1}`,
      from: null,
      ...sheet,
      offcut: false,
      cut: false,
      clear: [],
      placements: placements.map(({ id, ...place }) => ({ cabinet: 'c1', part: id, ...place, locked: false })),
    })),
    layout: { id: 'ply', method, stages, kerf, spacing: 0, oversize, bound: 0, ticks: [] },
  };
}

test('sawn as the sequence says, a raw sheet comes apart into exactly the pieces, and the offcuts that are told', () => {
  let [pieces, cut, offs, roughs, sheetsSeen] = [0, 0, 0, 0, 0];
  for (let seed = 1; seed <= 220; seed += 1) {
    const { sheets, layout } = anySheets(seed);
    for (const sheet of sheets) {
      const where = `seed ${seed}, ${sheet.id}, ${layout.method}, trim ${sheet.trim}, kerf ${layout.kerf}, oversize ${layout.oversize}`;
      const sequence = sequenceOf(sheet, layout, { length: 300, width: 100 });
      assert.ok(sequence, where);
      assert.ok(sequence.stages <= stagesAllowed(layout), `${where}: ${sequence.stages} stages`);
      const { wood, wrong } = saw(sheet, sequence.cuts);
      assert.deepEqual(wrong, [], where);
      for (const piece of sheet.placements)
        assert.equal(wood.filter((each) => same(each, piece)).length, 1, `${where}: ${piece.part} is not free`);
      // Each piece is said to be freed once, and by a cut that runs along its edge.
      const freed = sequence.cuts.flatMap(({ frees }) => (frees.kind === 'piece' ? [frees.piece] : []));
      assert.equal(new Set(freed).size, freed.length, where);
      // What is said to wait was cut off before, and is cut further after.
      for (const [at, { waits }] of sequence.cuts.entries())
        for (const name of waits)
          assert.ok(
            sequence.cuts.slice(0, at).some(({ frees }) => frees.kind === 'strip' && frees.name === name),
            `${where}: strip ${name} waits and was never cut off`,
          );
      for (const offcut of sequence.offcuts)
        assert.ok(
          wood.some(
            (each) =>
              each.x <= offcut.x + NEAR &&
              each.y <= offcut.y + NEAR &&
              each.x + each.length >= offcut.x + offcut.length - NEAR &&
              each.y + each.width >= offcut.y + offcut.width - NEAR,
          ),
          `${where}: an offcut is cut up`,
        );
      pieces += sheet.placements.length;
      cut += sequence.cuts.length;
      offs += sequence.offcuts.length;
      roughs += sequence.cuts.filter(({ kind }) => kind === 'rough').length;
      sheetsSeen += 1;
    }
  }
  console.log(`${sheetsSeen} sheets, ${pieces} pieces, ${cut} cuts of which ${roughs} rough, ${offs} offcuts`);
  assert.ok(roughs > 100 && offs > 50);
});

test('every cut says what stands at the fence: the size of what it frees', () => {
  for (let seed = 1; seed <= 60; seed += 1) {
    const { sheets, layout } = anySheets(seed);
    for (const sheet of sheets)
      for (const { way, kind, fence, frees, number } of sequenceOf(sheet, layout, { length: 300, width: 100 })?.cuts ??
        []) {
        assert.ok(fence > 0, `seed ${seed}, cut ${number}: ${fence}`);
        if (kind === 'size' && frees.kind === 'piece')
          assert.ok(
            Math.abs(fence - (way === 'rip' ? frees.piece.width : frees.piece.length)) < NEAR,
            `seed ${seed}, cut ${number}`,
          );
      }
  }
});
