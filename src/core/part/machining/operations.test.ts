import assert from 'node:assert/strict';
import { test } from 'node:test';
import { buildable } from '../../../../tests/generator/buildable.js';
import { jobWith } from '../../../../tests/support/cabinets.js';
import { length } from '../../ground/index.js';
import { solve } from '../../solve/index.js';
import { type Part, partNames, sizeOf } from '../parts/index.js';
import type { Cut, Outline, Space } from './definition.js';
import { cutsOf } from './index.js';
import { footprintOf, type Operation, type OperationKind, outlineOf, rowOf, spacesOf } from './operations/index.js';

/**
 * Every kind of operation says four times where it is: for clearances, as what it takes out, as it is drawn and as its
 * footprint. The four are held against each other, and against what a rule of thumb says of one operation.
 */
interface Found {
  readonly part: Part;
  readonly operation: Operation;
}

/** Kinds that were there from the start. */
const MADE = ['groove', 'rabbet', 'notch', 'holes', 'edge holes', 'slots', 'mortises', 'pockets'] as const;

const found: Found[] = [];
for (let seed = 0; seed < 260; seed += 1)
  for (const { parts } of solve(jobWith(buildable(seed).decisions)).cabinets)
    for (const part of parts)
      if (Math.min(part.length.value, part.width.value, part.thickness.value) > 1)
        for (const operation of part.machining) found.push({ part, operation });

type Box = { low: number[]; high: number[] };

function round(boxes: readonly Box[]): Box {
  const pick = (of: (...values: number[]) => number, side: 'low' | 'high') =>
    [0, 1, 2].map((axis) => of(...boxes.map((box) => box[side][axis] as number)));
  return { low: pick(Math.min, 'low'), high: pick(Math.max, 'high') };
}

function boxOfCut(cut: Cut): Box {
  if (cut.shape === 'block') return { low: [...cut.low], high: [...cut.high] };
  if (cut.shape === 'prism') {
    const of = (pick: (...values: number[]) => number) =>
      ([0, 1] as const).map((axis) => pick(...cut.corners.map((corner) => corner[axis])));
    return { low: [...of(Math.min), cut.w[0]], high: [...of(Math.max), cut.w[1]] };
  }
  if (cut.shape === 'ridge') {
    const of = (pick: (...values: number[]) => number) =>
      ([0, 1] as const).map((axis) => pick(...cut.corners.map((corner) => corner[axis])));
    return { low: [cut.u[0], ...of(Math.min)], high: [cut.u[1], ...of(Math.max)] };
  }
  const low: number[] = [];
  const high: number[] = [];
  const centre = [...cut.centre];
  for (const axis of [0, 1, 2]) {
    const at = axis === cut.axis ? undefined : (centre.shift() as number);
    low.push(at === undefined ? cut.run[0] : at - cut.radius);
    high.push(at === undefined ? cut.run[1] : at + cut.radius);
  }
  return { low, high };
}

const boxOfSpace = ({ low, high }: Space): Box => ({ low: [...low], high: [...high] });

function near(a: readonly number[], b: readonly number[], axes: readonly number[], what: string): void {
  for (const axis of axes)
    assert.ok(Math.abs((a[axis] as number) - (b[axis] as number)) < 1e-6, `${what}: ${a} and ${b}`);
}

