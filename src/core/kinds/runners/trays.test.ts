import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import fc from 'fast-check';
import { type CabinetDecisions, jobWith, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import type { Interior } from '../../decisions/index.js';
import { turnsOf } from '../../motions/index.js';
import { profilesOf, type SolvedCabinet, solve } from '../../solve/index.js';
import { buildUp } from './spacers.js';

const share = { rule: 'share' as const, weight: 1 };
const near = (is: number | undefined, should: number, what = '', within = 0.01) =>
  assert.ok(is !== undefined && Math.abs(is - should) < within, `${what} is ${is}, should be ${should}`);
const two = (kind: 'tray' | 'drawer'): Interior => ({
  kind: 'rows',
  graduation: { kind: 'arithmetic', step: 0 },
  parts: ['t1', 't2'].map((id) => ({ id, size: share, divider: 'none', fill: { kind } })),
});
type Settings = NonNullable<CabinetDecisions['settings']>;
const behind = (kind: 'tray' | 'drawer', settings: Settings = {}, more: CabinetDecisions = {}) =>
  solveWith({
    width: 900,
    settings,
    parts: [{ id: 'o1', size: share, fill: { kind: 'pair', interior: two(kind) } }],
    ...more,
  });

test('worked case: a tray behind a pair of doors, spacers built up from the stock on hand', () => {
  const { given, expect } = JSON.parse(readFileSync('tests/cases/06-tray.json', 'utf8'));
  const [thick, thin] = given.spacerStock as [number, number];
  const job = jobWith({
    width: given.insideWidth + 2 * thick,
    measured: { birch18: thick, birch6: thin },
    settings: {
      drawers: {
        measuredLeft: given.encroachmentLeft,
        measuredRight: given.encroachmentRight,
        margin: given.margin,
      },
    },
    parts: [{ id: 'o1', size: share, fill: { kind: 'pair', interior: two('tray') } }],
  });
  // No other sheet stock on hand.
  for (const material of job.materials)
    if (material.form === 'sheet' && !['birch18', 'birch6'].includes(material.id)) material.nominal = 40;
  job.hardware.runners = profilesOf(job, 'runners').map((profile) =>
    profile.family === 'side' ? { ...profile, thickness: given.runnerThickness, play: given.play } : profile,
  );
  const [solved] = solve(job).cabinets;
  const [tray] = solved?.fitted.runners ?? [];
  for (const hand of ['left', 'right'] as const) {
    near(tray?.spacers?.[hand]?.thickness.value, expect.spacer, `spacer, ${hand}`);
    assert.deepEqual(
      tray?.spacers?.[hand]?.layers.map(({ thickness }) => thickness.value),
      expect.spacerLayers,
    );
    assert.equal(tray?.spacers?.[hand]?.from, 'measured');
  }
  near(tray?.plan?.outside.value, expect.trayWidth, 'width of the tray');
});

test('the build-up is the thinnest there is, of as few layers as reach it: every one tried', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.5, max: 55, noNaN: true }),
      fc.uniqueArray(
        fc.integer({ min: 30, max: 250 }).map((tenths) => tenths / 10),
        { minLength: 1, maxLength: 4 },
      ),
      (need, thicknesses) => {
        const stock = [...thicknesses].sort((a, b) => b - a).map((mm) => ({ thickness: { value: mm } }));
        const all: number[][] = [];
        for (const a of [0, ...thicknesses])
          for (const b of [0, ...thicknesses]) for (const c of [0, ...thicknesses]) all.push([a, b, c]);
        const sums = all.map((each) => each.reduce((sum, mm) => sum + mm, 0)).filter((sum) => sum >= need - 1e-6);
        const built = buildUp(need, stock).reduce((sum, { thickness }) => sum + thickness.value, 0);
        assert.ok(built >= need - 1e-6);
        if (sums.length > 0) near(built, Math.min(...sums), `for ${need} of ${thicknesses}`, 1e-6);
      },
    ),
    { numRuns: 200 },
  );
});

/** Corners of a door turned about a point by an angle, reckoned from nothing but that. */
function corners(solved: SolvedCabinet, hinged: 'left' | 'right') {
  const turn = turnsOf(solved.motions).find(({ front }) => front.endsWith(hinged));
  assert.ok(turn);
  const { pivot, hingeEdge, freeEdge, face, back, stopAngle } = turn.plan;
  const angle = ((hinged === 'left' ? -1 : 1) * stopAngle * Math.PI) / 180;
  return [hingeEdge, freeEdge].flatMap((x) =>
    [face, back].map((y) => ({
      x: pivot.x + (x - pivot.x) * Math.cos(angle) - (y - pivot.y) * Math.sin(angle),
      y: pivot.y + (x - pivot.x) * Math.sin(angle) + (y - pivot.y) * Math.cos(angle),
    })),
  );
}

