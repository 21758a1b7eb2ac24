import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import {
  buildableDecisions,
  type CabinetDecisions,
  jobWith,
  partOf,
  solveWith,
} from '../../../../tests/support/cabinets.js';

import { actOf } from '../../decisions/index.js';
import { type Holes, type Part, toCabinet } from '../../part/index.js';
import {
  applyEdits,
  checkJob,
  fixesFor,
  type Overrides,
  proposedFor,
  type SolvedCabinet,
  solve,
} from '../../solve/index.js';
import { findHinges, hangOn, hingeCatalogue, solutionId, solutionsOf } from './index.js';

const doorOf = (decisions: CabinetDecisions = {}, key = 'door/o2/left') => {
  const solved = solveWith(decisions);
  const door = solved.fitted.hinges.find((each) => each.front.key === key);
  assert.ok(door, solved.fitted.hinges.map((each) => each.front.key).join());
  return { solved, door };
};

test('a door on a side takes a full hinge, on a partition a half one, in its opening an inset one, on a frame its own', () => {
  assert.equal(doorOf().door.wish.fit, 'full');
  assert.equal(doorOf({ settings: { fronts: { fit: 'inset', gap: 2 } } }).door.wish.fit, 'inset');
  const framed = doorOf({ settings: { school: 'faceFrame' } }).door;
  assert.deepEqual([framed.wish.carcass, framed.wish.fit, framed.chosen?.profile.family], ['frame', 'full', 'compact']);
  const share = { rule: 'share' as const, weight: 1 };
  const door = (id: string) => ({
    id,
    size: share,
    fill: { kind: 'door' as const, hinged: 'left' as const },
  });
  const columns = {
    kind: 'columns' as const,
    graduation: { kind: 'arithmetic' as const, step: 0 },
    parts: [door('a'), door('b')],
  };
  const shared = doorOf({ face: columns }, 'door/b').door;
  assert.equal(shared.wish.fit, 'half');
  assert.equal(shared.carrier?.role, 'partition');
  assert.ok(Math.abs(shared.wish.overlay.value - (18 - 3) / 2) < 1e-9);
});

const free = { snap: 'free' as const };

test('an inset door in a frame takes butts, let into door and stile by half of what the gap leaves', () => {
  const { solved, door } = doorOf({ settings: { school: 'faceFrame', fronts: { fit: 'inset', gap: 2 } } });
  assert.equal(door.chosen?.kind, 'leaf');
  const cut = (key: string) => partOf(solved, key).machining.find(({ kind }) => kind === 'mortises');
  const [inDoor, inStile] = [cut('door/o2/left'), cut('frame/stile/left')];
  assert.ok(inDoor?.kind === 'mortises' && inStile?.kind === 'mortises');
  assert.ok(Math.abs(inDoor.depth.value - 1.3) < 1e-9 && Math.abs(inStile.depth.value - 1.3) < 1e-9);
  assert.deepEqual(inDoor.place, { edge: 'v0' });
  assert.deepEqual(inStile.place, { edge: 'v1' });
  // A hinge length from the end: its middle one and a half from there.
  assert.ok(Math.abs((inDoor.positions[0]?.value ?? 0) - 75) < 1e-9);
  assert.deepEqual(
    solved.findings.filter(({ rule }) => rule.startsWith('machining/') || rule.startsWith('hinges/')),
    [],
    'pilot holes belong into their mortise',
  );
});

test('butts stand in line with the rails of a framed door when the shop does so', () => {
  const settings = {
    school: 'faceFrame' as const,
    making: { kind: 'stick' as const },
    fronts: { fit: 'inset' as const, gap: 2 },
  };
  const { door } = doorOf({ settings: { ...settings, hinges: { leafPlace: 'rails' } } });
  assert.equal(door.places[0]?.onDoor.value, 64 + 25);
});

