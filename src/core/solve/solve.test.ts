import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import fc from 'fast-check';
import { buildableDecisions, jobWith, partOf, solveWith } from '../../../tests/support/cabinets.js';
import { frameSizes } from '../build/index.js';
import { type Cabinet, countedIds, newCabinet, stableJson } from '../decisions/index.js';
import { diagonal, formatLength, inches, length } from '../ground/index.js';
import { isMirrored } from '../part/index.js';
import { presentJob } from '../present/index.js';
import { check, checkJob, newJob } from './index.js';
import { createSolver, type SolvedCabinet, solve, solveCabinet } from './solve.js';

const caseFile = (name: string, whole = false) => {
  const file = JSON.parse(readFileSync(`tests/cases/${name}.json`, 'utf8'));
  return whole ? file : file.expect;
};
const near = (actual: number | undefined, expected: number, what = '') =>
  assert.ok(actual !== undefined && Math.abs(actual - expected) <= 0.01, `${what}: ${actual} is not ${expected}`);

test('worked case: frameless base, one drawer over a pair of doors, on a separate plinth', () => {
  const expect = caseFile('01-frameless-base');
  const solved = solveWith({
    from: 'base',
    width: 800,
    height: 870,
    depth: 560,
    measured: { birch18: 17.8, birch6: 5.7, front18: 18 },
    settings: { depth: { means: 'carcass' }, toe: { height: 150 } },
  });
  const { box, face } = solved;
  near(box.insideWidth.value, expect.insideWidth, 'inside width');
  near(box.overallHeight.value, expect.totalHeightOnPlinth);
  const side = partOf(solved, 'side/left');
  near(side.length.value, expect.sidePanel[0]);
  near(side.width.value, expect.sidePanel[1]);
  const bottom = partOf(solved, 'bottom');
  near(bottom.length.value, expect.bottomPanel[0]);
  near(bottom.width.value, expect.bottomPanel[1]);
  near(partOf(solved, 'stretcher/front').length.value, expect.stretcherLength);
  const [groove] = side.machining;
  assert.equal(groove?.kind, 'groove');
  near(groove?.width.value, expect.grooveWidth);
  near(groove?.offset.value, expect.grooveOffsetFromRear);
  const back = partOf(solved, 'back');
  near(back.width.value, expect.backWidth, 'back width');
  near(back.length.value, expect.backHeight, 'back height');
  near(box.clearDepth.value, expect.clearDepth);
  const drawer = partOf(solved, 'drawer/o1');
  near(drawer.length.value, expect.drawerFrontFinished[0]);
  near(drawer.width.value, expect.drawerFrontFinished[1]);
  near(drawer.cutLength.value, expect.drawerFrontCut[0]);
  near(drawer.cutWidth.value, expect.drawerFrontCut[1]);
  const door = partOf(solved, 'door/o2/left');
  near(door.width.value, expect.doorFinished[0]);
  near(door.length.value, expect.doorFinished[1]);
  near(door.cutWidth.value, expect.doorCut[0]);
  near(door.cutLength.value, expect.doorCut[1]);
  assert.ok(face.ok);
  const [divider] = face.boundaries;
  near(divider?.centre.value, expect.dividerCentreAboveBoxUnderside);
  near(divider?.inside.high.value, expect.dividerTop);
  near(divider?.inside.low.value, expect.dividerUnderside);
  near(face.cells[0]?.clear.v.size.value, expect.drawerOpeningHeight);
  near(face.cells[1]?.clear.v.size.value, expect.doorOpeningHeight);
  near(solved.fronts.find((front) => front.key === 'door/o2/left')?.overlay?.value, expect.doorOverlayOnSide);
});