test('what an operation takes out is the room it takes, and its footprint is that room seen from the face', () => {
  const counts = new Map<OperationKind, number>();
  for (const { part, operation } of found) {
    const size = sizeOf(part);
    const what = `${part.key}: ${operation.kind}, ${operation.reason}`;
    const [spaces, cuts] = [spacesOf(operation, size), cutsOf(operation, size)];
    if (spaces.length === 0) continue;
    counts.set(operation.kind, (counts.get(operation.kind) ?? 0) + 1);
    const [room, taken] = [round(spaces.map(boxOfSpace)), round(cuts.map(boxOfCut))];
    // A pocket is cut in steps, each as deep as its beginning.
    const axes = operation.kind === 'pockets' ? [0, 1] : [0, 1, 2];
    near(room.low, taken.low, axes, what);
    near(room.high, taken.high, axes, what);
    const { u, v, bored } = footprintOf(operation, size);
    near([u[0], v[0]], room.low, [0, 1], what);
    near([u[1], v[1]], room.high, [0, 1], what);
    assert.equal(
      bored,
      spaces.every((space) => space.bored),
      what,
    );
    for (const { low, high } of spaces) for (const axis of [0, 1, 2] as const) assert.ok(low[axis] <= high[axis], what);
  }
  for (const kind of [...MADE, 'edge groove', 'tenon', 'mitre', 'mitre slots', 'dovetails'] as const)
    assert.ok((counts.get(kind) ?? 0) >= 20, `${counts.get(kind) ?? 0} ${kind}`);
});

test('an operation is drawn where it is, from its own face unless it goes through or lies in an edge', () => {
  for (const { part, operation } of found) {
    const size = sizeOf(part);
    const what = `${part.key}: ${operation.kind}, ${operation.reason}`;
    const room = round(spacesOf(operation, size).map(boxOfSpace));
    for (const outline of outlineOf(operation, size)) {
      const [u, v] = runsOf(outline);
      for (const [axis, run] of [u, v].entries()) {
        assert.ok(run[0] >= (room.low[axis] as number) - 1e-6, `${what} begins at ${run[0]}, is at ${room.low[axis]}`);
        assert.ok(run[1] <= (room.high[axis] as number) + 1e-6, `${what} ends at ${run[1]}, is to ${room.high[axis]}`);
      }
      const face = faceOf(operation);
      assert.equal(outline.face, face, what);
      // The shoulders of a tenon are seen from both, and so are tails.
      const both = operation.kind === 'tenon' || (operation.kind === 'dovetails' && operation.board === 'tails');
      assert.equal(outline.shape === 'line' && outline.seen === true, both, what);
    }
    const [low, high] = [room.low[2] as number, room.high[2] as number];
    const face = faceOf(operation);
    if (face !== undefined && operation.kind !== 'pockets') {
      // What enters a face begins at it: face 1 lies at 0, face 2 at the thickness.
      assert.ok(Math.abs((face === 1 ? low : high) - (face === 1 ? 0 : size.thickness)) < 1e-6, what);
      if ('depth' in operation && operation.depth)
        assert.ok(Math.abs(high - low - operation.depth.value) < 1e-6, `${what}: ${high - low} deep`);
    }
  }
});

test('stopped cuts, recesses and cut-outs lie where they are said to, on a part 600 by 200 by 18', () => {
  const size = { length: 600, width: 200, thickness: 18 };
  const why = { reason: 'made by hand', by: { kind: 'test' } } as const;
  const mm = (value: number) => length(value, 'by hand');
  const stopped = { start: mm(10), end: mm(25) };
  const sunk = { face: 1, depth: mm(6), ...why } as const;
  const from = { u: { edge: 'u1', offset: mm(100) }, v: { edge: 'v0', offset: mm(20) } } as const;
  const made: [Operation, number[], number[]][] = [
    [
      { kind: 'groove', along: 'width', from: 'u0', offset: mm(50), width: mm(18), stopped, ...sunk },
      [50, 10, 0],
      [68, 175, 6],
    ],
    [{ kind: 'rabbet', from: 'v1', width: mm(12), stopped, ...sunk, face: 2 }, [10, 188, 12], [575, 200, 18]],
    [
      { kind: 'edge groove', edge: 'v0', offset: mm(7), width: mm(4), depth: mm(10), stopped, ...why },
      [10, 0, 7],
      [575, 10, 11],
    ],
    [{ kind: 'recess', ...from, alongLength: mm(30), alongWidth: mm(40), ...sunk }, [470, 20, 0], [500, 60, 6]],
    [
      { kind: 'cut-out', shape: 'rectangle', ...from, alongLength: mm(30), alongWidth: mm(40), ...why },
      [470, 20, 0],
      [500, 60, 18],
    ],
    [
      { kind: 'cut-out', shape: 'round', ...from, alongLength: mm(60), alongWidth: mm(60), ...why },
      [440, 20, 0],
      [500, 80, 18],
    ],
  ];
  for (const [operation, low, high] of made) {
    for (const boxes of [spacesOf(operation, size).map(boxOfSpace), cutsOf(operation, size).map(boxOfCut)]) {
      near(round(boxes).low, low, [0, 1, 2], operation.kind);
      near(round(boxes).high, high, [0, 1, 2], operation.kind);
    }
    assert.ok(outlineOf(operation, size).length > 0, operation.kind);
  }
});

