import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import fc from 'fast-check';
import { buildableDecisions, jobWith, partOf, solveWith } from '../../tests/support/cabinets.js';
import { type Cabinet, newCabinet, newJob, stableJson } from './job/index.js';
import { partExtent } from './parts/index.js';
import { presentJob } from './present/index.js';
import { createSolver, solve, solveCabinet } from './solve.js';
import { formatLength, inches } from './units/index.js';

const caseFile = (name: string) =>
  JSON.parse(readFileSync(new URL(`../../tests/cases/${name}.json`, import.meta.url), 'utf8')).expect;
const near = (actual: number | undefined, expected: number, what = '') =>
  assert.ok(actual !== undefined && Math.abs(actual - expected) <= 0.01, `${what}: ${actual} is not ${expected}`);

test('worked case: frameless base, one drawer over a pair of doors, on a separate plinth', () => {
  const expect = caseFile('01-frameless-base');
  const solved = solveWith({
    kind: 'base',
    width: 800,
    height: 870,
    depth: 560,
    measured: { birch18: 17.8, birch6: 5.7, front18: 18 },
    settings: { depth: { means: 'carcass' }, toe: { height: 150 } },
  });
  const { box, face } = solved;
  near(box.insideWidth.mm, expect.insideWidth, 'inside width');
  near(box.overallHeight.mm, expect.totalHeightOnPlinth);
  const side = partOf(solved, 'side/left');
  near(side.length.mm, expect.sidePanel[0]);
  near(side.width.mm, expect.sidePanel[1]);
  const bottom = partOf(solved, 'bottom');
  near(bottom.length.mm, expect.bottomPanel[0]);
  near(bottom.width.mm, expect.bottomPanel[1]);
  near(partOf(solved, 'stretcher/front').length.mm, expect.stretcherLength);
  const [groove] = side.machining;
  assert.equal(groove?.kind, 'groove');
  near(groove?.width.mm, expect.grooveWidth);
  near(groove?.offset.mm, expect.grooveOffsetFromRear);
  const back = partOf(solved, 'back');
  near(back.width.mm, expect.backWidth, 'back width');
  near(back.length.mm, expect.backHeight, 'back height');
  near(box.clearDepth.mm, expect.clearDepth);
  const drawer = partOf(solved, 'drawer/o1');
  near(drawer.length.mm, expect.drawerFrontFinished[0]);
  near(drawer.width.mm, expect.drawerFrontFinished[1]);
  near(drawer.cutLength.mm, expect.drawerFrontCut[0]);
  near(drawer.cutWidth.mm, expect.drawerFrontCut[1]);
  const door = partOf(solved, 'door/o2/left');
  near(door.width.mm, expect.doorFinished[0]);
  near(door.length.mm, expect.doorFinished[1]);
  near(door.cutWidth.mm, expect.doorCut[0]);
  near(door.cutLength.mm, expect.doorCut[1]);
  assert.ok(face.ok);
  const [divider] = face.dividers;
  near(divider?.centre.mm, expect.dividerCentreAboveBoxUnderside);
  near(divider?.top.mm, expect.dividerTop);
  near(divider?.underside.mm, expect.dividerUnderside);
  near(face.cells[0]?.clear.height.mm, expect.drawerOpeningHeight);
  near(face.cells[1]?.clear.height.mm, expect.doorOpeningHeight);
  near(solved.fronts.find((front) => front.key === 'door/o2/left')?.overlay?.mm, expect.doorOverlayOnSide);
});

test('worked case: inch wall cabinet (butt joints here, dado later)', () => {
  const expect = caseFile('02-inch-wall-cabinet');
  const job = newJob('Inch', 'inch');
  const cabinet = newCabinet(job, 'wall');
  cabinet.size = { width: inches(31.5), height: { from: 'overall', mm: inches(29.75) }, depth: inches(12) };
  cabinet.settings = { back: { grooveDepth: 8, ease: 0.5, slip: 0.3 } };
  const reading: Record<string, number> = { ply34: 45 / 64, ply14: 13 / 64, front34: 3 / 4 };
  for (const material of job.materials)
    material.measured = { batch: '', readings: [inches(reading[material.id] ?? 0)] };
  job.cabinets.push(cabinet);
  const solved = solveCabinet(job, cabinet);
  near(solved.box.insideWidth.mm, expect.insideWidth);
  near(solved.box.sideDepth.mm, expect.sideDepth);
  near(solved.box.clearDepth.mm, expect.clearDepth);
  const back = partOf(solved, 'back');
  near(back.width.mm, expect.backWidth);
  near(back.length.mm, expect.backHeight);
  const door = partOf(solved, 'door/o1/left');
  near(door.width.mm, expect.doorWidth);
  near(door.length.mm, expect.doorHeight);
  near(solved.fronts[0]?.overlay?.mm, expect.overlay);
  const shelf = partOf(solved, 'shelf/o1/1');
  near(shelf.length.mm, expect.shelfWidth);
  near(shelf.width.mm, expect.shelfDepth);
  assert.equal(formatLength(door.width.mm, job.display), expect.doorWidthAsSixteenths);
  assert.equal(formatLength(door.length.mm, job.display), expect.doorHeightAsSixteenths);
  assert.equal(formatLength(solved.box.insideWidth.mm, job.display), expect.insideWidthAsSixteenthsWithRemainder);
});

