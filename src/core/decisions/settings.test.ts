import assert from 'node:assert/strict';
import { test } from 'node:test';
import { solveWith } from '../../../tests/support/cabinets.js';
import { form, type Overrides, settingLeaves, settingSections } from '../solve/index.js';
import { cabinetKinds } from './document/index.js';
import {
  CABINET_KIND,
  type Conditions,
  choice,
  type DeclaredPath,
  fillYounger,
  isDeclared,
  type Leaf,
  length,
  matters,
  not,
  offeredOn,
  section,
  startingSettings,
} from './index.js';
import { pathTo } from './paths.js';

test('every setting stands once, with a default in both sets that its own limits allow', () => {
  const keys = settingLeaves.map(({ key }) => key);
  assert.equal(new Set(keys).size, keys.length);
  assert.ok(keys.length > 150, `${keys.length}`);
  for (const { key, schema, defaults } of settingLeaves)
    for (const set of ['metric', 'inch'] as const)
      assert.ok(schema.safeParse(defaults[set]).success, `${key} ${set}: ${defaults[set]}`);
  for (const set of ['metric', 'inch'] as const)
    assert.ok(form.declared.settings.safeParse(startingSettings(form.declared, set)).success);
});

test('every setting has a row in a section with a title, or says where else it is decided', () => {
  const without = settingSections.flatMap(({ elsewhere, leaves }) =>
    elsewhere ? [...new Set(leaves.map(({ path }) => path[0]))] : [],
  );
  assert.deepEqual(without, ['school', 'depth', 'worktop', 'materials', 'usual']);
  assert.deepEqual(
    settingLeaves.filter(({ place }) => place !== undefined).map(({ key }) => key),
    ['hinges/choice'],
  );
});

test('what a setting waits for is a choice there is, and a word it has', () => {
  for (const { key, when } of settingLeaves) {
    const all = when === undefined ? [] : Array.isArray(when) ? (when as readonly Conditions[]) : [when as Conditions];
    for (const conditions of all)
      for (const [path, wanted] of Object.entries(conditions)) {
        const words = typeof wanted === 'string' ? [wanted] : 'not' in wanted ? [wanted.not] : wanted;
        const other = path === CABINET_KIND ? { options: cabinetKinds } : form.declared.leaf(path);
        assert.ok(other, `${key} waits for ${path}`);
        // What names a profile has no list of words; "none" is always one of them.
        const known = other.options ? Object.keys(other.options) : ['none'];
        for (const word of words) assert.ok(known.includes(word), `${key} waits for ${path} to be ${word}`);
      }
  }
});

test('a path that leads to no setting does not compile', () => {
  assert.equal(pathTo.setting('c1', 'toe/height'), 'cabinets/c1/settings/toe/height');
  // @ts-expect-error there is no such setting
  pathTo.setting('c1', 'toe/hight');
  // @ts-expect-error a group is not a setting
  pathTo.setting('c1', 'fronts/reveal');
  // @ts-expect-error an opening has no such field
  pathTo.openingField(pathTo.opening(pathTo.face('c1'), 'o1'), 'width');
});

test('a younger setting is filled in with what documents did before it, and changes nothing that was decided', () => {
  const added = section('Added', {
    added: {
      depth: length('added depth', { metric: 12, inch: 12.7, since: 9, before: 0 }),
      kind: choice('added kind', { old: 'old', better: 'better' }, { metric: 'better', since: 9, before: 'old' }),
      plain: length('plain', { metric: 3, since: 9 }),
    },
  });
  const leaves = Object.entries(added.settings.added).map(([key, leaf]) => {
    assert.ok(isDeclared(leaf));
    return { ...leaf, path: ['added', key], key: `added/${key}` as DeclaredPath } as Leaf;
  });
  const stored = { toe: { height: 100 } };
  assert.deepEqual(fillYounger(stored, 8, 'metric', leaves), {
    toe: { height: 100 },
    added: { depth: 0, kind: 'old', plain: 3 },
  });
  assert.deepEqual(fillYounger({ added: { depth: 5 } }, 8, 'metric', leaves).added, {
    depth: 5,
    kind: 'old',
    plain: 3,
  });
  assert.deepEqual(fillYounger(stored, 9, 'metric', leaves), stored, 'a document that is as young is to say it itself');
});

test('conditions: all of one set, any of several, one of some words, any but one', () => {
  const is = (path: string) => ({ a: 'x', b: 'y' })[path] ?? '';
  assert.ok(matters(undefined, is) && matters({ a: 'x' }, is) && matters({ a: ['w', 'x'], b: not('z') }, is));
  assert.ok(!matters({ a: 'x', b: 'z' }, is) && !matters({ a: not('x') }, is) && !matters([], is));
  assert.ok(matters([{ a: 'z' }, { b: 'y' }], is));
});

/** What is shown for a cabinet with these settings. */
function shown(settings: Overrides): string[] {
  const solved = solveWith({ settings });
  return settingLeaves.filter((leaf) => offeredOn(solved, leaf)).map(({ key }) => key);
}

test('a setting that another choice rules out is not shown; it comes back with the choice', () => {
  const table: [Overrides, string[], string[]][] = [
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
    [{ ends: { left: 'wall', filler: 'none' } }, ['ends/filler'], ['ends/scribe']],
    [{ ends: { left: 'wall' } }, ['ends/filler', 'ends/scribe'], []],
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