test('a no-mortise butt wants the gap it makes, and the finding offers it', () => {
  const settings = (gap: number) => ({
    school: 'faceFrame' as const,
    fronts: { fit: 'inset' as const, gap },
    hinges: { family: 'noMortise' as const },
  });
  assert.equal(doorOf({ settings: settings(1.7) }).door.chosen?.profile.family, 'noMortise');
  const { solved } = doorOf({ settings: settings(3) });
  const finding = solved.findings.find(({ rule }) => rule === 'hinges/not-reachable');
  assert.match((finding && proposedFor({ cabinets: [solved] }, finding.id)[0]?.label) ?? '', /^Make the gap 1.7 mm/);
});

test('where no hinge reaches, only the wishes that stand in the way are offered to be dropped, and dropping them helps', () => {
  const offered = (settings: NonNullable<CabinetDecisions['settings']>) => {
    const solved = solve(jobWith({ settings }));
    const finding = checkJob(solved).find(({ rule }) => rule === 'hinges/not-reachable');
    return finding ? fixesFor(solved, finding.id).map(({ label }) => label) : undefined;
  };
  assert.equal(offered({}), undefined, 'hangs as it is');
  assert.deepEqual(offered({ hinges: { opening: 180 } }), ['Take whatever fits', 'Hang the doors otherwise']);
  assert.deepEqual(offered({ hinges: { family: 'butt' } }), ['Take whatever fits', 'Hang the doors otherwise']);
  // Nothing was wished for: the overlay itself is beyond any arm.
  assert.deepEqual(offered({ materials: { side: 'oak20' }, fronts: { reveal: { left: 17 } } }), [
    'Hang the doors otherwise',
  ]);
});

test('a lipped door is bored from its rebate, for an overlay of less the clearance', () => {
  const fronts = { fit: 'lipped' as const, lip: 8, rebateWidth: 10, rebateDepth: 5 };
  const { solved, door } = doorOf({ settings: { fronts } });
  assert.equal(door.wish.fit, 'lipped');
  assert.equal(door.wish.overlay.value, -2);
  assert.ok(door.chosen?.kind === 'concealed' && door.chosen.exact);
  const cup = partOf(solved, 'door/o2/left').machining.find(({ reason }) => reason.startsWith('cup: '));
  assert.ok(cup?.kind === 'holes');
  assert.equal(cup.offset.value, 10 + door.chosen.offset + 17.5);
  const semi = doorOf({ settings: { school: 'faceFrame', fronts, hinges: { family: 'semi' } } });
  assert.equal(semi.door.chosen?.profile.family, 'semi');
  const screws = partOf(semi.solved, 'frame/stile/left').machining.filter(({ reason }) =>
    reason.startsWith('screws: '),
  );
  assert.equal((screws[0] as Holes | undefined)?.positions.length, 4, 'two to a hinge');
});

test('hinges stand at the end distance and equally between, and the case mark differs by the reveal', () => {
  const { door } = doorOf({
    height: 1500,
    settings: { hinges: free },
    parts: [{ id: 'o2', size: { rule: 'share', weight: 1 }, fill: { kind: 'pair' } }],
  });
  const at = door.places.map((place) => place.onDoor.value);
  assert.equal(at.length, 3);
  assert.equal(at[0], 100);
  assert.ok(Math.abs((at[2] ?? 0) - (door.front.v.size.value - 100)) < 1e-9);
  assert.ok(Math.abs((at[1] ?? 0) - door.front.v.size.value / 2) < 1e-9);
  for (const place of door.places)
    assert.ok(Math.abs(place.onCase.value - place.onDoor.value - door.front.v.low.value) < 1e-9);
});

