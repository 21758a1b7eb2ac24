import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as z from 'zod/mini';
import { buildable } from '../../../../tests/generator/buildable.js';
import { Random } from '../../../../tests/generator/random.js';
import { jobWith } from '../../../../tests/support/cabinets.js';
import { decide } from '../../../../tests/support/edit.js';
import { editSchema, type Job, pathTo } from '../../decisions/index.js';
import { readJob } from '../../solve/index.js';
import { conflictsBetween, editsBetween, merge, saidOf, touch, withEdits } from './index.js';

/** A job of five cabinets in a row. */
function jobOf(seed: number): Job {
  const jobs = [0, 1, 2, 3, 4].map((at) => jobWith(buildable(seed * 5 + at).decisions));
  const [first] = jobs as [Job];
  return {
    ...first,
    cabinets: jobs.flatMap(({ cabinets }, at) =>
      cabinets.map((cabinet) => ({
        ...cabinet,
        id: `c${at}`,
        number: String(at + 1),
        leftNeighbour: at > 0 && at < 3 ? `c${at - 1}` : null,
      })),
    ),
  };
}

let made = 0;
const fresh = (word: string) => {
  made += 1;
  return `${word}-${made}`;
};

/** Changes a copy of a job the way a maker might, without a word of edits. */
function changed(job: Job, random: Random, times: number): Job {
  const copy = structuredClone(job);
  const donors = jobOf(random.whole(200, 400)).cabinets;
  const any = () => copy.cabinets[random.whole(0, copy.cabinets.length - 1)] as (typeof copy.cabinets)[number];
  const acts: (() => void)[] = [
    () => {
      any().size.width = random.whole(300, 900);
    },
    () => {
      any().name = fresh('name');
    },
    () => {
      any().settings = { ...any().settings, fronts: { gap: random.whole(1, 4) } };
    },
    () => {
      any().settings = {};
    },
    () => {
      any().face = (random.pick(donors) as (typeof donors)[number]).face;
    },
    () => {
      any().settings = (random.pick(donors) as (typeof donors)[number]).settings;
    },
    () => {
      any().zones = [...(any().zones ?? []), zone()].slice(-20);
    },
    () => {
      delete any().zones;
    },
    () => {
      copy.standards.all = { fronts: { gap: random.whole(1, 4) } };
    },
    () => {
      copy.note = fresh('note');
    },
    () => {
      copy.materials.push({ ...(copy.materials[0] as (typeof copy.materials)[number]), id: fresh('m') });
    },
    () =>
      void copy.cabinets.push({
        ...(random.pick(donors) as (typeof donors)[number]),
        id: fresh('c'),
        leftNeighbour: null,
      }),
    () => {
      copy.cabinets.splice(random.whole(0, copy.cabinets.length), 0, {
        ...(random.pick(donors) as (typeof donors)[number]),
        id: fresh('c'),
        leftNeighbour: null,
      });
    },
    () => {
      const [gone] = copy.cabinets.splice(random.whole(0, copy.cabinets.length - 1), 1);
      for (const cabinet of copy.cabinets) if (cabinet.leftNeighbour === gone?.id) cabinet.leftNeighbour = null;
    },
    () => {
      const [moved] = copy.cabinets.splice(random.whole(0, copy.cabinets.length - 1), 1);
      if (moved) copy.cabinets.splice(random.whole(0, copy.cabinets.length), 0, moved);
    },
    () => {
      const [list] = Object.values(copy.hardware) as unknown as { name: string }[][];
      if (list?.[0]) list[0].name = fresh('hinge');
    },
  ];
  for (let time = 0; time < times; time += 1) if (copy.cabinets.length > 1) random.pick(acts)();
  return copy;
}

const zone = () => ({ id: fresh('z'), name: 'Pipe', left: 10, up: 10, behind: 10, width: 50, height: 50, depth: 50 });

/** Every value of a document by where it lies, entries of lists by their ids: written apart from what is tested. */
function leaves(value: unknown, at = '', into = new Map<string, string>()): Map<string, string> {
  if (Array.isArray(value) && value.length > 0 && value.every((each) => typeof each?.id === 'string'))
    for (const each of value) leaves(each, `${at}/${each.id}`, into);
  else if (typeof value === 'object' && value !== null && !Array.isArray(value))
    for (const [key, inner] of Object.entries(value)) leaves(inner, `${at}/${key}`, into);
  else if (value !== undefined) into.set(at, JSON.stringify(value));
  return into;
}

test('the edits between two jobs make one of the other, also after a journey as text', () => {
  let whole = 0;
  let count = 0;
  for (let seed = 0; seed < 100; seed += 1) {
    const random = new Random(seed);
    const before = jobOf(seed % 20);
    const after = changed(before, random, random.whole(1, 6));
    const edits = editsBetween(before, after);
    const read = z.array(editSchema).parse(JSON.parse(JSON.stringify(edits)));
    const reached = withEdits(before, read);
    assert.deepEqual(JSON.parse(JSON.stringify(reached)), JSON.parse(JSON.stringify(after)), `seed ${seed}`);
    assert.deepEqual(editsBetween(reached, after), [], `seed ${seed}: nothing is left`);
    count += edits.length;
    whole += edits.filter((edit) => 'value' in edit && edit.value && /^cabinets\/[^/]+$/.test(edit.path)).length;
  }
  assert.ok(whole < count / 10, `${whole} of ${count} edits replace a cabinet whole`);
});

