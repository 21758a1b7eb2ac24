import assert from 'node:assert/strict';
import { test } from 'node:test';
import { type CabinetDecisions, jobWith, partOf } from '../../../tests/support/cabinets.js';
import { applyEdits, type Opening, shelved } from '../job/index.js';
import { toCabinet } from '../parts/index.js';
import { fixesFor, solve } from '../solve.js';

const share = { rule: 'share' as const, weight: 1 };
const doors = (shelves: number): Opening[] => [
  { id: 'o1', size: share, fill: { kind: 'pair', interior: shelved(shelves) } },
];
const found = (decisions: CabinetDecisions, rule = 'machining/operations-meet') =>
  solve(jobWith(decisions)).findings.filter((finding) => finding.rule === rule);
/** Rules and words of what is left once a fix of the first such finding, named by its words, is carried out. */
function after(decisions: CabinetDecisions, words: RegExp, rule?: string) {
  const solved = solve(jobWith(decisions));
  const fixes = solved.findings
    .filter((finding) => finding.rule === (rule ?? 'machining/operations-meet'))
    .flatMap(({ id }) => fixesFor(solved, id));
  const fix = fixes.find(({ label }) => words.test(label));
  assert.ok(fix, fixes.map(({ label }) => label).join('; ') || 'no fixes');
  const job = jobWith(decisions);
  applyEdits(job, fix.edits);
  return { job, left: solve(job).findings.filter((finding) => finding.rule === (rule ?? 'machining/operations-meet')) };
}

const offGrid: CabinetDecisions = {
  parts: doors(0),
  settings: { hinges: { snap: 'free', endDistance: 115 }, pins: { column: 'full', ends: 20 } },
};
const withShelf: CabinetDecisions = { ...offGrid, parts: doors(1) };

test('plates half in a pin hole are found where they are, on both sides', () => {
  const findings = found(withShelf);
  assert.deepEqual(findings.flatMap(({ parts }) => parts).sort(), ['side/left', 'side/right']);
  const [first] = findings;
  assert.match(first?.what ?? '', /plate: hinge of door/);
  assert.match(first?.what ?? '', /pins: shelves/);
  assert.match(first?.why ?? '', /along and 37 mm across/);
  assert.ok(first?.at);
  const solved = solve(jobWith(withShelf)).cabinets[0];
  assert.ok(solved && first.at);
  const side = partOf(solved, first.parts[0] ?? '');
  const z = toCabinet(side.placement, first.at.u, first.at.v, 0)[2];
  const plates = solved.fitted.hinges.flatMap(({ places }) =>
    places.flatMap(({ onCase }) => [onCase.mm - 16, onCase.mm + 16]),
  );
  assert.ok(
    plates.some((plate) => Math.abs(plate - z) < 12),
    `${z} is by none of ${plates}`,
  );
});

test('without shelves there are no pins for them to meet', () => assert.deepEqual(found(offGrid), []));

test('each way of parting plates and pins parts them', () => {
  for (const words of [/on the pin grid/, /front line back/, /^Move hinge 1/]) {
    const { left } = after(withShelf, words);
    assert.ok(left.length < found(withShelf).length, String(words));
  }
  assert.deepEqual(after(withShelf, /on the pin grid/).left, []);
});

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

test('a hinge that is moved stays decided, and the others stay with the rule', () => {
  const { job } = after(withShelf, /^Move hinge 1/);
  const places = solve(job).cabinets[0]?.fitted.hinges[0]?.places ?? [];
  assert.deepEqual(
    places.map(({ decided }) => decided),
    [true, false],
  );
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

test('a screw that runs into the groove of the back is found in the part it runs into', () => {
  const findings = found({ settings: { fasteners: { first: 22 }, nailer: { rails: 'none' } } });
  const bottom = findings.find(({ parts }) => parts.includes('bottom'));
  assert.match(bottom?.what ?? '', /way of the screws: carries the bottom/);
  assert.match(bottom?.what ?? '', /holds the back/);
});

test('what a finding names is on the part, and inside it', () => {
  const solved = solve(jobWith(withShelf)).cabinets[0];
  assert.ok(solved);
  for (const { at, parts } of solved.findings) {
    if (!at) continue;
    const part = partOf(solved, parts[0] ?? '');
    const { min, max } = part.extent;
    const point = toCabinet(part.placement, at.u, at.v, 0);
    for (const axis of [1, 2] as const) assert.ok(point[axis] >= min[axis] - 1 && point[axis] <= max[axis] + 1);
  }
});
