import assert from 'node:assert/strict';
import { test } from 'node:test';
import { Dim } from '../src/core/ground/index.js';
import { edgeOf, type Part } from '../src/core/part/index.js';
import { presentJob } from '../src/core/present/index.js';
import { check, type SolvedCabinet, solve } from '../src/core/solve/index.js';
import { buildable } from './generator/buildable.js';
import { jobWith } from './support/cabinets.js';

const SEEDS = 150;

function* cabinets(): Generator<SolvedCabinet> {
  for (let seed = 0; seed < SEEDS; seed += 1)
    yield solve(jobWith(buildable(seed).decisions)).cabinets[0] as SolvedCabinet;
}

/** Every derived number within a value, once. */
function dimsIn(value: unknown, seen = new Set<object>()): Dim[] {
  if (typeof value !== 'object' || value === null || seen.has(value)) return [];
  seen.add(value);
  const inner = Object.values(value).flatMap((entry) => dimsIn(entry, seen));
  return value instanceof Dim ? [value, ...inner] : inner;
}

const close = (a: number, b: number, what: string) => assert.ok(Math.abs(a - b) < 1e-6, `${what}: ${a} and ${b}`);

test('a part ends where it begins plus what it measures, and the box its sizes make is where it is placed', () => {
  let parts = 0;
  for (const solved of cabinets())
    for (const part of solved.parts) {
      // What no size is left for has a stop, and its edges lie crosswise.
      if (check(solved).some(({ rule, parts: named }) => rule === 'sizes/part-vanishes' && named.includes(part.key)))
        continue;
      parts += 1;
      const { stands, placement } = part;
      for (const axis of ['x', 'y', 'z'] as const) {
        const { low, high, size } = stands[axis];
        close(high.value - low.value, size.value, `${part.key} along ${axis}`);
      }
      const sizes = { u: part.length, v: part.width, w: part.thickness };
      const { min, max } = part.extent;
      for (const way of ['u', 'v', 'w'] as const) {
        const axis = placement[way][1] as 'x';
        const at = { x: 0, y: 1, z: 2 }[axis];
        close(stands[axis].size.value, sizes[way].value, `${part.key} ${way}`);
        close(stands[axis].low.value, min[at] as number, `${part.key} from ${axis}`);
        close(stands[axis].high.value, max[at] as number, `${part.key} to ${axis}`);
      }
    }
  assert.ok(parts > 2000, `${parts} parts`);
});

test('an address names one number of a cabinet, and the sizes and edges of every part have theirs', () => {
  for (const { cabinet, parts, box, fronts } of cabinets()) {
    const named = new Map<string, Dim>();
    for (const dim of dimsIn([parts, box, fronts])) {
      if (dim.address === undefined) continue;
      const known = named.get(dim.address);
      if (known) close(known.value, dim.value, `${dim.address} of ${cabinet.id}`);
      named.set(dim.address, dim);
    }
    for (const part of parts) {
      const { key } = part;
      assert.equal(part.length.address, `${key}.length`);
      assert.equal(part.width.address, `${key}.width`);
      assert.equal(part.thickness.address, `${key}.thickness`);
      assert.ok([`${key}.cutLength`, `${key}.length`].includes(part.cutLength.address ?? ''), key);
      assert.ok([`${key}.cutWidth`, `${key}.width`].includes(part.cutWidth.address ?? ''), key);
      const edges = (['u0', 'u1', 'v0', 'v1', 'w0', 'w1'] as const).map((edge) => edgeOf(part, edge).address);
      assert.deepEqual(
        [...edges].sort(),
        ['bottom', 'front', 'left', 'rear', 'right', 'top'].map((name) => `${key}.${name}`),
      );
    }
    for (const name of [
      'beyondLeft',
      'beyondRight',
      'insideWidth',
      'sideDepth',
      'clearHeight',
      'clearDepth',
      'bottomTop',
      'faceHeight',
    ] as const)
      assert.equal(box[name].address, `box.${name}`);
  }
});

test('an address stays when the sizes change, and the export says it', () => {
  const addresses = (width: number) => {
    const job = jobWith({});
    const [cabinet] = job.cabinets;
    if (cabinet) cabinet.size.width = width;
    const { derivations = {} } = presentJob(solve(job), { tape: true });
    return Object.values(derivations).flatMap(({ address, value }) => (address ? [[address, value] as const] : []));
  };
  const [narrow, wide] = [addresses(560), addresses(590)];
  assert.deepEqual(
    narrow.map(([address]) => address),
    wide.map(([address]) => address),
  );
  const bottom = (list: typeof narrow) => list.find(([address]) => address === 'bottom.length')?.[1] ?? Number.NaN;
  close(bottom(wide) - bottom(narrow), 30, 'the bottom grows by as much');
});

test('edges are named as the part stands, whichever way it runs', () => {
  const { parts } = solve(jobWith({})).cabinets[0] as SolvedCabinet;
  const side = parts.find(({ key }) => key === 'side/right') as Part;
  assert.equal(edgeOf(side, 'w0').address, 'side/right.left');
  assert.equal(edgeOf(side, 'v0').address, 'side/right.front');
  assert.equal(edgeOf(side, 'u1').address, 'side/right.top');
});
