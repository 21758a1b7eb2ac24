/** What runs behind an answer: it may fail, and ends nothing. */
import assert from 'node:assert/strict';
import { readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { test } from 'node:test';
import { setTimeout as pause } from 'node:timers/promises';
import Database from 'better-sqlite3';
import { figureSoon } from '../../src/server/compute/background.js';
import type { Db } from '../../src/server/database.js';
import { keepLog, log } from '../../src/server/log.js';
import { ask } from '../support/asking.js';
import { startServer, temporaryFolder } from '../support/server.js';
import { jobNamed } from '../support/shop.js';

test('what fails where no answer hangs on it is caught, and the next time it is tried again', async () => {
  const unhandled: unknown[] = [];
  const hear = (reason: unknown) => unhandled.push(reason);
  process.on('unhandledRejection', hear);
  let asked = 0;
  const broken = {
    open: true,
    prepare: () => {
      asked += 1;
      throw new Error('no statement today');
    },
  } as unknown as Db;
  log.level = 'silent';
  for (let time = 0; time < 2; time += 1) {
    figureSoon(broken);
    await pause(20);
  }
  log.level = 'info';
  process.off('unhandledRejection', hear);
  assert.deepEqual([unhandled, asked], [[], 2]);
});

test('every hundredth save is answered although nothing of before can be let go', async () => {
  const data = temporaryFolder();
  const server = await startServer({ data, env: { ALCOVE_LOG: 'silent' } });
  const begun = await ask(`${server.url}/api/jobs/import`, {
    method: 'POST',
    body: JSON.stringify(jobNamed('Hundred')),
  });
  const { id } = JSON.parse(begun.body) as { id: string };
  const save = (version: number) =>
    ask(`${server.url}/api/jobs/${id}`, {
      method: 'PATCH',
      body: JSON.stringify({ version, edits: [{ path: 'cabinets/c1/size/width', value: 300 + version }] }),
    });
  for (let version = 1; version < 99; version += 1) assert.equal((await save(version)).status, 200);
  // All of it was long ago, and a state in between is damaged.
  const db = new Database(join(data, 'alcove.db'));
  db.prepare('UPDATE identity SET days = 1000').run();
  db.prepare("UPDATE snapshot SET cabinets = 'torn'").run();
  db.close();
  for (const version of [99, 100, 101]) assert.equal((await save(version)).status, 200, `${version}`);
  assert.equal((await ask(`${server.url}/api/jobs/${id}/history/50`)).status, 422);
  assert.equal((await ask(`${server.url}/api/jobs/${id}/history`)).status, 200);
  assert.equal((await ask(`${server.url}/api/jobs/${id}/history.json`)).status, 200);
  assert.equal(server.process.exitCode, null);
  await server.close();
  rmSync(data, { recursive: true });
});

test('the log of a server grows to its size and no further, for its owner alone', async () => {
  const data = temporaryFolder();
  keepLog(data, '10K');
  for (let at = 0; at < 1500; at += 1) log.debug({ at }, 'not written');
  const level = log.level;
  for (let round = 0; round < 30; round += 1) {
    for (let at = 0; at < 10; at += 1) log.info({ at, filler: 'x'.repeat(400) }, 'an event');
    await pause(20);
  }
  log.level = level;
  const files = readdirSync(join(data, 'log'));
  assert.ok(files.length >= 3 && files.length <= 6, files.join());
  for (const name of files) {
    const file = join(data, 'log', name);
    assert.ok(statSync(file).size < 40_000, `${name}: ${statSync(file).size}`);
    for (const line of readFileSync(file, 'utf8').trim().split('\n')) if (line) JSON.parse(line);
  }
  rmSync(data, { recursive: true, force: true });
});