test('parts fill the box along every axis', () => {
  fc.assert(
    fc.property(buildableDecisions, (decisions) => {
      const solved = solveWith(decisions);
      const { box, face } = solved;
      const [left, right] = ['side/left', 'side/right'].map((key) => partExtent(partOf(solved, key)));
      const bottom = partExtent(partOf(solved, 'bottom'));
      near(left?.min[0], 0);
      near(left?.max[0], bottom.min[0]);
      near(right?.min[0], bottom.max[0]);
      near(right?.max[0], box.width.mm);
      near(left?.max[2], box.height.mm);
      const toe = solved.parts.find((part) => part.role === 'plinth');
      near(box.height.mm + (toe ? toe.width.mm : 0), box.overallHeight.mm);
      const upper = solved.parts.find((part) => part.role === 'top' || part.role === 'stretcher');
      if (upper) near(partExtent(upper).max[2], box.height.mm);
      if (!face.ok) return;
      let z = box.topUnderside.mm;
      face.cells.forEach((cell, at) => {
        near(cell.clear.top.mm, z, 'openings and dividers stand on each other');
        const divider = face.dividers.find((each) => each.below === cell.opening.id);
        z = cell.clear.bottom.mm - (divider?.thickness.mm ?? 0);
        if (at === face.cells.length - 1) near(cell.clear.bottom.mm, box.bottomTop.mm);
      });
    }),
  );
});

test('fronts, gaps and reveals close exactly on the face', () => {
  fc.assert(
    fc.property(buildableDecisions, (decisions) => {
      const { box, face, resolved } = solveWith(decisions);
      if (!face.ok) return;
      const { reveal, gap } = resolved.settings.fronts;
      const heights = face.cells.reduce((sum, cell) => sum + cell.face.height.mm, 0);
      near(heights + gap.mm * (face.cells.length - 1) + reveal.top.mm + reveal.bottom.mm, box.faceHeight.mm);
    }),
  );
});

test('no part of a finding-free cabinet is without size, and twins mirror', () => {
  fc.assert(
    fc.property(buildableDecisions, (decisions) => {
      const solved = solveWith(decisions);
      if (!solved.findings.some((finding) => finding.severity === 'stop'))
        for (const part of solved.parts) assert.ok(part.cutLength.mm > 0 && part.cutWidth.mm > 0, part.key);
      const [left, right] = ['side/left', 'side/right'].map((key) => partExtent(partOf(solved, key)));
      near((left?.min[0] ?? 0) + (right?.max[0] ?? 0), solved.box.width.mm);
      const rows = solved.rows.filter((row) => row.part.role === 'side');
      assert.equal(rows.length, 2, 'left and right never share a row');
    }),
  );
});

test('solving twice gives the same bytes, and the unit of display changes no size', () => {
  fc.assert(
    fc.property(buildableDecisions, (decisions) => {
      const job = jobWith(decisions);
      const once = stableJson(presentJob(solve(job), { tape: true }));
      assert.equal(stableJson(presentJob(solve(structuredClone(job)), { tape: true })), once);
      const sizes = (unit: 'mm' | 'in') =>
        solve({ ...job, display: { ...job.display, unit } }).cabinets.map((each) =>
          each.parts.map((part) => [part.length.mm, part.width.mm]),
        );
      assert.deepEqual(sizes('in'), sizes('mm'));
    }),
    { numRuns: 40 },
  );
});

test('the solver recomputes only the cabinet that changed', () => {
  const job = newJob('Two', 'metric');
  job.cabinets.push(newCabinet(job, 'base'));
  job.cabinets.push(newCabinet(job, 'wall'));
  const solver = createSolver();
  const before = solver(job);
  const [first, second] = job.cabinets as [Cabinet, Cabinet];
  const after = solver({ ...job, cabinets: [{ ...first, size: { ...first.size, width: 640 } }, second] });
  assert.notEqual(after.cabinets[0], before.cabinets[0]);
  assert.equal(after.cabinets[1], before.cabinets[1]);
  const thicker = solver({ ...job, materials: structuredClone(job.materials) });
  assert.notEqual(thicker.cabinets[1], before.cabinets[1]);
});
