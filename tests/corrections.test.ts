import assert from 'node:assert/strict';
import { copyFileSync, mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { test } from 'node:test';
import Database from 'better-sqlite3';
import { type Built, builtOf, changesBetween, EDITION } from '../src/core/commands/index.js';
import { countedIds, newCabinet } from '../src/core/decisions/index.js';
import { newJob } from '../src/core/solve/index.js';
import { figureJob } from '../src/server/compute/background.js';
import { tasks } from '../src/server/compute/tasks.js';
import { bringForward, correctedJob, correctionsSeen } from '../src/server/corrections.js';
import { migrate, openDatabase } from '../src/server/database.js';
import { createJob, readStoredJob } from '../src/server/jobs.js';
import { saveEdits } from '../src/server/save.js';
import { solveWith } from './support/cabinets.js';
import { decide } from './support/edit.js';
import { temporaryFolder } from './support/server.js';

/** What was kept, to be changed as an earlier edition would have left it. */
type Loose = { parts: { -readonly [K in keyof Built['parts'][number]]: Built['parts'][number][K] }[] };

async function stored() {
  const data = temporaryFolder();
  const db = openDatabase(data);
  const job = newJob('Row', 'metric');
  const ids = countedIds();
  for (const _ of [1, 2]) job.cabinets.push(newCabinet(job, 'base', ids));
  const { id } = createJob(db, job);
  await figureJob(db, id, tasks.figure);
  const corrected = () => correctedJob(db, readStoredJob(db, id), tasks);
  const end = () => {
    db.close();
    rmSync(data, { recursive: true });
  };
  return { db, id, corrected, end };
}

test('a job saved by the rules of today has nothing to tell', async () => {
  const { corrected, end } = await stored();
  assert.deepEqual(await corrected(), { seen: true, cabinets: [] });
  end();
});

test('a job figured by earlier rules tells once what came out otherwise, and keeps it to compare', async () => {
  const { db, id, corrected, end } = await stored();
  const rows = db
    .prepare<[], { id: string; built: string }>(
      'SELECT cabinet.id, parts AS built FROM cabinet JOIN built ON built.job_id = cabinet.job_id AND cabinet_id = cabinet.id ORDER BY position',
    )
    .all();
  const [first, second] = rows;
  assert.ok(first && second);
  // As an earlier edition left the first: its bottom shorter, a part that is gone today, and one that was not there.
  const built = JSON.parse(first.built) as Loose;
  const bottom = built.parts.find(({ key }) => key === 'bottom');
  assert.ok(bottom);
  const now = bottom.size[0];
  bottom.size = [now - 7.7, bottom.size[1], bottom.size[2]];
  built.parts = [...built.parts.filter(({ key }) => key !== 'back'), { ...bottom, key: 'rail', name: 'Old rail' }];
  db.prepare('UPDATE built SET edition = 1, parts = ? WHERE cabinet_id = ?').run(JSON.stringify(built), first.id);
  // Of the second nothing was kept.
  db.prepare('UPDATE built SET edition = 1, parts = NULL WHERE cabinet_id = ?').run(second.id);
  db.prepare('UPDATE job SET seen_edition = 1').run();
  const told = await corrected();
  assert.equal(told.seen, false);
  const [one, two] = told.cabinets;
  const size = one?.changes?.find(({ kind }) => kind === 'size');
  assert.ok(size?.kind === 'size');
  assert.deepEqual([size.part, size.before[0], size.after[0]], ['Bottom', now - 7.7, now]);
  assert.deepEqual(
    one?.changes?.flatMap((each) =>
      each.kind === 'added' || each.kind === 'gone' ? [`${each.kind} ${each.part}`] : [],
    ),
    ['added Back', 'gone Old rail'],
  );
  assert.equal(two?.changes, undefined);
  assert.ok((two?.corrections.length ?? 0) > 0 && two?.corrections.every(({ why }) => why.length > 10));
  correctionsSeen(db, id);
  const again = await corrected();
  assert.equal(again.seen, true);
  assert.deepEqual(again.cabinets, told.cabinets, 'it can be looked at again');
  end();
});

test('an edit before anybody has looked does not lose what it came to before', async () => {
  const { db, id, corrected, end } = await stored();
  const row = db
    .prepare<[], { id: string; built: string }>(
      'SELECT cabinet.id, parts AS built FROM cabinet JOIN built ON built.job_id = cabinet.job_id AND cabinet_id = cabinet.id ORDER BY position',
    )
    .get();
  assert.ok(row);
  const built = JSON.parse(row.built) as Loose;
  built.parts = built.parts.filter(({ key }) => key !== 'back');
  db.prepare('UPDATE built SET edition = 1, parts = ? WHERE cabinet_id = ?').run(JSON.stringify(built), row.id);
  db.prepare('UPDATE job SET seen_edition = 1').run();
  const { document } = readStoredJob(db, id);
  const [first] = document.cabinets;
  assert.ok(first);
  await bringForward(db, id, document, tasks);
  const width = decide(`cabinets/${first.id}/size/width`, first.size.width + 100);
  saveEdits(db, id, { version: 1, label: 'wider', edits: [width] });
  const told = await corrected();
  assert.equal(told.seen, false);
  assert.deepEqual(
    told.cabinets[0]?.changes?.map(({ kind, part }) => `${kind} ${part}`),
    ['added Back'],
    'the edit itself is no correction',
  );
  end();
});

test('a database of before keeps its jobs, and they count as figured by the first edition', async () => {
  const data = temporaryFolder();
  const old = join(data, 'old');
  mkdirSync(old);
  for (const name of ['001-jobs.sql', '002-shop.sql'])
    copyFileSync(join('src/server/migrations', name), join(old, name));
  const before = new Database(join(data, 'alcove.db'));
  migrate(before, old);
  const job = newJob('Old', 'metric');
  job.cabinets.push(newCabinet(job, 'wall', countedIds()));
  const { cabinets, ...head } = job;
  before
    .prepare(
      "INSERT INTO job (id, name, unit, version, head, created_at, updated_at) VALUES ('j', 'Old', 'mm', 1, ?, '', '')",
    )
    .run(JSON.stringify(head));
  for (const cabinet of cabinets)
    before
      .prepare(
        "INSERT INTO cabinet (job_id, id, position, document, summary, stops, warnings) VALUES ('j', ?, 0, ?, '{}', 0, 0)",
      )
      .run(cabinet.id, JSON.stringify(cabinet));
  before.close();
  const db = openDatabase(data);
  const told = await correctedJob(db, readStoredJob(db, 'j'), tasks);
  assert.equal(told.seen, false);
  assert.equal(told.cabinets.length, 1);
  assert.equal(told.cabinets[0]?.changes, undefined);
  assert.deepEqual(db.prepare('SELECT edition, parts IS NOT NULL AS built FROM built').get(), {
    edition: EDITION,
    built: 1,
  });
  db.close();
  rmSync(data, { recursive: true });
});

test('what a cabinet came to differs from another in what differs, and from itself in nothing', async () => {
  const [legs, notched] = [
    builtOf(solveWith({ settings: { toe: { kind: 'legs' } } })),
    builtOf(solveWith({ settings: { toe: { kind: 'notched' } } })),
  ];
  assert.deepEqual(changesBetween(legs, legs), []);
  const found = changesBetween(legs, notched).map(({ kind, part }) => `${kind} ${part}`);
  for (const wanted of [
    'size Side, left',
    'machining Side, left',
    'added Toe cleat, left',
    'fittings Leg: turned leg, middle',
  ])
    assert.ok(found.includes(wanted), `${wanted} in ${found.join(', ')}`);
});
