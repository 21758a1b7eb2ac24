/** What is kept of a job's past, held against what the test itself remembers of it. */
import assert from 'node:assert/strict';
import { copyFileSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { test } from 'node:test';
import Database from 'better-sqlite3';
import { editsBetween } from '../src/core/commands/index.js';
import { countedIds, type Edit, type Job, newCabinet } from '../src/core/decisions/index.js';
import { newJob } from '../src/core/solve/index.js';
import { migrate, openDatabase } from '../src/server/database.js';
import { historyOf, pruneBefore, savedSince, stateAt } from '../src/server/history.js';
import { createJob, readStoredJob } from '../src/server/jobs.js';
import { saveEdits } from '../src/server/save.js';
import { Random } from './generator/random.js';
import { decide } from './support/edit.js';
import { temporaryFolder } from './support/server.js';

function jobOf(cabinets: number): Job {
  const job = newJob('History', 'metric');
  const ids = countedIds();
  for (let at = 0; at < cabinets; at += 1) job.cabinets.push(newCabinet(job, at % 2 ? 'wall' : 'base', ids));
  return job;
}

/** One of the things a maker does, as edits, with no thought of what was before. */
function something(job: Job, random: Random, at: number): Edit[] {
  const { id } = random.pick(job.cabinets);
  switch (random.whole(0, 6)) {
    case 0:
      return [decide('name', `Job ${at}`)];
    case 1:
      return [decide('standards/all/fronts/gap', random.whole(1, 4))];
    case 2: {
      const cabinets = [...job.cabinets].reverse();
      return editsBetween(job, { ...job, cabinets });
    }
    case 3: {
      const [hinge] = job.hardware.hinges ?? [];
      return [decide(`hardware/hinges/${hinge?.id}/name`, `Hinge ${at}`)];
    }
    case 4: {
      const copy = {
        ...structuredClone(job.cabinets[0] as Job['cabinets'][number]),
        id: `n${at}`,
        leftNeighbour: null,
      };
      const last = job.cabinets.at(-1);
      return editsBetween(job, { ...job, cabinets: [...job.cabinets.filter((each) => each !== last), copy] });
    }
    default:
      return [decide(`cabinets/${id}/size/width`, random.whole(300, 900)), decide(`cabinets/${id}/name`, `at ${at}`)];
  }
}

const plain = (value: unknown) => JSON.parse(JSON.stringify(value)) as unknown;

test('any state of a long history is what was saved then', () => {
  const data = temporaryFolder();
  const db = openDatabase(data);
  const random = new Random(11);
  const { id, document } = createJob(db, jobOf(4));
  const states = new Map<number, unknown>([[1, plain(document)]]);
  for (let version = 1; version < 400; version += 1) {
    const job = readStoredJob(db, id).document;
    const saved = saveEdits(db, id, { version, label: `step ${version}`, edits: something(job, random, version) });
    states.set(saved.version, plain(readStoredJob(db, id).document));
  }
  for (const version of [1, 2, 3, 57, 199, 200, 201, 322, 399, 400])
    assert.deepEqual(plain(stateAt(db, id, version)), states.get(version), `version ${version}`);
  assert.throws(() => stateAt(db, id, 401), /no version 401/);
  const since = savedSince(db, id, 390, 400) ?? [];
  assert.deepEqual(
    since.map(({ version }) => version),
    [391, 392, 393, 394, 395, 396, 397, 398, 399, 400],
  );
  const page = historyOf(db, id, 300, 5);
  assert.deepEqual(
    page.map(({ version, label }) => [version, label]),
    [299, 298, 297, 296, 295].map((version) => [version, `step ${version - 1}`]),
  );
  db.close();
  rmSync(data, { recursive: true });
});

test('a thousand changes of house and hardware keep each state without keeping each whole', () => {
  const data = temporaryFolder();
  const db = openDatabase(data);
  const { id, document } = createJob(db, jobOf(2));
  const hinge = document.hardware.hinges?.[0]?.id;
  for (let version = 1; version <= 1000; version += 1)
    saveEdits(db, id, { version, label: 'x', edits: [decide(`hardware/hinges/${hinge}/name`, `Hinge ${version}`)] });
  assert.equal(stateAt(db, id, 700).hardware.hinges?.[0]?.name, 'Hinge 699');
  assert.equal(db.prepare('SELECT count(*) FROM revision').pluck().get(), 1001);
  db.pragma('wal_checkpoint(TRUNCATE)');
  const bytes = statSync(join(data, 'alcove.db')).size;
  // As whole heads they were 24.6 MB.
  assert.ok(bytes < 3_000_000, `${bytes} bytes`);
  db.close();
  rmSync(data, { recursive: true });
});

test('of long ago the last state of each day stays; all after it can still be reached', () => {
  const data = temporaryFolder();
  const db = openDatabase(data);
  const { id } = createJob(db, jobOf(2));
  const names = new Map<number, string>();
  for (let version = 1; version < 60; version += 1) {
    saveEdits(db, id, { version, label: 'x', edits: [decide('name', `Version ${version + 1}`)] });
    names.set(version + 1, `Version ${version + 1}`);
  }
  // Ten saves a day of use.
  const date = db.prepare('UPDATE revision SET day = ? WHERE version = ?');
  for (let version = 1; version <= 60; version += 1) date.run(Math.ceil(version / 10), version);
  assert.equal(pruneBefore(db, id, 45, 32), 40, 'forty-five less the last of each of five days');
  for (const version of [10, 20, 30, 40, 45, 46, 53, 60])
    assert.equal(stateAt(db, id, version).name, names.get(version), `version ${version}`);
  for (const version of [9, 11, 44]) assert.throws(() => stateAt(db, id, version), /too long ago/);
  assert.equal(savedSince(db, id, 30, 60), undefined, 'no longer known edit by edit');
  assert.equal(savedSince(db, id, 50, 60)?.length, 10);
  assert.equal(savedSince(db, id, 50, 61), undefined, 'one of them is not there');
  saveEdits(db, id, { version: 60, label: 'x', edits: [decide('name', 'Goes on')] });
  assert.equal(stateAt(db, id, 61).name, 'Goes on');
  assert.deepEqual(db.pragma('foreign_key_check'), []);
  db.close();
  rmSync(data, { recursive: true });
});

test('the history of a database from before edits were kept is read on', () => {
  const data = temporaryFolder();
  const old = join(data, 'old');
  mkdirSync(old);
  for (const name of readdirSync('src/server/migrations').filter((file) => file < '005'))
    copyFileSync(join('src/server/migrations', name), join(old, name));
  const before = new Database(join(data, 'alcove.db'));
  migrate(before, old);
  const { cabinets, ...head } = jobOf(2);
  const [first, second] = cabinets as [Job['cabinets'][number], Job['cabinets'][number]];
  const wider = { ...first, size: { ...first.size, width: 777 } };
  before
    .prepare(
      "INSERT INTO job (id, name, unit, version, head, created_at, updated_at) VALUES ('j', 'Old', 'mm', 4, ?, '', '')",
    )
    .run(JSON.stringify({ ...head, name: 'Named' }));
  const cabinet = before.prepare("INSERT INTO cabinet (job_id, id, position, document) VALUES ('j', ?, ?, ?)");
  cabinet.run(second.id, 0, JSON.stringify(second));
  cabinet.run(first.id, 1, JSON.stringify(wider));
  const revision = before.prepare(
    "INSERT INTO revision (job_id, version, label, saved_at, change) VALUES ('j', ?, 'x', '', ?)",
  );
  revision.run(1, JSON.stringify({ head, cabinets }));
  revision.run(2, JSON.stringify({ cabinets: [wider] }));
  revision.run(3, JSON.stringify({ head: { ...head, name: 'Named' } }));
  revision.run(4, JSON.stringify({ order: [second.id, first.id] }));
  before.close();
  const db = openDatabase(data);
  saveEdits(db, 'j', { version: 4, label: 'new', edits: [decide(`cabinets/${second.id}/size/width`, 444)] });
  const seen = (version: number) => {
    const job = stateAt(db, 'j', version);
    return [job.name, ...job.cabinets.map(({ id, size }) => `${id} ${size.width}`)];
  };
  const [a, b] = [first.size.width, second.size.width];
  assert.deepEqual(seen(1), ['History', `${first.id} ${a}`, `${second.id} ${b}`]);
  assert.deepEqual(seen(2), ['History', `${first.id} 777`, `${second.id} ${b}`]);
  assert.deepEqual(seen(4), ['Named', `${second.id} ${b}`, `${first.id} 777`]);
  assert.deepEqual(seen(5), ['Named', `${second.id} 444`, `${first.id} 777`]);
  db.close();
  rmSync(data, { recursive: true });
});