test('worked case: inch wall cabinet, top and bottom dadoed', () => {
  const expect = caseFile('02-inch-wall-cabinet');
  const job = newJob('Inch', 'inch');
  const cabinet = newCabinet(job, 'wall');
  cabinet.size = { width: inches(31.5), height: { from: 'overall', mm: inches(29.75) }, depth: inches(12) };
  cabinet.settings = {
    back: { grooveDepth: 8, ease: 0.5, slip: 0.3 },
    joints: { top: 'dado', bottom: 'dado', dadoDepth: inches(1 / 4) },
  };
  const reading: Record<string, number> = { ply34: 45 / 64, ply14: 13 / 64, front34: 3 / 4, oak34: 3 / 4 };
  for (const material of job.materials)
    material.measured = { batch: '', readings: [inches(reading[material.id] ?? 0)] };
  job.cabinets.push(cabinet);
  const solved = solveCabinet(job, cabinet);
  near(solved.box.insideWidth.value, expect.insideWidth);
  near(solved.box.sideDepth.value, expect.sideDepth);
  near(solved.box.clearDepth.value, expect.clearDepth);
  const back = partOf(solved, 'back');
  near(back.width.value, expect.backWidth);
  near(back.length.value, expect.backHeight);
  near(partOf(solved, 'top').length.value, expect.topAndBottomLength);
  near(partOf(solved, 'bottom').length.value, expect.topAndBottomLength);
  const door = partOf(solved, 'door/o1/left');
  near(door.width.value, expect.doorWidth);
  near(door.length.value, expect.doorHeight);
  near(solved.fronts[0]?.overlay?.value, expect.overlay);
  const shelf = partOf(solved, 'shelf/o1/1');
  near(shelf.length.value, expect.shelfWidth);
  near(shelf.width.value, expect.shelfDepth);
  assert.equal(formatLength(door.width.value, job.display), expect.doorWidthAsSixteenths);
  assert.equal(formatLength(door.length.value, job.display), expect.doorHeightAsSixteenths);
  assert.equal(formatLength(solved.box.insideWidth.value, job.display), expect.insideWidthAsSixteenthsWithRemainder);
});

test('worked case: face-frame base with three drawers, exposed left end, wall on the right', () => {
  const { given, expect } = caseFile('03-face-frame', true);
  const third = { rule: 'share' as const, weight: 1 };
  const solved = solveWith({
    width: given.frameWidth,
    // The frame is level with the box and its bottom rail ends on the floor of it: 740 − 40 + 18.1 + 100 plinth.
    height: given.frameHeight - given.bottomRail + given.sheetMeasured + 100,
    depth: given.overallDepthToFrameFace,
    measured: {
      birch18: given.sheetMeasured,
      birch12: 12,
      birch6: given.appliedBack,
      oak20: given.frameThickness,
    },
    settings: {
      school: 'faceFrame',
      depth: { means: 'carcass' },
      ends: { left: 'exposed', right: 'wall', scribe: given.overhang.right },
      frame: {
        stileLeft: given.stileWidth.left,
        stileRight: given.stileWidth.right,
        wallStile: 'within',
        topRail: given.topRail,
        midRail: given.midRails,
        bottomRail: given.bottomRail,
        overlay: given.overlayEachSide,
      },
    },
    parts: [
      { id: 'o1', size: third, pin: 130, fill: { kind: 'drawer' } },
      { id: 'o2', size: third, fill: { kind: 'drawer' } },
      { id: 'o3', size: third, fill: { kind: 'drawer' } },
    ],
  });
  const { box, face, resolved } = solved;
  const frame = frameSizes(box, resolved);
  near(frame.height.value, given.frameHeight, 'frame height');
  near(partOf(solved, 'frame/rail/top').length.value, expect.railLength, 'rail');
  near(box.width.value, expect.boxWidth);
  near(box.insideWidth.value, expect.insideWidth);
  near(box.sideDepth.value, expect.sideDepth);
  assert.ok(face.ok);
  near(
    face.cells.reduce((sum, cell) => sum + cell.clear.v.size.value, 0),
    expect.openingTotal,
  );
  face.cells.forEach((cell, at) => near(cell.clear.v.size.value, expect.openings[at]));
  solved.fronts.forEach((front, at) => {
    near(front.h.size.value, expect.frontWidth);
    near(front.v.size.value, expect.frontHeights[at]);
  });
  const [drawer] = solved.fitted.runners;
  near(drawer?.plan?.outside.value, expect.drawerBoxWidth);
  near(partOf(solved, 'drawer/o1/box/front').length.value, expect.drawerBoxFrontLength);
  near(frame.packingLeft.value, expect.packingLeft);
  near(frame.packingRight.value, expect.packingRight);
  near((solved.fronts[0]?.v.low.value ?? 0) - (solved.fronts[1]?.v.high.value ?? 0), expect.faceToFaceBetweenFronts);
});

