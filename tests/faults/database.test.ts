/** What can go wrong with the database, done to it: each ends in a sentence, and nothing acknowledged is lost. */
import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { copyFileSync, existsSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { test } from 'node:test';
import Database from 'better-sqlite3';
import type { Cabinet } from '../../src/core/decisions/index.js';
import { newJob } from '../../src/core/solve/index.js';
import { figureJob } from '../../src/server/compute/background.js';
import { tasks } from '../../src/server/compute/tasks.js';
import { DatabaseError, databaseRefusal, openDatabase } from '../../src/server/database.js';
import { createJob, readStoredJob } from '../../src/server/jobs.js';
import { listJobs } from '../../src/server/list.js';
import { saveEdits } from '../../src/server/save.js';
import { decide } from '../support/edit.js';
import { ended, startServer, temporaryFolder } from '../support/server.js';
import { shopWith } from '../support/shop.js';

function shop(): { folder: string; id: string } {
  const { data, ids } = shopWith('Kept');
  return { folder: data, id: ids[0] as string };
}

test('a save waits for the disk, and nobody but the owner looks into the folder', () => {
  const { folder } = shop();
  const db = openDatabase(folder);
  assert.equal(db.pragma('synchronous', { simple: true }), 2, 'FULL');
  assert.equal(statSync(folder).mode & 0o777, 0o700);
  for (const name of readdirSync(folder)) assert.equal(statSync(join(folder, name)).mode & 0o777, 0o600, name);
  db.close();
  rmSync(folder, { recursive: true });
});

test('a damaged database and one of a newer Alcove are refused in words and stay as they are, byte for byte', () => {
  const { folder } = shop();
  const file = join(folder, 'alcove.db');
  const whole = readFileSync(file);
  const newer = new Database(file);
  newer.prepare("INSERT INTO migration (name, applied_at) VALUES ('999-later.sql', '2030-01-01')").run();
  newer.close();
  const before = readFileSync(file);
  assert.throws(
    () => openDatabase(folder),
    (error) => error instanceof DatabaseError && /newer Alcove.*999-later/.test(error.message),
  );
  assert.deepEqual(readFileSync(file), before);
  for (const spoil of [
    (bytes: Buffer) => bytes.fill(0x5a, 0, 64),
    (bytes: Buffer) => bytes.fill(0x5a, 4096, Math.min(bytes.length, 4 * 4096)),
    (bytes: Buffer) => bytes.subarray(0, bytes.length - 3000),
  ]) {
    const bytes = spoil(Buffer.from(whole));
    for (const name of readdirSync(folder)) rmSync(join(folder, name));
    writeFileSync(file, bytes);
    assert.throws(
      () => openDatabase(folder),
      (error) => error instanceof DatabaseError && error.message.includes('damaged'),
    );
    assert.deepEqual(readFileSync(file), bytes);
  }
  rmSync(folder, { recursive: true });
});

test('a full disk is a sentence and a 503; what was acknowledged before is there, what was not is not', () => {
  const { folder, id } = shop();
  const db = openDatabase(folder);
  const { document } = readStoredJob(db, id);
  const [first] = document.cabinets as [Cabinet];
  db.pragma(`max_page_count = ${db.pragma('page_count', { simple: true })}`);
  let saved = 1;
  let refused: unknown;
  for (let at = 0; at < 200 && !refused; at += 1)
    try {
      const name = `cabinet ${at} ${'x'.repeat(50)}`;
      saved = saveEdits(db, id, {
        version: saved,
        label: 'named',
        edits: [decide(`cabinets/${first.id}/name`, name)],
      }).version;
    } catch (error) {
      refused = error;
    }
  const answer = databaseRefusal(refused);
  assert.equal(answer?.status, 503);
  assert.equal(answer?.code, 'disk-full');
  assert.match(answer?.message ?? '', /still in this window/);
  assert.equal(readStoredJob(db, id).version, saved, 'the last that was answered');
  db.close();
  rmSync(folder, { recursive: true });
});

test('a database another program holds is a sentence, a 503 and a time to wait, and readers go on', () => {
  const { folder, id } = shop();
  const db = openDatabase(folder);
  db.pragma('busy_timeout = 50');
  const other = new Database(join(folder, 'alcove.db'));
  other.exec('BEGIN IMMEDIATE');
  const [first] = readStoredJob(db, id).document.cabinets as [Cabinet];
  const named = decide(`cabinets/${first.id}/name`, 'Named');
  let error: unknown;
  try {
    saveEdits(db, id, { version: 1, label: 'x', edits: [named] });
  } catch (thrown) {
    error = thrown;
  }
  const answer = databaseRefusal(error);
  assert.deepEqual([answer?.status, answer?.code, answer?.retryAfter], [503, 'locked', 2]);
  assert.equal(readStoredJob(db, id).version, 1, 'a reader is not held up');
  other.exec('ROLLBACK');
  assert.equal(saveEdits(db, id, { version: 1, label: 'x', edits: [named] }).version, 2);
  other.close();
  db.close();
  rmSync(folder, { recursive: true });
});

test('one job that cannot be read is a row that says so; the others are listed and opened', async () => {
  const { folder, id } = shop();
  const db = openDatabase(folder);
  const good = createJob(db, newJob('Good', 'metric')).id;
  db.prepare('UPDATE cabinet SET document = \'{"id":"c1"}\' WHERE job_id = ?').run(id);
  for (const each of [id, good]) await figureJob(db, each, tasks.figure);
  const rows = listJobs(db);
  assert.equal(rows.length, 2);
  assert.match(rows.find((row) => row.id === id)?.unreadable ?? '', /cannot be read as it is stored: cabinet/);
  assert.equal(rows.find((row) => row.id === good)?.unreadable, undefined);
  assert.throws(() => readStoredJob(db, id), /cannot be read/);
  assert.equal(readStoredJob(db, good).document.name, 'Good');
  db.close();
  rmSync(folder, { recursive: true });
});

test('a server killed in the middle of saving has every save it answered', async () => {
  const data = temporaryFolder();
  let acknowledged = 0;
  let id = '';
  for (let round = 0; round < 3; round += 1) {
    const server = await startServer({ data });
    const send = (path: string, method: string, body: unknown) =>
      fetch(`${server.url}${path}`, {
        method,
        body: JSON.stringify(body),
        headers: { 'content-type': 'application/json' },
      });
    if (!id) {
      const begun = await send('/api/jobs', 'POST', {
        name: 'Kill',
        unit: 'mm',
        cabinet: { from: 'base', width: 600, height: 720, depth: 560 },
      });
      ({ id } = (await begun.json()) as { id: string });
      acknowledged = 1;
    }
    const read = (await (await fetch(`${server.url}/api/jobs/${id}`)).json()) as {
      version: number;
      document: { cabinets: Cabinet[] };
    };
    assert.ok(read.version >= acknowledged, `${read.version} after ${acknowledged} were answered`);
    let version = read.version;
    const [cabinet] = read.document.cabinets as [Cabinet];
    for (let at = 0; at < 500; at += 1) {
      const answered = await send(`/api/jobs/${id}`, 'PATCH', {
        version,
        label: 'named',
        edits: [{ path: `cabinets/${cabinet.id}/name`, value: `round ${round} save ${at}` }],
      }).catch(() => undefined);
      if (!answered?.ok) break;
      ({ version } = (await answered.json()) as { version: number });
      acknowledged = version;
      // Amid those that follow, however fast this machine is today.
      if (at === 1) setTimeout(() => server.process.kill('SIGKILL'), 20 + round * 30);
    }
    assert.ok(acknowledged > round + 1, 'something was saved before it was killed');
  }
  const db = openDatabase(data);
  assert.ok(readStoredJob(db, id).version >= acknowledged);
  db.close();
  rmSync(data, { recursive: true });
});

test('a port that is taken is one sentence and an exit code, not a stack trace', async () => {
  const taken = createServer();
  await new Promise<void>((resolve) => taken.listen(0, '127.0.0.1', () => resolve()));
  const address = taken.address();
  const port = typeof address === 'object' && address ? address.port : 0;
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    ['-e', "import('./scripts/prepare.mjs').then(({ serve }) => serve())"],
    { env: { ...process.env, PORT: String(port) }, encoding: 'utf8', timeout: 20_000 },
  );
  assert.equal(status, 1);
  assert.match(stdout + stderr, new RegExp(`port ${port} is taken`));
  assert.doesNotMatch(stdout + stderr, /at .*:\d+:\d+/);
  taken.close();
});

