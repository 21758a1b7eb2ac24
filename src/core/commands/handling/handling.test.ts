import assert from 'node:assert/strict';
import { test } from 'node:test';
import { buildable } from '../../../../tests/generator/buildable.js';
import { Random } from '../../../../tests/generator/random.js';
import { type CabinetDecisions, jobWith, solveWith } from '../../../../tests/support/cabinets.js';
import type { Finding } from '../../cabinet/index.js';
import { type Act, isSplit, type Job, type Opening, openingsOf } from '../../decisions/index.js';
import { check, type SolvedCabinet, solve } from '../../solve/index.js';
import { documentRefusal, stopBrought } from '../acts/index.js';
import { withEdits } from '../changes/index.js';
import {
  actByKey,
  actOn,
  distribute,
  divide,
  duplicate,
  faceOf,
  free,
  HANDS,
  lastGood,
  linesOf,
  MAKES,
  make,
  mergeOpening,
  mirror,
  openingPlaceOf,
  pin,
  sectionLinesOf,
  settle,
  sizesAt,
} from './index.js';

const share = { rule: 'share' as const, weight: 1 };
const MM = { unit: 'mm', mmStep: 0.1, graduation: 32 } as Job['display'];
let count = 0;
const ids = () => {
  count += 1;
  return `n${count}`;
};

function carriedOut(job: Job, act: Act | undefined): { job: Job; solved: SolvedCabinet } {
  assert.ok(act);
  const next = withEdits(job, act.edits);
  assert.equal(documentRefusal(job, next), null, act.label);
  const [solved] = solve(next).cabinets;
  assert.ok(solved);
  return { job: next, solved };
}

const first = (job: Job) => solve(job).cabinets[0] as SolvedCabinet;
const closes = (solved: SolvedCabinet) => solved.face.ok && !check(solved).some(({ refuses }) => refuses);
const fronts = ({ fronts: all }: SolvedCabinet) => all.map(({ key, extent: { min, max } }) => ({ key, min, max }));
const drawers = (n: number): Opening[] =>
  Array.from({ length: n }, (_, at) => ({ id: `o${at + 1}`, size: share, fill: { kind: 'drawer' } }));
const near = (a: number, b: number, what: string) => assert.ok(Math.abs(a - b) < 0.01, `${what}: ${a} and ${b}`);

test('a line that is dragged stands where it was put, both sizes beside it are what was said, the others stay', () => {
  let [moved, skipped] = [0, 0];
  for (let seed = 0; seed < 80; seed += 1) {
    const random = new Random(seed + 40);
    const { decisions } = buildable(seed);
    const job = jobWith(decisions);
    const solved = first(job);
    const gaps = linesOf(solved).filter(({ id }) => id.startsWith('gap-'));
    const line = gaps.length > 0 ? random.pick(gaps) : undefined;
    if (!line || line.most - line.least < 4) {
      skipped += 1;
      continue;
    }
    // Not so far that another rule stands in the way.
    const at = line.at + random.between(Math.max(-30, line.least - line.at), Math.min(30, line.most - line.at));
    const act = line.place(at);
    const after = carriedOut(job, act).solved;
    if (!closes(after)) {
      skipped += 1;
      continue;
    }
    const again = linesOf(after).find(({ id }) => id === line.id);
    assert.ok(again, 'it is there again');
    near(again.at, at, `seed ${seed}: ${line.label}`);
    assert.deepEqual(sizesAt(line, at, MM), sizesAt(again, again.at, MM), `seed ${seed}`);
    for (const other of gaps) {
      const now = linesOf(after).find(({ id }) => id === other.id);
      if (other.id !== line.id && other.moves === line.moves && other.from === line.from && other.to === line.to)
        near(now?.at ?? Number.NaN, other.at, `seed ${seed}: ${other.label} stays`);
    }
    moved += 1;
  }
  console.log(`${moved} lines moved, ${skipped} cabinets without one`);
  assert.ok(moved > 40, `${moved} moved, ${skipped} skipped`);
});

