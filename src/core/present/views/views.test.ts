import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { buildable } from '../../../../tests/generator/buildable.js';
import { buildableDecisions, jobWith, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import type { Cabinet } from '../../decisions/index.js';
import { type SolvedCabinet, settingLeaves, solve } from '../../solve/index.js';
import { drawChoice, drawPanel, drawSection, hasChoicePicture, laySheet, machiningTable, scalesOf } from './index.js';

test('the side section shows back, nailer, stretchers and toe cut, and its numbers span what they say', () => {
  const drawing = drawSection(solveWith({}), 'job');
  const cut = drawing.items.flatMap((item) => (item.kind === 'region' && item.cut ? [item.shows] : []));
  for (const key of [
    'bottom',
    'back',
    'nailer/high',
    'stretcher/front',
    'stretcher/rear',
    'plinth/front',
    'plinth/rear',
    'drawer/o1',
  ])
    assert.ok(cut.includes(key), key);
  assert.ok(!cut.includes('side/left') && !cut.includes('side/right'), 'the cut runs between the sides');
  for (const item of drawing.dimensions) assert.ok(Math.abs(item.to - item.from - item.dim.value) < 0.01, item.id);
});

test('a notched side is drawn with its notch at the front', () => {
  const { items } = drawSection(solveWith({ settings: { toe: { kind: 'notched', height: 90, setback: 60 } } }), 'job');
  const side = items.find((item) => item.kind === 'shape' && item.shows === 'side/right');
  assert.ok(side?.kind === 'shape');
  assert.equal(side.points.length, 6);
  assert.ok(side.points.some((point) => point.v === 90 && point.h === 60 + 18));
  assert.ok(!side.points.some((point) => point.v === 0 && point.h < 78 - 0.01));
});

test('twins are drawn as mirror images, and the two faces of a part as well', () => {
  const solved = solveWith({ settings: { toe: { kind: 'notched' } } });
  const [left, right] = [partOf(solved, 'side/left'), partOf(solved, 'side/right')];
  const outline = (part: typeof left, face: 1 | 2) => {
    const shape = drawPanel(part, face, '1.A', 'job').items.find((item) => item.kind === 'shape');
    return shape?.kind === 'shape' ? shape.points.map(({ h, v }) => `${Math.round(h)} ${Math.round(v)}`).sort() : [];
  };
  const mirrored = (points: string[], width: number) =>
    points
      .map((point) => point.split(' ').map(Number))
      .map(([h, v]) => `${Math.round(width - (h ?? 0))} ${v}`)
      .sort();
  assert.notDeepEqual(outline(left, 1), outline(right, 1));
  assert.deepEqual(outline(right, 1), mirrored(outline(left, 1), left.width.value));
  assert.deepEqual(outline(left, 2), mirrored(outline(left, 1), left.width.value));
});

test('what is cut in the face that is up is drawn full, what is in the other dashed', () => {
  const side = partOf(solveWith({}), 'side/left');
  const grooves = (face: 1 | 2) =>
    drawPanel(side, face, '1.A', 'job')
      .items.filter((item) => item.kind === 'region')
      .map((item) => item.weight);
  assert.ok(grooves(1).includes('visible'));
  assert.ok(grooves(2).every((weight) => weight === 'hidden'));
});

test('every operation of every part has a row in its table, a place on its drawing and a reason', () => {
  fc.assert(
    fc.property(buildableDecisions, (decisions) => {
      const solved = solveWith(decisions);
      if (solved.findings.some((finding) => finding.severity === 'stop')) return;
      for (const { part, mark } of solved.rows) {
        const table = machiningTable(part);
        assert.equal(table.length, part.machining.length);
        for (const row of table)
          assert.ok(row.what && row.where && row.reason && row.size.value > 0, `${part.key}: ${row.what}`);
        for (const face of [1, 2] as const) {
          const { items, max } = drawPanel(part, face, mark, 'job');
          for (const item of items)
            if (item.kind === 'hole')
              assert.ok(
                item.at.h > 0 && item.at.h < max.h && item.at.v > 0 && item.at.v < max.v,
                `${part.key} hole at ${item.at.h}, ${item.at.v}`,
              );
        }
      }
    }),
    { numRuns: 120 },
  );
});

test('section and panels always fit their sheet', () => {
  const space = { width: 420, height: 380, unitsPerMm: 96 / 25.4, scales: scalesOf('mm'), textHeight: 27 };
  fc.assert(
    fc.property(buildableDecisions, (decisions) => {
      const solved = solveWith(decisions);
      const drawings = [
        drawSection(solved, 'job'),
        ...solved.rows.slice(0, 3).map(({ part, mark }) => drawPanel(part, 1, mark, 'job')),
      ];
      for (const drawing of drawings) {
        const laid = laySheet(drawing, space, () => 60);
        for (const { text } of laid.dimensions)
          assert.ok(text.x >= 0 && text.x <= space.width && text.y >= 0 && text.y <= space.height, drawing.title.view);
      }
    }),
    { numRuns: 80 },
  );
});

test('every option of a pictured choice is drawn, and options that differ look different', () => {
  const job = jobWith({});
  const cabinet = job.cabinets[0] as Cabinet;
  const pictured = settingLeaves.filter((leaf) => hasChoicePicture(leaf.path.join('/')));
  assert.ok(pictured.length >= 24);
  for (const leaf of pictured) {
    const path = leaf.path.join('/');
    const pictures = Object.keys(leaf.options ?? {}).map((option) => drawChoice(job, cabinet, path, option));
    assert.ok(pictures.length > 1 && pictures.every((picture) => picture && picture.shapes.length > 0), path);
  }
  for (const path of [
    'toe/kind',
    'joints/bottom',
    'joints/shelf',
    'joints/partition',
    'back/kind',
    'bottom/place',
    'ends/rightPanel',
    'nailer/rails',
  ]) {
    const leaf = settingLeaves.find((each) => each.path.join('/') === path);
    // Nailers only where nothing else holds the box are all of them, or none.
    const options = Object.keys(leaf?.options ?? {}).filter((option) => option !== 'needed');
    const seen = options.map((option) => JSON.stringify(drawChoice(job, cabinet, path, option)));
    assert.equal(new Set(seen).size, seen.length, path);
  }
  assert.equal(drawChoice(job, cabinet, 'fronts/gap', '3'), undefined);
});

test('faces are called what a shop calls them', () => {
  const share = { rule: 'share' as const, weight: 1 };
  const open = (id: string) => ({
    id,
    size: share,
    fill: { kind: 'open' as const, interior: { kind: 'shelves' as const, shelves: 1 } },
  });
  const solved = solveWith({
    width: 1000,
    face: { kind: 'columns', graduation: { kind: 'arithmetic', step: 0 }, parts: [open('a'), open('b')] },
  });
  const view = (key: string, face: 1 | 2) => drawPanel(partOf(solved, key), face, '1.A', 'job').title.view;
  assert.deepEqual([view('divider/a', 1), view('divider/a', 2)], ['Left face', 'Right face']);
  assert.deepEqual([view('side/left', 1), view('side/left', 2)], ['Inside face', 'Outside face']);
  const door = partOf(solveWith({}), 'door/o2/left');
  assert.match(
    machiningTable(door).find(({ reason }) => reason.startsWith('cup: '))?.where ?? '',
    /^back, from the left edge/,
  );
});

test('an offset on a panel is drawn from the edge it is measured from to what it is the offset of', () => {
  let offsets = 0;
  for (let seed = 0; seed < 60; seed += 1) {
    const solved = solve(jobWith(buildable(seed).decisions)).cabinets[0] as SolvedCabinet;
    for (const part of solved.parts)
      for (const face of [1, 2] as const) {
        const { items, dimensions } = drawPanel(part, face, '', '', solved);
        const drawn = (axis: 'h' | 'v') =>
          items.flatMap((item) => {
            if (item.kind === 'region') return [item.from[axis], item.to[axis]];
            if (item.kind === 'hole') return [item.at[axis]];
            return item.kind === 'line' || item.kind === 'shape' ? item.points.map((point) => point[axis]) : [];
          });
        for (const { id, side, from, to, dim } of dimensions) {
          const what = `${part.key}, face ${face}, ${id}`;
          assert.ok(Math.abs(to - from - dim.value) < 0.01, `${what} spans ${to - from}, says ${dim.value}`);
          const upright = side === 'left' || side === 'right';
          const full = (upright ? part.length : part.width).value;
          const atLow = Math.abs(from) < 0.01;
          assert.ok(atLow || Math.abs(to - full) < 0.01, `${what} starts at no edge: ${from} to ${to} of ${full}`);
          const [, at] = /^panel-(\d+)-\d$/.exec(id) ?? [];
          if (at === undefined || dim.value > full - 0.01) continue;
          const end = atLow ? to : from;
          const places = drawn(upright ? 'v' : 'h');
          assert.ok(
            places.some((place) => Math.abs(place - end) < 0.01),
            `${what}: nothing is drawn at ${end}`,
          );
          offsets += 1;
        }
      }
  }
  assert.ok(offsets > 300, `${offsets} offsets`);
});