test('a tray runs out between the open doors and past the hinges, in every way fronts lie', () => {
  const ways: CabinetDecisions[] = [
    {},
    { settings: { fronts: { fit: 'inset', gap: 2 } } },
    { settings: { school: 'faceFrame' } },
    { settings: { school: 'faceFrame', fronts: { fit: 'inset', gap: 2 } } },
    { width: 600, settings: { hinges: { stopAt: 95 } } },
  ];
  for (const way of ways)
    for (const kind of ['tray', 'drawer'] as const) {
      const solved = behind(kind, way.settings, way);
      assert.deepEqual(
        solved.findings.filter(({ severity }) => severity === 'stop').map(({ what }) => what),
        [],
        JSON.stringify(way),
      );
      for (const id of ['t1', 't2']) {
        const [left, right] = ['left', 'right'].map((hand) => partOf(solved, `drawer/${id}/box/${hand}`).extent);
        const open = corners(solved, 'left').map(({ x }) => x);
        const other = corners(solved, 'right').map(({ x }) => x);
        assert.ok(Math.max(...open) < (left?.min[0] ?? 0), `${id} clear of the left door`);
        assert.ok(Math.min(...other) > (right?.max[0] ?? 0), `${id} clear of the right door`);
        const doors = solved.fitted.hinges.map(({ chosen }) => chosen);
        for (const chosen of doors)
          if (chosen?.kind === 'concealed') {
            const { low, high } = solved.interiors.compartments[0]?.cell.inside.h ?? {
              low: { value: 0 },
              high: { value: 0 },
            };
            assert.ok((left?.min[0] ?? 0) - low.value >= chosen.profile.body.out, 'past the hinge at the left');
            assert.ok(high.value - (right?.max[0] ?? 0) >= chosen.profile.body.out, 'and at the right');
          }
        const spacer = solved.parts.filter(({ key }) => key.startsWith(`drawer/${id}/spacer/left`));
        assert.ok(spacer.length > 0, 'a spacer carries the runner');
        const total = spacer.reduce((sum, { thickness }) => sum + thickness.value, 0);
        near(solved.fitted.runners.find(({ opening }) => opening === id)?.packing.left.value, total, 'its layers');
      }
    }
});

test('spacer, runner, box, runner and spacer fill the room, and sticks are cut from the top tray down', () => {
  const solved = behind('tray');
  const inside = solved.interiors.compartments[0]?.inside.h.size.value ?? 0;
  const heights = solved.fitted.runners.map((tray) => {
    const profile = tray.runner?.profile;
    assert.ok(profile && profile.family === 'side' && tray.plan && tray.spacers?.left && tray.spacers.right);
    const { left, right } = tray.spacers;
    near(
      left.thickness.value + right.thickness.value + 2 * profile.thickness + profile.play + tray.plan.outside.value,
      inside,
    );
    return left.underside?.value ?? Number.NaN;
  });
  assert.ok((heights[0] ?? 0) > (heights[1] ?? 0), 'the upper tray has the longer stick');
  const [lower] = solved.parts.filter(({ key }) => key.startsWith('drawer/t2/spacer/left'));
  near(heights[1], (lower?.extent.min[2] ?? 0) - solved.box.bottomTop.value, 'from the floor of the cabinet');
});

test('a tray has sides of 60 or a tenth of its width, an inner drawer leaves room for a hand', () => {
  const wide = behind('tray', {}, { width: 1000 });
  const [tray] = wide.fitted.runners;
  near(tray?.plan?.height.value, Math.max(60, (tray?.across.value ?? 0) / 10), 'a wide one');
  const [narrow] = behind('tray', {}, { width: 500 }).fitted.runners;
  near(narrow?.plan?.height.value, 60, 'a narrow one');
  const inner = behind('drawer', { drawers: { mostHeight: 2000, handRoom: 45 } });
  for (const { plan } of inner.fitted.runners) near(plan?.free.value, 45, 'over an inner drawer');
});

test('in an open bay and beside a partition nothing stands out, and no spacer is made', () => {
  const open = solveWith({ parts: [{ id: 'o1', size: share, fill: { kind: 'open', interior: two('tray') } }] });
  assert.ok(open.fitted.runners.every(({ spacers }) => spacers === undefined));
  const single = solveWith({
    width: 500,
    parts: [{ id: 'o1', size: share, fill: { kind: 'door', hinged: 'left', interior: two('tray') } }],
  });
  for (const { spacers } of single.fitted.runners) {
    assert.ok(spacers?.left, 'at the hinges');
    assert.equal(spacers.right, undefined, 'and not where the door opens');
  }
});
