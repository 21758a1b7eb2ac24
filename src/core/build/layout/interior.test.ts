import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { type CabinetDecisions, solveWith } from '../../../../tests/support/cabinets.js';
import { type Interior, isDivided, memberIds, type Room } from '../../decisions/index.js';
import { proposedFor, type SolvedCabinet } from '../../solve/index.js';

const share = { rule: 'share' as const, weight: 1 };
const graduation = { kind: 'arithmetic' as const, step: 20 };
const divided = (kind: 'rows' | 'columns', parts: Room[]): Interior => ({ kind, graduation, parts });
const room = (id: string, fill: Interior, more: Partial<Room> = {}): Room => ({ id, size: share, fill, ...more });
const behind = (interior: Interior, more: CabinetDecisions = {}) =>
  solveWith({ width: 1000, parts: [{ id: 'o1', size: share, fill: { kind: 'pair', interior } }], ...more });
const near = (is: number | undefined, should: number, what: string) =>
  assert.ok(is !== undefined && Math.abs(is - should) < 1e-6, `${what}: ${is}, should be ${should}`);

/** A cupboard: shelves above a fixed shelf, under it drawers at the left of a partition and trays at the right. */
const press = divided('rows', [
  room('r1', { kind: 'shelves', shelves: 2 }),
  room(
    'r2',
    divided('columns', [
      room(
        'r3',
        divided('rows', [room('r4', { kind: 'drawer' }, { divider: 'none' }), room('r5', { kind: 'drawer' })]),
      ),
      room('r6', divided('rows', [room('r7', { kind: 'tray' }, { divider: 'none' }), room('r8', { kind: 'tray' })])),
    ]),
    { size: { rule: 'fixed', mm: 500 } },
  ),
]);
const tall = { from: 'tall', height: 1900 } as const;

test('a room behind a pair is divided in its own way: fixed shelf, partition, drawers, trays, shelves', () => {
  const { interiors, parts, findings, fronts } = behind(press, tall);
  assert.equal(fronts.length, 2, 'one pair of doors before all of it');
  assert.deepEqual(
    interiors.compartments.map(({ id, fill }) => `${id} ${fill.kind}`),
    ['r1 shelves', 'r4 drawer', 'r5 drawer', 'r7 tray', 'r8 tray'],
  );
  assert.deepEqual(
    interiors.compartments.map(({ name }) => name),
    [
      'room behind doors',
      'inner drawer 1 behind doors',
      'inner drawer 2 behind doors',
      'tray 1 behind doors',
      'tray 2 behind doors',
    ],
  );
  const keys = parts.map(({ key }) => key);
  for (const key of ['divider/r1', 'divider/r3', 'shelf/r1/2', 'drawer/r4/box/front', 'drawer/r8/box/bottom'])
    assert.ok(keys.includes(key), key);
  assert.ok(!keys.includes('divider/r4'), 'nothing between two drawers that want nothing');
  assert.deepEqual(
    findings.filter(({ severity }) => severity === 'stop').map(({ what }) => what),
    [],
  );
});

test('rooms with what stands between them fill the clear room exactly, whichever way it is divided', () => {
  const { interiors, face, parts } = behind(press, tall);
  assert.ok(face.ok);
  const whole = face.cells[0]?.inside;
  const by = new Map(interiors.compartments.map((each) => [each.id, each.inside]));
  const shelf = parts.find(({ key }) => key === 'divider/r1');
  const partition = parts.find(({ key }) => key === 'divider/r3');
  near(by.get('r1')?.v.high.value, whole?.v.high.value ?? 0, 'the upper room goes up to the ceiling');
  near(by.get('r1')?.v.low.value, shelf?.extent.max[2] ?? 0, 'and down to the shelf');
  near(by.get('r4')?.v.high.value, shelf?.extent.min[2] ?? 0, 'the drawers go up to its underside');
  near(by.get('r5')?.v.low.value, whole?.v.low.value ?? 0, 'and down to the floor');
  near((by.get('r4')?.v.size.value ?? 0) + (by.get('r5')?.v.size.value ?? 0), 500, 'both together as was decided');
  near(by.get('r4')?.h.low.value, whole?.h.low.value ?? 0, 'from the left side');
  near(by.get('r4')?.h.high.value, partition?.extent.min[0] ?? 0, 'to the partition');
  near(by.get('r7')?.h.low.value, partition?.extent.max[0] ?? 0, 'and from there');
  near(by.get('r7')?.h.high.value, whole?.h.high.value ?? 0, 'to the right side');
});