test('a hinge that would stand against a shelf is moved clear of it, at most 60', () => {
  const { solved, door } = doorOf({
    height: 1500,
    parts: [
      {
        id: 'o2',
        size: { rule: 'share', weight: 1 },
        fill: { kind: 'pair', interior: { kind: 'shelves', shelves: 1 } },
      },
    ],
  });
  const shelf = partOf(solved, 'shelf/o2/1').extent;
  const [, middle] = door.places;
  assert.ok(middle?.clear && middle.moved !== 0 && Math.abs(middle.moved) <= 60);
  assert.ok(middle.onCase.value + 27 <= shelf.min[2] || middle.onCase.value - 27 >= shelf.max[2]);
});

test('the mark on the door and its plate on the case are the same height in the cabinet', () => {
  fc.assert(
    fc.property(buildableDecisions, (decisions) => {
      const solved = solveWith(decisions);
      for (const { front, carrier, places, chosen } of solved.fitted.hinges) {
        if (!carrier || !chosen || places.length === 0) continue;
        const reason = `hinge of ${front.parts[0]?.name.split(':')[0]?.toLowerCase()}`;
        const [onDoor, onCase] = chosen.kind === 'concealed' ? ['cup', 'plate'] : ['screws', 'screws'];
        const heights = (part: Part, what: string) =>
          part.machining.flatMap((operation) => {
            if (operation.reason !== `${what}: ${reason}` || !('positions' in operation)) return [];
            const upright = part.placement.u === '+z';
            return operation.positions.map(
              ({ value: mm }) => toCabinet(part.placement, upright ? mm : 0, upright ? 0 : mm, 0)[2],
            );
          });
        const marks = front.parts.flatMap(({ key }) => heights(partOf(solved, key), onDoor as string));
        const plates = heights(partOf(solved, carrier.key), onCase as string);
        const wanted = chosen.kind === 'concealed' ? marks.flatMap((z) => [z - 16, z + 16]) : marks;
        const apart = chosen.kind === 'concealed' ? chosen.profile.plate.apart / 2 : 16;
        assert.equal(plates.length, wanted.length);
        plates.forEach((plate, at) => {
          const mark = chosen.kind === 'concealed' ? marks[Math.floor(at / 2)] : marks[at];
          const off = chosen.kind === 'concealed' ? (at % 2 === 0 ? -apart : apart) : 0;
          assert.ok(Math.abs(plate - off - (mark ?? 0)) < 0.01, `${front.key}: door at ${mark}, case at ${plate}`);
        });
      }
    }),
    { numRuns: 200 },
  );
});

test('cups and plates are bored where the profile says', () => {
  const { solved, door } = doorOf();
  const cup = partOf(solved, 'door/o2/left').machining.find((operation) => operation.reason.startsWith('cup: '));
  assert.ok(cup?.kind === 'holes' && door.chosen?.kind === 'concealed');
  assert.equal(cup.face, 2, 'in the back');
  assert.equal(cup.from, 'v0', 'from the hinge edge');
  assert.equal(cup.offset.value, door.chosen.offset + 17.5);
  assert.equal(cup.diameter.value, 35);
  const plate = partOf(solved, 'side/left').machining.find((operation) => operation.reason.startsWith('plate: '));
  assert.ok(plate?.kind === 'holes');
  assert.equal(plate.offset.value, 37);
  assert.equal((plate.positions[1]?.value ?? 0) - (plate.positions[0]?.value ?? 0), 32);
  const inset = partOf(doorOf({ settings: { fronts: { fit: 'inset', gap: 2 } } }).solved, 'side/left');
  const moved = inset.machining.find((operation) => operation.reason.startsWith('plate: '));
  assert.ok(moved?.kind === 'holes' && moved.offset.value === 37 + 18, 'behind an inset front the line moves back');
});

test('a chosen hinge stays while it fits and gives way when it does not', () => {
  const { door } = doorOf();
  const other = solutionsOf(door.wish, hingeCatalogue)[3];
  assert.ok(other);
  const chosen = doorOf({ settings: { hinges: { choice: solutionId(other) } } }).door.chosen;
  assert.equal(chosen && solutionId(chosen), solutionId(other));
  assert.ok(doorOf({ settings: { hinges: { choice: 'gone/0/3' } } }).door.chosen);
});

