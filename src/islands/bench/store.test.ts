import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { jobWith } from '../../../tests/support/cabinets.js';
import { decide } from '../../../tests/support/edit.js';
import { withEdits } from '../../core/commands/index.js';
import { countedIds, newCabinet } from '../../core/decisions/index.js';
import { checkJob, foundIn, newJob } from '../../core/solve/index.js';
import { numberOn } from './numbers.js';
import { benchCabinet, besideOf, createBenchStore } from './store.js';

function bench() {
  const job = newJob('Bench', 'metric');
  const ids = countedIds();
  job.cabinets.push(newCabinet(job, 'base', ids));
  job.cabinets.push(newCabinet(job, 'wall', ids));
  return createBenchStore(job, 'c1');
}
const width = (mm: number) => ({ label: 'Width', edits: [decide('cabinets/c1/size/width', mm)] });

test('an act changes the job, re-solves the cabinet, and can be undone and redone', () => {
  const store = bench();
  const before = store.getState().job;
  assert.deepEqual(store.getState().act(width(640)), { ok: true });
  assert.equal(benchCabinet(store.getState())?.box.insideWidth.value, 604);
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
    const outcome = store.getState().act({ label: 'x', edits: [decide(path, value)] });
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
      decide('cabinets/c1/face/parts/o2/pin', 500),
      decide('cabinets/c1/face/parts/o1/size', { rule: 'share', weight: 1 }),
    ],
  });
  assert.deepEqual(store.getState().act({ label: 'h', edits: [decide('cabinets/c1/size/height/mm', 400)] }), {
    ok: true,
  });
  assert.ok(checkJob(store.getState().solved).some((finding) => finding.rule === 'sizes/stack-does-not-close'));
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
  store.getState().act({ label: 'gone', edits: [decide('cabinets/c1', undefined)] });
  assert.equal(store.getState().cabinetId, 'c2');
  store.getState().act({ label: 'gone', edits: [decide('cabinets/c2', undefined)] });
  assert.equal(store.getState().cabinetId, null);
  store.getState().undo();
  assert.equal(store.getState().cabinetId, 'c2');
});

test('what another window decided comes under this one: its own steps can be undone, and only those', () => {
  const store = bench();
  store.getState().act(width(640));
  store.getState().act({ label: 'name', edits: [decide('cabinets/c1/name', 'Mine')] });
  const foreign = [decide('cabinets/c2/size/width', 555), decide('cabinets/c1/name', 'Theirs')];
  store.getState().rebase(withEdits(store.getState().job, foreign), foreign);
  assert.match(store.getState().lastAct ?? '', /From another window: Cabinet 2, width 555 mm and 1 more/);
  // The name was decided there since: undoing it here would take that back.
  assert.deepEqual(
    store.getState().past.map(({ label }) => label),
    ['Width'],
  );
  store.getState().undo();
  const [first, second] = store.getState().job.cabinets;
  assert.equal(first?.size.width, bench().getState().job.cabinets[0]?.size.width);
  assert.deepEqual([first?.name, second?.size.width], ['Theirs', 555]);
  store.getState().redo();
  assert.deepEqual([store.getState().job.cabinets[0]?.size.width, second?.size.width], [640, 555]);
});

test('a step whose cabinet another window took away is let go, and said so', () => {
  const store = bench();
  store.getState().act(width(640));
  const gone = [decide('cabinets/c1', undefined)];
  store.getState().rebase(withEdits(store.getState().job, gone), []);
  store.getState().undo();
  assert.match(store.getState().lastAct ?? '', /what it was about is gone/);
  assert.equal(store.getState().past.length, 0);
});

test('the part that is selected and the tape survive an edit, and go with the cabinet', () => {
  const store = createBenchStore(jobWith({}), null);
  store.getState().select('side/left');
  store.getState().openTape('box/insideWidth');
  store.getState().act(width(640));
  assert.equal(store.getState().selected, 'side/left');
  const solved = benchCabinet(store.getState());
  assert.equal(solved && numberOn(solved, store.getState(), store.getState().tape?.of ?? '')?.value, 604);
  store.getState().showCabinet('c1');
  assert.deepEqual([store.getState().selected, store.getState().tape], [null, null]);
});