test('one decision is one edit, and one moved cabinet is one move', () => {
  const job = jobOf(1);
  const wider = withEdits(job, [decide('cabinets/c2/settings/fronts/gap', 3.5)]);
  assert.deepEqual(editsBetween(job, wider), [decide('cabinets/c2/settings/fronts/gap', 3.5)]);
  const moved = withEdits(job, [{ path: pathTo.cabinet('c4'), moveBefore: 'c0' }]);
  assert.deepEqual(editsBetween(job, moved), [{ path: pathTo.cabinet('c4'), moveBefore: 'c0' }]);
});

test('what does not touch is merged: every change of both stands, and nothing else is different', () => {
  let merged = 0;
  let touched = 0;
  let refused = 0;
  for (let seed = 0; seed < 120; seed += 1) {
    const random = new Random(seed + 5000);
    const base = jobOf(seed % 20);
    const ours = changed(base, random, random.whole(1, 3));
    const theirs = changed(base, random, random.whole(1, 3));
    const result = merge(theirs, editsBetween(base, ours), editsBetween(base, theirs));
    if (!result.ok) {
      if (result.conflicts.length > 0) touched += 1;
      else refused += 1;
      continue;
    }
    merged += 1;
    assert.ok(readJob(JSON.parse(JSON.stringify(result.job))).ok, `seed ${seed}: it is a good job`);
    const [was, a, b, now] = [base, ours, theirs, result.job].map((job) => leaves(job)) as [
      Map<string, string>,
      Map<string, string>,
      Map<string, string>,
      Map<string, string>,
    ];
    for (const place of new Set([...was.keys(), ...a.keys(), ...b.keys(), ...now.keys()])) {
      const [old, mine, their] = [was, a, b].map((each) => each.get(place));
      const expected = mine === old ? their : mine;
      assert.equal(now.get(place), expected, `seed ${seed}: ${place}`);
    }
    const other = merge(ours, editsBetween(base, theirs), editsBetween(base, ours));
    assert.ok(other.ok, `seed ${seed}: it merges the other way round as well`);
  }
  assert.ok(merged > 50 && touched > 15, `${merged} merged, ${touched} touched, ${refused} refused`);
});

test('edits touch where one holds the other, where both order a list, and where one removes what the other names', () => {
  const gap = decide('cabinets/c1/settings/fronts/gap', 2);
  const other = decide('cabinets/c1/settings/fronts/gap', 3);
  const width = decide('cabinets/c1/size/width', 600);
  const gone = decide('cabinets/c1', undefined);
  const beside = decide('cabinets/c2/leftNeighbour', 'c1');
  const first = { path: pathTo.cabinet('c3'), moveBefore: 'c1' };
  const last = { path: pathTo.cabinet('c4'), moveBefore: null };
  assert.ok(touch(gap, other) && !touch(gap, width) && !touch(gap, gap));
  assert.ok(touch(gone, gap) && touch(width, gone) && touch(gone, beside) && touch(first, gone));
  assert.ok(touch(first, last) && !touch(first, gap) && !touch(last, decide('cabinets/c4/size/width', 500)));
  assert.ok(touch(decide('materials/m1', undefined), decide('cabinets/c1/settings/materials/side', 'm1')));
  assert.deepEqual(conflictsBetween([width, gap], [other]), [{ mine: gap, theirs: other }]);
});

test('two that touch nowhere and cannot stand together are told apart from a merge', () => {
  const base = jobOf(2);
  const mine = [decide('cabinets/c3/leftNeighbour', 'c2')];
  const theirs = [decide('cabinets/c4/leftNeighbour', 'c2')];
  const result = merge(withEdits(base, theirs), mine, theirs);
  assert.ok(!result.ok && result.conflicts.length === 0);
  assert.match(result.why ?? '', /already stands to the right of 3/);
});

test('an edit is said by what it decides and the value, in the words of the trade', () => {
  const job = jobOf(3);
  const said = (path: string, value: unknown) => {
    const edit = decide(path, value);
    const { what, value: to } = saidOf(edit, job, withEdits(job, [edit]));
    return `${what}: ${to}`;
  };
  assert.match(said('cabinets/c1/size/width', 612), /^Cabinet 2, width: 612 mm$/);
  assert.match(said('cabinets/c1/settings/fronts/gap', 2.5), /^Cabinet 2, .*gap.*: 2\.5 mm$/i);
  assert.match(said('cabinets/c1', undefined), /^Cabinet 2: removed$/);
  assert.match(said('cabinets/c2/leftNeighbour', 'c0'), /^Cabinet 3, stands to the right of: cabinet 1$/);
  assert.match(said('name', 'Hall'), /^Name: Hall$/);
  assert.match(said('standards/all/fronts/gap', 2), /\(this job\): 2 mm$/);
  const [opening] = job.cabinets[1]?.face.parts ?? [];
  const at = `cabinets/c1/face/parts/${opening?.id}`;
  assert.match(said(`${at}/fill/raised`, 27.5), /^Cabinet 2, opening .*, runners raised: 27\.5 mm$/);
  assert.match(said(`${at}/pin`, 140), /^Cabinet 2, opening .*, held at: 140 mm$/);
});
