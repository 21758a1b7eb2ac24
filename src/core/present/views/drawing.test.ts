import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { buildableDecisions, solveWith } from '../../../../tests/support/cabinets.js';
import {
  type DimensionItem,
  drawElevation,
  drawThumbnail,
  laySheet,
  type PlacedDimension,
  type SheetSpace,
  scalesOf,
} from './index.js';

const SPACE: SheetSpace = { width: 700, height: 420, unitsPerMm: 96 / 25.4, scales: scalesOf('mm'), textHeight: 19 };
const textWidth = (item: DimensionItem) => 8 * String(Math.round(item.dim.value * 10) / 10).length + 6;

function overlap(a: PlacedDimension, b: PlacedDimension): boolean {
  const apartX = Math.abs(a.text.x - b.text.x) - (a.textWidth + b.textWidth) / 2;
  const apartY = Math.abs(a.text.y - b.text.y) - SPACE.textHeight;
  return apartX < -0.5 && apartY < -0.5;
}

test('the elevation fits its sheet and no two dimension texts overlap, from small boxes to large', () => {
  const sizes = fc.record({
    decisions: buildableDecisions,
    width: fc.integer({ min: 300, max: 3000 }),
    height: fc.integer({ min: 300, max: 3000 }),
  });
  fc.assert(
    fc.property(sizes, ({ decisions, width, height }) => {
      const laid = laySheet(drawElevation(solveWith({ ...decisions, width, height }), 'job'), SPACE, textWidth);
      for (const [at, a] of laid.dimensions.entries()) {
        assert.ok(
          a.text.x - a.textWidth / 2 >= 0 && a.text.x + a.textWidth / 2 <= SPACE.width,
          `${a.item.id} leaves the sheet`,
        );
        assert.ok(a.text.y >= 0 && a.text.y <= SPACE.height, `${a.item.id} leaves the sheet`);
        for (const b of laid.dimensions.slice(at + 1)) assert.ok(!overlap(a, b), `${a.item.id} over ${b.item.id}`);
      }
    }),
    { numRuns: 150 },
  );
});

test('a dimension spans what its number says', () => {
  const drawing = drawElevation(solveWith({}), 'job');
  for (const item of drawing.dimensions) assert.ok(Math.abs(item.to - item.from - item.dim.value) < 0.001, item.id);
  const edited = drawing.dimensions.filter((item) => item.edits).map((item) => item.id);
  for (const id of ['width', 'height', 'toe-height', 'reveal-left', 'reveal-top', 'gap-o1', 'face-o1'])
    assert.ok(edited.includes(id), id);
});

test('openings first shows and edits the clear openings', () => {
  const drawing = drawElevation(solveWith({ settings: { fronts: { lay: 'openings' } } }), 'job');
  const opening = drawing.dimensions.find((item) => item.id === 'opening-o1');
  assert.equal(opening?.edits, 'cabinets/c1/face/parts/o1/pin');
  assert.equal(drawing.dimensions.find((item) => item.id === 'face-o1')?.edits, undefined);
});

test('every front is drawn, marked, and points at its part', () => {
  const solved = solveWith({});
  const { items } = drawElevation(solved, 'job');
  for (const front of solved.fronts) {
    assert.ok(items.some((item) => item.kind === 'region' && item.shows === front.key));
    assert.ok(items.some((item) => item.kind === 'mark' && item.shows === front.key && item.text.startsWith('1.')));
  }
  assert.equal(items.filter((item) => item.kind === 'line' && item.weight === 'swing').length, 2, 'two doors swing');
});

test('a thumbnail keeps the proportions and lies inside its frame', () => {
  const { width, height, shapes } = drawThumbnail(solveWith({ width: 600, height: 870 }));
  assert.deepEqual([width, height], [600, 870]);
  const corners = shapes.flatMap(({ path }) => [...path.matchAll(/M(-?[\d.]+) (-?[\d.]+)h(-?[\d.]+)v(-?[\d.]+)/g)]);
  // Back, plinth, drawer front and two doors; what lies behind them is left out.
  assert.equal(corners.length, 5);
  for (const [, x, y, w, h] of corners.map((corner) => corner.map(Number))) {
    assert.ok(
      (x ?? -1) >= -0.1 &&
        (y ?? -1) >= -0.1 &&
        (x ?? 0) + (w ?? 0) <= width + 0.1 &&
        (y ?? 0) + (h ?? 0) <= height + 0.1,
    );
  }
});
