import assert from 'node:assert/strict';
import { test } from 'node:test';
import { type CabinetDecisions, jobWith, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import { type Opening, shelved } from '../../decisions/index.js';
import { toCabinet } from '../../part/index.js';
import { applyEdits, check, checkJob, fixesFor, solve } from '../../solve/index.js';

const share = { rule: 'share' as const, weight: 1 };
const doors = (shelves: number): Opening[] => [
  { id: 'o1', size: share, fill: { kind: 'pair', interior: shelved(shelves) } },
];
const found = (decisions: CabinetDecisions, rule = 'machining/operations-meet') =>
  checkJob(solve(jobWith(decisions))).filter((finding) => finding.rule === rule);
/** Rules and words of what is left once a fix of the first such finding, named by its words, is carried out. */
function after(decisions: CabinetDecisions, words: RegExp, rule?: string) {
  const solved = solve(jobWith(decisions));
  const fixes = checkJob(solved)
    .filter((finding) => finding.rule === (rule ?? 'machining/operations-meet'))
    .flatMap(({ id }) => fixesFor(solved, id));
  const fix = fixes.find(({ label }) => words.test(label));
  assert.ok(fix, fixes.map(({ label }) => label).join('; ') || 'no fixes');
  const job = jobWith(decisions);
  applyEdits(job, fix.edits);
  return {
    job,
    left: checkJob(solve(job)).filter((finding) => finding.rule === (rule ?? 'machining/operations-meet')),
  };
}

const offGrid: CabinetDecisions = {
  parts: doors(0),
  settings: { hinges: { snap: 'free', endDistance: 115 }, pins: { column: 'full', ends: 20 } },
};
const withShelf: CabinetDecisions = { ...offGrid, parts: doors(1) };

test('a pin hole that a plate would run into is left out, and no other', () => {
  assert.deepEqual(found(withShelf), []);
  const solved = solve(jobWith(withShelf)).cabinets[0];
  const doorless = solve(jobWith({ ...withShelf, settings: { ...withShelf.settings, hinges: { family: 'none' } } }));
  assert.ok(solved && doorless.cabinets[0]);
  const pins = (of: typeof solved) =>
    partOf(of, 'side/left').machining.flatMap((each) =>
      each.kind === 'holes' && each.by.kind === 'pins' && each.offset.value < 100
        ? each.positions.map(({ value: mm }) => mm)
        : [],
    );
  const plates = solved.fitted.hinges[0]?.places.flatMap(({ onCase }) => [onCase.value - 16, onCase.value + 16]) ?? [];
  const all = pins(doorless.cabinets[0]);
  // Both are 5 wide, and 2 has to stay between them.
  const kept = all.filter((mm) => plates.every((plate) => Math.abs(plate - mm) >= 7));
  assert.ok(kept.length < all.length, 'some are in the way');
  assert.deepEqual(pins(solved), kept);
});

/** Hinges decided where the mitres of a low door are. */
const atMitre: CabinetDecisions = {
  height: 420,
  parts: [{ id: 'o1', size: share, fill: { kind: 'door', hinged: 'left', hingesAt: [{ id: 'h1', mm: 56 }] } }],
  width: 400,
  settings: { making: { kind: 'mitred' } },
};

test('a hinge that was decided is said not to stand clear where something else is cut, and is not bored', () => {
  const said = found(atMitre, 'hinges/against-shelf');
  assert.equal(said.length, 1);
  const solved = solve(jobWith(atMitre)).cabinets[0];
  assert.deepEqual(
    solved?.fitted.hinges[0]?.places.map(({ clear, decided }) => [clear, decided]),
    [
      [false, true],
      [true, false],
    ],
  );
  assert.deepEqual(found(atMitre), [], 'nothing meets');
});

test('without shelves there are no pins for them to meet', () => assert.deepEqual(found(offGrid), []));

test('a rear line that breaks into the groove of the back is brought forward by a step', () => {
  const decisions: CabinetDecisions = {
    depth: 400,
    parts: doors(1),
    settings: { pins: { rear: 'groove', rearSet: 4 } },
  };
  assert.match(found(decisions)[0]?.what ?? '', /holds the back/);
  const { left, job } = after(decisions, /rear line forward by 32/);
  assert.deepEqual(left, []);
  assert.equal(job.cabinets[0]?.settings.pins?.rearSet, 36);
});

test('a pocket screw as long as the side is thick is a stop, a little shorter a warning, shorter still nothing', () => {
  const severity = (pocketReach: number) =>
    found({ settings: { joints: { bottom: 'pocket' }, fasteners: { pocketReach } } }, 'machining/screw-through-face')[0]
      ?.severity;
  assert.equal(severity(18), 'stop');
  assert.equal(severity(17), 'warn');
  assert.equal(severity(16), undefined);
  const { left, job } = after(
    { settings: { joints: { bottom: 'pocket' }, fasteners: { pocketReach: 17 } } },
    /^Let it reach 16/,
    'machining/screw-through-face',
  );
  assert.deepEqual(left, []);
  assert.equal(job.cabinets[0]?.settings.fasteners?.pocketReach, 16);
});

test('a screw that would run into the groove of the back stands before it, and none goes missing', () => {
  const near = { settings: { fasteners: { first: 22 }, nailer: { rails: 'none' } } } as const;
  assert.deepEqual(found(near), []);
  const screws = (decisions: CabinetDecisions) =>
    partOf(solveWith(decisions), 'side/left').machining.flatMap((each) =>
      each.kind === 'holes' && each.reason === 'screws: carries the bottom'
        ? each.positions.map(({ value: mm }) => mm)
        : [],
    );
  const far = screws({ settings: { nailer: { rails: 'none' } } });
  const moved = screws(near);
  assert.ok(moved.length >= far.length && moved.length > 1, `${moved}`);
  const side = partOf(solveWith(near), 'side/left');
  const groove = side.machining.find((each) => each.kind === 'groove');
  assert.ok(groove?.kind === 'groove');
  const from = side.width.value - groove.offset.value - groove.width.value;
  for (const at of moved)
    assert.ok(at + 2.25 + 2 <= from || at - 2.25 - 2 >= from + groove.width.value, `${at} and ${from}`);
});

test('what a finding names is on the part, and inside it', () => {
  const solved = solve(jobWith(withShelf)).cabinets[0];
  assert.ok(solved);
  for (const { at, parts } of check(solved)) {
    if (!at) continue;
    const part = partOf(solved, parts[0] ?? '');
    const { min, max } = part.extent;
    const point = toCabinet(part.placement, at.u, at.v, 0);
    for (const axis of [1, 2] as const) assert.ok(point[axis] >= min[axis] - 1 && point[axis] <= max[axis] + 1);
  }
});
