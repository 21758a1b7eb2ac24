import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { type CabinetDecisions, jobWith, solveWith } from '../../../../tests/support/cabinets.js';
import { tapeText } from '../../ground/index.js';
import { drawElevation } from '../../present/index.js';
import { resolvedFor, standardsOf } from '../../solve/index.js';
import { endReveal } from './index.js';

const share = { rule: 'share' as const, weight: 1 };
const near = (actual: number | undefined, expected: number) =>
  assert.ok(actual !== undefined && Math.abs(actual - expected) < 1e-9, `${actual} is not ${expected}`);
const reveal = (settings: CabinetDecisions['settings'], end: 'left' | 'right') => {
  const job = jobWith({ settings: settings ?? {} });
  const [cabinet] = job.cabinets;
  assert.ok(cabinet);
  return endReveal(end, resolvedFor(standardsOf(job), cabinet));
};

test('beside a neighbour the reveal is its own, or half of the gap; elsewhere always its own', () => {
  const half = { fronts: { atNeighbour: 'half' as const, gap: 4, reveal: { left: 1.5, right: 2 } } };
  near(reveal({ fronts: { gap: 4 } }, 'left').value, 1.5);
  near(reveal(half, 'left').value, 2);
  near(reveal({ ...half, ends: { right: 'exposed' } }, 'right').value, 2);
  near(reveal({ ...half, ends: { left: 'wall' } }, 'left').value, 1.5);
  near(reveal({ ...half, ends: { leftPanel: 'applied' } }, 'left').value, 1.5);
  assert.match(reveal(half, 'left').reason ?? '', /shared with the neighbour/);
});

test('two cabinets with half the gap each leave exactly the gap between their fronts', () => {
  fc.assert(
    fc.property(fc.double({ min: 1, max: 8, noNaN: true }), fc.integer({ min: 300, max: 1200 }), (gap, width) => {
      const solved = solveWith({ width, settings: { fronts: { atNeighbour: 'half', gap } } });
      const left = Math.min(...solved.fronts.map(({ h }) => h.low.value));
      const right = Math.max(...solved.fronts.map(({ h }) => h.high.value));
      assert.ok(Math.abs(left + (width - right) - gap) < 1e-6);
    }),
    { numRuns: 60 },
  );
});

test('the drawing edits a reveal of its own, and only shows one that is half of a gap', () => {
  const edits = (atNeighbour: 'own' | 'half') =>
    drawElevation(solveWith({ settings: { fronts: { atNeighbour } } }), 'job').dimensions.find(
      ({ id }) => id === 'reveal-left',
    )?.edits;
  assert.match(edits('own') ?? '', /fronts\/reveal\/left$/);
  assert.equal(edits('half'), undefined);
});

test('what is free beside a front: a reveal at the end of the box, the gap within it', () => {
  const solved = solveWith({
    width: 900,
    settings: { fronts: { reveal: { left: 2, right: 5 }, gap: 3 } },
    parts: [{ id: 'o1', size: share, fill: { kind: 'pair' } }],
  });
  const [left, right] = solved.fronts;
  near(left?.beside.left.value, 2);
  near(left?.beside.right.value, 3);
  near(right?.beside.left.value, 3);
  near(right?.beside.right.value, 5);
  const filler = solveWith({ settings: { ends: { left: 'wall', filler: 'strip', scribe: 30 } } });
  near(filler.fronts[0]?.beside.left.value, 30 + 1.5);
});

test('half overlay: two doors share a partition, each laps half of what the gap leaves', () => {
  const door = (id: string, hinged: 'left' | 'right') => ({
    id,
    size: share,
    fill: { kind: 'door' as const, hinged },
  });
  const solved = solveWith({
    width: 1000,
    face: {
      kind: 'columns',
      graduation: { kind: 'arithmetic', step: 0 },
      parts: [door('a', 'right'), door('b', 'left')],
    },
  });
  for (const each of solved.fitted.hinges) {
    assert.equal(each.wish.fit, 'half');
    near(each.wish.overlay.value, (18 - 3) / 2);
    near(each.wish.gap.value, 3);
    assert.ok(each.chosen?.profile.fits.includes('half'));
  }
  const [a, b] = solved.fitted.hinges.map(({ carrier }) => carrier?.key);
  assert.equal(a, b, 'both on the one partition');
});

test('a lipped door asks for less than nothing: minus its clearance', () => {
  const solved = solveWith({ settings: { fronts: { fit: 'lipped', lip: 8, rebateWidth: 9.5, rebateDepth: 5 } } });
  const [door] = solved.fitted.hinges;
  near(door?.wish.overlay.value, -1.5);
  assert.match(
    door ? tapeText(door.wish.overlay, (mm) => String(Math.round(mm * 10) / 10)).replaceAll('\n', ' ') : '',
    /clearance of the lipped front/,
  );
  near(door?.front.lap, 9.5);
});