test('what divides a room begins at the front edge behind overlay fronts, and behind inset ones with their bumper', () => {
  const front = ({ parts }: SolvedCabinet, key: string) => parts.find((part) => part.key === key)?.extent.min[1];
  near(front(behind(press, tall), 'divider/r1'), 0, 'overlay');
  const inset = behind(press, { ...tall, settings: { fronts: { fit: 'inset', gap: 2 }, depth: { bumper: 3 } } });
  for (const key of ['divider/r1', 'divider/r3']) near(front(inset, key), inset.box.frontThickness.value + 3, key);
  const door = inset.fronts[0]?.parts[0]?.extent;
  assert.ok((front(inset, 'divider/r1') ?? 0) >= (door?.max[1] ?? 99), 'nothing stands in the door');
});

test('shelves of an undivided room stand where they stood when they belonged to the front', () => {
  const whole = behind({ kind: 'shelves', shelves: 2 }, tall);
  assert.deepEqual(
    whole.bays.map(({ room: { id, name } }) => [id, name]),
    [['o1', 'doors']],
  );
  assert.equal(whole.parts.filter(({ key }) => key.startsWith('shelf/o1/')).length, 2);
});

test('a division that cannot be followed is left out, said, and the rest of the cabinet stands', () => {
  const solved = behind(
    divided('rows', [
      room('r1', { kind: 'tray' }, { size: { rule: 'fixed', mm: 5000 } }),
      room('r2', { kind: 'tray' }),
    ]),
  );
  const { interiors, findings, parts } = solved;
  assert.deepEqual(
    interiors.compartments.map(({ id, fill }) => `${id} ${fill.kind}`),
    ['o1 nothing'],
  );
  const [finding] = findings.filter(({ rule }) => rule === 'interiors/rooms-do-not-close');
  assert.match(finding?.what ?? '', /^The rooms behind doors need 4\d{3}/);
  assert.equal(finding && proposedFor({ cabinets: [solved] }, finding.id).length, 1);
  assert.ok(parts.some(({ key }) => key === 'bottom'));
});

test('any division closes: clear sizes and dividers come to the room, each part of it within it', () => {
  const leaf = fc.constantFrom<Interior>({ kind: 'nothing' }, { kind: 'shelves', shelves: 1 });
  const { interior } = fc.letrec<{ interior: Interior }>((tie) => ({
    interior: fc.oneof(
      { maxDepth: 3, withCrossShrink: true },
      leaf,
      fc
        .tuple(
          fc.constantFrom('rows' as const, 'columns' as const),
          fc.array(tie('interior'), { minLength: 1, maxLength: 3 }),
          fc.array(fc.constantFrom(undefined, 'none' as const), { minLength: 3, maxLength: 3 }),
        )
        .map(([kind, fills, dividers]) =>
          divided(
            kind,
            fills.map((fill, at) => room(`x${at}`, fill, dividers[at] ? { divider: dividers[at] } : {})),
          ),
        ),
    ),
  }));
  let split = 0;
  fc.assert(
    fc.property(interior, (drawn) => {
      let count = 0;
      const name = (fill: Interior): Interior =>
        isDivided(fill)
          ? {
              ...fill,
              parts: fill.parts.map((each) => {
                count += 1;
                return { ...each, id: `n${count}`, fill: name(each.fill) };
              }),
            }
          : fill;
      const solved = behind(name(drawn), { ...tall, width: 1190 });
      if (solved.interiors.refused.length > 0) return;
      split += solved.interiors.splits.length;
      for (const { axis, sizes, parts } of solved.interiors.splits) {
        const between = solved.interiors.boundaries.filter(({ after }) => parts.some(({ id }) => id === after));
        assert.equal(between.length, parts.length - 1);
        const [{ within } = { within: undefined }] = between;
        const sum = [...sizes.map(({ size }) => size.value), ...between.map(({ inside }) => inside.size.value)];
        if (within)
          near(
            sum.reduce((total, each) => total + each, 0),
            (axis === 'rows' ? within.inside.v : within.inside.h).size.value,
            'all of it',
          );
      }
      const ids = memberIds(solved.cabinet.face);
      assert.equal(new Set(ids).size, ids.length);
    }),
    { numRuns: 60 },
  );
  assert.ok(split > 60, `${split} divisions were looked at`);
});
