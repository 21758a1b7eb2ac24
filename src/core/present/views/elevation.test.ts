import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { buildableDecisions, type CabinetDecisions, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import { type Drawing, spotOn } from '../../part/index.js';
import { drawElevation, drawSection, drawThumbnail, laySheet, scalesOf } from './index.js';

const share = { rule: 'share' as const, weight: 1 };
const elevation = (decisions: CabinetDecisions) => drawElevation(solveWith(decisions), 'job');
const dims = (decisions: CabinetDecisions) => new Map(elevation(decisions).dimensions.map((item) => [item.id, item]));

test('every dimension spans on the drawing what it says', () => {
  fc.assert(
    fc.property(buildableDecisions, (decisions) => {
      for (const item of elevation(decisions).dimensions)
        assert.ok(
          Math.abs(item.to - item.from - item.dim.value) < 0.01,
          `${item.id}: ${item.to - item.from} is not ${item.dim.value}`,
        );
    }),
    { numRuns: 120 },
  );
});

test('a dimension edits a decision of this cabinet, or only shows what follows', () => {
  const all = [...dims({ parts: [{ id: 'o1', size: share, fill: { kind: 'pair' } }] }).values()];
  const edits = Object.fromEntries(all.map(({ id, edits: path }) => [id, path?.replace('cabinets/c1/', '')]));
  assert.equal(edits.width, 'size/width');
  assert.equal(edits.height, 'size/height/mm');
  assert.equal(edits['toe-height'], 'settings/toe/height');
  assert.equal(edits['gap-door/o1/left'], 'settings/fronts/gap');
  assert.equal(edits['inside-width'], undefined);
  assert.equal(edits['box-height'], undefined);
});

test('a frame has its own heights and members instead of reveals', () => {
  const framed = dims({
    settings: { school: 'faceFrame' },
    parts: [
      { id: 'o1', size: share, fill: { kind: 'drawer' } },
      { id: 'o2', size: share, fill: { kind: 'pair' } },
    ],
  });
  assert.ok(framed.has('frame-height') && framed.has('member-o1') && framed.has('opening-o1'));
  assert.ok(!framed.has('reveal-left') && !framed.has('reveal-top'));
  assert.match(framed.get('member-o1')?.edits ?? '', /frame\/midRail$/);
});

test('inset and lipped fronts are not placed by reveals, and offer none to edit', () => {
  for (const fit of ['inset', 'lipped'] as const) {
    const ids = [...dims({ settings: { fronts: { fit, gap: 2 } } }).keys()];
    assert.ok(!ids.some((id) => id.startsWith('reveal')), fit);
  }
});

test('what a front hides is drawn again over it, dashed; an open bay shows what it holds', () => {
  const closed = elevation({
    parts: [{ id: 'o1', size: share, fill: { kind: 'pair', interior: { kind: 'shelves', shelves: 1 } } }],
  });
  const shelf = (drawing: typeof closed, hidden: boolean) =>
    drawing.items.some(
      (item) => item.kind === 'region' && item.shows === 'shelf/o1/1' && (item.weight === 'hidden') === hidden,
    );
  assert.ok(shelf(closed, true));
  const open = elevation({
    parts: [{ id: 'o1', size: share, fill: { kind: 'open', interior: { kind: 'shelves', shelves: 1 } } }],
  });
  assert.ok(shelf(open, false) && !shelf(open, true));
});

test('a door swings from the corners of its opening edge to its hinge edge', () => {
  const swing = (hinged: 'left' | 'right') => {
    const line = elevation({
      parts: [{ id: 'o1', size: share, fill: { kind: 'door', hinged } }],
    }).items.find((item) => item.kind === 'line' && item.weight === 'swing');
    assert.ok(line?.kind === 'line');
    return line.points.map(({ h }) => h);
  };
  assert.deepEqual(swing('left'), [798.5, 1.5, 798.5]);
  assert.deepEqual(swing('right'), [1.5, 798.5, 1.5]);
});

test('a false front has no swing and no pull, and its mark like any other', () => {
  const drawing = elevation({ parts: [{ id: 'o1', size: share, fill: { kind: 'false' } }] });
  assert.ok(!drawing.items.some((item) => item.kind === 'line' && item.weight === 'swing'));
  assert.ok(!drawing.items.some((item) => item.kind === 'hardware'));
  assert.ok(drawing.items.some((item) => item.kind === 'mark' && item.shows === 'false/o1'));
});

test('a mark stands beside a pull in the middle of its front, else in the middle', () => {
  const mark = (doors: string, width: number) => {
    const drawing = elevation({
      width,
      settings: { pulls: { drawers: doors } },
      parts: [{ id: 'o1', size: share, fill: { kind: 'drawer' } }],
    });
    const found = drawing.items.find((item) => item.kind === 'mark');
    return found?.kind === 'mark' ? found.at.h / width : 0;
  };
  assert.ok(mark('harl-bow-128', 600) < 0.3);
  assert.ok(Math.abs(mark('harl-bow-128', 900) - 0.5) < 0.01, 'two pulls leave the middle free');
  assert.ok(Math.abs(mark('none', 600) - 0.5) < 0.01);
});

test('a chain line runs through fronts of one blank: up a column, along a row, both over the face', () => {
  const lines = (grainRuns: 'none' | 'columns' | 'rows' | 'face') =>
    elevation({ settings: { fronts: { grainRuns } } })
      .items.filter((item) => item.kind === 'line' && item.weight === 'centre')
      .map((item) => (item.kind === 'line' && item.points[0]?.h === item.points[1]?.h ? 'up' : 'along'));
  assert.deepEqual(lines('none'), []);
  assert.deepEqual(lines('rows'), ['along']);
  assert.deepEqual(lines('face'), ['up', 'along']);
});

test('a place on a part lies where the part has it, in elevation and section', () => {
  const solved = solveWith({});
  const side = partOf(solved, 'side/right');
  const { min } = side.extent;
  const spot = ({ spots }: Drawing) => spots && spotOn(spots, side, { u: 100, v: 40 });
  const front = spot(drawElevation(solved, 'job'));
  assert.equal(front?.h, min[0]);
  assert.equal(front?.v, 100);
  assert.deepEqual(spot(drawSection(solved, 'job')), { h: 40, v: 100 });
});

test('from 200 to 3000 every elevation fits its sheet, dimension texts apart', () => {
  for (const [width, height] of [
    [200, 300],
    [400, 2400],
    [3000, 300],
    [1200, 3000],
  ] as const) {
    const drawing = elevation({
      width,
      height,
      parts: [{ id: 'o1', size: share, fill: { kind: 'pair' } }],
    });
    const laid = laySheet(
      drawing,
      { width: 690, height: 370, unitsPerMm: 96 / 25.4, scales: scalesOf('mm'), textHeight: 19 },
      () => 44,
    );
    assert.ok(
      laid.dimensions.some(({ item }) => item.id === 'width'),
      `${width} by ${height}`,
    );
    laid.dimensions.forEach((a, n) => {
      for (const b of laid.dimensions.slice(n + 1))
        assert.ok(
          Math.abs(a.text.x - b.text.x) >= (a.textWidth + b.textWidth) / 2 - 0.01 ||
            Math.abs(a.text.y - b.text.y) >= 18.4,
          `${a.item.id} on ${b.item.id}`,
        );
    });
  }
});

test('a thumbnail carries no hardware and nothing hidden', () => {
  const { shapes, width, height } = drawThumbnail(solveWith({}));
  assert.deepEqual([width, height], [800, 870]);
  assert.ok(shapes.length > 0 && shapes.every(({ weight }) => weight !== 'hidden'));
});