test('what stands between rooms behind doors is dragged the same way: it stands where it was put, the other rooms stay', () => {
  let [moved, skipped] = [0, 0];
  for (let seed = 0; seed < 130; seed += 1) {
    const random = new Random(seed + 4000);
    const job = jobWith(buildable(seed).decisions);
    const solved = first(job);
    const rooms = linesOf(solved).filter(({ id }) => id.startsWith('room-'));
    if (rooms.length === 0) continue;
    const line = random.pick(rooms);
    const at = line.at + random.between(Math.max(-25, line.least - line.at), Math.min(25, line.most - line.at));
    const after = carriedOut(job, line.place(at)).solved;
    if (after.interiors.refused.length > solved.interiors.refused.length) {
      skipped += 1;
      continue;
    }
    const again = linesOf(after).find(({ id }) => id === line.id);
    assert.ok(again, `seed ${seed}`);
    near(again.at, at, `seed ${seed}: ${line.label}`);
    assert.deepEqual(sizesAt(line, at, MM), sizesAt(again, again.at, MM));
    for (const other of rooms.filter(
      ({ id, moves, from }) => id !== line.id && moves === line.moves && from === line.from,
    ))
      near(
        linesOf(after).find(({ id }) => id === other.id)?.at ?? Number.NaN,
        other.at,
        `seed ${seed}: ${other.label} stays`,
      );
    moved += 1;
  }
  console.log(`${moved} moved, ${skipped} do not come out`);
  assert.ok(moved > 12, `${moved} moved, ${skipped} skipped`);
});

test('ends and toe follow the line: what is drawn there afterwards stands there', () => {
  const job = jobWith({ width: 600, height: 800, parts: drawers(3) });
  const solved = first(job);
  const line = (id: string) => {
    const found = linesOf(solved).find((each) => each.id === id);
    assert.ok(found, id);
    return found;
  };
  const wider = carriedOut(job, line('end-right').place(line('end-right').at + 37)).solved;
  near(
    Math.max(...wider.parts.map(({ extent }) => extent.max[0])),
    Math.max(...solved.parts.map(({ extent }) => extent.max[0])) + 37,
    'right end',
  );
  const higher = carriedOut(job, line('end-top').place(line('end-top').at + 37)).solved;
  near(higher.box.height.value, solved.box.height.value + 37, 'top');
  const toe = carriedOut(job, line('toe').place(20)).solved;
  near(toe.box.underHeight.value, solved.box.underHeight.value + 20, 'toe');
});

/** Heights at which runners are screwed to what stands beside a drawer, read from the holes that are bored. */
const screwed = ({ parts }: SolvedCabinet, opening: string) => [
  ...new Set(
    parts.flatMap(({ machining, placement: { origin } }) =>
      machining.flatMap((operation) =>
        operation.kind === 'holes' &&
        operation.by.kind === 'runners' &&
        operation.by.what === 'case' &&
        operation.by.front?.endsWith(`/${opening}`)
          ? [Math.round((origin[2] + operation.offset.value) * 100) / 100]
          : [],
      ),
    ),
  ),
];

test('a runner that is dragged is screwed where its line was put; its box goes with it, nothing else moves', () => {
  const job = jobWith({ width: 600, height: 800, parts: drawers(3) });
  const before = first(job);
  const line = linesOf(before).find(({ id }) => id === 'runner/o2/left');
  assert.ok(line && line.most > line.at + 40, 'there is room to raise it');
  assert.deepEqual(screwed(before, 'o2'), [Math.round(line.at * 100) / 100]);
  for (const at of [line.at + 11.5, line.most]) {
    const after: SolvedCabinet = carriedOut(job, line.place(at)).solved;
    assert.deepEqual(screwed(after, 'o2'), [Math.round(at * 100) / 100]);
    assert.deepEqual(screwed(after, 'o1'), screwed(before, 'o1'));
    assert.deepEqual(fronts(after), fronts(before));
    const floor = ({ parts }: SolvedCabinet) =>
      Math.min(...parts.filter(({ key }) => key.startsWith('drawer/o2/box')).map(({ extent }) => extent.min[2]));
    near(floor(after), floor(before) + at - line.at, 'underside of the box');
    assert.deepEqual(
      check(after).filter(({ severity }) => severity === 'stop'),
      [],
    );
  }
  // From the side it is the same line, and the grid of holes is a reason to stop at.
  const side = sectionLinesOf(before).find(({ id }) => id === 'runner/o2/right');
  near(side?.at ?? 0, line.at, 'seen from the side');
  const [hole] = line.snaps.filter(({ why }) => why === 'on the grid of holes');
  near(((hole?.at ?? 0) - (before.grid?.base.value ?? 0)) % 32, 0, 'on the grid');
});