test('worked case: solid-sided chest with web frames and a centre partition', () => {
  const { given, expect } = caseFile('04-web-frames', true);
  const share = { rule: 'share' as const, weight: 1 };
  const drawers = (prefix: string) => ({
    kind: 'rows' as const,
    graduation: { kind: 'arithmetic' as const, step: 0 },
    parts: [1, 2].map((n) => ({ id: `${prefix}${n}`, size: share, fill: { kind: 'drawer' as const } })),
  });
  const solved = solveWith({
    width: given.width,
    height: given.height,
    depth: given.depth,
    measured: { birch18: given.sideThickness, birch6: 5.7, oak20: given.topFrameThickness, front18: given.faceFrame },
    settings: {
      school: 'traditional',
      depth: { means: 'carcass' },
      joints: { dadoDepth: given.dadoDepth },
      toe: { height: given.bottomTopSurfaceAboveFloor - given.sideThickness },
      frame: { fitted: 'fitted', overhangNeighbour: 0 },
      web: { member: given.memberWidth, crossMembers: given.crossMembers, allowance: given.allowance },
      // Sheet sides: nothing is deducted for shrinkage.
      materials: { side: 'birch18', frame: 'front18' },
    },
    face: {
      kind: 'columns',
      graduation: { kind: 'arithmetic', step: 0 },
      parts: [
        { id: 'a', size: share, fill: drawers('a') },
        { id: 'b', size: share, fill: drawers('b') },
      ],
    },
  });
  const rail = partOf(solved, 'web/top/rail/front');
  near(rail.length.value, expect.frameWidth);
  near(rail.width.value, expect.longRailFinished[1]);
  near(rail.cutLength.value, expect.longRailRough[0]);
  near(rail.cutWidth.value, expect.longRailRough[1]);
  near(partOf(solved, 'bottom').width.value, expect.frameDepth);
  const cross = partOf(solved, 'web/top/cross/2');
  near(cross.cutLength.value, expect.crossMember[0]);
  near(cross.cutWidth.value, expect.crossMember[1]);
  const half = partOf(solved, 'divider/a1/rail/front');
  near(half.length.value, expect.halfFrameWidth);
  near(half.cutLength.value, expect.halfLongRailRough);
  near(partOf(solved, 'divider/a').length.value, expect.partitionLength);
  const bottom = partOf(solved, 'bottom');
  near(bottom.length.value, expect.bottomPanel[0]);
  near(bottom.width.value, expect.bottomPanel[1]);
});

test('worked case: tip-up diagonal', () => {
  const { given, expect } = caseFile('11-checks', true);
  const [height, depth] = given.tallAsMoved_height_depth;
  const job = jobWith({
    from: 'tall',
    height,
    depth,
    settings: { depth: { means: 'carcass' }, toe: { kind: 'none' } },
  });
  job.room.ceiling = given.ceiling;
  const finding = checkJob(solve(job)).find((each) => each.rule === 'sizes/into-the-room');
  near(finding?.numbers[0]?.value, expect.tipUpDiagonal);
  assert.equal(finding?.severity, 'stop');
});

