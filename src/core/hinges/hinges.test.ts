import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import fc from 'fast-check';
import {
  buildableDecisions,
  type CabinetDecisions,
  jobWith,
  partOf,
  solveWith,
} from '../../../tests/support/cabinets.js';
import { type HingeProfile, hingeCatalogue, hingeProfileSchema } from '../job/index.js';
import { partExtent, toCabinet } from '../parts/index.js';
import { solve } from '../solve.js';
import { hingeCount, leastGap, solutionId, solveHinge } from './index.js';

const { given, expect } = JSON.parse(
  readFileSync(new URL('../../../tests/cases/08-hinge-solver.json', import.meta.url), 'utf8'),
);
const [straight] = hingeCatalogue;
assert.ok(straight);
const arms = ['straight', 'half', 'inset'] as const;
/** The one family of the worked case. */
const family: HingeProfile[] = arms.map((arm) => ({
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
});

test('every solution keeps o = K + F − P, its ranges and its adjuster, and exact ones come first', () => {
  fc.assert(
    fc.property(fc.double({ min: -8, max: 25, noNaN: true }), (wanted) => {
      const solutions = solveHinge(wanted, hingeCatalogue);
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

test('the catalogue is valid, of invented makers, with every family', () => {
  for (const profile of hingeCatalogue) assert.ok(hingeProfileSchema.safeParse(profile).success, profile.id);
  for (const fit of ['full', 'half', 'inset', 'frame'] as const)
    assert.ok(hingeCatalogue.some((profile) => profile.fit === fit));
  assert.ok(new Set(hingeCatalogue.map((profile) => profile.opening)).size >= 2);
  assert.equal(new Set(hingeCatalogue.map((profile) => profile.id)).size, hingeCatalogue.length);
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

test('the least gap lies between the rows of the table', () => {
  assert.equal(leastGap(straight, 18), 0.8);
  assert.ok(Math.abs(leastGap(straight, 19) - 1) < 1e-9);
  assert.equal(leastGap(straight, 10), 0.5);
  assert.equal(leastGap(straight, 40), 3.9);
});

const doorOf = (decisions: CabinetDecisions = {}, key = 'door/o2/left') => {
  const solved = solveWith(decisions);
  const door = solved.doors.find((each) => each.front.key === key);
  assert.ok(door, solved.doors.map((each) => each.front.key).join());
  return { solved, door };
};

test('a door on a side takes a full hinge, on a partition a half one, in its opening an inset one, on a frame its own', () => {
  assert.equal(doorOf().door.fit, 'full');
  assert.equal(doorOf({ settings: { fronts: { fit: 'inset', gap: 2 } } }).door.fit, 'inset');
  assert.equal(doorOf({ settings: { school: 'faceFrame' } }).door.fit, 'frame');
  const share = { rule: 'share' as const, weight: 1 };
  const door = (id: string) => ({
    id,
    size: share,
    fill: { kind: 'door' as const, hinged: 'left' as const, shelves: 0 },
  });
  const columns = {
    kind: 'columns' as const,
    graduation: { kind: 'arithmetic' as const, step: 0 },
    parts: [door('a'), door('b')],
  };
  const shared = doorOf({ face: columns }, 'door/b').door;
  assert.equal(shared.fit, 'half');
  assert.equal(shared.carrier?.role, 'partition');
  assert.ok(Math.abs(shared.wanted.mm - (18 - 3) / 2) < 1e-9);
});

test('an inset door in a frame gets no plate bored beside the stile, and is said to want another hinge', () => {
  const solved = solveWith({ settings: { school: 'faceFrame', fronts: { fit: 'inset', gap: 2 } } });
  for (const part of solved.parts.filter((each) => each.role === 'frame'))
    assert.ok(part.machining.every((operation) => operation.kind !== 'edge holes'));
  const finding = solved.findings.find((each) => each.rule === 'hinges/not-reachable');
  assert.equal(finding?.fixes[0]?.label, 'Hang the doors otherwise');
});

test('hinges stand at the end distance and equally between, and the case mark differs by the reveal', () => {
  const { door } = doorOf({
    height: 1500,
    parts: [{ id: 'o2', size: { rule: 'share', weight: 1 }, fill: { kind: 'pair', shelves: 0 } }],
  });
  const at = door.places.map((place) => place.onDoor.mm);
  assert.equal(at.length, 3);
  assert.equal(at[0], 100);
  assert.ok(Math.abs((at[2] ?? 0) - (door.front.v.size.mm - 100)) < 1e-9);
  assert.ok(Math.abs((at[1] ?? 0) - door.front.v.size.mm / 2) < 1e-9);
  for (const place of door.places) assert.ok(Math.abs(place.onCase.mm - place.onDoor.mm - door.front.v.low.mm) < 1e-9);
});

test('a hinge that would stand against a shelf is moved clear of it, at most 60', () => {
  const { solved, door } = doorOf({
    height: 1500,
    parts: [{ id: 'o2', size: { rule: 'share', weight: 1 }, fill: { kind: 'pair', shelves: 1 } }],
  });
  const shelf = partExtent(partOf(solved, 'shelf/o2/1'));
  const [, middle] = door.places;
  assert.ok(middle && middle.moved !== 0 && Math.abs(middle.moved ?? 99) <= 60);
  assert.ok(middle.onCase.mm + 27 <= shelf.min[2] || middle.onCase.mm - 27 >= shelf.max[2]);
});

test('the mark on the door and its plate on the case are the same height in the cabinet', () => {
  fc.assert(
    fc.property(buildableDecisions, (decisions) => {
      const solved = solveWith(decisions);
      for (const { front, carrier, places, chosen } of solved.doors) {
        if (!carrier || !chosen || places.length === 0) continue;
        const reason = `hinge of ${front.parts[0]?.name.split(':')[0]?.toLowerCase()}`;
        const bored = solved.parts.flatMap((part) =>
          part.machining
            .filter((operation) => operation.reason === `cup: ${reason}`)
            .map((operation) => ({ part, operation })),
        );
        const cups = bored.flatMap(({ part, operation }) => {
          if (operation.kind !== 'holes') return [];
          const upright = part.placement.u === '+z';
          return operation.positions.map(
            (position) => toCabinet(part.placement, upright ? position.mm : 0, upright ? 0 : position.mm, 0)[2],
          );
        });
        const current = solved.parts.find((part) => part.key === carrier.key);
        const plates = (current?.machining ?? []).flatMap((operation) =>
          operation.reason === `plate: ${reason}` && 'positions' in operation
            ? operation.positions.map((position) => toCabinet(carrier.placement, position.mm, 0, 0)[2])
            : [],
        );
        assert.equal(plates.length, cups.length * 2);
        cups.forEach((cup, at) => {
          const middle = ((plates[at * 2] ?? 0) + (plates[at * 2 + 1] ?? 0)) / 2;
          assert.ok(Math.abs(middle - cup) < 0.01, `${front.key}: cup at ${cup}, plate at ${middle}`);
        });
      }
    }),
    { numRuns: 200 },
  );
});

test('cups and plates are bored where the profile says', () => {
  const { solved, door } = doorOf();
  const cup = partOf(solved, 'door/o2/left').machining.find((operation) => operation.reason.startsWith('cup: '));
  assert.ok(cup?.kind === 'holes' && door.chosen);
  assert.equal(cup.face, 2, 'in the back');
  assert.equal(cup.from, 'v0', 'from the hinge edge');
  assert.equal(cup.offset.mm, door.chosen.offset + 17.5);
  assert.equal(cup.diameter.mm, 35);
  const plate = partOf(solved, 'side/left').machining.find((operation) => operation.reason.startsWith('plate: '));
  assert.ok(plate?.kind === 'holes');
  assert.equal(plate.offset.mm, 37);
  assert.equal((plate.positions[1]?.mm ?? 0) - (plate.positions[0]?.mm ?? 0), 32);
  const inset = partOf(doorOf({ settings: { fronts: { fit: 'inset', gap: 2 } } }).solved, 'side/left');
  const moved = inset.machining.find((operation) => operation.reason.startsWith('plate: '));
  assert.ok(moved?.kind === 'holes' && moved.offset.mm === 37 + 18, 'behind an inset front the line moves back');
});

test('a chosen hinge stays while it fits and gives way when it does not', () => {
  const { door } = doorOf();
  const other = door.solutions[3];
  assert.ok(other);
  const chosen = doorOf({ settings: { hinges: { choice: solutionId(other) } } }).door.chosen;
  assert.equal(chosen && solutionId(chosen), solutionId(other));
  assert.ok(doorOf({ settings: { hinges: { choice: 'gone/0/3' } } }).door.chosen);
});

test('hinges are counted for buying, and none are figured when they are not wanted', () => {
  const { fittings } = solveWith({});
  assert.equal(
    fittings.filter((fitting) => fitting.name.startsWith('Hinge')).reduce((sum, fitting) => sum + fitting.quantity, 0),
    4,
  );
  assert.deepEqual(solveWith({ settings: { hinges: { kind: 'none' } } }).doors, []);
});

test('a job without a hinge library says so door by door', () => {
  const job = jobWith({});
  job.hardware.hinges = [];
  const findings = solve(job).findings.filter((finding) => finding.rule === 'hinges/not-reachable');
  assert.equal(findings.length, 2);
});