test('a runner that is raised too far is a stop that says so, and what was typed is kept', () => {
  const job = jobWith({ width: 600, height: 800, parts: drawers(3) });
  const line = linesOf(first(job)).find(({ id }) => id === 'runner/o2/left');
  const high = carriedOut(job, line?.place(line.at + 600));
  assert.ok(check(high.solved).some(({ severity }) => severity === 'stop'));
  const [, opening] = openingsOf(high.job.cabinets[0]?.face as never);
  assert.equal(opening?.fill.kind === 'drawer' && opening.fill.raised, 600);
});

test('on the section the columns of pin holes, the toe and the rear follow the line', () => {
  for (const rear of ['steps', 'groove'] as const) {
    const job = jobWith({
      width: 700,
      height: 800,
      settings: { pins: { rear } },
      parts: [
        { id: 'o1', size: share, fill: { kind: 'door', hinged: 'left', interior: { kind: 'shelves', shelves: 2 } } },
      ],
    });
    const before = first(job);
    const columns = ({ parts }: SolvedCabinet) => [
      ...new Set(
        (parts.find(({ key }) => key === 'side/right')?.machining ?? []).flatMap((operation) =>
          operation.kind === 'holes' && operation.by.kind === 'pins' ? [operation.offset.value] : [],
        ),
      ),
    ];
    const lines = sectionLinesOf(before);
    const line = (id: string) => {
      const found = lines.find((each) => each.id === id);
      assert.ok(found, `${id} of ${lines.map((each) => each.id)}`);
      return found;
    };
    assert.deepEqual(lines.filter(({ id }) => id.startsWith('pins-')).length, rear === 'groove' ? 2 : 1);
    const front = carriedOut(job, line('pins-front-o1').place(line('pins-front-o1').at + 9)).solved;
    near(columns(front)[0] ?? 0, (columns(before)[0] ?? 0) + 9, 'front line');
    if (rear === 'groove') {
      const moved = carriedOut(job, line('pins-rear-o1').place(line('pins-rear-o1').at - 14)).solved;
      near(columns(moved)[1] ?? 0, (columns(before)[1] ?? 0) - 14, 'rear line');
      near(columns(moved)[0] ?? 0, columns(before)[0] ?? 0, 'the front line stays');
    }
    const deeper = carriedOut(job, line('end-rear').place(line('end-rear').at + 25)).solved;
    near(deeper.box.sideDepth.value, before.box.sideDepth.value + 25, 'rear');
    const toe = carriedOut(job, line('toe-setback').place(71)).solved;
    near(toe.parts.find(({ role }) => role === 'plinth')?.extent.min[1] ?? 0, 71, 'toe');
  }
});

test('a pull that is dragged is bored where its end was put', () => {
  for (const from of ['base', 'wall'] as const) {
    const job = jobWith({ from, parts: [{ id: 'o1', size: share, fill: { kind: 'door', hinged: 'left' } }] });
    const before = first(job);
    const line = linesOf(before).find(({ id }) => id.startsWith('pull-'));
    assert.ok(line, from);
    const at = (line.least + line.most) / 2;
    const after = carriedOut(job, line.place(at)).solved;
    const [pull] = after.fitted.pulls;
    near(pull?.extent[from === 'base' ? 'max' : 'min'][2] ?? 0, at, from);
    for (const end of [line.least, line.most]) {
      const [door] = carriedOut(job, line.place(end)).solved.fronts;
      const moved = carriedOut(job, line.place(end)).solved.fitted.pulls[0]?.extent;
      assert.ok(
        door && moved && moved.min[2] >= door.extent.min[2] && moved.max[2] <= door.extent.max[2],
        'on its door',
      );
    }
  }
});

test('a line sticks where there is a reason and says it; else it lands on a figure, never beyond its ends', () => {
  const solved = solveWith({ height: 800, parts: drawers(3) });
  const [line] = linesOf(solved);
  assert.ok(line);
  const equal = line.snaps.find(({ why }) => why === 'equal');
  assert.ok(equal);
  assert.equal(settle(line, equal.at + 1, 4, MM).why, 'equal');
  for (const at of [line.least - 500, line.most + 500, line.at + 3.3, line.at - 17.2]) {
    const rest = settle(line, at, 0.2, MM);
    assert.ok(rest.at >= line.least - 1e-9 && rest.at <= line.most + 1e-9);
  }
  const free1 = settle(line, line.at + 3.4, 0.01, MM);
  const size = (line.following[0]?.mm ?? 0) + (line.following[0]?.by ?? 1) * (free1.at - line.at);
  near(size, Math.round(size), 'a whole millimetre');
});

