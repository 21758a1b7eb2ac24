import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { buildableDecisions, jobWith, wildDecisions } from '../../../tests/support/cabinets.js';
import { type Cabinet, headOf, type Job } from '../decisions/index.js';
import { presentJob } from '../present/index.js';
import { applyEdits } from './document.js';
import { check, checkJob, createSolver, fixesFor, type SolvedCabinet, Sorts, solve, solveCabinet } from './index.js';

/** A job with the same cabinet three times over, under numbers and names of their own, and one that is decided otherwise. */
function repeated(job: Job): Job {
  const [first] = job.cabinets as [Cabinet];
  const twins = ['a', 'b'].map((id, at) => ({
    ...structuredClone(first),
    id,
    number: `${at + 7}`,
    name: `Twin ${id}`,
  }));
  const other = {
    ...structuredClone(first),
    id: 'z',
    number: '9',
    size: { ...first.size, width: first.size.width + 61 },
  };
  return { ...job, cabinets: [first, ...twins, other] };
}

test('what a rule did not say of one cabinet it does not say of one decided alike: each comes to what it comes to alone', () => {
  let found = 0;
  fc.assert(
    fc.property(fc.oneof(buildableDecisions, wildDecisions), (decisions) => {
      const job = repeated(jobWith(decisions));
      const together = solve(job);
      for (const [at, cabinet] of job.cabinets.entries()) {
        const alone = check(solveCabinet(job, cabinet));
        assert.deepEqual(check(together.cabinets[at] as SolvedCabinet), alone);
        found += alone.length;
      }
    }),
    { numRuns: 50 },
  );
  assert.ok(found > 200, `${found} findings`);
});

test('a change of the job is heard by every cabinet, however alike they are', () => {
  const solver = createSolver();
  const job = repeated(jobWith({ height: 870, depth: 560, settings: { toe: { kind: 'none' } } }));
  assert.ok(solver(job).cabinets.every((each) => check(each).every(({ severity }) => severity !== 'stop')));
  const low = { ...job, room: { ...job.room, ceiling: 1000 } };
  const after = solver(low);
  for (const each of after.cabinets) {
    const [findings, { cabinet }] = [check(each), each];
    assert.ok(
      findings.some(({ severity }) => severity === 'stop'),
      cabinet.id,
    );
    assert.ok(findings.every(({ cabinetId, id }) => cabinetId === cabinet.id && id.startsWith(`${cabinet.id}/`)));
  }
});

/** All that a result says of one cabinet, each number with its whole arithmetic in the place of its id. */
function saidOf(job: Job, id: string): unknown {
  const told = presentJob(solve(job), { tape: true, fixes: true }) as unknown as {
    readonly cabinets: readonly { readonly id: string }[];
    readonly findings: readonly { readonly cabinetId: string }[];
    readonly derivations: Readonly<Record<string, { readonly terms?: readonly string[] }>>;
  };
  const written = new Map<string, unknown>();
  const number = (tape: string): unknown => {
    const known = written.get(tape);
    if (known !== undefined) return known;
    const { terms = [], ...entry } = told.derivations[tape] ?? {};
    const made = { ...entry, terms: terms.map(number) };
    written.set(tape, made);
    return made;
  };
  const opened = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(opened);
    if (typeof value !== 'object' || value === null) return value;
    return Object.fromEntries(
      Object.entries(value).map(([key, entry]) => [key, key === 'tape' ? number(entry as string) : opened(entry)]),
    );
  };
  return opened([
    told.cabinets.filter((each) => each.id === id),
    told.findings.filter(({ cabinetId }) => cabinetId === id),
  ]);
}

