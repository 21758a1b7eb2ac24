import assert from 'node:assert/strict';
import { test } from 'node:test';
import { jobWith, partOf } from '../../../../tests/support/cabinets.js';
import { editsBetween, saidOf, withEdits } from '../../commands/index.js';
import { actOf, type Cabinet, countedIds, type Job, pathFromText, pathOf } from '../../decisions/index.js';
import { shapeOf, toCabinet } from '../../part/index.js';
import { check, readJob, type SolvedCabinet, solve } from '../../solve/index.js';
import { grommets } from './index.js';
import type { Grommet } from './list.js';

const withThese = (list: readonly Partial<Grommet>[], job = jobWith({ width: 800 })): Job => {
  const [cabinet, ...rest] = job.cabinets;
  assert.ok(cabinet);
  const own = list.map((each, at) => ({ id: `g${at + 1}`, part: 'back', profile: 'corran-grommet-60', ...each }));
  const read = readJob({ ...job, cabinets: [{ ...cabinet, grommets: own }, ...rest] });
  assert.ok(read.ok, JSON.stringify(read));
  return read.value;
};
const first = (job: Job): SolvedCabinet => solve(job).cabinets[0] as SolvedCabinet;

/** Middles of the round holes right through a part, in the cabinet, read off its solid. */
const throughHoles = (solved: SolvedCabinet, key: string, radius: number) => {
  const part = partOf(solved, key);
  return shapeOf(part)
    .bores.filter((bore) => Math.abs(bore.radius - radius) < 1e-9)
    .map(({ from, to }) => [+from[0].toFixed(3), +from[2].toFixed(3), +to[0].toFixed(3), +to[2].toFixed(3)]);
};

test('a grommet is bored right through its part where it is measured in the cabinet, and bought', () => {
  const solved = first(
    withThese([{ left: 200, up: 300 }, { part: 'bottom', left: 150, behind: 90 }, { part: 'side/left' }]),
  );
  const hole = (key: string) =>
    partOf(solved, key).machining.flatMap((each) =>
      each.kind === 'holes' && each.by.kind === 'grommets'
        ? [
            {
              at: toCabinet(partOf(solved, key).placement, each.positions[0]?.value ?? 0, each.offset.value, 0),
              through: each.depth === undefined,
              diameter: each.diameter.value,
            },
          ]
        : [],
    );
  const [back] = hole('back');
  assert.deepEqual([back?.at[0], back?.at[2], back?.through, back?.diameter], [200, 300, true, 60]);
  const [bottom] = hole('bottom');
  assert.deepEqual([bottom?.at[0], bottom?.at[1]], [150, 90]);
  const [side] = hole('side/left');
  const { min, max } = partOf(solved, 'side/left').extent;
  assert.ok(Math.abs((side?.at[1] ?? 0) - (min[1] + max[1]) / 2) < 1e-6, 'in the middle where nothing is said');
  assert.deepEqual(throughHoles(solved, 'back', 30), [[200, 300, 200, 300]]);
  assert.equal(solved.fittings.find(({ name }) => name === 'Grommet: cable grommet 60')?.quantity, 3);
});

test('over the edge, in a part that is gone, too thick for its sleeve: it is said, and not bored where it cannot be', () => {
  const rules = (list: readonly Partial<Grommet>[]) => {
    const solved = first(withThese(list));
    return {
      rules: check(solved)
        .map(({ rule }) => rule)
        .filter((rule) => rule.startsWith('grommets/')),
      bored: solved.parts.flatMap(({ machining }) => machining.filter(({ by }) => by.kind === 'grommets')).length,
    };
  };
  assert.deepEqual(rules([{ left: 20 }]), { rules: ['grommets/off-the-part'], bored: 0 });
  assert.deepEqual(rules([{ part: 'side/middle' }]), { rules: ['grommets/gone'], bored: 0 });
  assert.deepEqual(rules([{ profile: 'nobody-makes-it' }]), { rules: ['grommets/gone'], bored: 0 });
  assert.deepEqual(rules([{}]), { rules: [], bored: 1 });
});

test('the panel of a part puts one in and takes it out: the document says so in words and forgets an empty list', () => {
  const job = jobWith({ width: 800 });
  const panel = (of: Job) => {
    const solved = first(of);
    const panels = grommets.panels?.(
      solved.fitted.grommets,
      { key: 'back', front: undefined, opening: undefined },
      solved as never,
    );
    assert.equal(panels?.length, 1);
    return panels?.[0];
  };
  const [cabinet] = job.cabinets as [Cabinet];
  const put = panel(job)?.acts?.[0]?.act(countedIds());
  assert.ok(put);
  const after = withEdits(job, actOf(cabinet, put).edits);
  assert.ok(readJob(after).ok);
  assert.equal(first(after).fitted.grommets.length, 1);
  assert.deepEqual(
    panel(after)?.fields?.map(({ label }) => label),
    ['From the left face of the box', 'Above the underside of the box'],
  );
  const [field] = panel(after)?.fields ?? [];
  assert.ok(field);
  const moved = withEdits(after, [{ path: pathOf(cabinet, field.path), value: 123 }]);
  const [edit] = editsBetween(after, moved);
  assert.ok(edit);
  assert.deepEqual(saidOf(edit, after, moved), {
    what: 'Cabinet 1, cable grommet g1, from the left face of the box',
    value: '123 mm',
  });
  const out = panel(moved)?.acts?.[1]?.act(countedIds());
  assert.ok(out);
  assert.deepEqual(withEdits(moved, actOf(cabinet, out).edits), job);
  assert.deepEqual(withEdits(after, editsBetween(after, job)), job);
  assert.equal(
    grommets.panels?.([], { key: 'door/o2/left', front: undefined, opening: undefined }, first(job) as never).length,
    0,
  );
});

test('what is wrong about one is said in words, and text lengths are read', () => {
  const job = jobWith({});
  const [cabinet] = job.cabinets;
  const said = (list: unknown) => {
    const read = readJob({ ...job, cabinets: [{ ...cabinet, grommets: list }] });
    return read.ok ? [] : read.errors.map(({ where, message }) => `${where}: ${message}`);
  };
  assert.deepEqual(said([{ id: 'g1', part: 'back', profile: 'x', left: 9999 }]), [
    'cabinet 1, cable grommet g1, left: This should be at most 6000 mm.',
  ]);
  assert.deepEqual(said([{ id: 'g1', part: 'back', profile: 'x', hole: 3 }]), [
    'cabinet 1, cable grommet g1, hole: "hole" is not a field Alcove knows here.',
  ]);
  assert.equal(String(pathFromText('cabinets/c1/grommets')), 'cabinets/c1/grommets');
});

test('a job from before grommets has none, and is as it was', () => {
  const job = jobWith({});
  const old = JSON.parse(JSON.stringify(job)) as Record<string, unknown>;
  old.version = 16;
  delete (old.hardware as Record<string, unknown>).grommets;
  delete ((old.house as { all: Record<string, unknown> }).all as Record<string, unknown>).grommets;
  const read = readJob(old);
  assert.ok(read.ok, JSON.stringify(read));
  assert.deepEqual(read.value.cabinets, job.cabinets);
  assert.deepEqual(solve(read.value).cabinets[0]?.fitted.grommets, []);
});
