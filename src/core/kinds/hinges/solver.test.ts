import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import fc from 'fast-check';
import { length, tapeText } from '../../ground/index.js';
import {
  bestSolution,
  type ConcealedProfile,
  familyOf,
  gapForOverlay,
  type HingeWish,
  hingeCatalogue,
  hingeCount,
  hingeProfileSchema,
  isConcealed,
  type LeafProfile,
  type LeafSolution,
  leastGap,
  narrow,
  overlayForReveal,
  overlayReached,
  solutionId,
  solutionsFor,
  solveHinge,
  withGap,
} from './index.js';

const { given, expect } = JSON.parse(readFileSync('tests/cases/08-hinge-solver.json', 'utf8'));
const concealed = hingeCatalogue.filter(isConcealed);
const leaves = hingeCatalogue.filter((profile): profile is LeafProfile => !isConcealed(profile));
/** What leaves can do for a gap (mm). */
const solveLeaf = (gap: number, profiles: readonly LeafProfile[]) =>
  profiles.flatMap((profile) => familyOf(profile).solve(profile, wish({ gap: length(gap) }))) as LeafSolution[];
const [straight] = concealed;
assert.ok(straight);
const arms = ['straight', 'half', 'inset'] as const;
/** The one family of the worked case. */
const family: ConcealedProfile[] = arms.map((arm) => ({
  ...straight,
  id: arm,
  arm: given.armFixedDistance[arm],
  plates: given.plates,
  cup: { ...straight.cup, least: given.cupOffsetRange[0], most: given.cupOffsetRange[1] },
}));
const exact = (wanted: number, arm: string) =>
  solveHinge(wanted, family)
    .filter((solution) => solution.exact && solution.profile.id === arm)
    .map(({ profile, plate, offset }) => [profile.id, plate, offset])
    .sort((a, b) => Number(a[1]) - Number(b[1]));

test('worked case: overlays reached by one hinge family', () => {
  assert.deepEqual(exact(expect.outerOverlay, 'straight'), expect.outerSolutions_arm_plate_cup);
  assert.deepEqual(exact(7.5, 'half'), expect.shared7p5);
  assert.deepEqual(exact(expect.insetOverlay, 'inset'), expect.insetSolutions);
  const shared = solveHinge(expect.sharedOverlay, family).filter((solution) => solution.profile.id === 'half');
  assert.ok(shared.every((solution) => !solution.exact));
  assert.ok(Math.abs((shared[0]?.residual ?? 1) - 0.1) < 1e-9, 'the nearest is 7.5, a tenth over');
  assert.ok(shared.some((solution) => Math.abs(solution.residual + 0.4) < 1e-9));
  assert.equal(overlayForReveal(17.8, 1.8), expect.outerOverlay);
});

test('every solution keeps o = K + F − P, its ranges and its adjuster, and exact ones come first', () => {
  fc.assert(
    fc.property(fc.double({ min: -8, max: 25, noNaN: true }), (wanted) => {
      const solutions = solveHinge(wanted, concealed);
      for (const { profile, plate, offset, reached, residual } of solutions) {
        assert.ok(Math.abs(reached - (offset + profile.arm - plate)) < 1e-9);
        assert.ok(Math.abs(residual - (reached - wanted)) < 1e-9 && Math.abs(residual) <= profile.sideAdjust);
        assert.ok(profile.plates.includes(plate) && offset >= profile.cup.least && offset <= profile.cup.most);
      }
      const order = solutions.map((solution) => Number(solution.exact));
      assert.deepEqual(
        order,
        [...order].sort((a, b) => b - a),
      );
    }),
  );
});

test('the best is in stock before it is exact, then nearest the middle of its cup range, then on a plate in use', () => {
  const rare = { ...straight, id: 'rare', stock: false };
  const usual = { ...straight, id: 'usual', arm: 12.6 };
  const stocked = bestSolution(solveHinge(16, [rare, usual]), new Set());
  assert.equal(stocked?.profile.id, 'usual', 'a tenth off but on the shelf');
  const best = bestSolution(solveHinge(16, [straight]), new Set());
  assert.equal(best && solutionId(best), `${straight.id}/2/5.5`);
  // Cup offsets 4.5 and 5.5 are equally far from 5: the plate in use decides.
  const even = { ...straight, plates: [0, 1] };
  const wanted = 4.5 + straight.arm;
  assert.equal((bestSolution(solveHinge(wanted, [even]), new Set()) as { plate: number }).plate, 0);
  assert.equal((bestSolution(solveHinge(wanted, [even]), new Set([1])) as { plate: number }).plate, 1);
});

const wish = (more: Partial<HingeWish> = {}): HingeWish => ({
  carcass: 'frameless',
  fit: 'full',
  overlay: length(16),
  gap: length(2),
  opening: 95,
  closing: 'any',
  family: 'any',
  ...more,
});

test('five questions in their order rule profiles out, each with the first reason', () => {
  const reason = (id: string, asked: Partial<HingeWish>) =>
    narrow(hingeCatalogue, wish(asked)).find(({ profile }) => profile.id === id)?.against;
  assert.equal(reason('ostrel-110-full', {}), undefined);
  assert.match(reason('ostrel-110-full', { carcass: 'frame', fit: 'inset' }) ?? '', /boxes without a frame/);
  assert.match(reason('ostrel-110-half', {}) ?? '', /half overlay/);
  assert.match(reason('ostrel-110-full', { opening: 150 }) ?? '', /opens to 110°, and 150° is asked/);
  assert.match(reason('ostrel-110-full', { closing: 'snap' }) ?? '', /closes damped, and with a snap is asked/);
  assert.match(reason('ostrel-110-full', { family: 'butt' }) ?? '', /a concealed hinge, and another family/);
  assert.equal(reason('wickmere-165-full', { opening: 150 }), undefined);
});