test('divided in n, an opening has n of one size in its place; made one again it is as before', () => {
  for (const axis of ['rows', 'columns'] as const)
    for (const n of [2, 3, 5]) {
      const job = jobWith({ width: 900, height: 800, parts: drawers(2) });
      const before = first(job);
      const { job: divided, solved } = carriedOut(job, divide(before, 'o2', axis, n, ids, 'mm'));
      const own = openingPlaceOf(solved, 'o2')?.opening.fill;
      assert.ok(own && isSplit(own) && own.parts.length === n && own.kind === axis);
      const faces = own.parts.map(({ id }) => faceOf(solved, id));
      const spans = faces.map((face) => face?.[axis === 'rows' ? 'v' : 'h']);
      for (const span of spans) near(span?.size.value ?? 0, spans[0]?.size.value ?? 1, 'equal');
      const whole = faceOf(before, 'o2');
      assert.ok(whole);
      for (const face of faces)
        assert.ok(
          face && face.h.low.value >= whole.h.low.value - 0.01 && face.v.high.value <= whole.v.high.value + 0.01,
        );
      let current = { job: divided, solved };
      for (let left = n; left > 1; left -= 1) {
        const fill = openingPlaceOf(current.solved, 'o2')?.opening.fill;
        assert.ok(fill && isSplit(fill) && fill.parts.length === left);
        current = carriedOut(current.job, mergeOpening(current.solved, fill.parts[0]?.id ?? ''));
      }
      assert.deepEqual(fronts(current.solved), fronts(before));
    }
});

test('a face of one opening is divided itself', () => {
  const job = jobWith({ width: 900, height: 800, parts: drawers(1) });
  const { solved } = carriedOut(job, divide(first(job), 'o1', 'columns', 3, ids, 'mm'));
  assert.equal(solved.cabinet.face.kind, 'columns');
  assert.equal(solved.cabinet.face.parts.length, 3);
});

test('two that are held become one as large as both with their gap', () => {
  const fixed = (id: string, mm: number): Opening => ({ id, size: { rule: 'fixed', mm }, fill: { kind: 'drawer' } });
  const job = jobWith({ height: 800, parts: [fixed('o1', 140), fixed('o2', 160), ...drawers(3).slice(2)] });
  const before = first(job);
  const { solved } = carriedOut(job, mergeOpening(before, 'o1'));
  const [top, second] = [faceOf(before, 'o1'), faceOf(before, 'o2')];
  near(faceOf(solved, 'o1')?.v.size.value ?? 0, (top?.v.high.value ?? 0) - (second?.v.low.value ?? 0), 'both');
  near(faceOf(solved, 'o3')?.v.size.value ?? 0, faceOf(before, 'o3')?.v.size.value ?? 1, 'the third stays');
});

test('mirrored, every front stands where its reflection stood, doors on their other hand; twice is as before', () => {
  let [mirrored, skipped] = [0, 0];
  for (let seed = 300; seed < 335; seed += 1) {
    const { decisions } = buildable(seed);
    const job = jobWith(decisions);
    const before = first(job);
    const once = carriedOut(job, mirror(before));
    const twice = carriedOut(once.job, mirror(once.solved));
    assert.deepEqual(twice.job.cabinets[0]?.face, job.cabinets[0]?.face);
    // The ends of the box keep their reveals: only where both are alike is the face its own reflection.
    const root = before.face.ok ? before.face.root.face.h : undefined;
    const width = before.box.width.value;
    const alike = root !== undefined && Math.abs(root.low.value - (width - root.high.value)) < 0.01;
    if (!alike || !closes(before) || !closes(once.solved)) {
      skipped += 1;
      continue;
    }
    const spans = (solved: SolvedCabinet, flip: boolean) =>
      solved.fronts
        .map(({ extent: { min, max }, hinged }) =>
          [
            Math.round(flip ? width - max[0] : min[0]),
            Math.round(flip ? width - min[0] : max[0]),
            Math.round(min[2]),
            Math.round(max[2]),
            flip && hinged ? (hinged === 'left' ? 'right' : 'left') : hinged,
          ].join(' '),
        )
        .toSorted();
    assert.deepEqual(spans(once.solved, false), spans(before, true), `seed ${seed}`);
    mirrored += 1;
  }
  assert.ok(mirrored > 10, `${mirrored} mirrored, ${skipped} skipped`);
});

