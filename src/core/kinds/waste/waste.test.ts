import assert from 'node:assert/strict';
import { test } from 'node:test';
import { prove } from '../../../../tests/solids/prove.js';
import { type CabinetDecisions, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import { type Holes, loadSolids, toCabinet } from '../../part/index.js';
import type { SolvedCabinet } from '../../solve/index.js';

const share = { rule: 'share' as const, weight: 1 };
const store = (width = 450, settings: CabinetDecisions['settings'] = {}, more: CabinetDecisions = {}) =>
  solveWith({ width, settings: settings ?? {}, parts: [{ id: 'o1', size: share, fill: { kind: 'waste' } }], ...more });

/** Middles of the holes bored for the bins in a part, in the cabinet. */
function holes(solved: SolvedCabinet, key: string): number[][] {
  const part = partOf(solved, key);
  return part.machining
    .filter((each): each is Holes => each.kind === 'holes' && each.by.kind === 'waste')
    .flatMap(({ positions, offset, face, from }) =>
      positions.map(({ value: mm }) => {
        const [u, v] = from.startsWith('u') ? [offset.value, mm] : [mm, offset.value];
        return [...toCabinet(part.placement, u, v, face === 1 ? 0 : part.thickness.value)];
      }),
    );
}

test('bins are chosen by their opening: in stock, the most they hold; every other says why not', () => {
  const [two] = store().fitted.waste;
  assert.equal(two?.profile?.id, 'tarnfield-two-35');
  assert.deepEqual(two?.against.map(({ profile }) => profile).sort(), [
    'ostrel-sorter-low',
    'tarnfield-one-35',
    'tarnfield-three-20',
  ]);
  assert.match(two?.against.find(({ profile }) => profile === 'tarnfield-one-35')?.why ?? '', /up to 372 mm/);
  assert.equal(store(300).fitted.waste[0]?.profile?.id, 'tarnfield-one-35');
  assert.equal(
    store(450, { waste: { choice: 'ostrel-sorter-low' } }).fitted.waste[0]?.profile?.id,
    'ostrel-sorter-low',
  );
  assert.equal(store(450, {}, { depth: 400 }).fitted.waste[0]?.profile, undefined);
});

test('brackets stand as far from the opening on both sides, however the front laps it', () => {
  for (const settings of [
    {},
    { fronts: { reveal: { left: 8 } } },
    { fronts: { fit: 'inset' as const, gap: 3 } },
    { fronts: { fit: 'lipped' as const } },
  ]) {
    const solved = store(450, settings);
    const face = solved.face.ok ? solved.face.cells[0] : undefined;
    const front = partOf(solved, 'waste/o1');
    const found = holes(solved, 'waste/o1');
    assert.ok(face && found.length === 4, JSON.stringify(settings));
    const across = [...new Set(found.map(([x]) => Math.round((x ?? 0) * 1000) / 1000))].sort((a, b) => a - b);
    assert.equal(across.length, 2);
    const [left = 0, right = 0] = across;
    assert.ok(Math.abs(left - face.clear.h.low.value - 21) < 0.01, 'the base of the bracket into the opening, left');
    assert.ok(Math.abs(face.clear.h.high.value - right - 21) < 0.01, 'and right');
    const low = Math.min(...found.map(([, , z]) => z ?? 0));
    assert.ok(Math.abs(low - face.clear.v.low.value - 88) < 0.01, 'above the floor of the opening');
    assert.ok(
      found.every(([, y]) => Math.abs((y ?? 0) - front.extent.max[1]) < 0.01),
      'in its back',
    );
  }
});

test('a front that is not centred on its opening is said: a warning from side to side, a note from top to bottom', () => {
  const said = (settings: CabinetDecisions['settings']) => {
    const solved = store(450, settings);
    const { min, max } = partOf(solved, 'waste/o1').extent;
    const open = { low: partOf(solved, 'bottom').extent.max[2], high: partOf(solved, 'stretcher/front').extent.min[2] };
    const finding = solved.findings.find(({ rule }) => rule === 'waste/off-centre');
    return { finding, below: open.low - min[2], above: max[2] - open.high };
  };
  const usual = said({ fronts: { reveal: { top: 3, bottom: 0 } } });
  assert.ok(usual.below - usual.above > 1, `${usual.below} below and ${usual.above} above`);
  assert.equal(usual.finding?.severity, 'note');
  assert.match(usual.finding.what, new RegExp(`laps its opening ${usual.below} mm below and ${usual.above} mm above`));
  // Half of front less opening is what both laps come to on the average.
  const off = usual.below - (usual.below + usual.above) / 2;
  assert.match(usual.finding.why, new RegExp(`set the brackets ${off} mm too low`));
  assert.equal(said({ fronts: { reveal: { top: 2, bottom: 2 } } }).finding, undefined);
  const askew = said({ fronts: { reveal: { left: 10 } } }).finding;
  assert.equal(askew?.severity, 'warn');
  assert.match(askew.what, /at the left and .* at the right/);
});

test('its runners are screwed to both sides alike, behind a frame to packing', () => {
  const solved = store();
  const [left, right] = [holes(solved, 'side/left'), holes(solved, 'side/right')];
  assert.equal(left.length, 4);
  for (const [at, hole] of left.entries())
    assert.ok(
      Math.abs((hole[1] ?? 0) - (right[at]?.[1] ?? 0)) + Math.abs((hole[2] ?? 0) - (right[at]?.[2] ?? 0)) < 1e-6,
    );
  assert.deepEqual(
    solved.findings.filter(({ severity }) => severity !== 'note').map(({ rule }) => rule),
    [],
  );
  const framed = store(460, { school: 'faceFrame' });
  assert.ok(framed.parts.some(({ key }) => key === 'drawer/o1/packing/left'));
  assert.equal(holes(framed, 'drawer/o1/packing/left').length, 4);
  assert.deepEqual(
    framed.findings.filter(({ severity }) => severity === 'stop').map(({ what }) => what),
    [],
  );
  assert.ok(solved.fittings.some(({ name, quantity }) => name.startsWith('Bin pull-out') && quantity === 1));
});

test('as solids nothing of it shares space with anything, and every screw finds wood', async () => {
  const solids = await loadSolids();
  const ways: CabinetDecisions[] = [
    { width: 450 },
    { width: 460, settings: { school: 'faceFrame' } },
    { width: 400, settings: { fronts: { fit: 'inset', gap: 2 } } },
    { width: 420, settings: { making: { kind: 'stick' } } },
  ];
  for (const way of ways) {
    const solved = store(way.width, way.settings);
    assert.ok(solved.fitted.waste[0]?.profile);
    assert.deepEqual(prove(solved, solids), [], JSON.stringify(way));
  }
});

/** Bins in a room behind a door, beside or over something else. */
const behindDoor = (settings: CabinetDecisions['settings'] = {}, width = 450) =>
  solveWith({
    width,
    settings: settings ?? {},
    parts: [{ id: 'o1', size: share, fill: { kind: 'door', hinged: 'left', interior: { kind: 'waste' } } }],
  });

test('bins in a room behind a door stand clear of it on spacers, without brackets', async () => {
  const solids = await loadSolids();
  for (const settings of [{}, { school: 'faceFrame' as const }, { fronts: { fit: 'inset' as const } }]) {
    const solved = behindDoor(settings, 520);
    const [bins] = solved.fitted.waste;
    assert.ok(bins?.profile, JSON.stringify(bins?.against));
    assert.equal(bins.front, undefined);
    assert.equal(bins.onFront, undefined);
    assert.ok(
      solved.parts.some(({ role }) => role === 'spacer'),
      'the door reaches in on its side',
    );
    assert.deepEqual(prove(solved, solids), []);
    assert.deepEqual(
      solved.findings.filter(({ severity }) => severity === 'stop').map(({ what }) => what),
      [],
    );
  }
  const none = behindDoor({}, 250);
  assert.ok(none.findings.some(({ rule, what }) => rule === 'waste/too-small' && what.includes('into')));
});
