import assert from 'node:assert/strict';
import { test } from 'node:test';
import { decide } from '../../../../tests/support/edit.js';
import { withEdits } from '../../../core/commands/index.js';
import { countedIds, type Edit, type Job, newCabinet } from '../../../core/decisions/index.js';
import { JOB_VERSION, newJob, readJob } from '../../../core/solve/index.js';
import { createOpenJob } from '../openJob.js';
import type { SaveAnswer, SaverWorld, SaveState, SaveStatus } from './answers.js';
import { Saver } from './saver.js';
import type { Save, Unsent } from './unsent.js';

/** A server that knows saves by their ids, and fails as it is told to; and a browser's shelf. */
class World implements SaverWorld {
  version = 1;
  epoch = 'first';
  readonly saved: Save[] = [];
  readonly known = new Map<string, number>();
  readonly sent: Save[] = [];
  shelf: Unsent | undefined;
  /** How the next sends fail: before they arrive, or after they were carried out. */
  readonly failures: ('away' | 'lost' | 'busy' | 'refused' | 'locked' | 'outdated' | 'gone')[] = [];

  constructor(public job: Job) {}

  async send(change: Save): Promise<SaveAnswer> {
    this.sent.push(structuredClone(change));
    const failure = this.failures.shift();
    if (failure === 'away') throw new Error('no answer');
    if (failure === 'busy') return { kind: 'later', message: 'the database is held' };
    if (failure === 'locked' || failure === 'outdated') return { kind: failure };
    if (failure === 'gone') return { kind: 'ended', message: 'There is no job here.' };
    if (failure === 'refused') return { kind: 'refused', message: 'no', fields: [] };
    const before = this.known.get(change.id);
    if (before !== undefined) return { kind: 'saved', version: before };
    const restored = change.epoch !== this.epoch;
    if (restored || change.version !== this.version) {
      const theirs = await this.load();
      const since = restored ? undefined : this.saved.slice(change.version - 1).flatMap(({ edits }) => edits);
      return { kind: 'stale', theirs, since, restored };
    }
    this.take(change);
    this.known.set(change.id, this.version);
    if (failure === 'lost') throw new Error('the answer was lost');
    return { kind: 'saved', version: this.version };
  }
  /** A save as it is carried out, this window's or another's. */
  take(save: Save): void {
    this.job = withEdits(this.job, save.edits);
    assert.ok(readJob(structuredClone(this.job)).ok);
    this.saved.push(save);
    this.version += 1;
  }
  other(edits: readonly Edit[]): void {
    this.take({ id: 'other', version: this.version, epoch: this.epoch, label: 'elsewhere', edits });
  }
  /** What lay on the shelf when this window began, until it was read. */
  private before: Unsent | undefined;
  private isRead = false;
  async keep(unsent: Unsent | undefined): Promise<void> {
    const saves = [...((!this.isRead && this.before?.saves) || []), ...(unsent?.saves ?? [])];
    this.shelf = unsent || saves.length > 0 ? structuredClone({ ...unsent, saves }) : undefined;
  }
  async hold(): Promise<void> {
    this.before = this.shelf;
    this.isRead = false;
    await this.held;
  }
  /** Settled once this window may have its name. */
  held: Promise<void> = Promise.resolve();
  async leftOver() {
    const unsent = this.before;
    this.isRead = true;
    return unsent ? [{ unsent, own: true, done: () => this.keep(undefined) }] : [];
  }
  async load() {
    return { version: this.version, epoch: this.epoch, document: structuredClone(this.job) };
  }
}

/** A job with one cabinet. */
function newJobOf() {
  const job = newJob('Bench', 'metric');
  job.cabinets.push(newCabinet(job, 'base', countedIds()));
  return { job };
}

