import assert from 'node:assert/strict';
import { test } from 'node:test';
import { buildable } from '../../../../tests/generator/buildable.js';
import { jobWith, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import { overlap, shapeOf, toCabinet } from '../../part/index.js';
import { check, readJob, type SolvedCabinet, solve } from '../../solve/index.js';

const share = { rule: 'share' as const, weight: 1 };
const DAMPED = { dampers: { doors: 'corran-damper-slim' } };
const pair = [{ id: 'o1', size: share, fill: { kind: 'pair' } }];

/** Where the screws of dampers lie in the cabinet. */
const screws = (solved: SolvedCabinet) =>
  solved.parts.flatMap((part) =>
    part.machining.flatMap((each) =>
      each.kind === 'holes' && each.by.kind === 'dampers'
        ? each.positions.map(({ value }) =>
            each.from.startsWith('u')
              ? toCabinet(part.placement, each.offset.value, value, each.face === 1 ? 0 : part.thickness.value)
              : toCabinet(part.placement, value, each.offset.value, each.face === 1 ? 0 : part.thickness.value),
          )
        : [],
    ),
  );

test('each door of a pair has its damper over it, as far from the meeting edge as is decided, in what lies over both', () => {
  const solved = solveWith({ width: 800, settings: DAMPED, parts: pair });
  const left = partOf(solved, 'door/o1/left');
  const found = screws(solved);
  assert.equal(found.length, 4);
  assert.deepEqual([...new Set(found.map(([x]) => +x.toFixed(3)))].length, 2);
  assert.ok(found.some(([x]) => Math.abs(x - (left.extent.max[0] - 40)) < 0.001));
  assert.ok(found.every(([, , z]) => Math.abs(z - solved.box.topUnderside.value) < 0.001));
  assert.deepEqual(
    [...new Set(found.map(([, y]) => +y.toFixed(3)))].sort((a, b) => a - b),
    [12, 44],
  );
  assert.equal(solved.fittings.find(({ name }) => name.startsWith('Damper'))?.quantity, 2);
});

test('with nothing over the doors none is bored or bought, and it is said', () => {
  const solved = solveWith({ settings: { ...DAMPED, top: { kind: 'none' } }, parts: pair });
  assert.deepEqual(screws(solved), []);
  assert.equal(solved.findings.filter(({ rule }) => rule === 'dampers/nothing-carries').length, 2);
  assert.ok(!solved.fittings.some(({ name }) => name.startsWith('Damper')));
});

test('damped hinges need none, and a heavy door wants a stronger one', () => {
  const damped = solveWith({ settings: { ...DAMPED, hinges: { closing: 'damped' } }, parts: pair });
  assert.ok(
    damped.findings.some(({ rule, what }) => rule === 'dampers/hinge-does-it' && /damped themselves/.test(what)),
  );
  const heavy = solveWith({
    width: 600,
    height: 2000,
    settings: { ...DAMPED, hinges: { closing: 'snap' } },
    parts: [{ id: 'o1', size: share, fill: { kind: 'door', hinged: 'right' } }],
  });
  assert.ok(heavy.findings.some(({ rule }) => rule === 'dampers/too-heavy'));
});

test('over all that shops build a damper stands in no part, meets no catch, and keeps its distance from the latch', () => {
  let placed = 0;
  let moved = 0;
  let refused = 0;
  for (let seed = 0; seed < 120; seed += 1) {
    const { decisions } = buildable(seed);
    const settings = { ...decisions.settings, ...DAMPED, catches: { doors: 'corran-magnet-4' } };
    const [solved] = solve(jobWith({ ...decisions, settings })).cabinets;
    assert.ok(solved);
    for (const { frontKey, extent, carrier, fromLatch } of solved.fitted.dampers) {
      if (!extent) {
        refused += 1;
        assert.ok(
          check(solved).some(
            ({ rule, parts }) =>
              ['dampers/nothing-carries', 'dampers/no-room'].includes(rule) && parts.includes(frontKey),
          ),
          `${seed} ${frontKey} is told`,
        );
        continue;
      }
      placed += 1;
      if (Math.abs(fromLatch.value - 40) > 3) moved += 1;
      const front = solved.fronts.find(({ key }) => key === frontKey);
      assert.ok(front?.hinged);
      const middle = (extent.min[0] + extent.max[0]) / 2;
      const latch = front.hinged === 'left' ? front.extent.max[0] - middle : middle - front.extent.min[0];
      assert.ok(latch > 24.9 && latch < 50.1, `${seed} ${frontKey}: ${latch}`);
      const shrunk = { min: extent.min.map((at) => at + 0.05), max: extent.max.map((at) => at - 0.05) };
      const body = shrunk as unknown as typeof extent;
      for (const part of solved.parts)
        if (part.key !== carrier && overlap(body, shapeOf(part).blank) && part.role !== 'shelf')
          assert.fail(`${seed}: the damper of ${frontKey} stands in ${part.key}`);
      for (const { extent: other } of solved.fitted.catches)
        assert.ok(!other || !overlap(body, other), `${seed} catch`);
    }
  }
  assert.ok(placed > 60 && moved > 0 && refused > 0, `${placed} placed, ${moved} moved, ${refused} refused`);
});

test('a job from before dampers gets their catalogue and fits none', () => {
  const job = jobWith({});
  const old = JSON.parse(JSON.stringify(job)) as Record<string, unknown>;
  old.version = 15;
  delete (old.hardware as Record<string, unknown>).dampers;
  delete ((old.house as { all: Record<string, unknown> }).all as Record<string, unknown>).dampers;
  const read = readJob(old);
  assert.ok(read.ok, JSON.stringify(read));
  assert.deepEqual(solve(read.value).cabinets[0]?.fitted.dampers, []);
  assert.equal(read.value.hardware.dampers?.length, 2);
});
