import assert from 'node:assert/strict';
import { test } from 'node:test';
import { decide } from '../../../tests/support/edit.js';
import { type Job, type JobChange, newCabinet, newJob, withChange } from '../../core/document/index.js';
import { countedIds } from '../../core/job/index.js';
import { type SaveAnswer, Saver, type SaverWorld, type SaveState } from './saver.js';
import { createBenchStore } from './store.js';
import type { Unsent } from './unsent.js';

/** A server that knows saves by their ids, and fails as it is told to; and a browser's shelf. */
class World implements SaverWorld {
  version = 1;
  readonly known = new Map<string, number>();
  readonly sent: JobChange[] = [];
  shelf: Unsent | undefined;
  /** How the next sends fail: before they arrive, or after they were carried out. */
  readonly failures: ('away' | 'lost' | 'busy' | 'refused')[] = [];

  constructor(public job: Job) {}

  async send(change: JobChange): Promise<SaveAnswer> {
    this.sent.push(structuredClone(change));
    const failure = this.failures.shift();
    if (failure === 'away') throw new Error('no answer');
    if (failure === 'busy') return { kind: 'later', message: 'the database is held' };
    if (failure === 'refused') return { kind: 'refused', message: 'no' };
    const before = this.known.get(change.id);
    if (before !== undefined) return { kind: 'saved', version: before };
    if (change.version !== this.version) return { kind: 'stale', theirs: this.job, version: this.version };
    this.job = withChange(this.job, change);
    this.version += 1;
    this.known.set(change.id, this.version);
    if (failure === 'lost') throw new Error('the answer was lost');
    return { kind: 'saved', version: this.version };
  }
  async keep(unsent: Unsent | undefined): Promise<void> {
    this.shelf = structuredClone(unsent);
  }
  async hold(): Promise<void> {}
  async leftOver() {
    const unsent = this.shelf;
    return unsent ? [{ unsent, own: true, done: () => this.keep(undefined) }] : [];
  }
  async load() {
    return { version: this.version, document: structuredClone(this.job) };
  }
}

function setUp(world?: World) {
  const job = newJob('Bench', 'metric');
  job.cabinets.push(newCabinet(job, 'base', countedIds()));
  const own = world ?? new World(structuredClone(job));
  const store = createBenchStore(structuredClone(own.job), 'c1');
  const saver = new Saver(store, own.version, own);
  const states: SaveState['kind'][] = [];
  const stop = saver.start(({ kind }) => void states.push(kind));
  const width = (mm: number) => store.getState().act({ label: 'Width', edits: [decide('cabinets/c1/size/width', mm)] });
  return { world: own, store, saver, states, stop, width };
}
const widthOf = (job: Job) => job.cabinets[0]?.size.width;
const settle = () => new Promise((done) => setTimeout(done, 5));

test('what was changed is saved, and nothing is left on the shelf', async () => {
  const { world, saver, width, stop } = setUp();
  await settle();
  width(640);
  assert.ok(saver.unsaved && world.shelf, 'it is kept before it is sent');
  await saver.flush();
  assert.equal(widthOf(world.job), 640);
  assert.equal(saver.unsaved, false);
  await settle();
  assert.equal(world.shelf, undefined);
  stop();
});

test('a lost answer is recognised when the same save comes again, and is no conflict', async () => {
  const { world, saver, width, states, stop } = setUp();
  world.failures.push('lost');
  width(640);
  await saver.flush();
  assert.equal(states.at(-1), 'kept');
  width(700);
  await saver.flush();
  assert.equal(widthOf(world.job), 700);
  assert.deepEqual(
    world.sent.map(({ id }) => id === world.sent[0]?.id),
    [true, true, false],
    'the first again as it was, then what came after it',
  );
  assert.ok(!states.includes('stale'));
  stop();
});

test('a server that is away, or cannot save now, is asked again; what is refused is not', async () => {
  const { world, saver, width, states, stop } = setUp();
  world.failures.push('away', 'busy');
  width(640);
  await saver.flush();
  await saver.flush();
  assert.equal(states.at(-1), 'kept');
  await saver.flush();
  assert.equal(widthOf(world.job), 640);
  world.failures.push('refused');
  width(650);
  await saver.flush();
  assert.equal(states.at(-1), 'failed');
  width(660);
  await saver.flush();
  assert.equal(widthOf(world.job), 660, 'the next change takes it along');
  stop();
});

test('a crash at any point loses nothing: what lay on the shelf is sent by the next window', async () => {
  for (const failure of ['away', 'lost', 'busy'] as const) {
    const first = setUp();
    first.world.failures.push(failure);
    first.width(640);
    await first.saver.flush();
    first.width(700);
    await settle();
    // The tab is gone; its shelf and the server stay.
    first.stop();
    const second = setUp(first.world);
    await settle();
    await settle();
    assert.equal(widthOf(first.world.job), 700, failure);
    assert.equal(widthOf(second.store.getState().job), 700, `${failure}: it is on the bench again`);
    assert.ok(!second.states.includes('stale'), failure);
    await settle();
    assert.equal(first.world.shelf, undefined, failure);
    second.stop();
  }
});

test('what was left over stays on the shelf, before what is typed now, while the server is still away', async () => {
  const first = setUp();
  await settle();
  first.world.failures.push('away');
  first.width(640);
  await first.saver.flush();
  first.stop();
  first.world.failures.push('away');
  const second = setUp(first.world);
  await settle();
  second.width(700);
  await settle();
  assert.equal(first.world.shelf?.changes.length, 2);
  await new Promise((done) => setTimeout(done, 1200));
  await second.saver.flush();
  assert.equal(widthOf(first.world.job), 700);
  second.stop();
});

test('where another window saved meanwhile, what was left over is on the bench and nothing is overwritten', async () => {
  const first = setUp();
  first.world.failures.push('away');
  first.width(640);
  await first.saver.flush();
  first.stop();
  const other = setUp(first.world);
  // The other window has seen nothing of it.
  first.world.version += 1;
  first.world.job = { ...first.world.job, name: 'Renamed elsewhere' };
  other.stop();
  const third = setUp(first.world);
  await settle();
  await settle();
  assert.equal(third.states.at(-1), 'stale');
  assert.equal(widthOf(third.store.getState().job), 640);
  assert.equal(third.store.getState().job.name, 'Renamed elsewhere');
  assert.equal(first.world.job.name, 'Renamed elsewhere');
  third.stop();
});

test('a shelf that keeps nothing is said, and saving goes on', async () => {
  const { world, saver, width, states, stop } = setUp();
  world.keep = () => Promise.reject(new Error('no shelf'));
  width(640);
  await saver.flush();
  assert.equal(widthOf(world.job), 640);
  assert.equal(states.at(-1), 'saved');
  stop();
});