function setUp(world?: World) {
  const { job } = newJobOf();
  const own = world ?? new World(structuredClone(job));
  const store = createOpenJob(structuredClone(own.job));
  const saver = new Saver(store, own, own);
  const states: SaveState['kind'][] = [];
  const told: SaveStatus[] = [];
  const stop = saver.start((now) => {
    told.push(now);
    states.push(now.state.kind);
  });
  const width = (mm: number) => store.getState().act({ label: 'Width', edits: [decide('cabinets/c1/size/width', mm)] });
  return { world: own, store, saver, states, told, stop, width };
}
const widthOf = (job: Job) => job.cabinets[0]?.size.width;
const settle = () => new Promise((done) => setTimeout(done, 5));

/** A window that is gone: its width of 640 never reached the server, and lies on the shelf. */
async function windowThatWent() {
  const first = setUp();
  await settle();
  first.world.failures.push('away');
  first.width(640);
  await first.saver.flush();
  first.stop();
  return first;
}

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
  assert.ok(!states.includes('sides'));
  stop();
});

test('a server that is away, or cannot save now, is asked again', async () => {
  const { world, saver, width, states, stop } = setUp();
  world.failures.push('away', 'busy');
  width(640);
  await saver.flush();
  await saver.flush();
  assert.equal(states.at(-1), 'kept');
  await saver.flush();
  assert.equal(widthOf(world.job), 640);
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
    assert.ok(!second.states.includes('sides'), failure);
    await settle();
    assert.equal(first.world.shelf, undefined, failure);
    second.stop();
  }
});

test('a window that goes before it has its name leaves over what was typed in it, and what was left over before', async () => {
  const first = await windowThatWent();
  first.world.held = new Promise(() => {});
  const second = setUp(first.world);
  second.store.getState().act({ label: 'Name', edits: [decide('name', 'Hall')] });
  await settle();
  second.stop();
  assert.equal(first.world.sent.length, 1, 'nothing is sent before what was left over');
  first.world.held = Promise.resolve();
  const third = setUp(first.world);
  await settle();
  await settle();
  assert.deepEqual([widthOf(first.world.job), first.world.job.name], [640, 'Hall']);
  third.stop();
});

test('what was left over stays on the shelf, before what is typed now, while the server is still away', async () => {
  const first = await windowThatWent();
  first.world.failures.push('away');
  const second = setUp(first.world);
  await settle();
  second.width(700);
  await settle();
  assert.equal(first.world.shelf?.saves.length, 2);
  await new Promise((done) => setTimeout(done, 1200));
  await second.saver.flush();
  assert.equal(widthOf(first.world.job), 700);
  second.stop();
});

test('what is refused is set aside by its name with what depends on it; the rest goes on', async () => {
  const { world, saver, store, told, width, stop } = setUp();
  await settle();
  world.failures.push('refused');
  width(650);
  await saver.flush();
  assert.equal(widthOf(store.getState().job), widthOf(newJobOf().job), 'the bench is as it was saved');
  const [step] = told.at(-1)?.refused ?? [];
  assert.deepEqual(step?.save.edits, [decide('cabinets/c1/size/width', 650)]);
  assert.equal(step?.why, 'no');
  assert.equal(world.shelf?.refused?.length, 1, 'it is kept');
  store.getState().act({ label: 'Name', edits: [decide('name', 'Hall')] });
  await saver.flush();
  assert.deepEqual([world.job.name, told.at(-1)?.state.kind], ['Hall', 'saved']);
  assert.ok(step);
  saver.settleRefused(step, true);
  await saver.flush();
  assert.equal(widthOf(world.job), 650, 'tried again, it is taken');
  assert.deepEqual(told.at(-1)?.refused, []);
  stop();
});

test('of several decisions only the ones the server finds wrong are set aside', async () => {
  const { world, saver, store, told, width, stop } = setUp();
  await settle();
  const send = world.send.bind(world);
  world.send = async (save) =>
    save.edits.some(({ path }) => path.endsWith('width'))
      ? { kind: 'refused', message: 'too wide', fields: [{ path: 'cabinets/0/size/width', message: 'too wide' }] }
      : send(save);
  width(650);
  store.getState().act({ label: 'Name', edits: [decide('name', 'Hall')] });
  await saver.flush();
  assert.equal(world.job.name, 'Hall');
  assert.deepEqual(told.at(-1)?.refused[0]?.save.edits, [decide('cabinets/c1/size/width', 650)]);
  stop();
});

