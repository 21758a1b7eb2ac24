import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import fc from 'fast-check';
import type { Graduation, SizeRule } from '../../decisions/index.js';
import { length } from '../../ground/index.js';
import { divideStack, LEAST_MEMBER, type StackMember } from './index.js';

const near = (actual: number | undefined, expected: number, within = 0.01) =>
  assert.ok(actual !== undefined && Math.abs(actual - expected) <= within, `${actual} is not ${expected}`);
const share = (weight = 1): SizeRule => ({ rule: 'share', weight });
const fixed = (mm: number): SizeRule => ({ rule: 'fixed', mm });
const graduated: SizeRule = { rule: 'graduated' };
const member = (size: SizeRule, pin?: number): StackMember => ({ label: 'front', size, pin, path: 'p' });
const arithmetic: Graduation = { kind: 'arithmetic', step: 40 };

function sizes(members: StackMember[], available: number, graduation: Graduation = arithmetic): number[] {
  const divided = divideStack(members, length(available, 'fronts together'), graduation);
  assert.ok(divided.ok, divided.ok ? '' : `${divided.refusal.kind} by ${divided.refusal.by}`);
  return divided.sizes.map((size) => size.value);
}

function refusal(members: StackMember[], available: number, graduation: Graduation = arithmetic) {
  const divided = divideStack(members, length(available), graduation);
  assert.ok(!divided.ok);
  return divided.refusal;
}

test('worked case: four fronts graduated downwards from a pinned top front', () => {
  const { expect } = JSON.parse(readFileSync('tests/cases/10-graduated-stack.json', 'utf8'));
  const stack = [member(graduated, 110), member(graduated), member(graduated), member(graduated)];
  const byStep = sizes(stack, expect.sumOfFronts);
  byStep.forEach((size, at) => near(size, expect.arithmetic[at]));
  const byRatio = sizes(stack, expect.sumOfFronts, { kind: 'geometric', ratio: 1.2 });
  byRatio.forEach((size, at) => near(size, expect.geometric[at]));
  near((byRatio[1] ?? 0) / (byRatio[0] ?? 1), expect.geometricRatio, 0.001);
});

test('fixed sizes stay, shares divide the rest by weight', () => {
  assert.deepEqual(sizes([member(fixed(140)), member(share()), member(share())], 740), [140, 300, 300]);
  assert.deepEqual(sizes([member(share(1)), member(share(3))], 400), [100, 300]);
  assert.deepEqual(sizes([member(share(), 130), member(share()), member(share())], 591), [130, 230.5, 230.5]);
});

test('graduated fronts keep the set step or ratio when none is pinned', () => {
  const [a, b, c] = sizes([member(graduated), member(graduated), member(graduated)], 600, {
    kind: 'arithmetic',
    step: 50,
  });
  near(a, 150);
  near(b, 200);
  near(c, 250);
  const grown = sizes([member(graduated), member(graduated), member(graduated)], 700, { kind: 'geometric', ratio: 2 });
  grown.forEach((size, at) => near(size, 100 * 2 ** at));
});

test('a pin in the middle or at the end carries the progression both ways', () => {
  const end = sizes([member(graduated), member(graduated), member(graduated, 250)], 600);
  near((end[2] ?? 0) - (end[1] ?? 0), (end[1] ?? 0) - (end[0] ?? 0));
  near(
    end.reduce((sum, size) => sum + size, 0),
    600,
  );
  const middle = sizes([member(graduated), member(graduated, 200), member(graduated)], 660);
  near(middle[1], 200);
  near(
    middle.reduce((sum, size) => sum + size, 0),
    660,
  );
});

test('graduated fronts beside shares take one share each', () => {
  const mixed = sizes([member(graduated), member(graduated), member(share(2))], 400);
  near((mixed[0] ?? 0) + (mixed[1] ?? 0), 200);
  near(mixed[2], 200);
});

test('too much decided is refused with the amount, and so is too little with nothing free', () => {
  const over = refusal([member(fixed(500)), member(share())], 450);
  assert.equal(over.kind, 'over');
  near(over.by, 50 + LEAST_MEMBER);
  const under = refusal([member(fixed(200)), member(share(), 100)], 450);
  assert.equal(under.kind, 'under');
  near(under.by, 150);
  assert.equal(refusal([member(fixed(200)), member(fixed(300))], 450).by, 50);
  // A share of 1 in 10 has to be 10 wide: the whole has to be 100.
  near(refusal([member(share(1)), member(share(9))], 60).by, 40);
  assert.equal(refusal([member(graduated, 440), member(graduated), member(graduated)], 500).kind, 'over');
  assert.equal(refusal([member(graduated), member(graduated)], 100, { kind: 'arithmetic', step: 300 }).kind, 'over');
});

test('whatever the mix of rules and pins, an accepted stack closes exactly and keeps what was decided', () => {
  const rules = fc.oneof(
    fc.double({ min: 20, max: 300, noNaN: true }).map(fixed),
    fc.double({ min: 0.1, max: 5, noNaN: true }).map(share),
    fc.constant(graduated),
  );
  const members = fc.array(
    fc.record({ size: rules, pin: fc.option(fc.double({ min: 20, max: 400, noNaN: true }), { nil: undefined }) }),
    { minLength: 1, maxLength: 8 },
  );
  const graduations: fc.Arbitrary<Graduation> = fc.oneof(
    fc.double({ min: -60, max: 60, noNaN: true }).map((step) => ({ kind: 'arithmetic' as const, step })),
    fc.double({ min: 0.5, max: 2, noNaN: true }).map((ratio) => ({ kind: 'geometric' as const, ratio })),
  );
  fc.assert(
    fc.property(
      members,
      graduations,
      fc.double({ min: 100, max: 2500, noNaN: true }),
      (picks, graduation, available) => {
        const stack = picks.map(({ size, pin }) => member(size, pin));
        const divided = divideStack(stack, length(available), graduation);
        if (!divided.ok) {
          assert.ok(divided.refusal.by > 0);
          return;
        }
        near(
          divided.sizes.reduce((sum, size) => sum + size.value, 0),
          available,
          0.001,
        );
        divided.sizes.forEach((size, at) => {
          const decided = picks[at]?.pin ?? (picks[at]?.size.rule === 'fixed' ? picks[at].size.mm : undefined);
          if (decided !== undefined) near(size.value, decided);
          else assert.ok(size.value >= LEAST_MEMBER - 0.001);
        });
      },
    ),
    { numRuns: 500 },
  );
});