test('all that a result says of a cabinet among others like it is what it says of it alone, under its own name', () => {
  let own = 0;
  for (const [width, settings] of [
    [600, {}],
    [2600, { ends: { left: 'exposed' as const } }],
    [900, { school: 'faceFrame' as const, fronts: { gap: 4 } }],
    [800, { toe: { height: 90 }, ends: { right: 'wall' as const } }],
  ] as const) {
    const job = repeated(jobWith({ width, settings }));
    const { cabinets } = solve(job);
    assert.equal(cabinets[0]?.parts, cabinets[1]?.parts, 'they were figured twice');
    assert.notEqual(cabinets[0]?.parts, cabinets[3]?.parts, 'another one is not the same');
    for (const cabinet of job.cabinets) {
      const alone = saidOf({ ...job, cabinets: [cabinet] }, cabinet.id);
      assert.deepEqual(saidOf(job, cabinet.id), alone);
      const text = JSON.stringify(alone);
      assert.doesNotMatch(text, /~\/|this cabinet/, 'a path was left without its cabinet');
      for (const other of job.cabinets)
        if (other !== cabinet) assert.ok(!text.includes(`cabinets/${other.id}/`), `${other.id} in ${cabinet.id}`);
      own += text.split(`cabinets/${cabinet.id}/`).length - 1;
    }
  }
  assert.ok(own > 1000, `only ${own} paths of their own`);
});

test('what settles a finding of one of several alike changes that one and leaves the others as they are', () => {
  let settled = 0;
  fc.assert(
    fc.property(buildableDecisions, (decisions) => {
      const job = repeated(jobWith(decisions));
      const solved = solve(job);
      for (const finding of checkJob(solved).filter(({ cabinetId }) => cabinetId === 'b'))
        for (const fix of fixesFor(solved, finding.id)) {
          const after = structuredClone(job);
          applyEdits(after, fix.edits);
          const changed = after.cabinets.filter(
            (cabinet, at) => JSON.stringify(cabinet) !== JSON.stringify(job.cabinets[at]),
          );
          const head = JSON.stringify(headOf(after)) !== JSON.stringify(headOf(job));
          assert.deepEqual(
            changed.map(({ id }) => id),
            head ? [] : ['b'],
            fix.label,
          );
          settled += 1;
        }
    }),
    { numRuns: 30 },
  );
  assert.ok(settled >= 10, `${settled} fixes`);
});

test('an edit of one of several alike leaves the others what they were; decided alike again it is one with them again', () => {
  const solver = createSolver();
  const job = repeated(jobWith({ width: 700 }));
  const before = solver(job);
  const [first, second, third, other] = job.cabinets as [Cabinet, Cabinet, Cabinet, Cabinet];
  const wide = { ...second, size: { ...second.size, width: 760 } };
  const after = solver({ ...job, cabinets: [first, wide, third, other] });
  assert.equal(after.cabinets[0], before.cabinets[0]);
  assert.equal(after.cabinets[2], before.cabinets[2]);
  assert.deepEqual(check(after.cabinets[1] as SolvedCabinet), check(solveCabinet(job, wide)));
  const back = solver({ ...job, cabinets: [first, { ...wide, size: second.size }, third, other] });
  assert.equal(back.cabinets[1]?.parts, before.cabinets[0]?.parts);
  assert.deepEqual(
    back.cabinets.map(({ rows }) => rows[0]?.mark),
    before.cabinets.map(({ rows }) => rows[0]?.mark),
  );
  assert.ok(new Set(before.cabinets.map(({ rows }) => rows[0]?.mark)).size === 4, 'marks carry the number');
});

test('cabinets asked for one by one come to what they come to in the job, however many sorts there are', () => {
  const job = jobWith({ width: 500 });
  const [first] = job.cabinets as [Cabinet];
  const sorts = new Sorts(headOf(job));
  const many = Array.from({ length: 130 }, (_, at) => ({
    ...first,
    id: `c${at}`,
    number: `${at}`,
    size: { ...first.size, width: 500 + (at % 50) * 7 },
  }));
  const shared = new Set<unknown>();
  for (const cabinet of [...many, ...many.slice(-60)]) {
    const solved = sorts.solve(cabinet);
    shared.add(solved.parts);
    assert.equal(solved.cabinet, cabinet);
    assert.deepEqual(sorts.check(cabinet), check(solveCabinet(job, cabinet)));
  }
  assert.ok(shared.size >= 50 && shared.size < 190, `${shared.size} were solved`);
});
