import assert from 'node:assert/strict';
import { test } from 'node:test';
import { jobWith, solveWith } from '../../../tests/support/cabinets.js';
import { type SettingOverrides, settingLeaves } from '../../core/job/index.js';
import { choiceOf } from './choice.js';
import { GROUPS } from './groups.js';

const listed = GROUPS.flatMap(({ settings }) => settings.map(({ path }) => path));
/** Shown elsewhere: by the school picker, beside the overall sizes, under Materials, in the hinge panel; or only asked about. */
const ELSEWHERE = [/^school$/, /^depth\//, /^worktop\//, /^materials\//, /^hinges\/choice$/, /^usual\//];

test('every setting there is can be reached on the bench, and stands there once', () => {
  const missing = settingLeaves
    .map(({ path }) => path.join('/'))
    .filter((path) => !listed.includes(path) && !ELSEWHERE.some((elsewhere) => elsewhere.test(path)));
  assert.deepEqual(missing, []);
  assert.equal(new Set(listed).size, listed.length, 'none stands twice');
});

test('no row is left that leads to no setting', () => {
  const known = new Set(settingLeaves.map(({ path }) => path.join('/')));
  assert.deepEqual(
    listed.filter((path) => !known.has(path)),
    [],
  );
});

/** What is shown for a cabinet with these settings. */
function shown(settings: SettingOverrides): string[] {
  const solved = solveWith({ settings });
  const is = (path: string) => choiceOf(solved, path);
  return GROUPS.flatMap((group) => group.settings.filter(({ when }) => !when || when(is)).map(({ path }) => path));
}

test('a setting that another choice rules out is not shown; it comes back with the choice', () => {
  const table: [SettingOverrides, string[], string[]][] = [
    [
      {},
      ['fronts/reveal/left', 'pins/first', 'hinges/snap', 'pulls/fromEdge'],
      ['frame/stileLeft', 'fronts/lip', 'pins/spacing', 'making/stile'],
    ],
    [
      { school: 'faceFrame' },
      ['frame/stileLeft', 'fasteners/pocketReach'],
      ['fronts/reveal/left', 'fronts/atNeighbour'],
    ],
    [{ fronts: { fit: 'inset' } }, ['fronts/stops'], ['fronts/reveal/left']],
    [{ fronts: { fit: 'lipped' } }, ['fronts/lip', 'fronts/rebateWidth'], ['fronts/stops']],
    [{ fronts: { grainRuns: 'columns' } }, ['fronts/sawCut'], ['fronts/drawerGrain']],
    [{ pins: { kind: 'none' } }, ['pins/kind'], ['pins/first', 'pins/around', 'hinges/snap']],
    [{ pins: { kind: 'free' } }, ['pins/spacing'], ['hinges/snap']],
    [{ pins: { column: 'full' } }, ['pins/ends'], ['pins/around']],
    [{ pins: { rear: 'groove' } }, ['pins/rearSet'], ['pins/rearClear']],
    [{ hinges: { family: 'none' } }, ['hinges/family'], ['hinges/opening', 'hinges/snap', 'hinges/leafPlace']],
    [{ hinges: { family: 'concealed' } }, ['hinges/stopAt'], ['hinges/leafPlace']],
    [{ pulls: { doors: 'none' } }, ['pulls/doors', 'pulls/drawerPlace'], ['pulls/fromEnd', 'pulls/reach']],
    [{ pulls: { drawers: 'none' } }, ['pulls/fromEnd'], ['pulls/drawerPlace', 'pulls/twoOver']],
    [{ making: { kind: 'stick' } }, ['making/groove', 'making/panelPlay'], ['making/trimThickness', 'pulls/fromEdge']],
    [{ making: { kind: 'trim' } }, ['making/trimThickness'], ['making/groove']],
    [{ back: { kind: 'applied' } }, ['back/inset'], ['back/grooveDepth', 'back/cutter']],
    [{ back: { cut: 'cutter', offsetFrom: 'set' } }, ['back/cutter', 'back/offset'], ['back/inset']],
    [{ toe: { kind: 'none' } }, ['toe/kind'], ['toe/height', 'toe/setback']],
    [{ toe: { kind: 'notched' } }, ['toe/board', 'toe/setback'], ['toe/rearSetback']],
    [{ ends: { left: 'wall' } }, ['ends/filler'], ['ends/scribe']],
    [{ ends: { left: 'wall', filler: 'strip' } }, ['ends/scribe'], []],
    [
      { joints: { bottom: 'dowels', top: 'dowels', shelf: 'dowels', partition: 'dowels' } },
      ['fasteners/dowel'],
      ['fasteners/pilot', 'fasteners/screwLength'],
    ],
    [{ nailer: { rails: 'none' } }, ['nailer/rails'], ['nailer/width']],
    [{ banding: { frontEdges: 'none' } }, ['banding/caseThickness'], ['banding/frontThickness']],
  ];
  for (const [settings, there, gone] of table) {
    const now = shown(settings);
    for (const path of there) assert.ok(now.includes(path), `${JSON.stringify(settings)} should show ${path}`);
    for (const path of gone) assert.ok(!now.includes(path), `${JSON.stringify(settings)} should not show ${path}`);
  }
});

test('what a cabinet decides is read as its word, and a number has none', () => {
  const solved = solveWith({ settings: { fronts: { fit: 'lipped' } } });
  assert.equal(choiceOf(solved, 'fronts/fit'), 'lipped');
  assert.equal(choiceOf(solved, 'fronts/gap'), '');
  assert.equal(jobWith({}).house.all.fronts.fit, 'overlay');
});
