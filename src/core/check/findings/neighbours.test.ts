import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { type CabinetDecisions, jobWith } from '../../../../tests/support/cabinets.js';
import type { Job } from '../../decisions/index.js';
import { neighbourShift } from '../../motions/index.js';
import { checkJob, proposedFor, solve } from '../../solve/index.js';

const share = { rule: 'share' as const, weight: 1 };
type Settings = NonNullable<CabinetDecisions['settings']>;

/** Two cabinets side by side; the second stands at the right of the first. */
function pair(left: CabinetDecisions, right: CabinetDecisions): Job {
  const job = jobWith(left);
  const other = jobWith(right).cabinets[0] as Job['cabinets'][number];
  job.cabinets.push({ ...other, id: 'c2', number: '2', leftNeighbour: 'c1' });
  return job;
}
const solvedPair = (left: CabinetDecisions, right: CabinetDecisions) => {
  const solved = solve(pair(left, right));
  const { cabinets } = solved;
  const [a, b] = cabinets;
  assert.ok(a && b);
  return { a, b, findings: checkJob(solved) };
};
const between = (left: CabinetDecisions, right: CabinetDecisions, rule: string) => {
  const { a, b, findings } = solvedPair(left, right);
  return findings
    .filter((finding) => finding.rule === rule)
    .map((finding) => ({ ...finding, proposed: proposedFor({ cabinets: [a, b] }, finding.id) }));
};

test('boxes touch at their sides, frames at their stiles, backs are level', () => {
  const shift = (left: CabinetDecisions, right: CabinetDecisions) => {
    const { a, b } = solvedPair(left, right);
    return neighbourShift(a, b);
  };
  assert.deepEqual(shift({ width: 600 }, { width: 400 }), { x: 600, y: 0, z: 0 });
  const framed: Settings = { school: 'faceFrame' };
  // 3 of overhang on each side of the joint.
  assert.equal(shift({ width: 606, settings: framed }, { width: 400, settings: framed }).x, 600 + 3 + 3);
  assert.equal(shift({ depth: 580 }, { depth: 400 }).y, 180, 'a shallow box stands back');
  const applied: Settings = { back: { kind: 'applied' } };
  assert.equal(shift({ depth: 580, settings: applied }, { depth: 580, settings: applied }).y, 0);
});

test('standing ones share a floor, hanging ones a top; one of each is not compared', () => {
  const z = (left: CabinetDecisions, right: CabinetDecisions) => {
    const { a, b } = solvedPair(left, right);
    return neighbourShift(a, b).z;
  };
  assert.equal(
    z({}, { settings: { toe: { kind: 'none' } } }),
    -100,
    'a box on the floor is lower than one on a plinth',
  );
  assert.equal(z({ from: 'wall', height: 720 }, { from: 'wall', height: 500 }), 220);
  assert.equal(z({}, { from: 'wall' }), undefined);
  assert.equal(z({}, { from: 'tall' }), 0);
});

const hundredths = fc.integer({ min: 0, max: 400 }).map((n) => n / 100);

test('the gap is what both reveals leave together, whichever carries it', () => {
  fc.assert(
    fc.property(hundredths, hundredths, (one, two) => {
      const drawers: CabinetDecisions['parts'] = [{ id: 'o1', size: share, fill: { kind: 'drawer' } }];
      const found = between(
        { parts: drawers, settings: { fronts: { reveal: { right: one } } } },
        { parts: drawers, settings: { fronts: { reveal: { left: two } } } },
        'fronts/neighbours-meet',
      );
      assert.equal(found.length > 0, one + two < 1 - 1e-6, `${one} and ${two}`);
      if (found[0]) assert.equal(found[0].severity, one + two <= 0 ? 'stop' : 'warn');
    }),
    { numRuns: 60 },
  );
});

test('doors hinged at the joint need what both have to have to turn', () => {
  const door = (hinged: 'left' | 'right'): NonNullable<CabinetDecisions['parts']> => [
    { id: 'o1', size: share, fill: { kind: 'door', hinged } },
  ];
  const tight = (hinged: 'left' | 'right', reveal: number): CabinetDecisions => ({
    parts: door(hinged),
    measured: { front18: 22 },
    settings: { fronts: { reveal: { left: reveal, right: reveal } } },
  });
  const free = (a: 'left' | 'right', b: 'left' | 'right', reveal: number) =>
    between(tight(a, reveal), tight(b, reveal), 'fronts/neighbours-meet').length === 0;
  assert.ok(!free('right', 'left', 1.5), 'both turn there');
  assert.ok(free('left', 'right', 1.5), 'neither turns there');
  assert.ok(free('right', 'left', 4));
});

test('a front that stands lower or deeper than its neighbour does not meet it', () => {
  const touching: Settings = { fronts: { reveal: { left: 0, right: 0 } } };
  const rule = 'fronts/neighbours-meet';
  assert.equal(between({ settings: touching }, { settings: touching }, rule).length, 1);
  assert.equal(between({ settings: touching }, { depth: 400, settings: touching }, rule).length, 0);
});

