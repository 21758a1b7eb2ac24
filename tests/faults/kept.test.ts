/** What can happen to the files of a shop while nobody looks: nothing is begun anew, spoilt or let go by mistake. */
import assert from 'node:assert/strict';
import { execFile, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { test } from 'node:test';
import Database from 'better-sqlite3';
import { backUpToday, CopyError, clearPartial } from '../../src/server/backup.js';
import { deleteJob, emptyBin, listBin, restoreJob } from '../../src/server/bin.js';
import { backupsIn } from '../../src/server/copies.js';
import { DatabaseError, openDatabase } from '../../src/server/database.js';
import { countDay, dayOf } from '../../src/server/days.js';
import { historyOf, pruneBefore, stateAt, wholeHistory } from '../../src/server/history.js';
import { createJob, readStoredJob } from '../../src/server/jobs.js';
import { listJobs } from '../../src/server/list.js';
import { restore, restoreFromLog } from '../../src/server/restore.js';
import { startServer, temporaryFolder } from '../support/server.js';
import { asKilled, jobNamed, saveWidth, shopWith } from '../support/shop.js';

/** All files of a folder with what is in them. */
const filesIn = (folder: string) =>
  new Map(
    readdirSync(folder)
      .filter((name) => statSync(join(folder, name)).isFile())
      .map((name) => [name, readFileSync(join(folder, name)).toString('base64')]),
  );
const isRefused = (words: RegExp) => (error: unknown) => error instanceof DatabaseError && words.test(error.message);
/** Leaves a log in a folder, and nothing else of a database. */
function leaveOnly(data: string, log: Buffer): void {
  for (const name of readdirSync(data)) if (name.startsWith('alcove.db')) rmSync(join(data, name));
  writeFileSync(join(data, 'alcove.db-wal'), log);
}
const widthOf = (db: ReturnType<typeof openDatabase>, id: string) =>
  readStoredJob(db, id).document.cabinets[0]?.size.width;

test('a database that is missing or empty beside its log is refused, and neither is touched', () => {
  for (const left of ['missing', 'empty'])
    for (const marked of [true, false]) {
      const { data, ids } = shopWith('Logged');
      const db = openDatabase(data);
      saveWidth(db, ids[0] as string, 611);
      const { wal } = asKilled(data);
      db.close();
      leaveOnly(data, wal);
      if (left === 'empty') writeFileSync(join(data, 'alcove.db'), '');
      if (!marked) rmSync(join(data, 'shop.mark'));
      const before = filesIn(data);
      assert.throws(
        () => openDatabase(data),
        isRefused(/There was a shop in .* restore -- --log/),
        `${left} ${marked}`,
      );
      assert.deepEqual(filesIn(data), before, `${left} ${marked}`);
      rmSync(data, { recursive: true });
    }
});

test('a shop that lies in its log alone comes back from it; a log that holds a part is refused and left', () => {
  const data = temporaryFolder();
  const db = openDatabase(data);
  const { id } = createJob(db, jobNamed('In its log'));
  saveWidth(db, id, 733);
  const whole = asKilled(data).wal;
  db.pragma('wal_checkpoint(TRUNCATE)');
  saveWidth(db, id, 744);
  const part = asKilled(data).wal;
  db.close();
  leaveOnly(data, part);
  const refused = restoreFromLog(data);
  assert.ok(!refused.ok && /a part of the shop only/.test(refused.message), JSON.stringify(refused));
  assert.deepEqual(readFileSync(join(data, 'alcove.db-wal')), part);
  leaveOnly(data, whole);
  const done = restoreFromLog(data);
  assert.ok(done.ok && done.jobs === 1 && done.unreadable.length === 0, JSON.stringify(done));
  assert.ok(done.kept.some((file) => file.endsWith('-wal') && readFileSync(file).equals(whole)));
  const again = openDatabase(data);
  assert.equal(widthOf(again, id), 733);
  again.close();
  assert.equal(restoreFromLog(data).ok, false, 'there is a database now');
  rmSync(data, { recursive: true });
});

test('a log of another time beside a database spoils nothing that is put back; what stood there is kept byte for byte', async () => {
  for (const stands of ['missing', 'empty', 'damaged', 'whole']) {
    const { data, ids } = shopWith('One', 'Two');
    const [first = ''] = ids;
    const db = openDatabase(data);
    saveWidth(db, first, 511);
    assert.ok(await backUpToday(db, data, new Date('2026-11-20T10:00:00Z')));
    for (let width = 600; width < 640; width += 1) saveWidth(db, first, width);
    const stray = asKilled(data);
    db.close();
    const file = join(data, 'alcove.db');
    const stood = {
      missing: undefined,
      empty: Buffer.alloc(0),
      damaged: Buffer.from(stray.db).fill(0x33, 4096, 30_000),
    };
    const bytes = stands === 'whole' ? stray.db : stood[stands as keyof typeof stood];
    rmSync(file);
    if (bytes) writeFileSync(file, bytes);
    writeFileSync(`${file}-wal`, stray.wal);
    const done = restore(data, '2026-11-20');
    assert.ok(done.ok && done.jobs === 2 && done.unreadable.length === 0, `${stands}: ${JSON.stringify(done)}`);
    const kept = (end: string) => readFileSync(done.kept.find((each) => each.endsWith(end)) ?? '');
    assert.deepEqual(kept('.db-wal'), stray.wal, stands);
    if (bytes) assert.deepEqual(kept('.db'), bytes, stands);
    const again = openDatabase(data);
    assert.equal(again.pragma('integrity_check', { simple: true }), 'ok');
    assert.equal(widthOf(again, first), 511, stands);
    again.close();
    rmSync(data, { recursive: true });
  }
});

test('a copy is tried beside a running shop and read whole; what it cannot read is said by name', async () => {
  const server = await startServer({ data: temporaryFolder(), seed: true });
  const { data } = server;
  for (let tries = 0; tries < 100 && backupsIn(data).length === 0; tries += 1)
    await new Promise((resolve) => setTimeout(resolve, 100));
  // Beside this program: one that waits without a break does not hear that the server closed a line.
  const tried = () =>
    new Promise<{ readonly status: number; readonly stdout: string; readonly stderr: string }>((done) => {
      const env = { ...process.env, ALCOVE_DATA: data };
      execFile(process.execPath, ['--import', 'tsx', 'scripts/restore.ts', '--try'], { env }, (error, stdout, stderr) =>
        done({ status: error ? 1 : 0, stdout, stderr }),
      );
    });
  const good = await tried();
  assert.equal(good.status, 0, good.stderr);
  assert.match(good.stdout, /is whole: \d+ jobs, every one was read\. Nothing was changed/);
  assert.equal((await fetch(`${server.url}/api/jobs`)).status, 200);
  assert.ok(!readdirSync(data).some((name) => name.startsWith('trying-')));
  const copy = new Database(backupsIn(data)[0]?.file ?? '');
  copy.prepare("UPDATE job SET head = 'none' WHERE name LIKE '%issue desk%'").run();
  copy.close();
  assert.match((await tried()).stdout, /of which 1 cannot be read: .*issue desk/);
  await server.close();
  rmSync(data, { recursive: true });
});

test('a copy that is not whole replaces no good one; what a killed program left of a copy is cleared away', async () => {
  const { data } = shopWith('Copied');
  const db = openDatabase(data);
  const good = await backUpToday(db, data, new Date('2026-11-20T10:00:00Z'));
  const day = new Date('2026-11-21T10:00:00Z');
  await assert.rejects(
    backUpToday(db, data, day, () => ({ ok: false, why: 'page 7 is torn' })),
    (error) => error instanceof CopyError && /page 7 is torn/.test(error.message),
  );
  assert.deepEqual(
    backupsIn(data).map(({ file }) => file),
    [good],
  );
  assert.ok(await backUpToday(db, data, day), 'tried again, it is made');
  const ended = spawnSync(process.execPath, ['-e', '']).pid;
  const left = [`2026-11-22.db.${ended}.part`, `2026-11-22.db.${ended}.part-journal`];
  const own = `2026-11-22.db.${process.pid}.part`;
  for (const name of [...left, own]) writeFileSync(join(data, 'backups', name), 'half');
  clearPartial(data);
  for (const name of left) assert.ok(!existsSync(join(data, 'backups', name)), name);
  assert.ok(existsSync(join(data, 'backups', own)), 'one that is being made stays');
  db.close();
  rmSync(data, { recursive: true });
});

test('a clock set to any year takes no copy that is needed: the latest by the count of days stay', async () => {
  const { data } = shopWith('Copied');
  const db = openDatabase(data);
  const years = [2026, 2041, 1998, 2026, 2035, 2026, 1970, 2026];
  const made: string[] = [];
  for (let at = 0; at < 40; at += 1) {
    // The program runs on for a day whatever the clock says.
    db.prepare('UPDATE identity SET days = days + 1').run();
    const file = await backUpToday(db, data, new Date(Date.UTC(years[at % years.length] ?? 2026, 5, 1 + (at % 9), 12)));
    assert.ok(file, `day ${at}`);
    made.push(file);
  }
  const kept = new Set(backupsIn(data).map(({ file }) => file));
  assert.deepEqual([...kept].sort(), made.slice(-14).sort());
  db.close();
  rmSync(data, { recursive: true });
});

test('days are counted as they are used: no jump of a clock makes more than one of itself', () => {
  const { data } = shopWith();
  const db = openDatabase(data);
  const begun = dayOf(db);
  const days = ['2026-11-20', '2026-11-20', '2041-01-01', '2026-11-21', '2026-11-22', '1999-01-01', '2041-01-01'];
  for (const day of days) countDay(db, new Date(`${day}T10:00:00Z`));
  assert.equal(dayOf(db) - begun, 2, 'the first, and the one far ahead');
  db.close();
  rmSync(data, { recursive: true });
});

test('saves are listed by their versions, and pruning leaves every state that is listed readable, whatever clocks said', () => {
  const { data, ids } = shopWith('Clocked');
  const [id = ''] = ids;
  const db = openDatabase(data);
  const widths = new Map<number, number>();
  for (let width = 300; width < 420; width += 1) widths.set(saveWidth(db, id, width), width);
  const date = db.prepare('UPDATE revision SET saved_at = ?, day = ? WHERE version = ?');
  // Ten a day of use, while the clock stands in one of three years.
  for (const version of widths.keys())
    date.run(
      `${[2026, 1999, 2040][version % 3]}-0${1 + (version % 9)}-01T10:00:00.000Z`,
      Math.ceil(version / 10),
      version,
    );
  assert.ok(pruneBefore(db, id, 80, 9) > 0);
  const listed = historyOf(db, id, undefined, 1000).map(({ version }) => version);
  assert.deepEqual(
    listed,
    [...listed].sort((a, b) => b - a),
  );
  assert.ok(listed.length > 40 && listed.length < 121);
  for (const version of listed.filter((each) => each > 1))
    assert.equal(stateAt(db, id, version).cabinets[0]?.size.width, widths.get(version), `version ${version}`);
  db.close();
  rmSync(data, { recursive: true });
});

test('one old state that is damaged is one row that says so; the others are listed, read and given out', () => {
  const { data, ids } = shopWith('Damaged');
  const [id = ''] = ids;
  const db = openDatabase(data);
  for (let width = 300; width < 330; width += 1) saveWidth(db, id, width);
  const last = readStoredJob(db, id).version;
  db.prepare('UPDATE revision SET change = \'{"edits":[\' WHERE version = ?').run(last);
  const rows = historyOf(db, id);
  assert.equal(rows.length, 31);
  assert.deepEqual(
    rows.filter(({ unreadable }) => unreadable).map(({ version }) => version),
    [last],
  );
  assert.throws(() => stateAt(db, id, last), /cannot be read/);
  assert.equal(stateAt(db, id, last - 1).cabinets[0]?.size.width, 328);
  assert.equal(wholeHistory(db, id).saves.length, 31);
  assert.equal(saveWidth(db, id, 555), last + 1, 'a save does not hang on it');
  // Nothing goes where what is younger could not be counted from what stays.
  db.prepare('UPDATE revision SET day = 1').run();
  assert.equal(pruneBefore(db, id, last, 50), 0);
  assert.equal(historyOf(db, id).length, 32);
  db.close();
  rmSync(data, { recursive: true });
});

test('a deleted job lies in the bin for ninety days of use, and no clock empties it', () => {
  const { data, ids } = shopWith('Stays', 'Goes');
  const [stays = '', goes = ''] = ids;
  const db = openDatabase(data);
  deleteJob(db, goes);
  assert.deepEqual(
    listJobs(db).map(({ name }) => name),
    ['Stays'],
  );
  assert.deepEqual(
    listBin(db).map(({ id, name, cabinets, daysLeft }) => [id, name, cabinets, daysLeft]),
    [[goes, 'Goes', 1, 90]],
  );
  const day = countDay(db, new Date('2046-01-01T00:00:00Z'));
  assert.equal(emptyBin(db, day), 0, 'twenty years ahead is one day of use');
  restoreJob(db, goes);
  assert.equal(readStoredJob(db, goes).document.name, 'Goes');
  assert.throws(() => restoreJob(db, goes), /no deleted job/);
  deleteJob(db, goes);
  assert.equal(emptyBin(db, day + 89), 0);
  assert.equal(emptyBin(db, day + 90), 1);
  assert.deepEqual(listBin(db), []);
  assert.throws(() => restoreJob(db, goes), /no deleted job/);
  assert.equal(readStoredJob(db, stays).document.name, 'Stays', 'what both share is still there');
  assert.deepEqual(db.pragma('foreign_key_check'), []);
  db.close();
  rmSync(data, { recursive: true });
});

test("a folder others share is refused and stays as open as it was; one Alcove makes is its owner's alone", () => {
  const shared = temporaryFolder();
  for (const [name, mode, words] of [
    ['things', 0o755, /holds other things \("letter\.txt"\)/],
    ['open', 0o777, /may be written in by others/],
  ] as const) {
    const folder = join(shared, name);
    mkdirSync(folder);
    spawnSync('chmod', [mode.toString(8), folder]);
    if (name === 'things') writeFileSync(join(folder, 'letter.txt'), 'Dear');
    assert.throws(() => openDatabase(folder), isRefused(words));
    assert.equal(statSync(folder).mode & 0o777, mode, name);
    assert.deepEqual(readdirSync(folder), name === 'things' ? ['letter.txt'] : []);
    const own = join(folder, 'alcove');
    openDatabase(own).close();
    assert.equal(statSync(own).mode & 0o777, 0o700);
    assert.equal(statSync(folder).mode & 0o777, mode, name);
  }
  rmSync(shared, { recursive: true });
});

test('a folder that cannot be written in, and a damaged access file, are a sentence and no stack trace', () => {
  const start = (env: Record<string, string>) =>
    spawnSync(process.execPath, ['src/host/start.mjs'], {
      env: { ...process.env, PORT: '0', ...env },
      encoding: 'utf8',
      timeout: 5000,
    });
  const { data } = shopWith();
  writeFileSync(join(data, 'file'), '');
  const below = start({ ALCOVE_DATA: join(data, 'file', 'shop') });
  assert.match(below.stderr, /The data folder .* cannot be written/);
  assert.doesNotMatch(below.stdout + below.stderr, /^ +at .*:\d+:\d+/m);
  for (const text of ['', '{', '{"salt":1}', '[]', 'null']) {
    writeFileSync(join(data, 'access.json'), text);
    const { status, stdout, stderr } = start({ ALCOVE_DATA: data });
    assert.equal(status, 1, text);
    assert.match(stderr, /access\.json, and that file is damaged\. npm run access-code makes another/);
    assert.doesNotMatch(stdout + stderr, /^ +at .*:\d+:\d+/m);
  }
  rmSync(data, { recursive: true });
});

test('who watches over a server hears whether the shop is well, in short, and no name of a job', async () => {
  const data = temporaryFolder();
  const own = await startServer({ data, seed: true });
  const health = async () => {
    const response = await fetch(`${own.url}/healthz`);
    return { status: response.status, text: await response.text() };
  };
  assert.deepEqual(await health(), { status: 200, text: '{"ok":true}' });
  spawnSync('mv', [data, `${data}-away`]);
  const away = await health();
  assert.equal(away.status, 503);
  assert.match(away.text, /"reasons":\["The database cannot be used/);
  assert.doesNotMatch(away.text, /Thistledown|alcove-test/);
  spawnSync('mv', [`${data}-away`, data]);
  // What was looked at while it was away is looked at again in a moment.
  for (let tries = 0; tries < 120 && (await health()).status !== 200; tries += 1)
    await new Promise((resolve) => setTimeout(resolve, 250));
  assert.equal((await health()).status, 200);
  await own.close();
  rmSync(data, { recursive: true });
});

test("the day's copy that cannot be made is said on the first page and by the health of the server", async () => {
  const { data } = shopWith('Uncopied');
  // Nothing can be put where a file stands.
  writeFileSync(join(data, 'backups'), 'no folder');
  const own = await startServer({ data });
  for (let tries = 0; tries < 50 && (await fetch(`${own.url}/healthz`)).ok; tries += 1)
    await new Promise((resolve) => setTimeout(resolve, 100));
  const health = await fetch(`${own.url}/healthz`);
  assert.equal(health.status, 503);
  assert.match(await health.text(), /last copy of the database could not be made/);
  const { concerns } = (await (await fetch(`${own.url}/api/jobs`)).json()) as { concerns: string[] };
  assert.match(concerns.join(), /copy of the day could not be made/);
  assert.match(await (await fetch(own.url)).text(), /copy of the day could not be made/);
  await own.close();
  rmSync(data, { recursive: true });
});
