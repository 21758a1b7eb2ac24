import assert from 'node:assert/strict';
import { test } from 'node:test';
import { type CabinetDecisions, jobWith, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import { type Holes, toCabinet } from '../../part/index.js';
import { presentJob } from '../../present/index.js';
import { readJob, type SolvedCabinet, solve } from '../../solve/index.js';

const share = { rule: 'share' as const, weight: 1 };
const fitted = (fill: 'door' | 'pair', settings: CabinetDecisions['settings'] = {}): CabinetDecisions => ({
  settings: { catches: { doors: 'corran-magnet-4' }, ...settings },
  parts: [
    fill === 'door'
      ? { id: 'o1', size: share, fill: { kind: 'door', hinged: 'left' } }
      : { id: 'o1', size: share, fill: { kind: 'pair' } },
  ],
});

/** Where the holes of a catch lie in the cabinet, by part. */
function holes(solved: SolvedCabinet): Record<string, number[][]> {
  return Object.fromEntries(
    solved.parts.flatMap((part) => {
      const own = part.machining.filter((each): each is Holes => each.kind === 'holes' && each.by.kind === 'catches');
      if (own.length === 0) return [];
      const w = (each: Holes) => (each.face === 1 ? 0 : part.thickness.value);
      const at = own.flatMap((each) =>
        each.positions.map(({ value: mm }) =>
          [...toCabinet(part.placement, mm, each.offset.value, w(each))].map((value) => +value.toFixed(3)),
        ),
      );
      return [[part.key, at]];
    }),
  );
}

test('a single door is caught at its free edge: body on the upright, plate on the back of the door, one opposite the other', () => {
  const solved = solveWith(fitted('door'));
  const { 'side/right': body, 'door/o1': plate } = holes(solved) as Record<string, [number[], number[]]>;
  const inner = partOf(solved, 'side/right').extent.min[0];
  const top = solved.box.topUnderside.value;
  assert.deepEqual(body, [
    [inner, 12, +(top - 60 - 16).toFixed(3)],
    [inner, 12, +(top - 60 + 16).toFixed(3)],
  ]);
  assert.deepEqual(
    plate?.map(([x, , z]) => [x, z]),
    [[+(inner - 7).toFixed(3), +(top - 60).toFixed(3)]],
  );
  assert.equal(solved.fittings.find(({ name }) => name.startsWith('Catch'))?.quantity, 1);
  assert.deepEqual(solved.findings, []);
});

test('each of a pair is caught under what lies over the opening, beside the meeting edge', () => {
  const solved = solveWith(fitted('pair', { top: { kind: 'full' } }));
  const found = holes(solved);
  assert.equal(found.top?.length, 4);
  assert.ok(found.top?.every(([, , z]) => z === solved.box.topUnderside.value));
  const meeting = partOf(solved, 'door/o1/left').extent.max[0];
  assert.ok(Math.abs((found['door/o1/left']?.[0]?.[0] ?? 0) - (meeting - 30)) < 0.001);
  assert.deepEqual(solved.findings, []);
});

test('without a top or a stretcher over a pair nothing carries its catches, and the finding says so', () => {
  const solved = solveWith(fitted('pair', { top: { kind: 'none' } }));
  assert.deepEqual(holes(solved), {});
  assert.equal(solved.findings.filter(({ rule }) => rule === 'catches/nothing-carries').length, 2);
});

test('a job from before catches gets their catalogue and fits none: not a size, a hole or a finding differs', () => {
  const job = jobWith({});
  const old = JSON.parse(JSON.stringify(job)) as Record<string, unknown>;
  old.version = 4;
  delete (old.hardware as Record<string, unknown>).catches;
  delete ((old.house as { all: Record<string, unknown> }).all as Record<string, unknown>).catches;
  const read = readJob(old);
  assert.ok(read.ok, JSON.stringify(read));
  assert.equal(read.value.hardware.catches?.length, 2);
  assert.deepEqual(presentJob(solve(read.value)), presentJob(solve(job)));
  assert.deepEqual(solve(job).cabinets[0]?.fitted.catches, []);
});