test('every letter of the menu makes what it says, of several as well', () => {
  const decisions: CabinetDecisions = { width: 900, height: 800, parts: drawers(3) };
  for (const key of Object.keys(MAKES)) {
    const job = jobWith(decisions);
    const { solved } = carriedOut(job, make(first(job), ['o1', 'o3'], key, ids, 'mm'));
    const kinds = openingsOf(solved.cabinet.face).map(({ fill }) => fill.kind);
    assert.equal(kinds[0], kinds[2]);
    const kind = {
      d: 'drawer',
      l: 'door',
      r: 'door',
      p: 'pair',
      o: 'open',
      n: 'open',
      t: 'open',
      f: 'false',
      u: 'lift',
      b: 'waste',
    }[key];
    assert.equal(kinds[0], kind, key);
    assert.equal(kinds[1], 'drawer');
  }
});

test('pinned at its size an opening stays when the cabinet grows; let go it takes its share again; equal is equal', () => {
  const job = jobWith({
    height: 800,
    parts: [{ ...(drawers(1)[0] as Opening), size: { rule: 'share', weight: 2 } }, ...drawers(3).slice(1)],
  });
  const before = first(job);
  const pinned = carriedOut(job, pin(before, ['o1']));
  const grown = withEdits(pinned.job, [
    ...(linesOf(pinned.solved)
      .find(({ id }) => id === 'end-top')
      ?.place(900).edits ?? []),
  ]);
  const size = (solved: SolvedCabinet, id: string) => faceOf(solved, id)?.v.size.value ?? 0;
  near(size(first(grown), 'o1'), size(before, 'o1'), 'pinned');
  const loose = carriedOut(pinned.job, free(pinned.solved, ['o1'])).solved;
  near(size(loose, 'o1'), size(before, 'o1'), 'its share');
  const even = carriedOut(job, distribute(before, ['o1'])).solved;
  near(size(even, 'o1'), size(even, 'o3'), 'equal');
  const twice = carriedOut(job, duplicate(before, 'o2', ids)).solved;
  assert.equal(twice.cabinet.face.parts.length, 4);
});

test('the way to a place that may not be is halved to the last that may; where nothing may, it stays', () => {
  const [line] = linesOf(solveWith({ height: 800, parts: drawers(3) }));
  assert.ok(line);
  const wall = line.at + 37;
  const found = lastGood(line, line.at + 100, (at) => at <= wall);
  assert.ok(found !== undefined && found <= wall && wall - found < 100 / 32, `${found}`);
  assert.equal(
    lastGood(line, line.at + 100, () => false),
    undefined,
  );
});

test('what is done to several openings is one step that says so', () => {
  const job = jobWith({ height: 900, parts: drawers(3) });
  const solved = first(job);
  const act = actOn(solved, ['o1', 'o3'], { divide: 'columns', in: 2 }, 'mm');
  assert.equal(act?.label, 'Drawer front 1 divided in 2 columns, and 1 more');
  assert.equal(carriedOut(job, act).solved.fronts.length, 5);
  assert.equal(actOn(solved, [], { hand: 'm' }, 'mm'), undefined);
  assert.equal(actOn(solved, ['o3'], { hand: 'm' }, 'mm'), undefined, 'there is no next');
  for (const key of Object.keys(HANDS)) assert.ok(actByKey(key), key);
  assert.equal(actByKey('q'), undefined);
});

test('a stop is brought where its rule did not stand against the same parts before', () => {
  const stop = (parts: string[], severity: 'stop' | 'warn' = 'stop') =>
    ({ rule: 'runners/none', severity, parts, what: `so ${parts.length}` }) as unknown as Finding;
  assert.equal(stopBrought([], [stop(['a'], 'warn')]), undefined);
  assert.equal(stopBrought([stop(['a'])], [stop(['a'])]), undefined);
  assert.deepEqual(stopBrought([stop(['a'])], [stop(['a']), stop(['b'])])?.parts, ['b'], 'the same rule elsewhere');
});
