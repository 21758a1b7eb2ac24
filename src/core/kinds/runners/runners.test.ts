import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { buildable } from '../../../../tests/generator/buildable.js';
import { type CabinetDecisions, jobWith, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import { decide } from '../../../../tests/support/edit.js';

import { type Holes, type Operation, type Part, toCabinet } from '../../part/index.js';
import {
  applyEdits,
  checkJob,
  profilesOf,
  proposedFor,
  readJob,
  type SolvedCabinet,
  solve,
} from '../../solve/index.js';
import type { RunnerProfile } from './profile.js';

const share = { rule: 'share' as const, weight: 1 };
const near = (is: number | undefined, should: number, what = '', within = 0.01) =>
  assert.ok(is !== undefined && Math.abs(is - should) < within, `${what} is ${is}, should be ${should}`);
type Settings = NonNullable<CabinetDecisions['settings']>;

/** A drawer over doors, made and hung in some way. */
const drawer = (settings: Settings = {}, more: CabinetDecisions = {}) =>
  solveWith({
    settings,
    parts: [
      { id: 'o1', size: { rule: 'fixed', mm: 160 }, fill: { kind: 'drawer' } },
      { id: 'o2', size: share, fill: { kind: 'pair' } },
    ],
    ...more,
  });
const box = (solved: SolvedCabinet, piece: string) => partOf(solved, `drawer/o1/box/${piece}`);
const holesOf = (part: Part, what: string) =>
  part.machining.filter((each): each is Holes => each.kind === 'holes' && each.by.what === what);

test('worked case: two boxes for one opening, on hidden and on side-mounted runners', () => {
  const { given, expect } = JSON.parse(readFileSync('tests/cases/05-drawer-boxes.json', 'utf8'));
  const job = jobWith({
    width: given.openingWidth + 36,
    depth: given.clearDepth,
    height: given.openingHeight + 36,
    measured: { birch18: 18, birch12: given.boxSideFrontBackThickness, birch6: given.bottomThickness },
    settings: {
      depth: { means: 'carcass' },
      back: { kind: 'none' },
      nailer: { rails: 'none' },
      top: { kind: 'full' },
      toe: { kind: 'none' },
      drawers: { wideOver: 2000, groove: given.grooveDepth, bottomPlay: given.bottomPlayTotal },
    },
    parts: [{ id: 'o1', size: share, fill: { kind: 'drawer' } }],
  });
  const { undermount, sideMount } = given;
  job.hardware.runners = profilesOf(job, 'runners').map((profile): RunnerProfile => {
    if (profile.family === 'under')
      return {
        ...profile,
        lengths: undermount.lengths,
        deduction: undermount.insideWidthDeduction,
        mostSide: undermount.maxSide,
        setback: undermount.setback,
        rearClearance: undermount.rearClearance,
        clearAbove: undermount.clearAbove,
        clearBelow: undermount.clearBelow,
        recess: undermount.recess,
      };
    return {
      ...profile,
      lengths: sideMount.lengths,
      thickness: sideMount.thickness,
      play: sideMount.totalPlay,
      setback: sideMount.setback,
      rearClearance: sideMount.rearClearance,
      clearAbove: sideMount.clearAbove,
      clearBelow: sideMount.clearBelow,
    };
  });
  const made = (family: 'under' | 'side') => {
    const each = structuredClone(job);
    applyEdits(each, [decide('house/all/drawers/family', family)]);
    const [solved] = solve(each).cabinets as [SolvedCabinet];
    near(solved.fitted.runners[0]?.across.value, given.openingWidth, 'opening');
    near(solved.fitted.runners[0]?.depth.value, given.clearDepth, 'depth');
    return solved;
  };
  const hidden = made('under');
  const plan = hidden.fitted.runners[0]?.plan;
  near(hidden.fitted.runners[0]?.runner?.length.value, expect.undermountLength, 'length');
  near(plan?.inside.value, expect.undermountInsideWidth, 'inside');
  near(plan?.outside.value, expect.undermountOutsideWidth, 'outside');
  near(box(hidden, 'front').length.value, expect.undermountFrontLength, 'front');
  near(plan?.height.value, expect.undermountBoxHeight, 'height');
  near(box(hidden, 'bottom').length.value, expect.undermountBottomWidth, 'bottom width');
  near(box(hidden, 'bottom').width.value, expect.undermountBottomLength, 'bottom length');
  const beside = made('side');
  near(beside.fitted.runners[0]?.runner?.length.value, expect.sideMountLength, 'length');
  near(beside.fitted.runners[0]?.plan?.outside.value, expect.sideMountOutsideWidth, 'outside');
  near(box(beside, 'front').length.value, expect.sideMountFrontLength, 'front');
  near(beside.fitted.runners[0]?.plan?.height.value, expect.sideMountBoxHeight, 'height');
});

test('a back on hidden runners is notched at both corners and bored for their hooks, one the mirror of the other', () => {
  const solved = drawer({ drawers: { family: 'under' } });
  const back = box(solved, 'back');
  const notches = back.machining.filter((each): each is Extract<Operation, { kind: 'notch' }> => each.kind === 'notch');
  assert.deepEqual(
    notches.map(({ corner, alongLength, alongWidth }) => [...corner, alongLength.value, alongWidth.value]),
    [
      ['u0', 'v0', 35, 13],
      ['u1', 'v0', 35, 13],
    ],
  );
  const [hooks] = holesOf(back, 'hook');
  assert.equal(hooks?.face, 2, 'from the rear');
  assert.deepEqual([hooks?.offset.value, hooks?.depth?.value, hooks?.diameter.value], [24, 10, 6]);
  near(hooks?.positions[0]?.value, 7, 'left hook');
  near(hooks?.positions[1]?.value, back.length.value - 7, 'right hook');
  const locks = solved.fittings.filter(({ name }) => name.includes('front lock'));
  assert.deepEqual(
    locks.map(({ name, quantity }) => [name.split(', ')[1], quantity]),
    [
      ['left', 1],
      ['right', 1],
    ],
  );
});

test('the longest runner that fits is taken; every longer one is refused with what is missing', () => {
  const solved = drawer();
  const [fitted] = solved.fitted.runners;
  const { profile, length } = fitted?.runner ?? {};
  assert.ok(profile && length && fitted);
  const room = fitted.depth.value - profile.setback - profile.rearClearance;
  for (const each of profile.lengths) {
    if (each > room) {
      const refused = fitted.against.find((one) => one.profile === profile.id && one.length === each);
      assert.match(refused?.why ?? '', /before it and .* behind it come to/, `${each}`);
    } else assert.ok(each <= length.value, `${each} would fit and is longer`);
  }
  assert.match(
    drawer({ drawers: { length: 350 } })
      .fitted.runners[0]?.against.map(({ why }) => why)
      .join() ?? '',
    /a length of 350 mm was decided/,
  );
  assert.equal(drawer({ drawers: { length: 350 } }).fitted.runners[0]?.runner?.length.value, 350);
  assert.equal(
    drawer({ drawers: { choice: 'pell-roller-25' } }).fitted.runners[0]?.runner?.profile.id,
    'pell-roller-25',
  );
});

test('sides too thick for hidden runners are refused for that reason, and the fix settles it', () => {
  const solved = drawer({ drawers: { family: 'under' }, materials: { drawerBox: 'birch18' } });
  assert.match(solved.findings.find(({ rule }) => rule === 'drawers/no-runner')?.why ?? '', /takes sides up to 16 mm/);
});

test('behind a frame runners are packed out to its opening, and their screws stand in the packing', () => {
  const solved = drawer({ school: 'faceFrame' });
  const [fitted] = solved.fitted.runners;
  for (const hand of ['left', 'right'] as const) {
    const strip = partOf(solved, `drawer/o1/packing/${hand}`);
    near(strip.thickness.value, fitted?.packing[hand].value ?? 0, hand);
    assert.ok((fitted?.packing[hand].value ?? 0) > 5);
    assert.ok(holesOf(strip, 'case').length > 0);
    assert.equal(holesOf(partOf(solved, `side/${hand}`), 'case').length, 0);
    // It lies against the side and ends in line with the opening.
    const side = partOf(solved, `side/${hand}`).extent;
    near(hand === 'left' ? strip.extent.min[0] : strip.extent.max[0], hand === 'left' ? side.max[0] : side.min[0]);
  }
});

test('wood on wood: the opening less the play, on a frame under it, up to the rail of a frame in front', () => {
  const solved = drawer({ school: 'traditional' });
  const [fitted] = solved.fitted.runners;
  near(fitted?.plan?.outside.value, (fitted?.across.value ?? 0) - 1.5);
  assert.ok(fitted?.carried);
  const framed = drawer({ school: 'traditional', frame: { fitted: 'fitted' } });
  const runner = partOf(framed, 'drawer/o1/runner/left');
  const lower = box(framed, 'left').extent.min[2];
  near(runner.extent.max[2], lower, 'the box lies on its runner');
  const bare = drawer({ school: 'traditional', dividers: { betweenFronts: 'stretcher' } });
  assert.ok(bare.findings.some(({ rule }) => rule === 'drawers/nothing-carries'));
});

test('a job from before drawers keeps its fronts as they were, with a warning whose fixes add boxes here or everywhere', () => {
  const old = JSON.parse(JSON.stringify(jobWith({}))) as Record<string, Record<string, unknown>> & { version: number };
  old.version = 8;
  const all = old.house?.all as Record<string, Record<string, unknown>>;
  all.drawers = { runnerThickness: 12.7, runnerPlay: 0.8, boxSide: 12 };
  for (const role of ['drawerBox', 'drawerBottom', 'drawerBottomWide']) delete all.materials?.[role];
  delete old.hardware?.runners;
  old.materials = (old.materials as unknown as { id: string }[]).filter(({ id }) => id !== 'birch12') as never;
  const read = readJob(old);
  assert.ok(read.ok, JSON.stringify(read));
  const solved = solve(read.value);
  assert.ok(!solved.cabinets[0]?.parts.some(({ role }) => role === 'drawer box'));
  const [finding] = checkJob(solved).filter(({ rule }) => rule === 'drawers/nothing-behind');
  assert.equal(finding && proposedFor(solved, finding.id).length, 3);
  const fresh = solveWith({ settings: { drawers: { fitted: 'none' } } });
  const keys = (parts: readonly Part[]) => parts.map(({ key, extent }) => [key, extent]);
  assert.deepEqual(keys(solved.cabinets[0]?.parts ?? []), keys(fresh.parts), 'not a size differs');
});

/** What stands where in the cabinet, without asking any formula. */
const overlaps = (a: Part['extent'], b: Part['extent']) =>
  [0, 1, 2].every((k) => Math.min(a.max[k as 0], b.max[k as 0]) - Math.max(a.min[k as 0], b.min[k as 0]) > 0.01);

test('over random cabinets box, runners and play fill the opening, the box runs out past everything, and screws find wood', () => {
  let looked = 0;
  let skipped = 0;
  for (let seed = 0; seed < 450; seed += 1) {
    const solved = solveWith(buildable(seed).decisions);
    if (solved.findings.some(({ severity }) => severity === 'stop')) {
      skipped += solved.fitted.runners.length;
      continue;
    }
    for (const drawn of solved.fitted.runners) {
      const { plan, runner, across, parts: keys, front, opening } = drawn;
      assert.ok(plan, `${seed}: ${drawn.name} has no box`);
      looked += 1;
      const own = keys.map((key) => partOf(solved, key));
      const low = Math.min(...own.map(({ extent }) => extent.min[0]));
      const high = Math.max(...own.map(({ extent }) => extent.max[0]));
      if (runner?.profile.family === 'side' || runner?.profile.family === 'corner')
        near(high - low + 2 * runner.profile.thickness + runner.profile.play, across.value, `${seed}: width`);
      if (runner?.profile.family === 'under')
        near(
          high - low - 2 * partOf(solved, `drawer/${opening}/box/left`).thickness.value,
          across.value - runner.profile.deduction,
        );
      // Pulled out by its whole length it passes nothing but its own face; doors before it stand open.
      const room = solved.interiors.compartments.find(({ id }) => id === opening);
      const doors = drawn.inner
        ? solved.fronts.filter(({ openingId }) => openingId === room?.cell.opening.id).map(({ key }) => key)
        : [];
      const rear = Math.max(...own.map(({ extent }) => extent.max[1]));
      const still = solved.parts.filter(
        ({ key }) =>
          !keys.includes(key) && [front, ...doors].every((before) => key !== before && !key.startsWith(`${before}/`)),
      );
      for (const { extent } of own) {
        const swept = { min: [extent.min[0], extent.min[1] - rear - 50, extent.min[2]], max: extent.max } as const;
        for (const other of still)
          assert.ok(!overlaps(swept, other.extent), `${seed}: ${drawn.name} meets ${other.key} on its way`);
      }
      // The runner ends before what is behind it; every hole of it lies in wood of the case, short of the far face.
      for (const part of solved.parts)
        for (const hole of holesOf(part, 'case').filter(({ by }) => by.front === front))
          for (const { value: mm } of hole.positions) {
            const [u, v] = hole.from.startsWith('u') ? [hole.offset.value, mm] : [mm, hole.offset.value];
            assert.ok(u > 3 && u < part.length.value - 3 && v > 3 && v < part.width.value - 3, `${seed}: ${part.key}`);
            assert.ok(
              (hole.depth?.value ?? 99) <= part.thickness.value - 2 + 1e-6,
              `${seed}: ${part.key} bored through`,
            );
            const [, y] = toCabinet(part.placement, u, v, 0);
            const begins =
              solved.box.mountingPlane.value + (drawn.inner ? solved.resolved.settings.drawers.doorClearance.value : 0);
            assert.ok(y < (runner?.length.value ?? 0) + begins + 60, `${seed}: beyond the runner`);
          }
    }
  }
  assert.ok(looked > 110, `${looked} drawers looked at`);
  assert.ok(skipped < looked / 2, `${skipped} of ${looked + skipped} drawers skipped`);
});

/** What stands of the four boards of a box, whatever its corners: [front, sides, back] as lengths. */
const boards = (corner: 'butt' | 'dowels' | 'lapped' | 'rabbet' | 'halfblind' | 'through', more: object = {}) => {
  const solved = drawer({ drawers: { corner, ...more } });
  const [plan] = solved.fitted.runners.map(({ plan: each }) => each);
  assert.ok(plan);
  return { solved, plan, front: box(solved, 'front'), side: box(solved, 'left'), back: box(solved, 'back') };
};

test('every school of corners has its lengths: between, over the ends, let in, half-blind and through', () => {
  // Boards of 12: L long, Wb wide outside.
  const lengths = (corner: Parameters<typeof boards>[0], more = {}) => {
    const { plan, front, side, back } = boards(corner, more);
    return [
      plan.outside.value - front.length.value,
      plan.length.value - side.length.value,
      plan.outside.value - back.length.value,
    ].map((less) => Math.round(less * 100) / 100);
  };
  assert.deepEqual(lengths('butt'), [24, 0, 24]);
  assert.deepEqual(lengths('dowels'), [24, 0, 24]);
  assert.deepEqual(lengths('lapped'), [0, 24, 0]);
  assert.deepEqual(lengths('rabbet', { engagement: 5 }), [14, 0, 14]);
  assert.deepEqual(lengths('halfblind'), [0, 3, 0], 'a quarter of 12 is left before the tails');
  assert.deepEqual(lengths('halfblind', { lap: 5 }), [0, 5, 0]);
  assert.deepEqual(lengths('through'), [0, 0, 0]);
});

test('tails and sockets of a corner lie at the same heights, and the lowest covers the groove of the bottom', () => {
  for (const corner of ['halfblind', 'through'] as const)
    for (const bottom of ['groove', 'slid'] as const) {
      const { front, side, back, plan } = boards(corner, { bottom });
      const tails = side.machining.filter((each) => each.kind === 'dovetails');
      assert.deepEqual(
        tails.map(({ end, board }) => `${end} ${board}`),
        ['u0 tails', 'u1 tails'],
      );
      for (const [at, other] of [front, back].entries()) {
        const sockets = other.machining.filter((each) => each.kind === 'dovetails');
        assert.equal(sockets.length, 2);
        for (const { positions, wide } of sockets) {
          assert.equal(wide.value, tails[at]?.wide.value);
          const up = other.extent.min[2] - side.extent.min[2];
          assert.deepEqual(
            positions.map(({ value: mm }) => Math.round((mm + up) * 1000)),
            tails[at]?.positions.map(({ value: mm }) => Math.round(mm * 1000)),
          );
        }
      }
      const [lowest] = tails[0]?.positions ?? [];
      const half = (tails[0]?.narrow.value ?? 0) / 2;
      assert.ok(lowest && lowest.value - half < plan.recess.value && lowest.value + half > plan.recess.value + 6);
      const groove = side.machining.find((each) => each.kind === 'groove');
      assert.ok(groove?.kind === 'groove' && (groove.stopped?.start?.value ?? 0) > 0, 'it does not show at the tails');
    }
});

test('dowels of a corner stand opposite each other and leave wood behind them', () => {
  const { front, side } = boards('dowels');
  const [inSide] = side.machining.filter((each) => each.kind === 'holes' && each.by.what === 'corner');
  const [inFront] = front.machining.filter((each) => each.kind === 'edge holes');
  assert.ok(inSide?.kind === 'holes' && inFront?.kind === 'edge holes');
  assert.deepEqual(
    inSide.positions.map(({ value: mm }) => mm),
    inFront.positions.map(({ value: mm }) => mm),
  );
  assert.ok((inSide.depth?.value ?? 99) <= side.thickness.value - 4);
  assert.ok(inSide.diameter.value <= side.thickness.value / 2);
  assert.ok(inSide.positions.length >= 2);
});

test('hidden runners under a box with dovetails are let in between its sides, not out of its corners', () => {
  const { back, side } = boards('through', { family: 'under' });
  const cuts = back.machining.filter((each) => each.kind === 'cut-out');
  assert.equal(cuts.length, 2);
  for (const cut of cuts) assert.equal(cut.kind === 'cut-out' && cut.u.offset.value, side.thickness.value);
});