test('what the finder says of a reveal is what the door has once it is hung so', () => {
  const ends: Overrides['ends'][] = [{}, { leftPanel: 'applied' }, { left: 'wall', filler: 'strip' }];
  let tried = 0;
  for (const end of ends)
    for (const reveal of [1, 2.5, 4]) {
      const job = jobWith({ settings: { ends: end ?? {} } });
      const [solved] = solve(job).cabinets;
      const door = solved?.fitted.hinges.find(({ hinged }) => hinged === 'left');
      assert.ok(solved && door);
      const { own, solutions } = findHinges(door, solved, hingeCatalogue, reveal);
      assert.ok(own !== undefined && Math.abs(own - solved.resolved.settings.fronts.reveal.left.value) < 1e-9);
      for (const solution of solutions.slice(0, 3)) {
        const after = structuredClone(job);
        applyEdits(after, actOf(solved.cabinet, hangOn(door, solved, solution, reveal)).edits);
        const chosen = solve(after).cabinets[0]?.fitted.hinges.find(({ hinged }) => hinged === 'left')?.chosen;
        assert.equal(chosen && solutionId(chosen), solutionId(solution));
        assert.ok(
          Math.abs((chosen?.residual ?? Number.NaN) - solution.residual) < 1e-9,
          `${reveal} at ${JSON.stringify(end)}`,
        );
        tried += 1;
      }
    }
  assert.ok(tried >= 18, `${tried} tried`);
});

test('no reveal can be tried where the gap is shared with the neighbour, or on a frame', () => {
  const own = (settings: Overrides) => {
    const { solved, door } = doorOf({ settings });
    return findHinges(door, solved, hingeCatalogue, undefined).own;
  };
  assert.equal(own({ ends: { left: 'neighbour' }, fronts: { atNeighbour: 'half' } }), undefined);
  assert.equal(own({ school: 'faceFrame' }), undefined);
  assert.equal(own({ fronts: { fit: 'inset', gap: 2 } }), undefined);
});

test('hinges are counted for buying, and none are figured when they are not wanted', () => {
  const { fittings } = solveWith({});
  assert.equal(
    fittings.filter((fitting) => fitting.name.startsWith('Hinge')).reduce((sum, fitting) => sum + fitting.quantity, 0),
    4,
  );
  assert.deepEqual(solveWith({ settings: { hinges: { family: 'none' } } }).fitted.hinges, []);
});

test('a job without a hinge library says so door by door', () => {
  const job = jobWith({});
  job.hardware.hinges = [];
  const findings = checkJob(solve(job)).filter((finding) => finding.rule === 'hinges/not-reachable');
  assert.equal(findings.length, 2);
});

test('on the pin grid both plate holes fall on its holes, off it only where nothing on it is free', () => {
  fc.assert(
    fc.property(buildableDecisions, (decisions) => {
      const solved = solveWith(decisions);
      const { grid } = solved;
      for (const { places, chosen, carrier } of solved.fitted.hinges) {
        if (!grid || chosen?.kind !== 'concealed' || carrier?.role === 'frame') continue;
        for (const place of places.filter(({ clear }) => clear)) {
          const hole = (place.onCase.value - 16 - grid.base.value) / 32;
          const onGrid = Math.abs(hole - Math.round(hole)) < 1e-6;
          assert.ok(onGrid || Number.isInteger(Math.round(place.moved * 1e6) / 1e6), 'moved by whole millimetres');
        }
      }
    }),
    { numRuns: 60 },
  );
  const { door } = doorOf();
  for (const { onCase } of door.places) assert.equal((onCase.value - 16 - 9) % 32, 0);
});

