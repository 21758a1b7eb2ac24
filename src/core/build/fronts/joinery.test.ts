import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { jobWith, partOf } from '../../../../tests/support/cabinets.js';
import type { Cabinet } from '../../decisions/index.js';
import {
  type EdgeGroove,
  loadSolids,
  type Mitre,
  type Part,
  type Rabbet,
  shapeOf,
  sizeOf,
  type Tenon,
} from '../../part/index.js';
import { check, type Overrides, solveCabinet } from '../../solve/index.js';

const worked = JSON.parse(readFileSync('tests/cases/12-framed-joinery.json', 'utf8')) as {
  given: Record<string, number> & { lippedRebate: { width: number; depth: number } };
  expect: Record<string, number> & {
    stile: number[];
    rail: number[];
    tenon: Record<string, number>;
    openingInside: number[];
    sheetPanel: number[];
    solidPanel: number[];
  };
};
const { given, expect } = worked;

/** One door of the given size, frame and panel; `solid` makes the panel of oak as thick as the sheet one. */
function door(settings: Overrides, { solid = false, height = given.doorHeight, width = given.doorWidth } = {}) {
  const job = jobWith({
    width: (width as number) + 4,
    height: (height as number) + 4,
    from: 'wall',
    settings: {
      fronts: { fit: 'overlay', reveal: { left: 2, right: 2, top: 2, bottom: 2 } },
      depth: { bumper: 0 },
      ...settings,
    },
    parts: [{ id: 'o1', size: { rule: 'share', weight: 1 }, fill: { kind: 'door', hinged: 'left' } }],
  });
  if (solid) {
    const oak = job.materials.find(({ id }) => id === 'oak20');
    assert.ok(oak);
    job.materials.push({ ...oak, id: 'oak6', name: 'Oak, planed 6', nominal: 6 });
    (job.cabinets[0] as Cabinet).settings.materials = { doorPanel: 'oak6' };
  }
  return solveCabinet(job, job.cabinets[0] as Cabinet);
}

const stick = (more: Record<string, unknown> = {}): Overrides => ({
  making: {
    kind: 'stick',
    stile: given.stile as number,
    rail: given.rail as number,
    groove: given.grooveDepth as number,
    panelPlay: given.sheetPlayPerEdge as number,
    ...more,
  },
});
const piece = (solved: ReturnType<typeof door>, name: string) => partOf(solved, `door/o1/${name}`);
const ops = <K extends string>(part: Part, kind: K) => part.machining.filter((each) => each.kind === kind);
const size = (part: Part) => [part.length.value, part.width.value].map((mm) => Number(mm.toFixed(6)));

test('worked case: what is cut into a stick-made door', () => {
  const sheet = door(stick());
  const [stile, rail] = [piece(sheet, 'stile/left'), piece(sheet, 'rail/top')];
  assert.deepEqual([size(stile), size(rail)], [expect.stile, expect.rail]);
  const [groove] = ops(stile, 'edge groove') as EdgeGroove[];
  assert.ok(groove);
  assert.deepEqual(
    [groove.offset.value, groove.width.value, groove.depth.value, groove.edge],
    [expect.grooveFromFace, given.grooveWidth, expect.grooveCut, 'v1'],
  );
  const tenons = ops(rail, 'tenon') as Tenon[];
  assert.deepEqual(
    tenons.map(({ end, length, thickness, offset }) => [end, length.value, thickness.value, offset.value]),
    ['u0', 'u1'].map((end) => [end, expect.tenon.length, expect.tenon.thickness, expect.tenon.shoulderFront]),
  );
  const back = rail.thickness.value - (tenons[0]?.offset.value ?? 0) - (tenons[0]?.thickness.value ?? 0);
  assert.equal(back, expect.tenon.shoulderBack);
  assert.deepEqual(size(piece(sheet, 'panel')), expect.sheetPanel);
  const solid = door(
    { ...stick({ solidPlay: given.solidPlayAcrossPerEdge, panelPlay: given.solidPlayAlongPerEdge }) },
    { solid: true },
  );
  assert.deepEqual(size(piece(solid, 'panel')), expect.solidPanel);
});