const beside = (id: string, leftNeighbour: string | null) => ({
  label: 'beside',
  edits: [decide(`cabinets/${id}/leftNeighbour`, leftNeighbour)],
});

test('a neighbour is told, found at both ends, and refused where it cannot be', () => {
  const job = newJob('Row', 'metric');
  const ids = countedIds();
  for (const _ of [1, 2, 3]) job.cabinets.push(newCabinet(job, 'base', ids));
  const store = createBenchStore(job, 'c1');
  assert.deepEqual(store.getState().act(beside('c2', 'c1')), { ok: true });
  const { job: now, solved } = store.getState();
  assert.equal(besideOf(now, solved, 'c1').right?.cabinet.id, 'c2');
  assert.equal(besideOf(now, solved, 'c2').left?.cabinet.id, 'c1');
  assert.deepEqual(besideOf(now, solved, 'c3'), { left: undefined, right: undefined });
  const refused = (id: string, left: string) => {
    const outcome = store.getState().act(beside(id, left));
    assert.ok(!outcome.ok);
    assert.equal(store.getState().job, now, 'nothing changed');
    return outcome.message;
  };
  assert.match(refused('c3', 'c1'), /Cabinet 2 already stands to the right of 1\.$/);
  assert.match(refused('c1', 'c2'), /stand beside itself/);
  assert.match(refused('c3', 'gone'), /no cabinet "gone"/);
});

test('what is found between two cabinets stands with the one it concerns, and goes when they part', () => {
  const job = newJob('Row', 'metric');
  const ids = countedIds();
  for (const _ of [1, 2]) job.cabinets.push(newCabinet(job, 'base', ids));
  const store = createBenchStore(job, 'c1');
  store.getState().act(beside('c2', 'c1'));
  store.getState().act({
    label: 'close',
    edits: [
      decide('cabinets/c1/settings/fronts/reveal/right', 0),
      decide('cabinets/c2/settings/fronts/reveal/left', 0),
    ],
  });
  const rules = (at: number) => {
    const { solved } = store.getState();
    const cabinet = solved.cabinets[at];
    assert.ok(cabinet);
    return foundIn(solved, cabinet.cabinet.id).map(({ rule }) => rule);
  };
  assert.ok(rules(0).includes('fronts/neighbours-meet'));
  assert.ok(!rules(1).includes('fronts/neighbours-meet'), 'said once');
  store.getState().act(beside('c2', null));
  assert.ok(!rules(0).includes('fronts/neighbours-meet'));
  store.getState().undo();
  assert.ok(rules(0).includes('fronts/neighbours-meet'));
});

test('an edit of one cabinet looks again only at the pairs it is in', () => {
  const job = newJob('Row', 'metric');
  const ids = countedIds();
  for (const _ of [1, 2, 3]) job.cabinets.push(newCabinet(job, 'base', ids));
  const store = createBenchStore(job, 'c1');
  store.getState().act(beside('c2', 'c1'));
  store.getState().act(beside('c3', 'c2'));
  const before = store.getState().solved.cabinets;
  store.getState().act(width(640));
  const after = store.getState().solved.cabinets;
  assert.notEqual(after[0], before[0]);
  assert.deepEqual([after[1] === before[1], after[2] === before[2]], [true, true]);
});

test('heights of shelves and hinges are kept one by one, and a wrong one is refused', () => {
  const store = createBenchStore(jobWith({}), null);
  const path = 'cabinets/c1/face/parts/o2/fill';
  const set = (what: string, value: unknown) =>
    store.getState().act({ label: what, edits: [decide(`${path}/${what}`, value)] });
  assert.ok(set('interior/shelvesAt', [{ id: 's1', mm: 300 }]).ok);
  assert.ok(set('hingesAt', [{ id: 'h2', mm: 500 }]).ok);
  assert.deepEqual(
    store.getState().solved.cabinets[0]?.fitted.hinges[0]?.places.map(({ decided }) => decided),
    [false, true],
  );
  assert.ok(!set('interior/shelvesAt', [{ id: 's1', mm: -4 }]).ok);
  assert.ok(!set('hingesAt', [{ id: 'h1', mm: 'high' }]).ok);
  store.getState().undo();
  store.getState().undo();
  assert.equal(
    store.getState().solved.cabinets[0]?.fitted.hinges[0]?.places.some(({ decided }) => decided),
    false,
  );
});
