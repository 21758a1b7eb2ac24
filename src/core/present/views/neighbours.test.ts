import assert from 'node:assert/strict';
import { test } from 'node:test';
import { type CabinetDecisions, jobWith } from '../../../../tests/support/cabinets.js';
import type { Job } from '../../decisions/index.js';
import { solve } from '../../solve/index.js';
import { NEIGHBOUR_SHOWN, neighbourItems, sharedGapDimensions } from './neighbours.js';

type Settings = NonNullable<CabinetDecisions['settings']>;

/** Two hanging cabinets, 600 and 400 wide, the right one 220 shorter: their tops are level. */
function hanging(left: Settings, right: Settings) {
  const parts: NonNullable<CabinetDecisions['parts']> = [
    { id: 'o1', size: { rule: 'share', weight: 1 }, fill: { kind: 'door', hinged: 'left' } },
  ];
  const of = (width: number, height: number, settings: Settings) =>
    jobWith({ from: 'wall', width, height, parts, settings });
  const job = of(600, 720, left);
  const other = of(400, 500, right).cabinets[0] as Job['cabinets'][number];
  job.cabinets.push({ ...other, id: 'c2', number: '2', leftNeighbour: 'c1' });
  const [a, b] = solve(job).cabinets;
  assert.ok(a && b);
  return { a, b };
}
const reveals = (all: number): Settings => ({
  fronts: { reveal: { left: all, right: all, top: all, bottom: all } },
});

test('the edge of the neighbour is shown where it stands, from either side', () => {
  const { a, b } = hanging(reveals(2), reveals(3));
  const [right] = neighbourItems(a, { right: b });
  assert.ok(right?.kind === 'region');
  assert.deepEqual(
    [right.from, right.to],
    [
      { h: 600 + 3, v: 220 + 3 },
      { h: 600 + NEIGHBOUR_SHOWN, v: 720 - 3 },
    ],
  );
  const [left] = neighbourItems(b, { left: a });
  assert.ok(left?.kind === 'region');
  assert.deepEqual(
    [left.from, left.to],
    [
      { h: -NEIGHBOUR_SHOWN, v: -220 + 2 },
      { h: -2, v: 500 - 2 },
    ],
  );
  assert.deepEqual(neighbourItems(a, {}), []);
});

test('the gap at a joint is what both reveals leave, read from either cabinet and drawn between the two fronts', () => {
  const { a, b } = hanging(reveals(2), reveals(3));
  const [seen] = sharedGapDimensions(a, { right: b });
  assert.ok(seen);
  assert.deepEqual([seen.dim.value, seen.from, seen.to], [5, 598, 603]);
  const [back] = sharedGapDimensions(b, { left: a });
  assert.ok(back);
  assert.deepEqual([back.dim.value, back.from, back.to], [5, -2, 3]);
  const touching = hanging(reveals(0), reveals(0));
  assert.deepEqual(sharedGapDimensions(touching.a, { right: touching.b }), [], 'no gap, no dimension');
});