test('butts: mortise per leaf is half of closed thickness less gap; without a mortise the gap is the closed thickness', () => {
  const [butt] = solveLeaf(
    2,
    leaves.filter(({ id }) => id === 'corran-butt-50'),
  );
  assert.ok(butt && Math.abs(butt.mortise - (4.6 - 2) / 2) < 1e-9);
  assert.deepEqual(
    solveLeaf(
      5,
      leaves.filter(({ family: kind }) => kind === 'butt'),
    ),
    [],
    'a gap wider than the hinge is thick',
  );
  const flush = leaves.filter(({ family: kind }) => kind === 'noMortise');
  assert.equal(solveLeaf(1.7, flush)[0]?.exact, true);
  assert.equal(solveLeaf(1.9, flush)[0]?.exact, false, 'within what a door is planed');
  assert.deepEqual(solveLeaf(2.2, flush), []);
});

test('concealed hinges come before butts where both would do', () => {
  const kinds = solutionsFor(wish({ fit: 'inset', overlay: length(-2) }), hingeCatalogue).map(({ kind }) => kind);
  assert.deepEqual(kinds, [...kinds].sort());
  assert.ok(kinds.includes('leaf') && kinds.includes('concealed'));
});

test('the catalogue is valid, of invented makers, with every family the trade asks for', () => {
  for (const profile of hingeCatalogue) {
    const read = hingeProfileSchema.safeParse(profile);
    assert.ok(read.success, `${profile.id}: ${read.error?.message}`);
  }
  for (const opening of [110, 165])
    for (const fit of ['full', 'half', 'inset'] as const) {
      const arm = concealed.find((profile) => profile.opening === opening && profile.fits.includes(fit));
      assert.equal(arm?.plates.length, 5, `${opening} ${fit}`);
    }
  assert.equal(concealed.filter(({ family: kind }) => kind === 'compact').length, 3, 'three overlays on frames');
  assert.deepEqual(new Set(leaves.map(({ family: kind }) => kind)), new Set(['butt', 'noMortise', 'semi']));
  assert.equal(new Set(hingeCatalogue.map((profile) => profile.id)).size, hingeCatalogue.length);
});

test('a profile that contradicts itself is refused', () => {
  const bad = { ...straight, cup: { ...straight.cup, least: 8, most: 4 } };
  assert.equal(hingeProfileSchema.safeParse(bad).success, false);
  assert.equal(hingeProfileSchema.safeParse({ ...straight, family: 'butt' }).success, false, 'a butt has leaves');
});

test('how many: by height, by weight, and one more for a wide door', () => {
  const count = (height: number, weight: number, width = 400) => hingeCount(straight, { height, weight, width });
  assert.deepEqual(
    [900, 901, 1600, 1601, 2000, 2400, 2600].map((height) => count(height, 1)),
    [2, 3, 3, 4, 4, 5, 5],
  );
  assert.deepEqual(
    [7, 7.1, 12.5, 20].map((weight) => count(500, weight)),
    [2, 3, 4, 5],
  );
  assert.equal(count(500, 1, 601), 3);
});

test('the least gap lies between the rows of the table, by thickness and by cup offset', () => {
  const table: ConcealedProfile = {
    ...straight,
    gaps: [
      {
        thickness: 18,
        at: [
          { offset: 3, gap: 1 },
          { offset: 5, gap: 0.6 },
        ],
      },
      { thickness: 22, at: [{ offset: 4, gap: 2.8 }] },
    ],
  };
  assert.equal(leastGap(table, 18, 3), 1);
  assert.ok(Math.abs(leastGap(table, 18, 4) - 0.8) < 1e-9);
  assert.ok(Math.abs(leastGap(table, 20, 4) - 1.8) < 1e-9, 'half way to 2.8');
  assert.equal(leastGap(table, 30, 3), 2.8, 'beyond the table its last row serves');
  assert.equal(leastGap(table, 10, 9), 0.6);
});

test('a gap and the overlay that makes it turn into each other, for one door on a side and two on a partition', () => {
  for (const fit of ['full', 'half', 'inset'] as const) {
    const asked = wish({ fit, overlay: length(7), gap: length(3) });
    assert.equal(gapForOverlay(asked, 7), 3);
    assert.equal(withGap(asked, 3).overlay.value, 7);
    for (const gap of [1, 2.5, 6])
      assert.ok(Math.abs(gapForOverlay(asked, withGap(asked, gap).overlay.value) - gap) < 1e-9);
  }
  const half = gapForOverlay(wish({ fit: 'half', overlay: length(7.4), gap: length(3) }), 7.5);
  assert.ok(Math.abs(half - 2.8) < 1e-9);
});

test('the overlay a hinge gives opens to cup offset, arm and plate', () => {
  const [way] = solveHinge(16, [straight]);
  assert.ok(way);
  const reached = overlayReached(way);
  assert.ok(Math.abs(reached.value - way.reached) < 1e-9);
  assert.equal(
    tapeText(reached, (value) => String(value)),
    `cup offset ${way.offset} + arm ${straight.arm} − mounting plate ${way.plate}`,
  );
});
