import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { jobWith, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import { type Cabinet, type SettingOverrides, shelved } from '../../decisions/index.js';
import { loadSolids, shapeOf } from '../../part/index.js';
import { type SolvedCabinet, solveCabinet } from '../../solve/index.js';

const share = { rule: 'share' as const, weight: 1 };
const columns = (shelves: number): Cabinet['face'] => ({
  kind: 'columns',
  graduation: { kind: 'arithmetic', step: 10 },
  parts: ['a', 'b'].map((id) => ({
    id,
    size: share,
    divider: 'partition',
    fill: { kind: 'open', interior: shelved(shelves) },
  })),
});

const { given, expect } = JSON.parse(readFileSync('tests/cases/14-nailers-partition.json', 'utf8'));

/** The wall cabinet of the worked case, with what differs. */
function wallCabinet(settings: SettingOverrides = {}, shelves = 1): SolvedCabinet {
  const job = jobWith({
    from: 'wall',
    width: given.overallWidth,
    height: given.overallHeight,
    depth: given.sideDepth + given.backApplied,
    face: columns(shelves),
    settings: {
      depth: { means: 'carcass' },
      back: { kind: 'applied' },
      shelves: { frontSetback: given.frontSetback, rearPlay: given.rearPlay, sidePlay: given.sidePlay },
      ...settings,
    },
  });
  return solveCabinet(job, job.cabinets[0] as Cabinet);
}

const size = ({ length, width }: { length: { value: number }; width: { value: number } }) => [
  length.value,
  width.value,
];
const near = (a: readonly number[], b: readonly number[]) =>
  a.length === b.length && a.every((value, at) => Math.abs(value - (b[at] as number)) < 1e-6);

test('worked case: a partition is notched round the nailers that run through in front of the back', () => {
  const solved = wallCabinet();
  assert.ok(near(size(partOf(solved, 'nailer/high')), expect.nailer));
  assert.equal(solved.box.clearDepth.value, expect.clearDepth);
  const partition = solved.parts.find(({ role }) => role === 'partition');
  assert.ok(partition && near(size(partition), expect.partition));
  const notches = partition.machining.filter((each) => each.kind === 'notch');
  assert.deepEqual(
    notches.map(({ corner, alongLength, alongWidth }) => [corner.join(' '), alongWidth.value, alongLength.value]),
    [
      ['u1 v1', expect.partitionNotches[0].depth, expect.partitionNotches[0].height],
      ['u0 v1', expect.partitionNotches[1].depth, expect.partitionNotches[1].height],
    ],
  );
  assert.ok(near(size(partOf(solved, 'shelf/a/1')), expect.adjustableShelf));
});

test('worked case: shelves of an opening that would lose too many holes stop in front of the nailer', () => {
  // Nothing is bored, so nothing says where a shelf may stand.
  const solved = wallCabinet({ pins: { kind: 'none' } });
  assert.ok(near(size(partOf(solved, 'shelf/a/1')), expect.adjustableShelfWhereShortened));
});

test('nothing in a box with nailers or upright stretchers stands in anything else', async () => {
  const solids = await loadSolids();
  let looked = 0;
  for (const from of ['wall', 'base', 'tall'] as const)
    for (const back of ['rabbeted', 'applied', 'none', 'grooved'] as const)
      for (const top of ['full', 'uprightRear', 'uprightFront', 'stretchers', 'web'] as const)
        for (const runs of ['through', 'divided'] as const) {
          const { parts, findings } = solveWith({
            from,
            width: 1000,
            face: columns(4),
            settings: { back: { kind: back }, top: { kind: top }, nailer: { runs } },
          });
          if (findings.some(({ severity, rule }) => severity === 'stop' && rule.startsWith('sizes/'))) continue;
          looked += 1;
          const shapes = parts.map(shapeOf);
          for (const [at, a] of shapes.entries())
            for (const b of shapes.slice(at + 1)) {
              const volume = solids.shared(a, b);
              assert.ok(volume < 5, `${from} ${back} ${top} ${runs}: ${a.key} in ${b.key}, ${volume} mm³`);
            }
        }
  assert.ok(looked >= 110, `${looked} of 120`);
});

test('a nailer is held by two at each end, and along the panel it lies against at most 250 apart', () => {
  for (const kind of ['usual', 'screws', 'pocket', 'dowels', 'tenons'] as const) {
    const solved = wallCabinet({ joints: { nailer: kind } });
    const held = solved.parts.flatMap((part) =>
      part.machining.flatMap((each) => ('positions' in each && each.holds === 'nailer/high' ? [{ part, each }] : [])),
    );
    const own = partOf(solved, 'nailer/high').machining.filter((each) => 'positions' in each);
    const bored = [...held.map(({ each }) => each), ...own].filter((each) => 'positions' in each);
    assert.ok(bored.length >= 3, kind);
    for (const each of bored) assert.ok(each.positions.length >= 2, `${kind}: ${each.reason}`);
    const along = held.find(({ part }) => part.role === 'top');
    assert.ok(along && along.each.kind === 'holes');
    const places = along.each.positions.map(({ value: mm }) => mm);
    for (const [at, place] of places.entries()) if (at > 0) assert.ok(place - (places[at - 1] as number) <= 250);
  }
});

test('an upright rear stretcher serves as the high nailer where no hollow lies behind it, and only there', () => {
  const keys = (back: 'applied' | 'grooved') =>
    wallCabinet({ back: { kind: back }, top: { kind: 'uprightRear' } })
      .parts.filter(({ role }) => role === 'nailer')
      .map(({ key }) => key);
  assert.deepEqual([keys('applied'), keys('grooved')], [['nailer/low'], ['nailer/high', 'nailer/low']]);
});

test('a stretcher is let in by a recess of its end, a partition under two of them is fastened to both', () => {
  const solved = solveWith({
    width: 900,
    face: columns(0),
    settings: { top: { kind: 'uprightRear' }, joints: { top: 'dado', partition: 'dado' } },
  });
  const recesses = partOf(solved, 'side/left').machining.filter((each) => each.kind === 'recess');
  assert.deepEqual(
    recesses.map(({ alongLength, alongWidth, depth, holds }) => [
      alongLength.value,
      alongWidth.value,
      depth.value,
      holds,
    ]),
    [
      [18, 100, 6, 'stretcher/front'],
      [100, 18, 6, 'stretcher/rear'],
    ],
  );
  const flat = solveWith({ width: 900, face: columns(0), settings: { top: { kind: 'stretchers' } } });
  const over = flat.parts.filter(
    ({ role, machining }) =>
      role === 'stretcher' && machining.some(({ reason }) => reason === 'screws: holds the partition'),
  );
  assert.equal(over.length, 2);
});