test('worked case: diagonal of a box, and the weight of a door without its pull', () => {
  const { given, expect } = caseFile('11-checks', true);
  const [width, height] = given.box;
  near(diagonal(length(width), length(height)).value, expect.diagonal);
  // Reveals of 1.5 all round leave a door of 700 by 380 in 18 of 680 kg per cubic metre.
  const solved = solveWith({
    from: 'wall',
    width: 703,
    height: 383,
    settings: { materials: { front: 'birch18' } },
    parts: [{ id: 'o1', size: { rule: 'share', weight: 1 }, fill: { kind: 'door', hinged: 'left' } }],
  });
  const [door] = solved.fitted.hinges;
  near(door?.front.weight.value, expect.doorWeightWithoutPullKg);
  const pull = solved.fitted.pulls[0]?.profile.weight ?? 0;
  assert.ok(pull > 0);
  near((door?.weight.value ?? 0) - pull, expect.doorWeightWithoutPullKg);
});

/** True where fillers at both walls are wider than the cabinet; a stop says so. */
function nothingLeft(solved: SolvedCabinet): boolean {
  const { box } = solved;
  if (box.insideWidth.value > 0) return false;
  assert.ok(check(solved).some(({ severity }) => severity === 'stop'));
  return true;
}

test('in every school parts close along each axis', () => {
  fc.assert(
    fc.property(buildableDecisions, (decisions) => {
      const solved = solveWith(decisions);
      const { box, face, resolved } = solved;
      if (nothingLeft(solved)) return;
      const [left, right] = ['side/left', 'side/right'].map((key) => partOf(solved, key).extent);
      const bottom = partOf(solved, 'bottom').extent;
      const enters = box.bottomUnder ? 0 : box.engagement.bottom.value;
      near(left?.min[0], 0);
      near(right?.max[0], box.width.value);
      near(box.width.value + box.beyondLeft.value + box.beyondRight.value, box.overallWidth.value);
      if (box.bottomUnder) {
        near(bottom.min[0], 0);
        near(bottom.max[0], box.width.value);
      } else {
        // A dado overlaps by exactly its depth, a butt joint not at all.
        near((left?.max[0] ?? 0) - bottom.min[0], enters);
        near(bottom.max[0] - (right?.min[0] ?? 0), enters);
      }
      near(box.height.value + box.underHeight.value, box.overallHeight.value);
      near(left?.max[2], box.topOver ? box.topUnderside.value + box.engagement.top.value : box.height.value);
      const framed = resolved.settings.frame.fitted.value === 'fitted';
      if (framed) {
        const stiles = ['left', 'right'].map((hand) => partOf(solved, `frame/stile/${hand}`).extent);
        near((stiles[1]?.max[0] ?? 0) - (stiles[0]?.min[0] ?? 0), box.overallWidth.value);
        const rail = partOf(solved, 'frame/rail/top');
        near(
          (stiles[1]?.min[0] ?? 0) - (stiles[0]?.max[0] ?? 0) + 2 * resolved.settings.frame.tenon.value,
          rail.length.value,
        );
      }
      if (!face.ok) return;
      for (const split of face.splits) {
        const whole = (split.axis === 'rows' ? split.within.clear.v : split.within.clear.h).size.value;
        const sum =
          split.clear.reduce((total, each) => total + each.size.value, 0) +
          split.between.reduce((total, each) => total + each.clear.value, 0);
        near(sum, whole, 'openings and what divides them fill the clear space');
        const face = (split.axis === 'rows' ? split.within.face.v : split.within.face.h).size.value;
        const fronts =
          split.face.reduce((total, each) => total + each.size.value, 0) +
          split.between.reduce((total, each) => total + each.face.value, 0);
        near(fronts, face, 'fronts and gaps fill the face');
      }
    }),
    { numRuns: 300 },
  );
});

