import assert from 'node:assert/strict';
import { test } from 'node:test';
import { buildable } from '../../../../tests/generator/buildable.js';
import { Random } from '../../../../tests/generator/random.js';
import { solveWith } from '../../../../tests/support/cabinets.js';
import type { SolvedCabinet } from '../../solve/index.js';
import {
  ALL_LAYERS,
  type DimensionItem,
  drawElevation,
  drawPlan,
  drawSection,
  inLayers,
  type LaidProjection,
  layProjection,
  onSheet,
  planLevels,
  SIZES,
  type Sizes,
  scalesOf,
} from './index.js';

const SCREEN = { width: 968, height: 600, unitsPerMm: 96 / 25.4 } as const;

function drawingsOf(solved: SolvedCabinet) {
  const [level] = planLevels(solved);
  return {
    front: drawElevation(solved, 'job'),
    section: drawSection(solved, 'job'),
    ...(level ? { plan: drawPlan(solved, 'job', level.at, { shut: true }) } : {}),
  };
}

interface Box {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}
const meet = (a: Box, b: Box) =>
  Math.min(a.right, b.right) - Math.max(a.left, b.left) > 0.5 &&
  Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) > 0.5;

/** Boxes of all texts, and of what each view draws. */
function boxesOf({ views }: LaidProjection, textHeight: number) {
  const texts = views.flatMap(({ laid }) =>
    laid.dimensions.map(({ item, text, textWidth }) => ({
      id: item.id,
      left: text.x - textWidth / 2,
      right: text.x + textWidth / 2,
      top: text.y - textHeight / 2,
      bottom: text.y + textHeight / 2,
    })),
  );
  const bodies = views.map(({ id, drawing, laid }) => {
    const [a, b] = [onSheet(laid, drawing.min), onSheet(laid, drawing.max)];
    return { id, left: a.x, right: b.x, top: b.y, bottom: a.y };
  });
  return { texts, bodies };
}

function assertApart(
  texts: readonly (Box & { id: string })[],
  bodies: readonly (Box & { id: string })[],
  where: string,
) {
  for (const [at, a] of texts.entries()) {
    for (const b of texts.slice(at + 1)) assert.ok(!meet(a, b), `${where}: ${a.id} lies on ${b.id}`);
    for (const body of bodies) assert.ok(!meet(a, body), `${where}: ${a.id} lies on the ${body.id}`);
  }
}

test('200 cabinets from 300 to 3000 in both units: views in line, no text on another or on a view, all on the sheet', () => {
  const arrangements = new Map<string, number>();
  let [called, drawn, cabinets, corners, calledFor, seenOf] = [0, 0, 0, 0, 0, 0];
  for (let seed = 0; seed < 200; seed += 1) {
    const random = new Random(seed + 900);
    const { decisions } = buildable(seed);
    const solved = solveWith({
      ...decisions,
      width: random.whole(300, 3000),
      height: random.pick([400, 720, 870, 1400, 2100]),
    });
    const inch = seed % 2 === 1;
    const textHeight = inch ? 27 : 19;
    const width = (item: DimensionItem) => (inch ? 58 : 24 + 8 * String(Math.round(item.dim.value)).length);
    const drawings = drawingsOf(solved);
    const space = { ...SCREEN, textHeight, scales: scalesOf(inch ? 'in' : 'mm') };
    const laid = layProjection(drawings, space, width);
    const ids = laid.views.map(({ id }) => id).join(' ');
    arrangements.set(ids, (arrangements.get(ids) ?? 0) + 1);
    const { texts, bodies } = boxesOf(laid, textHeight);
    assertApart(texts, bodies, `seed ${seed}`);
    for (const { id, left, top, right, bottom } of texts)
      assert.ok(left > -1 && top > -1 && right < SCREEN.width + 1 && bottom < SCREEN.height + 1, `seed ${seed}: ${id}`);
    const pictured = layProjection(drawings, space, width, { withCorner: true });
    if (pictured.corner) {
      const { x, y, width: wide, height: high } = pictured.corner;
      corners += 1;
      const beside = boxesOf(pictured, textHeight);
      for (const each of [...beside.texts, ...beside.bodies])
        assert.ok(!meet(each, { left: x, top: y, right: x + wide, bottom: y + high }), `seed ${seed}: ${each.id}`);
    }
    // Every layer of sizes by itself, and near by: what it calls for is drawn, apart.
    for (const sizes of Object.keys(SIZES) as Sizes[]) {
      const layers = { ...ALL_LAYERS, sizes };
      const seen = Object.fromEntries(
        Object.entries(drawings).map(([id, drawing]) => [id, inLayers(drawing, layers)]),
      ) as typeof drawings;
      for (const zoom of [1, 2.7]) {
        const layered = layProjection(seen, space, width, { zoom });
        const boxes = boxesOf(layered, textHeight);
        assertApart(boxes.texts, boxes.bodies, `seed ${seed}, ${sizes}, ${zoom}`);
        calledFor += seen.front.dimensions.length;
        seenOf += layered.views[0]?.laid.dimensions.length ?? 0;
        const [fit, near] = [layProjection(seen, space, width).scale, layered.scale];
        assert.ok(Math.abs(fit / near - zoom) < 1e-9);
      }
    }
    for (const [at, a] of bodies.entries())
      for (const b of bodies.slice(at + 1)) assert.ok(!meet(a, b), `seed ${seed}: ${a.id} lies on ${b.id}`);
    const [front] = laid.views;
    assert.ok(front);
    for (const { id, laid: view } of laid.views) {
      assert.equal(view.unit, front.laid.unit, 'one scale');
      if (id === 'section') assert.equal(onSheet(view, { h: 0, v: 100 }).y, onSheet(front.laid, { h: 0, v: 100 }).y);
      if (id === 'plan') assert.equal(onSheet(view, { h: 100, v: 0 }).x, onSheet(front.laid, { h: 100, v: 0 }).x);
    }
    cabinets += 1;
    called += drawings.front.dimensions.length;
    drawn += front.laid.dimensions.length;
  }
  console.log(`${cabinets} cabinets: ${[...arrangements].map(([ids, n]) => `${ids} ${n}`).join(', ')}`);
  console.log(`${drawn} of ${called} dimensions of the fronts are drawn`);
  assert.ok((arrangements.get('front section plan') ?? 0) > 40, 'three views are usual');
  assert.equal(drawn, called);
  console.log(`${corners} have a corner left for a picture; of the layers, near and far, ${seenOf} of ${calledFor}`);
  assert.ok(corners > 120);
  assert.equal(seenOf, calledFor);
});

test('a tall cabinet keeps front and section, and what the front says the section does not say again', () => {
  const solved = solveWith({ from: 'tall', width: 600, height: 2200, depth: 600 });
  const drawings = drawingsOf(solved);
  const laid = layProjection(drawings, { ...SCREEN, textHeight: 19, scales: scalesOf('mm') }, () => 44);
  assert.deepEqual(
    laid.views.map(({ id }) => id),
    ['front', 'section'],
  );
  const heights = laid.views.flatMap(({ drawing }) =>
    drawing.dimensions.filter(({ side }) => side === 'left' || side === 'right').map(({ from, to }) => `${from} ${to}`),
  );
  const own = drawings.front.dimensions
    .filter(({ side }) => side === 'left' || side === 'right')
    .map(({ from, to }) => `${from} ${to}`);
  assert.equal(heights.filter((each) => own.includes(each)).length, own.length);
});
