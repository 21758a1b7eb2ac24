import { randomBytes } from 'node:crypto';
import {
  chmodSync,
  closeSync,
  copyFileSync,
  existsSync,
  mkdtempSync,
  openSync,
  readSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { toDisk } from './backup.js';
import { backupsIn, lastCopy } from './copies.js';
import { type Db, openDatabase } from './database.js';
import { databaseIn, markShop } from './folder.js';
import { readStoredJob } from './jobs.js';
import { examine, examineOpen } from './wholeness.js';

/** A job that cannot be read, by its name, and why. */
export interface UnreadableJob {
  readonly name: string;
  readonly why: string;
}

export interface Read {
  readonly jobs: number;
  readonly unreadable: readonly UnreadableJob[];
}

export type Restored =
  | ({ readonly ok: true; readonly kept: readonly string[] } & Read)
  | { readonly ok: false; readonly message: string };

/** What lies beside a database: its log, and the index of that. */
const BESIDE = ['', '-wal', '-shm'] as const;

/**
 * Puts a copy in the place of the database, opens it there and reads all of it before it says that it is done; what is
 * not whole is not put there. What stood there is kept beside it, byte for byte, its log with it: a log belongs to the
 * database it was written for, and would spoil another. Refused while a server uses the database.
 */
export function restore(data: string, name: string, now = new Date()): Restored {
  const backup = backupsIn(data).find((each) => each.name === name);
  if (!backup) return { ok: false, message: `There is no copy "${name}" in ${join(data, 'backups')}.` };
  return inFolder(data, (folder) => {
    const fresh = join(folder, 'alcove.db');
    copyFileSync(backup.file, fresh);
    const whole = examine(fresh);
    if (!whole.ok)
      return { ok: false, message: `The copy "${name}" is damaged itself (${whole.why}); take an older one.` };
    return place(data, fresh, now);
  });
}

/**
 * Makes the database anew from its log, where that holds all of it: a shop that was begun a while ago and not closed may
 * lie in its log alone. Refused where the log holds a part only, and where there is a database.
 */
export function restoreFromLog(data: string, now = new Date()): Restored {
  const file = databaseIn(data);
  const log = `${file}-wal`;
  if (lengthOf(file) > 0)
    return { ok: false, message: `There is a database in ${data}; its log is read with it when Alcove is started.` };
  if (lengthOf(log) < HEADER) return { ok: false, message: `There is no log in ${data}. ${lastCopy(data)}` };
  return inFolder(data, (folder) => {
    const begun = join(folder, 'begun.db');
    copyFileSync(log, `${begun}-wal`);
    // One empty page: of an empty file the log would be thrown away when it is opened.
    const page = Buffer.alloc(HEADER);
    copyHead(log, page);
    writeFileSync(begun, Buffer.alloc(page.readUInt32BE(PAGE_SIZE_AT) || 4096));
    const fresh = join(folder, 'alcove.db');
    const why = readWhole(begun, fresh);
    if (why !== undefined)
      return {
        ok: false,
        message: `The log holds a part of the shop only (${why}), so it was left as it is. ${lastCopy(data)}`,
      };
    return place(data, fresh, now);
  });
}

/** Length of the head of a log, and where it says how large a page is. */
const HEADER = 32;
const PAGE_SIZE_AT = 8;

const lengthOf = (file: string) => statSync(file, { throwIfNoEntry: false })?.size ?? 0;

function copyHead(file: string, into: Buffer): void {
  const opened = openSync(file, 'r');
  try {
    readSync(opened, into, 0, into.length, 0);
  } finally {
    closeSync(opened);
  }
}

/** Writes what a database and its log hold together into a file of its own; why not, where it is not whole. */
function readWhole(from: string, to: string): string | undefined {
  try {
    const db = new Database(from);
    try {
      const whole = examineOpen(db);
      if (!whole.ok) return whole.why;
      db.prepare('VACUUM INTO ?').run(to);
      return undefined;
    } finally {
      db.close();
    }
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
}

/** Opens the newest copy in a folder of its own, beside a shop that may be running, and reads every job of it. */
export function tryNewest(
  data: string,
): ({ readonly ok: true; readonly name: string } & Read) | { readonly ok: false; readonly message: string } {
  const [newest] = backupsIn(data);
  if (!newest) return { ok: false, message: `There is no copy in ${data} yet; one is made each day Alcove is used.` };
  return inFolder(data, (folder) => {
    const file = join(folder, 'alcove.db');
    copyFileSync(newest.file, file);
    const whole = examine(file);
    if (!whole.ok)
      return {
        ok: false,
        message: `The copy "${newest.name}" is not whole (${whole.why}). npm run restore lists the others.`,
      };
    const db = openDatabase(folder);
    try {
      return { ok: true, name: newest.name, ...readAll(db) };
    } finally {
      db.close();
    }
  });
}

/** A folder for what is tried, within the shop's own, so that nobody else looks in. */
function inFolder<T>(data: string, act: (folder: string) => T): T {
  const folder = mkdtempSync(join(data, 'trying-'));
  try {
    return act(folder);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Puts a database that was found whole in its place; puts back what stood there where it cannot be opened from there. */
function place(data: string, fresh: string, now: Date): Restored {
  const file = databaseIn(data);
  const kept = keepAside(file, join(data, `alcove-before-restore-${now.toISOString().replaceAll(/[:.]/g, '-')}.db`));
  if (isInUse(file)) {
    for (const copy of kept) rmSync(copy.to);
    return { ok: false, message: 'A running Alcove uses this database. Stop it first.' };
  }
  beginEpoch(fresh);
  chmodSync(fresh, 0o600);
  toDisk(fresh);
  for (const end of BESIDE) rmSync(file + end, { force: true });
  renameSync(fresh, file);
  markShop(data);
  try {
    const db = openDatabase(data);
    try {
      const whole = examineOpen(db);
      if (!whole.ok) throw new Error(whole.why);
      const read = readAll(db);
      db.pragma('wal_checkpoint(TRUNCATE)');
      return { ok: true, kept: kept.map(({ to }) => to), ...read };
    } finally {
      db.close();
    }
  } catch (error) {
    for (const end of BESIDE) rmSync(file + end, { force: true });
    for (const { from, to } of kept) renameSync(to, from);
    const why = error instanceof Error ? error.message : String(error);
    return { ok: false, message: `What was put in its place could not be used (${why}); all stands as it did before.` };
  }
}

/** Copies a database, its log and its index aside, before anything opens them. */
function keepAside(file: string, kept: string): { readonly from: string; readonly to: string }[] {
  const all = BESIDE.map((end) => ({ from: file + end, to: kept + end })).filter(({ from }) => existsSync(from));
  for (const { from, to } of all) {
    copyFileSync(from, to);
    chmodSync(to, 0o600);
  }
  return all;
}

/** Every job of a shop, read as it would be when it is opened. */
export function readAll(db: Db): Read {
  const jobs = db.prepare<[], { id: string; name: string }>('SELECT id, name FROM job WHERE deleted_at IS NULL').all();
  const unreadable = jobs.flatMap(({ id, name }): UnreadableJob[] => {
    try {
      readStoredJob(db, id);
      return [];
    } catch (error) {
      return [{ name, why: error instanceof Error ? error.message : String(error) }];
    }
  });
  return { jobs: jobs.length, unreadable };
}

/** Marks a copy that is put in place of the database: versions that windows hold are of another time. */
function beginEpoch(file: string): void {
  const db = new Database(file);
  try {
    const known = db.prepare("SELECT 1 FROM sqlite_master WHERE name = 'identity'").get();
    if (known) db.prepare('UPDATE identity SET epoch = ?').run(randomBytes(8).toString('hex'));
    db.pragma('journal_mode = DELETE');
  } finally {
    db.close();
  }
}

/** True where another program has the database open; one that cannot be opened at all is nobody's. */
function isInUse(file: string): boolean {
  if (lengthOf(file) === 0) return false;
  try {
    const db = new Database(file, { timeout: 200 });
    try {
      // Who reads it alone has to have it alone: everybody who has it open holds a share of it.
      db.pragma('locking_mode = EXCLUSIVE');
      db.prepare('SELECT count(*) FROM sqlite_master').get();
      return false;
    } finally {
      db.close();
    }
  } catch (error) {
    return String((error as { code?: unknown }).code ?? '').startsWith('SQLITE_BUSY');
  }
}