test('no part of a finding-free cabinet is without size, twins mirror, and the parts fit in the box', () => {
  fc.assert(
    fc.property(buildableDecisions, (decisions) => {
      const solved = solveWith(decisions);
      const { box } = solved;
      if (nothingLeft(solved)) return;
      if (!solved.findings.some((finding) => finding.severity === 'stop'))
        for (const part of solved.parts) assert.ok(part.cutLength.value > 0 && part.cutWidth.value > 0, part.key);
      const [left, right] = ['side/left', 'side/right'].map((key) => partOf(solved, key));
      assert.ok(left && right);
      const [l, r] = [left.extent, right.extent];
      near(l.min[0] + r.max[0], box.width.value);
      // One of them may be of another board.
      if (left.thickness.value === right.thickness.value) near(l.max[0] + r.min[0], box.width.value);
      assert.equal(isMirrored(left.placement), !isMirrored(right.placement));
      assert.equal(solved.rows.filter((row) => row.part.role === 'side').length, 2, 'left and right never share a row');
      const carcass = solved.parts.filter(
        (part) => !['door', 'drawer front', 'frame', 'end', 'filler', 'plinth', 'shelf'].includes(part.role),
      );
      const volume = carcass.reduce(
        (sum, part) => sum + Math.max(0, part.length.value * part.width.value * part.thickness.value),
        0,
      );
      assert.ok(volume < box.width.value * (box.sideDepth.value + 30) * box.height.value, 'more wood than box');
      if (solved.findings.some((finding) => finding.severity === 'stop')) return;
      for (const part of carcass) {
        const { min, max } = part.extent;
        assert.ok(min[0] >= -0.01 && max[0] <= box.width.value + 0.01, `${part.key} leaves the box sideways`);
        assert.ok(min[2] >= -0.01 && max[2] <= box.height.value + 0.01, `${part.key} leaves the box upwards`);
      }
    }),
    { numRuns: 300 },
  );
});

test('every operation lies on its part', () => {
  fc.assert(
    fc.property(buildableDecisions, (decisions) => {
      const solved = solveWith(decisions);
      if (solved.findings.some((finding) => finding.severity === 'stop')) return;
      for (const part of solved.parts)
        for (const operation of part.machining) {
          assert.ok(operation.reason.length > 3);
          // Along a mitre nothing is told from an edge.
          if (!('positions' in operation) || operation.kind === 'mitre slots') continue;
          const along =
            'edge' in operation
              ? operation.edge
              : 'from' in operation
                ? operation.from
                : operation.kind === 'dovetails'
                  ? operation.end
                  : 'from' in operation.place
                    ? operation.place.from
                    : operation.place.edge;
          const run = along.startsWith('u') ? part.width.value : part.length.value;
          for (const position of operation.positions)
            assert.ok(
              position.value > -0.01 && position.value < run + 0.01,
              `${part.key} ${operation.kind} at ${position.value} of ${run}`,
            );
          if (operation.kind === 'edge holes')
            assert.ok(
              operation.offset.value > 0 && operation.offset.value < part.thickness.value,
              `${part.key}: hole beside its edge`,
            );
          if (operation.kind === 'holes')
            assert.ok(
              operation.offset.value > 0 &&
                operation.offset.value < (along.startsWith('u') ? part.length.value : part.width.value),
              `${part.key}: ${operation.offset.value}`,
            );
        }
    }),
    { numRuns: 200 },
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
          each.parts.map((part) => [part.length.value, part.width.value]),
        );
      assert.deepEqual(sizes('in'), sizes('mm'));
    }),
    { numRuns: 40 },
  );
});

test('the solver recomputes only the cabinet that changed', () => {
  const job = newJob('Two', 'metric');
  const ids = countedIds();
  job.cabinets.push(newCabinet(job, 'base', ids));
  job.cabinets.push(newCabinet(job, 'wall', ids));
  const solver = createSolver();
  const before = solver(job);
  const [first, second] = job.cabinets as [Cabinet, Cabinet];
  const after = solver({ ...job, cabinets: [{ ...first, size: { ...first.size, width: 640 } }, second] });
  assert.notEqual(after.cabinets[0], before.cabinets[0]);
  assert.equal(after.cabinets[1], before.cabinets[1]);
  const thicker = solver({ ...job, materials: structuredClone(job.materials) });
  assert.notEqual(thicker.cabinets[1], before.cabinets[1]);
});