test('edits of two windows that do not touch are both saved, and each has the other', async () => {
  const { world, saver, store, states, width, stop } = setUp();
  await settle();
  world.other([decide('cabinets/c1/size/depth', 444)]);
  width(640);
  await saver.flush();
  const [cabinet] = world.job.cabinets;
  assert.deepEqual([cabinet?.size.width, cabinet?.size.depth], [640, 444]);
  assert.equal(store.getState().job.cabinets[0]?.size.depth, 444);
  assert.ok(!states.includes('sides'));
  store.getState().undo();
  await saver.flush();
  assert.deepEqual([world.job.cabinets[0]?.size.depth, widthOf(world.job)], [444, widthOf(newJobOf().job)]);
  stop();
});

test('news of another window comes in at once, and what is not sent yet stays', async () => {
  const { world, saver, store, width, stop } = setUp();
  await settle();
  world.other([decide('cabinets/c1/size/depth', 444)]);
  await saver.news(world.version, world.epoch);
  assert.equal(store.getState().job.cabinets[0]?.size.depth, 444);
  assert.equal(saver.unsaved, false);
  width(640);
  world.other([decide('name', 'Elsewhere')]);
  await saver.news(world.version, world.epoch);
  assert.deepEqual([widthOf(world.job), world.job.name], [640, 'Elsewhere']);
  const before = world.saved.length;
  await saver.news(world.version, world.epoch);
  assert.equal(world.saved.length, before, 'its own save is no news');
  stop();
});

test('where two windows decided the same, the maker says which stands; the other goes into the history', async () => {
  for (const own of [true, false]) {
    const { world, saver, store, told, width, stop } = setUp();
    await settle();
    world.other([decide('cabinets/c1/size/width', 555)]);
    width(640);
    store.getState().act({ label: 'Name', edits: [decide('name', 'Mine')] });
    await saver.flush();
    const state = told.at(-1)?.state;
    assert.ok(state?.kind === 'sides');
    assert.equal(state.sides.conflicts.length, 1, 'the name touches nothing');
    assert.equal(widthOf(world.job), 555, 'nothing is overwritten');
    saver.choose(new Set(own ? state.sides.conflicts.map(({ mine }) => mine) : []));
    await saver.flush();
    assert.deepEqual([widthOf(world.job), world.job.name], [own ? 640 : 555, 'Mine']);
    assert.equal(widthOf(store.getState().job), own ? 640 : 555);
    const aside = own ? undefined : [decide('cabinets/c1/size/width', 640)];
    assert.deepEqual(world.saved.at(-1)?.setAside, aside);
    assert.equal(saver.unsaved, false);
    stop();
  }
});

test('after a copy was brought back, all of this window is looked at before anything is saved', async () => {
  const { world, saver, store, told, width, stop } = setUp();
  await settle();
  width(640);
  await saver.flush();
  // The copy is from before.
  world.job = newJobOf().job;
  world.version = 1;
  world.epoch = 'second';
  store.getState().act({ label: 'Name', edits: [decide('name', 'Mine')] });
  await saver.flush();
  const state = told.at(-1)?.state;
  assert.ok(state?.kind === 'sides' && state.sides.restored);
  assert.deepEqual(
    state.sides.mine.map(({ path }) => path),
    ['name', 'cabinets/c1/size/width'],
  );
  saver.choose(new Set(state.sides.mine));
  await saver.flush();
  assert.deepEqual([widthOf(world.job), world.job.name, world.version], [640, 'Mine', 2]);
  stop();
});