test('worked case: the rebate of the lipped door, and what it leaves', () => {
  const { width, depth } = given.lippedRebate;
  const lipped = door({ ...stick(), fronts: { fit: 'lipped', lip: 8, rebateWidth: width, rebateDepth: depth } });
  const [stile, rail] = [piece(lipped, 'stile/right'), piece(lipped, 'rail/bottom')];
  const edges = (part: Part) => (ops(part, 'rabbet') as Rabbet[]).map(({ from }) => from).sort();
  assert.deepEqual([edges(stile), edges(rail)], [['u0', 'u1', 'v1'], ['v0']]);
  assert.equal(stile.thickness.value - depth, expect.thicknessLeftUnderLip);
  const [groove] = ops(stile, 'edge groove') as EdgeGroove[];
  assert.equal(stile.width.value - width - (groove?.depth.value ?? 0), expect.rebateWallToGrooveFloor);
  const note = check(lipped).find(({ rule }) => rule === 'fronts/rebate-in-tenon');
  assert.equal(note?.severity, 'note');
  assert.deepEqual(
    note?.numbers.map(({ value: mm }) => mm),
    [expect.rebateIntoTenonAtCorner, expect.tenonLeftThere],
  );
});

test('a wide solid panel has half its expected movement at each edge', () => {
  // 487 in the opening of oak at 0.0037 per cent and 4 per cent: 7.2 mm in all, 3.6 at each edge.
  const wide = door(stick({ groove: 12 }), { solid: true, width: 487 + 140 });
  assert.ok(Math.abs(piece(wide, 'panel').width.value - (487 + 24 - 487 * 0.0037 * 4)) < 1e-9);
});

test('members of every kind of frame share no space, and fill the front between them', async () => {
  const solids = await loadSolids();
  let looked = 0;
  for (const kind of ['stick', 'mitred'])
    for (const fit of ['overlay', 'lipped'] as const)
      for (const [stile, rail] of [
        [70, 70],
        [64, 90],
        [90, 55],
      ]) {
        const { parts } = door({
          ...stick({ kind, stile, rail }),
          fronts: { fit, lip: 8, rebateWidth: 10, rebateDepth: 6 },
        });
        const shapes = parts.filter(({ role }) => role === 'door').map(shapeOf);
        assert.equal(shapes.length, 5);
        for (const [at, a] of shapes.entries())
          for (const b of shapes.slice(at + 1)) {
            looked += 1;
            assert.ok(solids.shared(a, b) < 1, `${kind} ${fit} ${stile} ${rail}: ${a.key} and ${b.key}`);
          }
      }
  assert.equal(looked, 12 * 10);
});

test('the two mitres of a corner lie on one line, and their loose tenons stand opposite each other', () => {
  for (const [stileWidth, railWidth] of [
    [70, 70],
    [90, 80],
  ]) {
    const solved = door(stick({ kind: 'mitred', stile: stileWidth, rail: railWidth }));
    const [stile, rail] = [piece(solved, 'stile/left'), piece(solved, 'rail/top')];
    const line = (part: Part, end: string) => (ops(part, 'mitre') as Mitre[]).find((each) => each.end === end);
    // Upper left corner: the stile ends there, the rail starts there.
    const [a, b] = [line(stile, 'u1'), line(rail, 'u0')];
    assert.deepEqual([a?.shorter.value, b?.shorter.value, a?.long, b?.long], [railWidth, stileWidth, 'v0', 'v1']);
    const slots = (part: Part, end: string) =>
      part.machining.find((each) => each.kind === 'mitre slots' && each.end === end);
    const [first, second] = [slots(stile, 'u1'), slots(rail, 'u0')];
    assert.ok(first?.kind === 'mitre slots' && second?.kind === 'mitre slots');
    assert.deepEqual(
      first.positions.map(({ value: mm }) => mm),
      second.positions.map(({ value: mm }) => mm),
    );
    assert.equal(first.positions.length, Math.min(stileWidth as number, railWidth as number) >= 75 ? 2 : 1);
    for (const { value: mm } of first.positions) {
      const along = Math.hypot(stileWidth as number, railWidth as number);
      assert.ok(mm - 11.5 >= 8 && mm + 11.5 <= along - 3, `${mm} of ${along}`);
    }
    assert.ok(sizeOf(stile).length > 0);
  }
});

test('a pull near the corner of a mitred door is bored in the member it lies in, and in no other', () => {
  let bored = 0;
  for (const fromEnd of [10, 25, 40, 60, 90]) {
    const solved = door({ ...stick({ kind: 'mitred' }), pulls: { doors: 'harl-bow-128', fromEnd } });
    const holes = solved.parts.flatMap((part) =>
      part.machining.flatMap((each) =>
        each.kind === 'holes' && each.by.kind === 'pulls' ? each.positions.map(() => part.key) : [],
      ),
    );
    assert.equal(holes.length, 2, `${fromEnd}: ${holes.join()}`);
    bored += holes.filter((key) => key.includes('/rail/')).length;
  }
  assert.ok(bored > 0, 'none came to lie in the rail');
});
