import assert from 'node:assert/strict';
import { test } from 'node:test';
import demo from '../../../../demo/reading-room.alcove.json' with { type: 'json' };
import { formatLength, type LengthStyle, lengthFigures } from '../../ground/index.js';
import { readJob, type SolvedCabinet, solve } from '../../solve/index.js';
import { ALL_LAYERS } from '../views/index.js';
import { drawOverview, itemInk, layOverview, type Mark, overviewInk } from './index.js';

const read = readJob(structuredClone(demo));
assert.ok(read.ok);
const job = read.value;
const { cabinets } = solve(job);
const STYLES: readonly LengthStyle[] = [
  { ...job.display, unit: 'mm' },
  { ...job.display, unit: 'in' },
];
const SIZE = { width: 992, height: 614 };
const inked = (solved: SolvedCabinet, style: LengthStyle) =>
  overviewInk(solved, job.name, {}, { size: SIZE, style, layers: ALL_LAYERS, date: '2026-01-02' });

/** Where a mark lies, found without what laid it: the corners of all it is made of. */
function reach(mark: Mark): readonly [number, number, number, number] {
  switch (mark.kind) {
    case 'rect':
      return [mark.x, mark.y, mark.x + mark.width, mark.y + mark.height];
    case 'circle':
      return [mark.x - mark.radius, mark.y - mark.radius, mark.x + mark.radius, mark.y + mark.radius];
    case 'line': {
      const [xs, ys] = [mark.points.map(({ x }) => x), mark.points.map(({ y }) => y)];
      return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
    }
    case 'text':
      return [mark.x, mark.y - mark.size, mark.x, mark.y];
  }
}

test('a sheet in ink is plain data, lies on its paper, and every number on it is written on a ground of its own', () => {
  let figures = 0;
  for (const style of STYLES)
    for (const solved of cabinets) {
      const marks = inked(solved, style);
      assert.deepEqual(JSON.parse(JSON.stringify(marks)), marks);
      for (const mark of marks) {
        const corners = reach(mark);
        assert.ok(corners.every(Number.isFinite), JSON.stringify(mark));
        const [left, top, right, bottom] = corners;
        assert.ok(left >= -0.1 && top >= -0.1 && right <= SIZE.width + 0.1, `${solved.cabinet.id} ${mark.kind}`);
        assert.ok(bottom <= SIZE.height + 0.1, `${solved.cabinet.id} ${mark.kind}`);
      }
      const { views } = layOverview((id) => drawOverview(solved, id, job.name, {}), SIZE, style, ALL_LAYERS);
      const written = marks.flatMap((mark) => (mark.kind === 'text' ? [mark] : []));
      for (const { item, text } of views.flatMap(({ laid }) => laid.dimensions)) {
        const { whole, fraction } = lengthFigures(item.dim.value, style);
        const near = written.filter(({ x, y }) => Math.abs(x - text.x) < 40 && Math.abs(y - text.y) < 16);
        const words = near.map((mark) => mark.text.replace('−', ''));
        const says = formatLength(item.dim.value, style);
        if (whole !== '0' || !fraction) assert.ok(words.includes(whole), `${says} is not at its place: ${words}`);
        if (fraction) assert.ok(words.includes(String(fraction.denominator)), `${says}: ${words}`);
        const ground = marks.find(
          (mark) => mark.kind === 'rect' && mark.fill === 'sheet' && Math.abs(mark.x + mark.width / 2 - text.x) < 0.2,
        );
        assert.ok(ground, `${says} has no ground`);
        figures += 1;
      }
    }
  assert.ok(figures > 300, `${figures} figures`);
});

test('what is chosen is in pencil and nothing else of it changes; what has no room is left out', () => {
  const laid = { origin: { x: 0, y: 400 }, unit: 0.3 };
  let chosen = 0;
  for (const solved of cabinets)
    for (const id of ['front', 'section'] as const)
      for (const item of drawOverview(solved, id, job.name, {})?.items ?? []) {
        const [plain, lit] = [itemInk(item, laid), itemInk(item, laid, true)];
        assert.equal(plain === undefined, lit === undefined);
        if (!plain || !lit) continue;
        assert.deepEqual(lit.marks.map(reach), plain.marks.map(reach));
        const colours = (marks: readonly Mark[]) =>
          JSON.stringify(marks.map((mark) => ('stroke' in mark ? mark.stroke?.colour : mark.fill)));
        if (item.kind !== 'region' || item.tint !== 'bay') assert.notEqual(colours(lit.marks), colours(plain.marks));
        chosen += 1;
      }
  assert.ok(chosen > 200);
  assert.equal(itemInk({ kind: 'mark', at: { h: 0, v: 0 }, text: '1.A', room: 10 }, laid), undefined);
  const tight = itemInk({ kind: 'mark', at: { h: 0, v: 0 }, text: '1.A', room: 60 }, laid);
  assert.equal(tight?.marks.length, 1, 'no frame where there is little room');
  assert.equal(itemInk({ kind: 'mark', at: { h: 0, v: 0 }, text: '1.A' }, laid)?.marks.length, 2);
});
