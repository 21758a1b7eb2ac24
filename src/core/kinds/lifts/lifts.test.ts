import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { type CabinetDecisions, jobWith, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import type { Front } from '../../build/index.js';
import { quantity, setting } from '../../ground/index.js';
import { type Holes, type Part, toCabinet } from '../../part/index.js';
import { checkJob, solve } from '../../solve/index.js';
import type { PlacedPull } from '../pulls/index.js';
import { liftFactor } from './lifts.js';

const share = { rule: 'share' as const, weight: 1 };
type Settings = NonNullable<CabinetDecisions['settings']>;
const lifted = (settings: Settings = {}, more: CabinetDecisions = {}) =>
  solveWith({
    from: 'wall',
    height: 380,
    width: 700,
    settings,
    parts: [{ id: 'o1', size: share, fill: { kind: 'lift' } }],
    ...more,
  });
const near = (is: number | undefined, should: number, within = 0.01) =>
  assert.ok(is !== undefined && Math.abs(is - should) < within, `${is}, should be ${should}`);
/** Where the holes of a lift lie in the cabinet. */
const holesIn = (part: Part) =>
  part.machining
    .filter((each): each is Holes => each.kind === 'holes' && each.by.kind === 'lifts')
    .flatMap(({ from, offset, positions }) =>
      positions.map(({ value: mm }) =>
        from.startsWith('u')
          ? toCabinet(part.placement, offset.value, mm, 0)
          : toCabinet(part.placement, mm, offset.value, 0),
      ),
    );

test('worked case: the lift factor of a front with its pull', () => {
  const { given, expect } = JSON.parse(readFileSync('tests/cases/11-checks.json', 'utf8'));
  const weight = quantity(expect.doorWeightWithoutPullKg, 'kg', 'weight');
  const front = { key: 'lift/o1', weight } as Front;
  const pull = { frontKey: 'lift/o1', profile: { weight: given.pullKg } } as PlacedPull;
  const height = setting('cabinet height', given.cabinetHeight, { kind: 'here' });
  // The weight is printed to a gram.
  near(liftFactor(front, height, [pull]).value, expect.liftFactor, 0.4);
});

test('the mechanism is the one in stock whose range has the factor nearest its middle; the others are refused in words', () => {
  const [lift] = lifted().fitted.lifts;
  assert.ok(lift?.profile);
  const { from, to } = lift.profile.factor;
  assert.ok(lift.factor.value >= from && lift.factor.value <= to);
  assert.equal(lift.against.length, 4);
  assert.ok(lift.against.every(({ why }) => why.length > 10));
  const decided = lifted({ lifts: { choice: 'hallam-rise-c' } });
  assert.match(decided.findings.find(({ rule }) => rule === 'lifts/out-of-range')?.why ?? '', /fly open/);
});

test('both sides and both ends of the front are bored alike, each opposite the other', () => {
  const solved = lifted();
  const left = holesIn(partOf(solved, 'side/left'));
  const right = holesIn(partOf(solved, 'side/right'));
  assert.equal(left.length, 2);
  assert.deepEqual(
    left.map(([, y, z]) => [y, z]),
    right.map(([, y, z]) => [y, z]),
  );
  const front = partOf(solved, 'lift/o1');
  const plates = holesIn(front);
  assert.equal(plates.length, 4);
  const { min, max } = front.extent;
  const fromLeft = [...new Set(plates.map(([x]) => +(x - min[0]).toFixed(3)))].sort((a, b) => a - b);
  const fromRight = [...new Set(plates.map(([x]) => +(max[0] - x).toFixed(3)))].sort((a, b) => a - b);
  assert.deepEqual(fromLeft, fromRight, 'mirrored');
  // Base of the profile 70 with a plate of 2 below the underside of the top.
  near(Math.max(...left.map(([, , z]) => z)), solved.box.topUnderside.value - 72);
  near(left[0]?.[1], 62);
});

test('a shelf where the arms are, columns without a partition, and a low ceiling are found', () => {
  const shelved = solveWith({
    from: 'wall',
    height: 500,
    parts: [{ id: 'o1', size: share, fill: { kind: 'lift', interior: { kind: 'shelves', shelves: 3 } } }],
  });
  assert.ok(shelved.findings.some(({ rule }) => rule === 'lifts/against-shelf'));
  const job = jobWith({
    from: 'tall',
    height: 2300,
    parts: [
      { id: 'o1', size: { rule: 'fixed', mm: 380 }, divider: 'shelf', fill: { kind: 'lift' } },
      { id: 'o2', size: share, fill: { kind: 'pair', interior: { kind: 'shelves', shelves: 2 } } },
    ],
  });
  const rules = checkJob(solve({ ...job, room: { ceiling: 2320, doorway: null } })).map(({ rule }) => rule);
  assert.ok(rules.includes('lifts/overhead'), rules.join());
});

test('the pull stands in the middle of the lower edge, and the springs are warned of', () => {
  const solved = lifted();
  const [pull] = solved.fitted.pulls;
  const middle = ((pull?.extent.min[0] ?? 0) + (pull?.extent.max[0] ?? 0)) / 2;
  near(middle, solved.box.width.value / 2, 0.6);
  assert.ok((pull?.extent.max[2] ?? 999) < 120);
});
