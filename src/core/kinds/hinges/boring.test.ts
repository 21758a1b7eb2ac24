import assert from 'node:assert/strict';
import { test } from 'node:test';
import { type CabinetDecisions, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import { tapeText } from '../../ground/index.js';
import type { Operation } from '../../part/index.js';

const share = { rule: 'share' as const, weight: 1 };
type Settings = NonNullable<CabinetDecisions['settings']>;

/** What hinges leave in the parts of a cabinet with a pair of doors: "part: kind at offset, size x depth, how many". */
function bored(settings: Settings): string[] {
  const solved = solveWith({ settings, parts: [{ id: 'o1', size: share, fill: { kind: 'pair' } }] });
  const round = (mm: number | undefined) => (mm === undefined ? 'through' : String(Math.round(mm * 100) / 100));
  const line = (operation: Operation) => {
    if (!/hinge of door, left/.test(operation.reason)) return [];
    const what = operation.reason.split(':')[0];
    switch (operation.kind) {
      case 'holes':
        return `${what}: ${operation.from}+${round(operation.offset.value)} face ${operation.face}, ${round(operation.diameter.value)} x ${round(operation.depth?.value)}, ${operation.positions.length}`;
      case 'edge holes':
        return `${what}: edge ${operation.edge}+${round(operation.offset.value)}, ${round(operation.diameter.value)} x ${round(operation.depth.value)}, ${operation.positions.length}`;
      case 'mortises':
        return `${what}: ${'edge' in operation.place ? `edge ${operation.place.edge}` : `face ${operation.place.face} ${operation.place.from}`}+${round(operation.offset.value)}, ${round(operation.length.value)} x ${round(operation.thickness.value)} x ${round(operation.depth.value)}, ${operation.positions.length}`;
      default:
        return [`${what}: ${operation.kind}`];
    }
  };
  return solved.parts
    .flatMap((part) =>
      partOf(solved, part.key)
        .machining.flatMap(line)
        .map((text) => `${part.key} ${text}`),
    )
    .sort();
}

/** By carcass and fit: what is bored in the door, and in what carries it. */
const TABLE: { name: string; settings: Settings; wanted: string[] }[] = [
  {
    name: 'concealed, over a side',
    settings: {},
    wanted: [
      'door/o1/left cup fixing: v0+31 face 2, 2.5 x 10, 4',
      'door/o1/left cup: v0+21.5 face 2, 35 x 12.5, 2',
      'side/left plate: v0+37 face 1, 5 x 12, 4',
    ],
  },
  {
    name: 'concealed, in the opening: plates stand back by the thickness of the door',
    settings: { fronts: { fit: 'inset', gap: 2 } },
    wanted: [
      'door/o1/left cup fixing: v0+31.5 face 2, 2.5 x 10, 4',
      'door/o1/left cup: v0+22 face 2, 35 x 12.5, 2',
      'side/left plate: v0+55 face 1, 5 x 12, 4',
    ],
  },
  {
    name: 'compact, on the inner edge of a stile',
    settings: { school: 'faceFrame' },
    wanted: [
      'door/o1/left cup fixing: v0+31 face 2, 2.5 x 10, 4',
      'door/o1/left cup: v0+21.5 face 2, 35 x 12.5, 2',
      'frame/stile/left plate: edge v1+12, 2.5 x 12, 4',
    ],
  },
  {
    name: 'butts in a frame: half of closed thickness less gap in each',
    settings: { school: 'faceFrame', fronts: { fit: 'inset', gap: 2 } },
    wanted: [
      'door/o1/left mortise: edge v0+7, 50 x 14 x 1.3, 2',
      'door/o1/left screws: edge v0+7, 2 x 17.3, 6',
      'frame/stile/left mortise: edge v1+7, 50 x 14 x 1.3, 2',
      'frame/stile/left screws: edge v1+7, 2 x 17.3, 6',
    ],
  },
  {
    name: 'butts on a side: let into its inside face, and no screw through it',
    settings: { hinges: { family: 'butt' }, fronts: { fit: 'inset', gap: 2 } },
    wanted: [
      'door/o1/left mortise: edge v0+7, 50 x 14 x 1.3, 2',
      'door/o1/left screws: edge v0+7, 2 x 17.3, 6',
      'side/left mortise: face 1 v0+7, 50 x 14 x 1.3, 2',
      'side/left screws: v0+7 face 1, 2 x 15, 6',
    ],
  },
  {
    name: 'no-mortise butts: screws only',
    settings: { school: 'faceFrame', hinges: { family: 'noMortise' }, fronts: { fit: 'inset', gap: 1.7 } },
    wanted: ['door/o1/left screws: edge v0+7, 2 x 16, 6', 'frame/stile/left screws: edge v1+7, 2 x 16, 6'],
  },
  {
    name: 'semi-concealed: on the back of the door inside its rebate, and on the face of the frame beside the lip',
    settings: {
      school: 'faceFrame',
      hinges: { family: 'semi' },
      fronts: { fit: 'lipped', lip: 8, rebateWidth: 10, rebateDepth: 9 },
    },
    wanted: ['door/o1/left screws: v0+19 face 2, 2 x 12, 4', 'frame/stile/left screws: v1+17 face 1, 2 x 12, 4'],
  },
  { name: 'none', settings: { hinges: { family: 'none' } }, wanted: [] },
];

for (const { name, settings, wanted } of TABLE)
  test(`bored for hinges: ${name}`, () => assert.deepEqual(bored(settings), wanted));

test('a mortise opens to the closed thickness of the hinge and the gap of the fronts', () => {
  const settings: Settings = { school: 'faceFrame', fronts: { fit: 'inset', gap: 2 } };
  const solved = solveWith({ settings, parts: [{ id: 'o1', size: share, fill: { kind: 'pair' } }] });
  const mortise = partOf(solved, 'frame/stile/left').machining.find(({ kind }) => kind === 'mortises');
  assert.ok(mortise?.kind === 'mortises');
  assert.equal(tapeText(mortise.depth, String), '(closed thickness 4.6 − gap between fronts 2) ÷ 2');
});

test('a framed door is bored in the stile on its hinge side, a trimmed one in its slab', () => {
  const parts = (settings: Settings) =>
    [...new Set(bored(settings).map((line) => line.split(' ')[0]))].filter((key) => key?.startsWith('door/'));
  assert.deepEqual(parts({ making: { kind: 'stick' } }), ['door/o1/left/stile/left']);
  assert.deepEqual(parts({ making: { kind: 'mitred' } }), ['door/o1/left/stile/left']);
  assert.deepEqual(parts({ making: { kind: 'trim' } }), ['door/o1/left/slab']);
});

test('across the grain the same heights are measured along the width of the door', () => {
  const up = bored({});
  const across = bored({ fronts: { doorGrain: 'across' } });
  assert.deepEqual(
    across.map((line) => line.replace(/ u0\+/, ' v0+')),
    up,
  );
});