test('what was left over is laid on what another window saved meanwhile', async () => {
  const first = await windowThatWent();
  first.world.other([decide('name', 'Renamed elsewhere')]);
  const third = setUp(first.world);
  await settle();
  await settle();
  await third.saver.flush();
  assert.deepEqual([widthOf(first.world.job), first.world.job.name], [640, 'Renamed elsewhere']);
  assert.ok(!third.states.includes('sides'));
  third.stop();
});

test('what was left over and another window decided otherwise is put before the maker', async () => {
  const first = await windowThatWent();
  first.world.other([decide('cabinets/c1/size/width', 555)]);
  const third = setUp(first.world);
  await settle();
  await settle();
  assert.equal(third.states.at(-1), 'sides');
  assert.equal(widthOf(third.store.getState().job), 640);
  assert.equal(widthOf(first.world.job), 555);
  third.stop();
});

test('a shelf that keeps nothing is said, and saving goes on', async () => {
  const { world, saver, width, states, told, stop } = setUp();
  world.keep = () => Promise.reject(new Error('no shelf'));
  width(640);
  await saver.flush();
  assert.equal(widthOf(world.job), 640);
  assert.equal(states.at(-1), 'saved');
  assert.equal(told.at(-1)?.inBrowser, false);
  stop();
});

test('while what was left over cannot be sent, whoever waits for a save is told so and not kept waiting', async () => {
  const first = await windowThatWent();
  first.world.failures.push('busy', 'busy');
  const second = setUp(first.world);
  await settle();
  await settle();
  const waited = await Promise.race([
    second.saver.flush().then(() => 'answered'),
    new Promise((done) => setTimeout(() => done('kept waiting'), 300)),
  ]);
  assert.equal(waited, 'answered');
  assert.equal(second.saver.unsaved, true);
  assert.equal(second.states.at(-1), 'kept');
  await new Promise((done) => setTimeout(done, 3300));
  await second.saver.flush();
  assert.equal(widthOf(first.world.job), 640);
  assert.equal(second.saver.unsaved, false);
  second.stop();
});

test('a window whose access ended says so, keeps what it has, and sends it as it was once it may', async () => {
  const { world, saver, states, width, stop } = setUp();
  await settle();
  world.failures.push('locked', 'locked');
  width(640);
  await saver.flush();
  assert.equal(states.at(-1), 'locked');
  assert.equal(world.shelf?.saves.length, 1);
  assert.equal(saver.losesByLeaving, false, 'it may be left: the browser has it');
  width(650);
  assert.equal(states.at(-1), 'locked', 'typing opens no door');
  await saver.flush();
  await saver.flush();
  assert.deepEqual([widthOf(world.job), states.at(-1)], [650, 'saved']);
  assert.equal(new Set(world.sent.slice(0, 3).map(({ id }) => id)).size, 1, 'the first as it was');
  stop();
});

test('a page of an older program says so; the next one sends what it left, saying in which form that is', async () => {
  const first = setUp();
  await settle();
  first.world.failures.push('outdated');
  first.width(640);
  await first.saver.flush();
  assert.equal(first.states.at(-1), 'outdated');
  assert.equal(first.saver.losesByLeaving, false);
  first.width(650);
  await settle();
  first.stop();
  assert.deepEqual(
    first.world.shelf?.saves.map(({ format }) => format),
    [JOB_VERSION, JOB_VERSION],
  );
  const second = setUp(first.world);
  await settle();
  await second.saver.flush();
  assert.equal(widthOf(first.world.job), 650);
  assert.equal(second.saver.unsaved, false);
  second.stop();
});

test('of two left-over saves, the second names the version that is, where the first is refused', async () => {
  const first = setUp();
  await settle();
  first.world.failures.push('away');
  first.width(640);
  await first.saver.flush();
  first.store.getState().act({ label: 'Name', edits: [decide('name', 'Hall')] });
  await settle();
  first.stop();
  assert.deepEqual(
    first.world.shelf?.saves.map(({ version }) => version),
    [1, 2],
  );
  first.world.failures.push('refused');
  const second = setUp(first.world);
  await settle();
  await second.saver.flush();
  assert.deepEqual(
    first.world.sent.slice(-2).map(({ version }) => version),
    [1, 1],
  );
  assert.equal(first.world.job.name, 'Hall');
  assert.ok(!second.states.includes('sides'));
  assert.equal(second.told.at(-1)?.refused.length, 1, 'the first is kept by its name');
  second.stop();
});

