import assert from 'node:assert/strict';
import { test } from 'node:test';
import { buildable } from '../../../../tests/generator/buildable.js';
import { solveWith } from '../../../../tests/support/cabinets.js';
import { between, drawElevation, edgeNear, edgesOf } from './index.js';

test('measured from edge to edge, a front is as wide and as high as its cut list says', () => {
  let measured = 0;
  for (let seed = 0; seed < 40; seed += 1) {
    const solved = solveWith(buildable(seed).decisions);
    const edges = edgesOf(drawElevation(solved, 'job'));
    for (const { extent, h, v } of solved.fronts) {
      const [x, z] = [(extent.min[0] + extent.max[0]) / 2, (extent.min[2] + extent.max[2]) / 2];
      const near = (point: { h: number; v: number }, axis: 'h' | 'v') =>
        edgeNear(
          edges.filter((edge) => edge.axis === axis),
          point,
          0.5,
        );
      const [left, right] = [near({ h: extent.min[0], v: z }, 'h'), near({ h: extent.max[0], v: z }, 'h')];
      const [low, high] = [near({ h: x, v: extent.min[2] }, 'v'), near({ h: x, v: extent.max[2] }, 'v')];
      assert.ok(left && right && low && high, `seed ${seed}`);
      assert.ok(Math.abs((between(left, right) ?? 0) - h.size.value) < 0.6, `seed ${seed}`);
      assert.ok(Math.abs((between(low, high) ?? 0) - v.size.value) < 0.6, `seed ${seed}`);
      assert.equal(between(left, low), undefined);
      measured += 1;
    }
  }
  assert.ok(measured > 60, `${measured} fronts`);
});

test('nothing is near where nothing is drawn', () => {
  const edges = edgesOf(drawElevation(solveWith({ width: 600 }), 'job'));
  assert.equal(edgeNear(edges, { h: -5000, v: 0 }, 20), undefined);
});
