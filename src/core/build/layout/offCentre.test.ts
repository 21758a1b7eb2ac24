import assert from 'node:assert/strict';
import { test } from 'node:test';
import { type CabinetDecisions, partOf, solveWith } from '../../../../tests/support/cabinets.js';

const share = { rule: 'share' as const, weight: 1 };
const graduation = { kind: 'arithmetic' as const, step: 10 };

/** A drawer over a door, or beside it, with what divides them moved off the gap. */
function divided(kind: 'rows' | 'columns', off: number, settings: CabinetDecisions['settings'] = {}) {
  return solveWith({
    width: 800,
    settings,
    face: {
      kind,
      graduation,
      parts: [
        {
          id: 'o1',
          size: { rule: 'fixed', mm: 200 },
          divider: kind === 'rows' ? 'shelf' : 'partition',
          ...(off === 0 ? {} : { dividerOff: off }),
          fill: { kind: 'drawer' },
        },
        { id: 'o2', size: share, fill: { kind: 'door', hinged: 'left' } },
      ],
    },
  });
}
const fronts = (solved: ReturnType<typeof divided>) =>
  solved.fronts.map(({ h, v }) => [h.low, h.high, v.low, v.high].map(({ value: mm }) => mm));
const boundary = (solved: ReturnType<typeof divided>) => {
  assert.ok(solved.face.ok);
  const [first] = solved.face.boundaries;
  assert.ok(first);
  return first;
};

test('fronts first: the fronts stay and the divider goes, upwards in rows and to the right in columns', () => {
  for (const kind of ['rows', 'columns'] as const) {
    const axis = kind === 'rows' ? 2 : 0;
    const [middle, moved] = [divided(kind, 0), divided(kind, 5)];
    assert.deepEqual(fronts(moved), fronts(middle));
    const key = 'divider/o1';
    const [before, after] = [partOf(middle, key).extent, partOf(moved, key).extent];
    assert.ok(Math.abs(after.min[axis] - before.min[axis] - 5) < 1e-9);
    assert.ok(Math.abs(after.max[axis] - before.max[axis] - 5) < 1e-9);
    assert.ok(moved.findings.every(({ severity }) => severity !== 'stop'));
  }
});

test('the overlays of both fronts differ by twice as much', () => {
  const moved = divided('rows', 5);
  const [drawer, door] = fronts(moved);
  const { inside } = boundary(moved);
  // The drawer lies over the shelf from above, the door from below; the gap is 3 in a shelf of 17.8.
  const [above, below] = [inside.high.value - (drawer?.[2] ?? 0), (door?.[3] ?? 0) - inside.low.value];
  assert.ok(Math.abs(above - below - 10) < 1e-9);
  assert.ok(Math.abs(above + below + 3 - inside.size.value) < 1e-9);
});

test('openings first: the openings stay and the gap goes the other way', () => {
  const settings = { fronts: { lay: 'openings' as const } };
  const [middle, moved] = [divided('rows', 0, settings), divided('rows', 4, settings)];
  assert.deepEqual(partOf(moved, 'divider/o1').extent, partOf(middle, 'divider/o1').extent);
  const [was, is] = [fronts(middle), fronts(moved)];
  assert.ok(Math.abs((was[0]?.[2] ?? 0) - (is[0]?.[2] ?? 0) - 4) < 1e-9, 'the drawer front reaches lower');
  assert.ok(Math.abs((was[1]?.[3] ?? 0) - (is[1]?.[3] ?? 0) - 4) < 1e-9, 'and the door begins lower');
  assert.equal(boundary(moved).centre.label, 'centre of the divider');
});

test('openings and faces that are both fixed are met by pinning the divider', () => {
  // Fronts of 200 and the rest; the opening of the drawer is to be 195 clear.
  const plain = divided('rows', 0);
  const cell = (solved: typeof plain) => (solved.face.ok ? (solved.face.cells[0]?.clear.v.size.value ?? 0) : 0);
  const off = cell(plain) - 195;
  const met = divided('rows', off);
  assert.ok(Math.abs(cell(met) - 195) < 1e-9);
  assert.ok(Math.abs((fronts(met)[0]?.[3] ?? 0) - (fronts(met)[0]?.[2] ?? 0) - 200) < 1e-9);
});

test('an opening laid out first is called one on its tape', () => {
  const solved = divided('rows', 0, { fronts: { lay: 'openings' } });
  assert.ok(solved.face.ok);
  assert.equal(solved.face.cells[0]?.clear.v.low.label, 'bottom of drawer front opening');
});

test('a frame member goes with what it covers', () => {
  const settings = { school: 'faceFrame' as const, fronts: { lay: 'fronts' as const } };
  const [middle, moved] = [divided('rows', 0, settings), divided('rows', 3, settings)];
  const shift = (key: string) => partOf(moved, key).extent.min[2] - partOf(middle, key).extent.min[2];
  assert.ok(Math.abs(shift('frame/rail/o1') - 3) < 1e-9);
  assert.ok(Math.abs(shift('divider/o1') - 3) < 1e-9);
});