test('hanging ones are compared where they hang: a low one meets only what is level with it', () => {
  const touching: Settings = { fronts: { reveal: { left: 0, right: 0 } } };
  const low: CabinetDecisions = { from: 'wall', height: 300, settings: touching };
  const high = (upper: 'drawer' | 'open'): CabinetDecisions => ({
    from: 'wall',
    height: 720,
    settings: touching,
    parts: [
      {
        id: 'o1',
        size: { rule: 'fixed', mm: 330 },
        fill: upper === 'open' ? { kind: 'open' } : { kind: 'drawer' },
      },
      { id: 'o2', size: share, fill: upper === 'open' ? { kind: 'drawer' } : { kind: 'open' } },
    ],
  });
  const rule = 'fronts/neighbours-meet';
  for (const [left, right] of [
    [high('drawer'), low],
    [low, high('drawer')],
  ] as const)
    assert.equal(between(left, right, rule).length, 1, 'its front is beside the upper one');
  for (const [left, right] of [
    [high('open'), low],
    [low, high('open')],
  ] as const)
    assert.equal(between(left, right, rule).length, 0, 'beside the open bay stands no front');
});

test('of several fronts at a joint the pair that lacks most is told, whatever the fronts are called', () => {
  const rule = 'fronts/neighbours-meet';
  const thick = (parts: NonNullable<CabinetDecisions['parts']>): CabinetDecisions => ({
    measured: { front18: 22 },
    settings: { fronts: { reveal: { left: 1.5, right: 1.5 } } },
    parts,
  });
  const door = (id: string, hinged: 'left' | 'right') => ({
    id,
    size: share,
    fill: { kind: 'door' as const, hinged },
  });
  const drawer = (id: string) => ({ id, size: share, fill: { kind: 'drawer' as const } });
  const [found] = between(thick([drawer('a'), door('b', 'right')]), thick([drawer('a'), door('b', 'left')]), rule);
  assert.deepEqual(found?.parts, ['door/b'], 'the doors below, not the drawers above');
  // The door of the same name hangs on the far side in both: nothing at the joint turns.
  const away = between(thick([door('a', 'left'), drawer('b')]), thick([drawer('b'), door('a', 'right')]), rule);
  assert.deepEqual(away, []);
});

test('a wide door meets the pull beside it, the same door stopped sooner does not', () => {
  const right = (settings: Settings): CabinetDecisions => ({
    settings,
    parts: [{ id: 'o1', size: share, fill: { kind: 'door', hinged: 'right' } }],
  });
  const rule = 'fronts/swings-into-neighbour';
  const beside = right({ pulls: { fromEdge: 30 } });
  const [found] = between(right({ hinges: { opening: 160 } }), beside, rule);
  assert.match(found?.what ?? '', /^Door meets the pull of door of cabinet 2 at \d+ degrees/);
  assert.equal(found?.cabinetId, 'c1');
  const stop = Number(/at (\d+) degrees/.exec(found?.what ?? '')?.[1]);
  assert.equal(between(right({ hinges: { opening: 160, stopAt: stop } }), beside, rule).length, 0);
  assert.equal(between(right({ hinges: { opening: 160 } }), right({ pulls: { doors: 'none' } }), rule).length, 0);
  // A limiter is offered where what it leaves is still of use.
  assert.ok(stop >= 60);
  assert.deepEqual(
    found?.proposed.map(({ label }) => label),
    [`Stop the doors at ${stop} degrees`],
  );
  assert.deepEqual(
    found?.proposed[0]?.edits.map((edit) => 'value' in edit && edit.value),
    [stop],
  );
});

test('base cabinets of different heights side by side are said to be, others are not compared, and one act makes them alike', () => {
  const rule = 'neighbours/heights-differ';
  const [found, ...more] = between({ height: 820 }, { height: 870 }, rule);
  assert.equal(more.length, 0);
  assert.match(found?.what ?? '', /870 mm high, and cabinet 1 beside it 820 mm/);
  assert.equal(found?.cabinetId, 'c2');
  const [edit] = found?.proposed[0]?.edits ?? [];
  assert.ok(edit && 'value' in edit && edit.value === 820 && edit.path === 'cabinets/c2/size/height/mm');
  assert.deepEqual(between({ height: 820 }, { height: 820 }, rule), []);
  assert.deepEqual(between({ height: 820 }, { from: 'tall', height: 2100 }, rule), [], 'a tall one ends the worktop');
});

test('what is found beside either neighbour has a name of its own', () => {
  const low: CabinetDecisions = { height: 800 };
  const job = jobWith(low);
  const [first] = job.cabinets;
  assert.ok(first);
  job.cabinets = [first, ...['c2', 'c3'].map((id) => structuredClone({ ...first, id, number: id.slice(1) }))];
  for (const [at, cabinet] of job.cabinets.entries()) {
    cabinet.leftNeighbour = job.cabinets[at - 1]?.id ?? null;
    if (cabinet.size.height.from === 'overall') cabinet.size.height.mm = 800 + 10 * at;
  }
  const ids = checkJob(solve(job)).map(({ id }) => id);
  assert.equal(ids.filter((id) => id.includes('heights-differ')).length, 2);
  assert.equal(new Set(ids).size, ids.length, ids.join('\n'));
});
