import assert from 'node:assert/strict';
import { test } from 'node:test';
import { type CabinetDecisions, jobWith, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import { type Job, shelved } from '../../decisions/index.js';
import { drawHingeCorner, hingeKey, hingeOfKey } from '../../kinds/hinges/index.js';
import { applyEdits, solve } from '../../solve/index.js';
import { type DragHandle, drawElevation, drawPanel, drawSection, laySheet, scalesOf } from './index.js';

const share = { rule: 'share' as const, weight: 1 };
const pairOfDoors = (shelves: number): CabinetDecisions => ({
  parts: [{ id: 'o1', size: share, fill: { kind: 'pair', interior: shelved(shelves) } }],
});
const hardware = (decisions: CabinetDecisions) =>
  drawElevation(solveWith(decisions), 'job').items.filter((item) => item.kind === 'hardware');

test('a hinge shows twice, on the door and on the case, and both marks are one selection', () => {
  const marks = hardware(pairOfDoors(0)).filter(({ shows }) => shows === hingeKey('door/o1/left', 0));
  assert.deepEqual(
    marks.map(({ symbol }) => symbol),
    ['cup', 'plate'],
  );
  const [cup, plate] = marks;
  assert.ok(cup && plate);
  const middle = ({ from, to }: typeof cup) => (from.v + to.v) / 2;
  assert.ok(Math.abs(middle(cup) - middle(plate)) < 0.01, 'at one height in the cabinet');
  assert.equal(cup.to.h - cup.from.h, 35, 'at true size');
  assert.deepEqual(hingeOfKey('hinge/door/o1/left/2'), { frontKey: 'door/o1/left', at: 1 });
  assert.equal(hingeOfKey('door/o1/left'), undefined);
});

test('butts show as leaves, pulls and knobs as what they are', () => {
  const symbols = (settings: CabinetDecisions['settings']) =>
    new Set(hardware({ ...pairOfDoors(0), settings: settings ?? {} }).map(({ symbol }) => symbol));
  assert.deepEqual(symbols({ pulls: { doors: 'harl-knob' } }), new Set(['cup', 'plate', 'knob']));
  assert.deepEqual(symbols({ school: 'faceFrame', fronts: { fit: 'inset', gap: 2 } }), new Set(['leaf', 'pull']));
});

test('hinges show where they are bored and let in, on either hand', () => {
  const near = (a: number | undefined, b: number, what: string) =>
    assert.ok(Math.abs((a ?? Number.NaN) - b) < 0.01, `${what}: ${a}, wanted ${b}`);
  const marksOf = (settings: NonNullable<CabinetDecisions['settings']>, hand: 'left' | 'right') => {
    const solved = solveWith({ ...pairOfDoors(0), settings });
    const marks = drawElevation(solved, 'job').items.filter((item) => item.kind === 'hardware');
    const door = partOf(solved, `door/o1/${hand}`);
    const { min, max } = door.extent;
    const inward = hand === 'left' ? 1 : -1;
    const own = [0, 1].map((at) => marks.filter(({ shows }) => shows === hingeKey(door.key, at)));
    return { door, low: min[2], edge: hand === 'left' ? min[0] : max[0], inward, own };
  };
  for (const hand of ['left', 'right'] as const) {
    const cups = marksOf({}, hand);
    const bored = cups.door.machining.find(({ kind, reason }) => kind === 'holes' && reason.startsWith('cup:'));
    assert.ok(bored?.kind === 'holes');
    cups.own.forEach(([cup], at) => {
      assert.ok(cup?.symbol === 'cup');
      near((cup.from.h + cup.to.h) / 2, cups.edge + cups.inward * bored.offset.value, `${hand} cup across`);
      near((cup.from.v + cup.to.v) / 2, cups.low + (bored.positions[at]?.value ?? 0), `${hand} cup up`);
      near(cup.to.v - cup.from.v, bored.diameter.value, `${hand} cup high`);
    });
    const butts = marksOf({ school: 'faceFrame', fronts: { fit: 'inset', gap: 2 } }, hand);
    const letIn = butts.door.machining.find(({ kind }) => kind === 'mortises');
    assert.ok(letIn?.kind === 'mortises');
    butts.own.forEach(([leaf], at) => {
      assert.ok(leaf?.symbol === 'leaf');
      near((leaf.from.h + leaf.to.h) / 2, butts.edge - butts.inward, `${hand} knuckle in the middle of the gap of 2`);
      near((leaf.from.v + leaf.to.v) / 2, butts.low + (letIn.positions[at]?.value ?? 0), `${hand} leaf up`);
      near(leaf.to.v - leaf.from.v, letIn.length.value, `${hand} leaf high`);
    });
  }
});

const corner = (decisions: CabinetDecisions, hinged: 'left' | 'right') => {
  const solved = solveWith(decisions);
  const door = solved.fitted.hinges.find((each) => each.hinged === hinged);
  assert.ok(door);
  const drawing = drawHingeCorner(solved, door, 'job');
  assert.ok(drawing);
  return { solved, door, drawing };
};

test('the hinge corner shows the upright, the door shut and open, the cup and the way of the edge, all from the profile', () => {
  const { door, drawing } = corner(pairOfDoors(0), 'left');
  const regions = drawing.items.filter((item) => item.kind === 'region');
  const upright = regions.find(({ shows }) => shows === 'side/left');
  const leaf = regions.find(({ shows }) => shows === 'door/o1/left');
  assert.ok(upright && leaf && door.chosen?.kind === 'concealed');
  assert.ok(Math.abs(upright.to.h) < 0.01, 'the edge of the opening is where h begins');
  assert.ok(Math.abs(leaf.from.h + door.wish.overlay.value) < 0.01, 'the door laps it by the overlay');
  const cup = regions.find(({ tint, to, from }) => tint === 'machining' && Math.abs(to.h - from.h - 35) < 0.01);
  assert.ok(cup && Math.abs(cup.from.h - leaf.from.h - door.chosen.offset) < 0.01);
  assert.match(drawing.title.view, /110°/);
  for (const item of drawing.dimensions)
    assert.ok(Math.abs(Math.abs(item.to - item.from) - Math.abs(item.dim.value)) < 0.01, item.id);
});

/** The box round some points of a corner. */
const round = (points: readonly { h: number; v: number }[]) => ({
  left: Math.min(...points.map(({ h }) => h)),
  right: Math.max(...points.map(({ h }) => h)),
  front: Math.min(...points.map(({ v }) => v)),
  rear: Math.max(...points.map(({ v }) => v)),
});
const metalOf = ({ items }: ReturnType<typeof corner>['drawing']) =>
  items.flatMap((item) => (item.kind === 'region' && item.tint === 'machining' ? [round([item.from, item.to])] : []));

test('in the corner the cup lies in the door, the plate on the upright, and the arm goes from one to the other', () => {
  for (const hinged of ['left', 'right'] as const) {
    const { door, drawing } = corner(pairOfDoors(0), hinged);
    assert.ok(door.chosen?.kind === 'concealed');
    const { profile, plate: step } = door.chosen;
    const thick = door.bored?.thickness.value ?? 0;
    const [cup, plate] = metalOf(drawing);
    const arm = drawing.items.find((item) => item.kind === 'shape' && item.tint === 'machining');
    assert.ok(cup && plate && arm?.kind === 'shape');
    assert.ok(Math.abs(cup.rear - thick) < 0.01, 'the cup is in the back');
    assert.ok(Math.abs(cup.rear - cup.front - profile.cup.depth) < 0.01, 'as deep as it is');
    assert.ok(Math.abs(plate.left) < 0.01 && plate.right >= step, 'the plate on the face of the upright');
    const holes = thick + profile.plate.setback;
    assert.ok(plate.front < holes && plate.rear > holes, 'its holes within it');
    const way = round(arm.points);
    const ends = round(arm.points.filter(({ v }) => Math.abs(v - thick) < 0.01));
    assert.ok(Math.abs(way.front - thick) < 0.01, 'the arm begins at the back of the door');
    assert.ok(ends.left > cup.left && ends.right < cup.right, 'out of the cup');
    assert.ok(Math.abs((ends.left + ends.right) / 2 - (cup.left + cup.right) / 2) < 2, 'about its middle');
    assert.ok(way.left >= plate.left && way.left <= plate.right + 0.01, 'onto the plate');
    assert.ok(way.rear > holes && way.rear < plate.rear, 'over its holes, not beyond it');
    for (const { h, v } of arm.points) assert.ok(h >= 0 && v >= thick - 0.01, `in no wood: ${h}, ${v}`);
  }
});

test('in the corner of a butt each leaf is let in by its mortise, from the face to as far as it is wide', () => {
  for (const hinged of ['left', 'right'] as const) {
    const settings = { school: 'faceFrame' as const, fronts: { fit: 'inset' as const, gap: 2 } };
    const { door, drawing } = corner({ ...pairOfDoors(0), settings }, hinged);
    assert.ok(door.chosen?.kind === 'leaf' && door.chosen.mortise > 0);
    const { mortise, profile } = door.chosen;
    const leaves = metalOf(drawing).sort((a, b) => a.left - b.left);
    const [inUpright, inDoor] = leaves;
    assert.ok(inUpright && inDoor && leaves.length === 2);
    // The upright ends at 0, the door begins a gap of 2 beyond it.
    assert.ok(Math.abs(inUpright.left + mortise) < 0.01, `into the upright to ${inUpright.left}`);
    assert.ok(Math.abs(inDoor.right - 2 - mortise) < 0.01, `into the door to ${inDoor.right}`);
    assert.ok(inUpright.right <= 1.01 && inDoor.left >= 0.99, 'each to the middle of the gap at most');
    for (const { front, rear } of leaves) {
      assert.ok(Math.abs(front) < 0.01, 'from the face');
      assert.ok(Math.abs(rear - front - profile.leaf.width) < 0.01, 'as far as it is wide');
    }
  }
});

test('hung on the other side the corner is the same drawing', () => {
  const [left, right] = [corner(pairOfDoors(0), 'left').drawing, corner(pairOfDoors(0), 'right').drawing];
  const places = (drawing: typeof left) =>
    drawing.items.flatMap((item) =>
      item.kind === 'region' ? [item.from, item.to].map(({ h, v }) => `${h.toFixed(2)} ${v.toFixed(2)}`) : [],
    );
  assert.deepEqual(places(left), places(right));
});

test('the corner of every family and fit is drawn, and fits a sheet at full size', () => {
  const cases: CabinetDecisions['settings'][] = [
    {},
    { fronts: { fit: 'inset', gap: 2 } },
    { fronts: { fit: 'lipped', lip: 8, rebateWidth: 10, rebateDepth: 5 } },
    { school: 'faceFrame' },
    { school: 'faceFrame', fronts: { fit: 'inset', gap: 2 } },
    { hinges: { opening: 160 } },
  ];
  for (const settings of cases) {
    const { drawing } = corner({ ...pairOfDoors(0), settings: settings ?? {} }, 'left');
    const space = { width: 690, height: 590, unitsPerMm: 96 / 25.4, scales: scalesOf('mm'), textHeight: 19 };
    assert.equal(laySheet(drawing, space, () => 60).scale, 1, JSON.stringify(settings));
  }
});

const drop = (job: Job, handle: DragHandle, at: number) => {
  const stop = handle.stops.reduce((best, each) => (Math.abs(each.at - at) < Math.abs(best.at - at) ? each : best));
  applyEdits(job, [{ path: handle.path, value: { id: handle.entry, mm: stop.value } }]);
  return stop;
};

test('a shelf let go near a hole stands in that hole, in elevation, section and on the panel alike', () => {
  const decisions: CabinetDecisions = {
    parts: [{ id: 'o1', size: share, fill: { kind: 'open', interior: { kind: 'shelves', shelves: 2 } } }],
  };
  const views = [
    (job: Job) => drawElevation(solve(job).cabinets[0] as never, 'job'),
    (job: Job) => drawSection(solve(job).cabinets[0] as never, 'job'),
  ];
  for (const view of views) {
    const job = jobWith(decisions);
    const handle = view(job).handles?.find(({ id }) => id === 'shelf-o1-2');
    assert.ok(handle && handle.stops.length > 10);
    const stop = drop(job, handle, handle.at + 70);
    const moved = view(job).handles?.find(({ id }) => id === 'shelf-o1-2');
    assert.equal(moved?.at, stop.at);
    assert.ok(Math.abs((moved?.at ?? 0) - handle.at - 64) < 1e-6, 'two steps up');
    const [{ fill }] = job.cabinets.flatMap(({ face }) => face.parts) as unknown as [
      { fill: { interior: { shelvesAt?: { id: string }[] } } },
    ];
    assert.deepEqual(
      fill.interior.shelvesAt?.map(({ id }) => id),
      ['s2'],
      'the other shelf is still left to the rules',
    );
  }
  const job = jobWith(decisions);
  const panel = (hand: string) => {
    const [solved] = solve(job).cabinets;
    assert.ok(solved);
    return drawPanel(partOf(solved, `side/${hand}`), 1, '1.A', 'job', solved).handles ?? [];
  };
  const [first] = panel('left');
  assert.ok(first);
  drop(job, first, first.at + 40);
  for (const hand of ['left', 'right']) assert.equal(panel(hand)[0]?.at, first.at + 32, hand);
});

test('the pins of both bays beside a partition are moved from the face they are bored in', () => {
  const open = (id: string, shelves: number) => ({
    id,
    size: share,
    fill: { kind: 'open' as const, interior: shelved(shelves) },
  });
  const [solved] = solve(
    jobWith({
      width: 1000,
      face: { kind: 'columns', graduation: { kind: 'arithmetic', step: 0 }, parts: [open('a', 1), open('b', 2)] },
    }),
  ).cabinets;
  assert.ok(solved);
  const ids = (key: string, face: 1 | 2) =>
    (drawPanel(partOf(solved, key), face, '1.A', 'job', solved).handles ?? []).map(({ id }) => id);
  assert.deepEqual(ids('divider/a', 1), ['shelf-a-1']);
  assert.deepEqual(ids('divider/a', 2), ['shelf-b-1', 'shelf-b-2']);
  assert.deepEqual([ids('side/left', 1), ids('side/left', 2)], [['shelf-a-1'], []]);
  assert.deepEqual(ids('bottom', 1), []);
});

test('a hinge let go at a free height stays there', () => {
  const job = jobWith(pairOfDoors(0));
  const draw = () => drawElevation(solve(job).cabinets[0] as never, 'job');
  const handle = draw().handles?.find(({ id }) => id === 'hinge-door/o1/left-1');
  assert.ok(handle);
  const stop = drop(job, handle, handle.at + 100);
  assert.equal(draw().handles?.find(({ id }) => id === 'hinge-door/o1/left-1')?.at, stop.at);
  assert.equal(draw().handles?.find(({ id }) => id === 'hinge-door/o1/right-1')?.at, stop.at, 'both of a pair');
});

test('beside a neighbour the elevation shows its fronts and what both reveals leave together', () => {
  const job = jobWith({ settings: { fronts: { reveal: { right: 2 } } } });
  job.cabinets.push({
    ...(structuredClone(job.cabinets[0]) as Job['cabinets'][number]),
    id: 'c2',
    number: '2',
    leftNeighbour: 'c1',
  });
  const [left, right] = solve(job).cabinets;
  assert.ok(left && right);
  const gap = drawElevation(left, 'job', { right }).dimensions.find(({ id }) => id === 'shared-gap-right');
  assert.equal(gap?.dim.value, 2 + 1.5);
  assert.equal(gap.to - gap.from, 3.5);
  assert.equal(
    drawElevation(right, 'job', { left }).dimensions.find(({ id }) => id === 'shared-gap-left')?.dim.value,
    3.5,
  );
  assert.equal(drawElevation(left, 'job').dimensions.filter(({ id }) => id.startsWith('shared')).length, 0);
});
