import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { partOf, solveWith } from '../../../../tests/support/cabinets.js';
import type { Opening, SettingOverrides } from '../../decisions/index.js';
import { type Operation, type Part, shapeOf, sharedVolume } from '../../part/index.js';
import { frameSizes } from './index.js';

const { given, expect } = JSON.parse(readFileSync('tests/cases/13-frame-filler.json', 'utf8'));
const near = (a: number | undefined, b: number) => assert.ok(Math.abs((a ?? Number.NaN) - b) < 1e-6, `${a}, not ${b}`);

const share = { rule: 'share' as const, weight: 1 };
const nested: Opening[] = [
  { id: 'o1', size: share, fill: { kind: 'drawer' } },
  {
    id: 'o2',
    size: share,
    fill: {
      kind: 'columns',
      graduation: { kind: 'arithmetic', step: 10 },
      parts: [
        { id: 'o3', size: share, fill: { kind: 'door', hinged: 'left' } },
        { id: 'o4', size: share, fill: { kind: 'door', hinged: 'right' } },
      ],
    },
  },
];
const framed = (frame: NonNullable<SettingOverrides['frame']>, more: SettingOverrides = {}) =>
  solveWith({ width: 900, parts: nested, settings: { school: 'faceFrame', frame, ...more } });

test('worked case: a wall at the right with a scribe, then with a filler as well, makes the stile wider and nothing else', () => {
  const solved = (filler: number, frameWidth: number) =>
    solveWith({
      width: frameWidth,
      measured: { birch18: given.sideMeasured },
      settings: {
        school: 'faceFrame',
        ends: { left: 'exposed', right: 'wall', scribe: given.scribe },
        frame: {
          stileLeft: given.stile,
          stileRight: given.stile,
          overhangExposed: given.overhangExposed,
          filler,
        },
      },
    });
  for (const [filler, figures] of [
    [0, expect.scribeOnly],
    [given.filler, expect.withFiller],
  ] as const) {
    const cabinet = solved(filler, figures.frameWidth);
    near(cabinet.box.width.value, given.boxWidth);
    near(partOf(cabinet, 'frame/stile/right').width.value, figures.rightStile);
    near(partOf(cabinet, 'frame/stile/left').width.value, given.stile);
    near(partOf(cabinet, 'frame/rail/top').length.value, figures.railLength);
    const sizes = frameSizes(cabinet.box, cabinet.resolved);
    near(sizes.packingRight.value, figures.packingRight);
    near(sizes.width.value, figures.frameWidth);
  }
  near(solved(0, expect.scribeOnly.frameWidth).box.beyondRight.value, expect.scribeOnly.rightOverhang);
  near(frameSizes(solved(0, 787).box, solved(0, 787).resolved).packingLeft.value, expect.scribeOnly.packingLeft);
});

test('with the scribe within the stile it is as wide as decided, and says so', () => {
  const within = framed({ wallStile: 'within', stileRight: 64 }, { ends: { right: 'wall' } });
  near(partOf(within, 'frame/stile/right').width.value, 64);
  assert.match(partOf(within, 'frame/stile/right').note ?? '', /within/);
  const wide = framed({ filler: 60 }, { ends: { right: 'wall' } });
  near(partOf(wide, 'frame/stile/right').width.value, 40 + 25 + 60);
  assert.match(partOf(wide, 'frame/stile/right').note ?? '', /strip on the side/);
});

const members = (solved: { readonly parts: readonly Part[] }) => solved.parts.filter(({ role }) => role === 'frame');
const only = (part: Part, kind: Operation['kind']) => part.machining.filter((each) => each.kind === kind);

test('every tenon of a frame has a mortise 1.5 deeper, touches both, and shares no wood with what it enters', () => {
  for (const attachment of ['pocket', 'tongue'] as const) {
    const frame = members(framed({ tenon: 25, attachment }));
    const tenons = frame.flatMap((part) => only(part, 'tenon'));
    const mortises = frame.flatMap((part) => only(part, 'slots'));
    // Two rails, a middle rail and a middle stile, each with two ends.
    assert.equal(tenons.length, 8);
    assert.equal(mortises.length, 8);
    for (const mortise of mortises) assert.ok(mortise.kind === 'slots' && mortise.depth.value === 26.5);
    let joined = 0;
    frame.forEach((a, at) => {
      for (const b of frame.slice(at + 1)) {
        assert.ok(sharedVolume(shapeOf(a), shapeOf(b)) < 1, `${a.key} and ${b.key}`);
        // Without what is cut they would stand in each other: the tenons do enter.
        if (sharedVolume(shapeOf({ ...a, machining: [] }), shapeOf({ ...b, machining: [] })) > 1000) joined += 1;
      }
    });
    assert.equal(joined, 8);
  }
});

test('at a corner a tenon stands in from the end of the stile, in the middle it is as wide as its rail', () => {
  const solved = framed({ tenon: 25 });
  const insets = (key: string) =>
    only(partOf(solved, key), 'tenon').map((each) =>
      each.kind === 'tenon' ? [each.inset?.v0?.value ?? 0, each.inset?.v1?.value ?? 0] : [],
    );
  assert.deepEqual(insets('frame/rail/top'), [
    [0, 10],
    [0, 10],
  ]);
  assert.deepEqual(insets('frame/rail/bottom'), [
    [10, 0],
    [10, 0],
  ]);
  assert.deepEqual(insets('frame/rail/o1'), [
    [0, 0],
    [0, 0],
  ]);
});

test('without tenons two pocket screws hold each end that has room for two, and their screwLines are kept', () => {
  const solved = framed({});
  for (const part of members(solved).filter(({ piece }) => piece?.kind === 'rail')) {
    const pockets = only(part, 'pockets');
    assert.equal(pockets.length, 2);
    for (const each of pockets)
      assert.equal(each.kind === 'pockets' && each.positions.length, part.width.value >= 38 ? 2 : 1, part.key);
  }
  assert.ok((solved.screwLines.get('frame/stile/left') ?? []).some((way) => way.kind === 'edge holes'));
});

test('the bottom is pulled to the frame from below, clear of partitions', () => {
  const [pockets] = only(partOf(framed({}), 'bottom'), 'pockets');
  assert.ok(pockets?.kind === 'pockets' && pockets.face === 2 && pockets.positions.length >= 4);
  // No rail before the bottom: nothing to screw into.
  const lifted = only(partOf(framed({ lip: 80 }), 'bottom'), 'pockets');
  assert.deepEqual(lifted, []);
});