test('a job that is gone ends nothing for good: brought back, it takes what was done meanwhile', async () => {
  const { world, saver, states, width, stop } = setUp();
  await settle();
  world.failures.push('gone');
  width(640);
  await saver.flush();
  assert.equal(states.at(-1), 'failed');
  width(650);
  // As the server tells every window that has it open.
  await saver.news(world.version, world.epoch);
  assert.deepEqual([widthOf(world.job), states.at(-1)], [650, 'saved']);
  stop();
});

test('whatever fails in the window is told as not saved, disturbs nobody, and is tried again', async () => {
  const { world, saver, store, states, told, width, stop } = setUp();
  await settle();
  const { getRandomValues } = globalThis.crypto;
  globalThis.crypto.getRandomValues = () => {
    throw new TypeError('no random numbers');
  };
  try {
    width(640);
    assert.equal(widthOf(store.getState().job), 640, 'the bench goes on');
    assert.equal(states.at(-1), 'failed');
    await saver.flush();
    const state = told.at(-1)?.state;
    assert.ok(state?.kind === 'failed' && state.message.includes('no random numbers'));
    assert.equal(saver.unsaved, true);
  } finally {
    globalThis.crypto.getRandomValues = getRandomValues;
  }
  await saver.flush();
  assert.deepEqual([widthOf(world.job), states.at(-1)], [640, 'saved']);
  stop();
});

test('what was left over and leads nowhere any more goes into the history', async () => {
  const first = setUp();
  await settle();
  first.world.failures.push('away');
  first.store.getState().act({ label: 'Name', edits: [decide('cabinets/c1/name', 'Left')] });
  await first.saver.flush();
  first.stop();
  // What it was said of has gone meanwhile, and nothing else was touched that it says.
  const [save] = first.world.shelf?.saves ?? [];
  assert.ok(save);
  const nowhere = decide('cabinets/c9/name', 'Nobody');
  first.world.shelf = { saves: [{ ...save, edits: [...save.edits, nowhere] }] };
  first.world.other([decide('name', 'Elsewhere')]);
  const second = setUp(first.world);
  await settle();
  await second.saver.flush();
  assert.equal(first.world.job.cabinets[0]?.name, 'Left');
  assert.deepEqual(first.world.saved.at(-1)?.setAside, [nowhere]);
  second.stop();
});

test('what lies on the shelf is what is sent: a page that goes amid its save leaves nothing that is not known again', async () => {
  const first = setUp();
  await settle();
  first.width(640);
  await settle();
  const [kept] = first.world.shelf?.saves ?? [];
  assert.ok(kept);
  await first.saver.flush(true);
  first.stop();
  assert.equal(first.world.sent[0]?.id, kept.id);
  // The page went before it could take it off the shelf, and the next types before that is dealt with.
  first.world.shelf = { saves: [kept] };
  const second = setUp(first.world);
  second.width(700);
  await settle();
  await second.saver.flush();
  assert.ok(!second.states.includes('sides'));
  assert.equal(widthOf(first.world.job), 700);
  second.stop();
});

test('a page that went before its shelf knew what it sent last does not meet itself as another window', async () => {
  const first = await windowThatWent();
  const [left] = first.world.shelf?.saves ?? [];
  assert.ok(left);
  // Another window saved something, and the page laid its own on that and sent it under another id.
  first.world.other([decide('name', 'Elsewhere')]);
  first.world.other(left.edits);
  const second = setUp(first.world);
  second.width(700);
  await settle();
  await second.saver.flush();
  assert.ok(!second.states.includes('sides'));
  assert.deepEqual([widthOf(first.world.job), first.world.job.name], [700, 'Elsewhere']);
  second.stop();
});
