import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { jobWith } from '../../../tests/support/cabinets.js';
import { type Job, newCabinet, newJob } from '../../core/job/index.js';
import { changeBetween } from './saving.js';
import { benchCabinet, createBenchStore } from './store.js';

function bench() {
  const job = newJob('Bench', 'metric');
  job.cabinets.push(newCabinet(job, 'base'));
  job.cabinets.push(newCabinet(job, 'wall'));
  return createBenchStore(job, 'c1');
}
const width = (mm: number) => ({ label: 'Width', edits: [{ path: 'cabinets/c1/size/width', value: mm }] });

test('an act changes the job, re-solves the cabinet, and can be undone and redone', () => {
  const store = bench();
  const before = store.getState().job;
  assert.deepEqual(store.getState().act(width(640)), { ok: true });
  assert.equal(benchCabinet(store.getState())?.box.insideWidth.mm, 604);
  assert.match(store.getState().lastAct ?? '', /Width: \d+ parts changed size/);
  store.getState().undo();
  assert.deepEqual(store.getState().job, before);
  store.getState().redo();
  assert.equal(store.getState().job.cabinets[0]?.size.width, 640);
  store.getState().undo();
  store.getState().undo();
  assert.deepEqual(store.getState().job, before, 'undoing nothing does nothing');
});

test('a new act after undo forgets what was undone', () => {
  const store = bench();
  store.getState().act(width(640));
  store.getState().undo();
  store.getState().act(width(700));
  assert.equal(store.getState().future.length, 0);
});

test('an act that says nothing new is no step', () => {
  const store = bench();
  assert.deepEqual(store.getState().act(width(800)), { ok: true });
  assert.equal(store.getState().past.length, 0);
});

test('a size out of bounds, an unknown material or an over-full face is refused with a sentence and changes nothing', () => {
  const store = bench();
  const before = store.getState().job;
  const refused = (path: string, value: unknown) => {
    const outcome = store.getState().act({ label: 'x', edits: [{ path, value }] });
    assert.ok(!outcome.ok);
    assert.equal(store.getState().job, before);
    return outcome.message;
  };
  assert.match(refused('cabinets/c1/size/width', 9000), /at most 6000 mm/);
  assert.match(refused('cabinets/c1/size/width', 'wide'), /number/);
  assert.match(refused('cabinets/c1/face/parts/o1/pin', 900), /need .* more than there is/);
  assert.match(refused('materials', []), /at least 1/);
  assert.match(refused('name', ''), /at least 1/);
  assert.equal(benchCabinet(store.getState())?.face.ok, true, 'the solver still holds what is on the bench');
});

test('a smaller box that no longer fits its pins is let through, and the finding says so', () => {
  const store = bench();
  store.getState().act({
    label: 'pin',
    edits: [
      { path: 'cabinets/c1/face/parts/o2/pin', value: 500 },
      { path: 'cabinets/c1/face/parts/o1/size', value: { rule: 'share', weight: 1 } },
    ],
  });
  assert.deepEqual(store.getState().act({ label: 'h', edits: [{ path: 'cabinets/c1/size/height/mm', value: 400 }] }), {
    ok: true,
  });
  assert.ok(store.getState().solved.findings.some((finding) => finding.rule === 'sizes/stack-does-not-close'));
});

test('any run of acts and undos leaves the job where undoing all of it began', () => {
  const acts = fc.array(
    fc.oneof(fc.integer({ min: 300, max: 1200 }), fc.constant('undo' as const), fc.constant('redo' as const)),
    { maxLength: 30 },
  );
  fc.assert(
    fc.property(acts, (steps) => {
      const store = bench();
      const begun = store.getState().job;
      for (const step of steps) {
        if (step === 'undo') store.getState().undo();
        else if (step === 'redo') store.getState().redo();
        else store.getState().act(width(step));
      }
      while (store.getState().past.length > 0) store.getState().undo();
      assert.deepEqual(store.getState().job, begun);
    }),
    { numRuns: 40 },
  );
});

test('removing the cabinet on the bench puts another one there', () => {
  const store = bench();
  store.getState().act({ label: 'gone', edits: [{ path: 'cabinets/c1', value: undefined }] });
  assert.equal(store.getState().cabinetId, 'c2');
  store.getState().act({ label: 'gone', edits: [{ path: 'cabinets/c2', value: undefined }] });
  assert.equal(store.getState().cabinetId, null);
  store.getState().undo();
  assert.equal(store.getState().cabinetId, 'c2');
});

test('a save carries only what changed, and applying it gives the same job', () => {
  const store = bench();
  const first = store.getState().job;
  assert.equal(changeBetween(first, first, 1, 'nothing'), null);
  store.getState().act(width(640));
  const one = changeBetween(first, store.getState().job, 4, 'width');
  assert.deepEqual(
    [one?.version, one?.cabinets?.map((cabinet) => cabinet.id), one?.head, one?.order],
    [4, ['c1'], undefined, undefined],
  );
  store.getState().act({ label: 'name', edits: [{ path: 'name', value: 'Other' }] });
  assert.equal(changeBetween(first, store.getState().job, 4, 'x')?.head?.name, 'Other');
  store.getState().act({ label: 'gone', edits: [{ path: 'cabinets/c2', value: undefined }] });
  const third = changeBetween(first, store.getState().job, 4, 'x');
  assert.deepEqual([third?.removed, third?.order], [['c2'], ['c1']]);
  const moved: Job = { ...first, cabinets: [...first.cabinets].reverse() };
  assert.deepEqual(changeBetween(first, moved, 1, 'order')?.order, ['c2', 'c1']);
});

test('the part that is selected and the tape survive an edit, and go with the cabinet', () => {
  const store = createBenchStore(jobWith({}), null);
  store.getState().select('side/left');
  store.getState().openTape((solved) => solved.box.insideWidth);
  store.getState().act(width(640));
  assert.equal(store.getState().selected, 'side/left');
  const solved = benchCabinet(store.getState());
  assert.equal(solved && store.getState().tape?.find(solved)?.mm, 604);
  store.getState().showCabinet('c1');
  assert.deepEqual([store.getState().selected, store.getState().tape], [null, null]);
});