test('a height decided for a hinge is kept, and not bored while something stands there', () => {
  const at = (hingesAt: { id: string; mm: number }[]) =>
    doorOf({
      height: 1500,
      parts: [
        {
          id: 'o2',
          size: { rule: 'share', weight: 1 },
          fill: { kind: 'pair', interior: { kind: 'shelves', shelves: 1 }, hingesAt },
        },
      ],
    });
  const { door } = at([{ id: 'h2', mm: 500 }]);
  assert.equal(door.places[1]?.onDoor.value, 500);
  assert.ok(door.places[1]?.decided && door.places[1].clear);
  assert.ok(!door.places[0]?.decided);
  const shelf = partOf(at([]).solved, 'shelf/o2/1').extent;
  const { solved, door: blocked } = at([{ id: 'h2', mm: shelf.min[2] - door.front.v.low.value }]);
  assert.equal(blocked.places[1]?.clear, false);
  const cups = partOf(solved, 'door/o2/left').machining.find(({ reason }) => reason.startsWith('cup: '));
  assert.equal((cups as Holes).positions.length, 2);
  const finding = solved.findings.find(({ rule }) => rule === 'hinges/against-shelf');
  assert.match((finding && proposedFor({ cabinets: [solved] }, finding.id)[0]?.label) ?? '', /^Move hinge 2 to/);
});

test('the weight of a door is its area times thickness times density, and its pull', () => {
  const { door } = doorOf({ settings: { pulls: { doors: 'harl-knob' } } });
  const { h, v } = door.front;
  const board = (h.size.value * v.size.value * 18 * 680) / 1e9;
  const { density } = door.front.parts[0]?.material ?? { density: 0 };
  assert.ok(Math.abs(door.front.weight.value - (board * density) / 680) < 1e-9);
  assert.ok(Math.abs(door.weight.value - door.front.weight.value - 0.04) < 1e-9);
});

test('a door beside a wall is stopped square and its limiter bought; where it stands free it is not', () => {
  const at = (settings: Overrides) =>
    solveWith({
      width: 450,
      settings,
      parts: [{ id: 'o1', size: { rule: 'share', weight: 1 }, fill: { kind: 'door', hinged: 'left' } }],
    });
  const limiters = (solved: SolvedCabinet) => solved.fittings.filter(({ name }) => name === 'Opening limiter').length;
  const walled = at({ ends: { left: 'wall' } });
  assert.equal(walled.fitted.hinges[0]?.stopAngle, 90);
  assert.equal(limiters(walled), 1);
  assert.ok(!walled.findings.some(({ rule }) => rule === 'fronts/swing-meets' || rule === 'hinges/opens-too-far'));
  for (const free of [at({}), at({ ends: { right: 'wall' } }), at({ ends: { left: 'wall', leftClear: 600 } })]) {
    assert.equal(free.fitted.hinges[0]?.stopAngle, 110);
    assert.equal(limiters(free), 0);
  }
  assert.equal(at({ ends: { left: 'wall' }, hinges: { stopAt: 100 } }).fitted.hinges[0]?.stopAngle, 100, 'as decided');
});

test('hinges of low mitred doors stand beside the mitres and their tenons, never on each other', () => {
  for (const height of [400, 460, 520, 700]) {
    const solved = solveWith({
      height,
      width: 450,
      settings: { making: { kind: 'mitred' } },
      parts: [{ id: 'o1', size: { rule: 'share', weight: 1 }, fill: { kind: 'door', hinged: 'left' } }],
    });
    const [door] = solved.fitted.hinges;
    assert.ok(door);
    assert.ok(
      door.places.every(({ clear }) => clear),
      `${height}`,
    );
    const [low = 0, high = 0] = door.places.map(({ onDoor }) => onDoor.value);
    assert.ok(high - low > 54, `${height}: ${low} and ${high}`);
    assert.ok(!solved.findings.some(({ rule }) => rule === 'machining/operations-meet'), `${height}`);
  }
});