test('a cut across the grain is a dado, along it a groove, and every row says what it is measured from', () => {
  const seen = new Set<string>();
  for (const { part, operation } of found) {
    const row = rowOf(operation, partNames(part));
    if (operation.kind === 'groove')
      assert.equal(
        row.what,
        `${operation.along === 'width' ? 'Dado' : 'Groove'}${operation.stopped ? ', stopped' : ''}`,
      );
    seen.add(row.what);
    assert.equal(row.reason, operation.reason);
    if ('positions' in operation) assert.equal(row.positions, operation.positions);
    if ('offset' in operation && row.offset) assert.equal(row.offset, operation.offset);
    if ('from' in operation) assert.ok(row.where.includes(`${partNames(part).edge(operation.from)} edge`), row.where);
  }
  for (const what of ['Dado', 'Groove', 'Rabbet', 'Holes', 'Through holes', 'Edge holes', 'Slots', 'Mortises'])
    assert.ok(seen.has(what), what);
});

test('a line of holes lies its offset from its edge, each hole at its place along it', () => {
  let lines = 0;
  for (const { part, operation } of found) {
    if (operation.kind !== 'holes') continue;
    lines += 1;
    const size = sizeOf(part);
    const { from, offset, positions, diameter } = operation;
    const [across, along] = from[0] === 'u' ? ([0, 1] as const) : ([1, 0] as const);
    const end = from[0] === 'u' ? size.length : size.width;
    spacesOf(operation, size).forEach(({ low, high }, at) => {
      const middle = [0, 1].map((axis) => ((low[axis] as number) + (high[axis] as number)) / 2);
      const line = from[1] === '0' ? offset.value : end - offset.value;
      assert.ok(Math.abs((middle[across] as number) - line) < 1e-6, `${part.key}, ${operation.reason}`);
      assert.ok(Math.abs((middle[along] as number) - (positions[at]?.value ?? Number.NaN)) < 1e-6);
      assert.ok(Math.abs((high[0] as number) - (low[0] as number) - diameter.value) < 1e-6);
    });
  }
  assert.ok(lines > 500, `${lines} lines`);
});

/** The face an operation is drawn on; none for what goes through, and for what lies within an edge. */
function faceOf(operation: Operation): 1 | 2 | undefined {
  switch (operation.kind) {
    case 'holes':
      return operation.depth ? operation.face : undefined;
    case 'edge holes':
    case 'edge groove':
    case 'mitre':
    case 'mitre slots':
    case 'tenon':
    case 'cut-out':
    case 'notch':
      return undefined;
    case 'dovetails':
      return operation.board === 'pins' ? 1 : undefined;
    case 'slots':
    case 'mortises':
      return 'face' in operation.place ? operation.place.face : undefined;
    default:
      return operation.face;
  }
}

function runsOf(outline: Outline): [[number, number], [number, number]] {
  switch (outline.shape) {
    case 'region':
      return [
        [outline.u[0], outline.u[1]],
        [outline.v[0], outline.v[1]],
      ];
    case 'hole': {
      const radius = outline.diameter / 2;
      return [
        [outline.u - radius, outline.u + radius],
        [outline.v - radius, outline.v + radius],
      ];
    }
    case 'line': {
      const { from, to } = outline;
      return [
        [Math.min(from[0], to[0]), Math.max(from[0], to[0])],
        [Math.min(from[1], to[1]), Math.max(from[1], to[1])],
      ];
    }
  }
}
