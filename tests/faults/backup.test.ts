/** Copies of the database, and that one of them really brings a shop back. */
import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { test } from 'node:test';
import { backUpToday } from '../../src/server/backup.js';
import { backupsIn } from '../../src/server/copies.js';
import { DatabaseError, openDatabase } from '../../src/server/database.js';
import { createJob, readStoredJob } from '../../src/server/jobs.js';
import { listJobs } from '../../src/server/list.js';
import { restore } from '../../src/server/restore.js';
import { startServer, temporaryFolder } from '../support/server.js';
import { jobNamed } from '../support/shop.js';

test('a shop that was damaged comes back from the copy of the day, job for job, and what was damaged is kept', async () => {
  const data = temporaryFolder();
  const db = openDatabase(data);
  const ids = ['First', 'Second'].map((name) => createJob(db, jobNamed(name)).id);
  const before = ids.map((id) => readStoredJob(db, id));
  const epoch = before[0]?.epoch;
  assert.ok(await backUpToday(db, data, new Date('2026-11-27T10:00:00Z')));
  assert.equal(await backUpToday(db, data, new Date('2026-11-27T18:00:00Z')), undefined, 'one a day');
  createJob(db, jobNamed('After the copy'));
  db.close();
  const file = join(data, 'alcove.db');
  const bytes = readFileSync(file).fill(0x33, 4096, 20_000);
  writeFileSync(file, bytes);
  assert.throws(
    () => openDatabase(data),
    (error) => error instanceof DatabaseError && /npm run restore -- 2026-11-27/.test(error.message),
  );
  const done = restore(data, '2026-11-27');
  assert.ok(done.ok && done.jobs === 2 && done.kept[0]);
  assert.deepEqual(readFileSync(done.kept[0]), bytes);
  const again = openDatabase(data);
  const after = ids.map((id) => readStoredJob(again, id));
  const now = after[0]?.epoch;
  assert.deepEqual(
    after,
    before.map((each) => ({ ...each, epoch: now })),
  );
  assert.notEqual(now, epoch, 'windows of before are told that it is another time');
  assert.equal(listJobs(again).length, 2);
  again.close();
  rmSync(data, { recursive: true });
});

test('a copy that is damaged itself, one that is not there, and a database in use are refused and change nothing', async () => {
  const data = temporaryFolder();
  const db = openDatabase(data);
  createJob(db, jobNamed('Kept'));
  const file = await backUpToday(db, data, new Date('2026-11-26T10:00:00Z'));
  assert.ok(file);
  const used = restore(data, '2026-11-26');
  assert.ok(!used.ok && /Stop it first/.test(used.message));
  db.close();
  writeFileSync(file, readFileSync(file).fill(0x33, 0, 9000));
  const spoilt = restore(data, '2026-11-26');
  assert.ok(!spoilt.ok && /damaged itself/.test(spoilt.message));
  const none = restore(data, '1999-01-01');
  assert.ok(!none.ok && /no copy/.test(none.message));
  const again = openDatabase(data);
  assert.equal(listJobs(again).length, 1);
  again.close();
  rmSync(data, { recursive: true });
});

test('the last fourteen days are kept, nobody else reads them, and one is made before a migration', async () => {
  const data = temporaryFolder();
  const db = openDatabase(data);
  for (let day = 1; day <= 17; day += 1) await backUpToday(db, data, new Date(Date.UTC(2026, 9, day, 12)));
  assert.equal(backupsIn(data).length, 14);
  for (const { file } of backupsIn(data)) assert.equal(statSync(file).mode & 0o777, 0o600);
  db.close();
  const more = temporaryFolder();
  const own = 'src/server/migrations';
  for (const name of readdirSync(own)) writeFileSync(join(more, name), readFileSync(join(own, name)));
  writeFileSync(join(more, '900-later.sql'), 'CREATE TABLE later (x INTEGER) STRICT;');
  const later = openDatabase(data, more);
  assert.ok(backupsIn(data).some(({ name }) => /-before-900-later$/.test(name)));
  later.close();
  for (const folder of [data, more]) rmSync(folder, { recursive: true });
});

test('a server that is used makes the copy of the day by itself, and the command lists it', async () => {
  const server = await startServer({ data: temporaryFolder() });
  const { data } = server;
  for (let tries = 0; tries < 50 && backupsIn(data).length === 0; tries += 1)
    await new Promise((resolve) => setTimeout(resolve, 100));
  const [made] = backupsIn(data);
  assert.ok(made && existsSync(made.file));
  await server.close();
  const { stdout, status } = spawnSync(process.execPath, ['--import', 'tsx', 'scripts/restore.ts'], {
    env: { ...process.env, ALCOVE_DATA: data },
    encoding: 'utf8',
  });
  assert.equal(status, 0);
  assert.match(stdout, new RegExp(made.name));
  rmSync(data, { recursive: true });
});
