import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { buildableDecisions, type CabinetDecisions, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import { type Holes, type Part, toCabinet } from '../../part/index.js';

const share = { rule: 'share' as const, weight: 1 };
const door = (more: CabinetDecisions = {}): CabinetDecisions => ({
  parts: [{ id: 'o1', size: share, fill: { kind: 'door', hinged: 'left' } }],
  ...more,
});
const pullOn = (decisions: CabinetDecisions, front: string) => {
  const solved = solveWith(decisions);
  const pulls = solved.fitted.pulls.filter(({ frontKey }) => frontKey === front);
  assert.ok(pulls.length > 0, solved.fitted.pulls.map(({ frontKey }) => frontKey).join());
  return { solved, pulls };
};
const boredFor = (part: Part) =>
  part.machining.filter((each): each is Holes => each.kind === 'holes' && each.reason.startsWith('pull'));

test('on a base door the upper hole stands a set distance from the upper corner, on the opening side', () => {
  const { solved, pulls } = pullOn(door(), 'door/o1');
  const [lower, upper] = pulls[0]?.holes ?? [];
  const front = solved.fronts[0];
  assert.ok(front && lower && upper);
  assert.equal(front.v.size.value - upper.up.value, 60);
  assert.equal(upper.up.value - lower.up.value, 128);
  assert.equal(front.h.size.value - upper.across.value, 40);
  const [hole] = boredFor(partOf(solved, 'door/o1'));
  assert.equal(hole?.depth, undefined, 'through');
  assert.equal(hole?.positions.length, 2);
});

test('on a wall door from the lower corner; on a tall one at a height above the floor where the door passes it', () => {
  assert.equal(pullOn(door({ from: 'wall' }), 'door/o1').pulls[0]?.holes[0]?.up.value, 60);
  const { solved, pulls } = pullOn(door({ from: 'tall' }), 'door/o1');
  const [low, high] = pulls[0]?.holes ?? [];
  const middle = ((low?.up.value ?? 0) + (high?.up.value ?? 0)) / 2;
  assert.equal(middle + (solved.fronts[0]?.v.low.value ?? 0) + solved.box.underHeight.value, 1050);
});

test('in a framed door in the middle of the stile, bored in the stile; on a trimmed one through trim and slab', () => {
  const framed = pullOn(door({ settings: { making: { kind: 'stick' } } }), 'door/o1');
  assert.equal((framed.solved.fronts[0]?.h.size.value ?? 0) - (framed.pulls[0]?.holes[0]?.across.value ?? 0), 32);
  assert.equal(boredFor(partOf(framed.solved, 'door/o1/stile/right')).length, 1);
  assert.equal(boredFor(partOf(framed.solved, 'door/o1/panel')).length, 0);
  const trimmed = pullOn(door({ settings: { making: { kind: 'trim' } } }), 'door/o1').solved;
  for (const key of ['door/o1/slab', 'door/o1/stile/right'])
    assert.equal(boredFor(partOf(trimmed, key)).length, 1, key);
});

test('a drawer has its pull in the middle, a wide one two at its quarter points, a framed one on its rail if so decided', () => {
  const drawer = (more: CabinetDecisions): CabinetDecisions => ({
    parts: [{ id: 'o1', size: share, fill: { kind: 'drawer' } }],
    ...more,
  });
  const one = pullOn(drawer({ width: 600 }), 'drawer/o1');
  const front = one.solved.fronts[0];
  assert.equal(one.pulls.length, 1);
  const middle = one.pulls[0]?.holes.reduce((sum, { across }) => sum + across.value / 2, 0) ?? 0;
  assert.equal(middle, (front?.h.size.value ?? 0) / 2);
  assert.equal(one.pulls[0]?.holes[0]?.up.value, (front?.v.size.value ?? 0) / 2);
  const two = pullOn(drawer({ width: 900 }), 'drawer/o1').pulls;
  assert.equal(two.length, 2);
  const rail = pullOn(
    drawer({ width: 600, settings: { making: { kind: 'stick' }, pulls: { drawerPlace: 'rail' } } }),
    'drawer/o1',
  );
  assert.equal((rail.solved.fronts[0]?.v.size.value ?? 0) - (rail.pulls[0]?.holes[0]?.up.value ?? 0), 32);
  assert.equal(boredFor(partOf(rail.solved, 'drawer/o1/rail/top')).length, 1);
});

test('a knob has one hole; none is bored where none is wanted, nor in a false front', () => {
  assert.equal(pullOn(door({ settings: { pulls: { doors: 'harl-knob' } } }), 'door/o1').pulls[0]?.holes.length, 1);
  assert.deepEqual(solveWith(door({ settings: { pulls: { doors: 'none' } } })).fitted.pulls, []);
  const sink = solveWith({ parts: [{ id: 'o1', size: share, fill: { kind: 'false' } }] });
  assert.deepEqual(sink.fitted.pulls, []);
  assert.equal(sink.fronts[0]?.kind, 'false');
  assert.equal(partOf(sink, 'false/o1').name, 'False front');
});

test('every pull hole lies where its pull is drawn, on whichever part and whichever way its grain runs', () => {
  fc.assert(
    fc.property(buildableDecisions, (decisions) => {
      const solved = solveWith(decisions);
      for (const pull of solved.fitted.pulls) {
        const front = solved.fronts.find(({ key }) => key === pull.frontKey);
        assert.ok(front);
        const bored = front.parts.flatMap(({ key }) => {
          const part = partOf(solved, key);
          return boredFor(part).flatMap(({ offset, positions }) =>
            positions.map(({ value: mm }) => toCabinet(part.placement, mm, offset.value, 0)),
          );
        });
        for (const { across, up } of pull.holes) {
          const [x, z] = [front.h.low.value + across.value, front.v.low.value + up.value];
          const inFront =
            x > front.h.low.value && x < front.h.high.value && z > front.v.low.value && z < front.v.high.value;
          if (inFront)
            assert.ok(
              bored.some(([bx, , bz]) => Math.abs(bx - x) < 0.01 && Math.abs(bz - z) < 0.01),
              `${pull.frontKey}: no hole at ${x}, ${z}`,
            );
        }
      }
    }),
    { numRuns: 150 },
  );
});
