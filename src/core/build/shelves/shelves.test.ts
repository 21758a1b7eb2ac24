import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import fc from 'fast-check';
import { partOf, solveWith } from '../../../../tests/support/cabinets.js';
import { type Material, metricMaterials, type Opening } from '../../decisions/index.js';
import { length } from '../../ground/index.js';
import { type LoadedShelf, loadedShelf, longestSpan, shelfSag, smallestStrip } from './index.js';

const { given, expect } = JSON.parse(readFileSync('tests/cases/07-sag.json', 'utf8'));
const near = (actual: number, expected: number, within: number) =>
  assert.ok(Math.abs(actual - expected) <= within, `${actual} is not ${expected}`);
const [sheet] = metricMaterials;
assert.ok(sheet);
const board: Material = { ...sheet, modulus: given.E_N_per_mm2, density: given.density, creep: given.creep };
const oak: Material = { ...sheet, modulus: 11000, density: 720 };
const plainShelf: LoadedShelf = {
  span: length(given.span),
  depth: length(given.depth),
  thickness: length(given.thickness),
  material: board,
  load: 'kitchen',
  limit: 'strict',
};

test('worked case: a shelf under a kitchen load, plain and with a solid oak front strip', () => {
  const sag = shelfSag(plainShelf);
  near(sag.lineLoad.value, expect.lineLoad_N_per_mm, 0.001);
  near(sag.elastic.value, expect.sagElastic, 0.002);
  near(sag.lasting.value, expect.sagLongTerm, 0.002);
  near(sag.allowed.value, expect.allowed, 0.001);
  assert.equal(sag.passes, expect.passes);
  const stripped = shelfSag({ ...plainShelf, strip: { height: length(40), thickness: length(20), material: oak } });
  near(stripped.neutralAxis.value, expect.neutralAxisFromTopWithStrip, 0.001);
  near(stripped.lasting.value, expect.sagLongTermWithStrip, 0.002);
  assert.equal(stripped.passes, expect.passesWithStrip);
});

test('a longer, thinner or more heavily laden shelf sags more, a stiffer or stripped one less', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 200, max: 1500 }),
      fc.integer({ min: 12, max: 40 }),
      fc.integer({ min: 150, max: 600 }),
      (span, thickness, depth) => {
        const shelf = { ...plainShelf, span: length(span), thickness: length(thickness), depth: length(depth) };
        const sag = (change: Partial<LoadedShelf>) => shelfSag({ ...shelf, ...change }).lasting.value;
        const now = sag({});
        assert.ok(sag({ span: length(span + 50) }) > now);
        assert.ok(sag({ thickness: length(thickness + 2) }) < now);
        assert.ok(sag({ load: 'records' }) > now);
        assert.ok(sag({ material: oak }) < now);
        assert.ok(sag({ strip: { height: length(thickness + 20), thickness: length(20), material: oak } }) < now);
      },
    ),
  );
});

test('the longest span is the one that just passes', () => {
  const longest = longestSpan(plainShelf);
  assert.ok(longest < given.span);
  assert.ok(shelfSag({ ...plainShelf, span: length(longest - 0.5) }).passes);
  assert.ok(!shelfSag({ ...plainShelf, span: length(longest + 0.5) }).passes);
});

test('the smallest strip is the lowest that passes, and none is offered where none is enough', () => {
  const height = smallestStrip(plainShelf, length(20), oak);
  assert.ok(height !== undefined && height > given.thickness && height <= 40);
  assert.equal(smallestStrip({ ...plainShelf, span: length(3000), load: 'records' }, length(20), oak), undefined);
});

test('a strip is a part of its own and the board gives up its thickness', () => {
  const plain = solveWith({});
  const stripped = solveWith({ settings: { shelves: { stripHeight: 40, stripThickness: 20 } } });
  const [before, after, strip] = [
    partOf(plain, 'shelf/o2/1'),
    partOf(stripped, 'shelf/o2/1'),
    partOf(stripped, 'shelf/o2/1/strip'),
  ];
  assert.equal(before.width.value - after.width.value, 20);
  assert.deepEqual([strip.length.value, strip.width.value, strip.thickness.value], [before.length.value, 40, 20]);
  const [board, edge] = [after.extent, strip.extent];
  assert.equal(edge.max[2], board.max[2], 'tops flush');
  assert.equal(edge.max[1], board.min[1], 'in front of the board');
  assert.equal(edge.min[1], partOf(plain, 'shelf/o2/1').extent.min[1]);
});

test('a partition under a fixed shelf shortens what hangs free', () => {
  const half = (id: string): Opening => ({
    id,
    size: { rule: 'share', weight: 1 },
    fill: { kind: 'open' },
  });
  const spanOf = (lower: Opening['fill']) => {
    const solved = solveWith({
      width: 900,
      parts: [
        { ...half('o1'), divider: 'shelf' },
        { ...half('o2'), fill: lower },
      ],
    });
    return loadedShelf(partOf(solved, 'divider/o1'), solved.parts, solved.resolved)?.span.value;
  };
  assert.equal(spanOf({ kind: 'open' }), 864);
  const columns: Opening['fill'] = {
    kind: 'columns',
    graduation: { kind: 'arithmetic', step: 0 },
    parts: [half('a'), half('b')],
  };
  assert.equal(spanOf(columns), (864 - 18) / 2);
});
