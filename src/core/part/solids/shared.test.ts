import assert from 'node:assert/strict';
import { test } from 'node:test';
import { Random } from '../../../../tests/generator/random.js';
import type { Point } from '../parts/index.js';
import { loadSolids, type PartShape, sharedVolume } from './index.js';

const random = new Random(11);
const point = (low: number, high: number): Point => [
  random.between(low, high),
  random.between(low, high),
  random.between(low, high),
];
const block = (most: number) => {
  const min = point(0, 60);
  const size = point(5, most);
  return { min, max: min.map((low, k) => low + (size[k] as number)) as unknown as Point };
};
/** A triangle in x and z through all of y. */
const wedge = (): Point[] => {
  const corners = [0, 1, 2].map(() => [random.between(0, 100), random.between(0, 100)] as const);
  return [-1, 500].flatMap((y) => corners.map(([x, z]): Point => [x, y, z]));
};
const shape = (key: string, prisms: number): PartShape => ({
  key,
  blank: block(80),
  blocks: Array.from({ length: random.whole(0, 5) }, () => block(50)),
  bores: [],
  prisms: Array.from({ length: prisms }, wedge),
});

test('what two parts share, by blocks and outlines, is what a library of solids says', async () => {
  const solids = await loadSolids();
  let meet = 0;
  for (let at = 0; at < 600; at += 1) {
    const [a, b] = [shape('a', at % 3), shape('b', at % 2)];
    const exact = solids.shared(a, b);
    if (exact > 5) meet += 1;
    const said = sharedVolume(a, b);
    assert.ok(Math.abs(said - exact) < 2 + exact * 0.002, `${at}: ${said} against ${exact}`);
  }
  assert.ok(meet > 250, `${meet} of 600 share space`);
});