test('a file that is no UTF-8 is refused in words, and a name with control characters too', async () => {
  const server = await startServer();
  const file = join(server.data, 'bad.json');
  copyFileSync('demo/reading-room.alcove.json', file);
  const bytes = Buffer.from(readFileSync(file));
  bytes[bytes.indexOf('Thistledown')] = 0xff;
  const refused = await fetch(`${server.url}/api/jobs/import`, { method: 'POST', body: bytes });
  assert.equal(refused.status, 400);
  assert.match(((await refused.json()) as { error: { message: string } }).error.message, /UTF-8/);
  const named = await fetch(`${server.url}/api/jobs`, {
    method: 'POST',
    body: JSON.stringify({
      name: 'two\u0007bells',
      unit: 'mm',
      cabinet: { from: 'base', width: 600, height: 720, depth: 560 },
    }),
    headers: { 'content-type': 'application/json' },
  });
  assert.equal(named.status, 422);
  assert.match(JSON.stringify(await named.json()), /control characters/);
  await server.close();
});

test('asked to end it answers what runs, leaves all it saved in one file, and ends with 0', async () => {
  const data = temporaryFolder();
  const server = await startServer({ data });
  const wanted = { unit: 'mm', cabinet: { from: 'base', width: 600, height: 720, depth: 560 } };
  const answers = Array.from({ length: 5 }, (_, at) =>
    fetch(`${server.url}/api/jobs`, {
      method: 'POST',
      body: JSON.stringify({ ...wanted, name: `Job ${at}` }),
      headers: { 'content-type': 'application/json' },
    }),
  );
  await answers[0];
  server.process.kill('SIGTERM');
  const statuses = (await Promise.allSettled(answers)).flatMap((each) =>
    each.status === 'fulfilled' ? [each.value.status] : [],
  );
  await ended(server.process);
  assert.equal(server.process.exitCode, 0);
  const wal = join(data, 'alcove.db-wal');
  assert.ok(!existsSync(wal) || readFileSync(wal).length === 0, 'something lies beside the file');
  const db = openDatabase(data);
  const { count } = db.prepare('SELECT count(*) AS count FROM job').get() as { count: number };
  assert.equal(count, statuses.filter((status) => status === 201).length, 'what was answered is there, and no more');
  db.close();
});
