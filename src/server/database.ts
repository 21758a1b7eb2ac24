import {
  chmodSync,
  closeSync,
  existsSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  readSync,
  statSync,
} from 'node:fs';
import { join, resolve } from 'node:path';
import Database from 'better-sqlite3';
import { backUpBefore, backUpToday, backupsIn } from './backup.js';
import { log } from './log.js';
import { Refusal } from './refusal.js';

export type Db = Database.Database;

/** Where the database lives: the setting ALCOVE_DATA, else `data` in the project. */
export function dataFolder(): string {
  return resolve(process.env.ALCOVE_DATA ?? 'data');
}

const MIGRATIONS_FOLDER = resolve('src/server/migrations');

/** A database that cannot be used as it is found, in one sentence a maker can act on. */
export class DatabaseError extends Error {}

/**
 * Opens (or creates) the database in a folder and brings its schema up to date. Only its owner may look into it; a save
 * that was acknowledged is on the disk, whatever happens to the power. One that is damaged, or was written by a newer
 * Alcove, is refused in words and left as it is.
 */
export function openDatabase(folder: string, migrations = MIGRATIONS_FOLDER): Db {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  chmodSync(folder, 0o700);
  const file = join(folder, 'alcove.db');
  if (isCutShort(file))
    throw new DatabaseError(`The database ${file} is damaged: its end is missing. ${lastCopy(folder)}`);
  const db = new Database(file);
  try {
    db.pragma('journal_mode = WAL');
    // A commit waits until the disk has it: a power cut takes nothing that was answered as saved.
    db.pragma('synchronous = FULL');
    db.pragma('foreign_keys = ON');
    db.pragma('busy_timeout = 5000');
    const [{ quick_check: checked } = { quick_check: 'nothing was read' }] = db.pragma('quick_check(1)') as {
      quick_check: string;
    }[];
    if (checked !== 'ok') throw new DatabaseError(`The database ${file} is damaged (${checked}). ${lastCopy(folder)}`);
    refuseNewer(db, migrations, file);
    migrate(db, migrations, (name) => backUpBefore(db, folder, name));
  } catch (error) {
    db.close();
    if (isDamage(error))
      throw new DatabaseError(`The database ${file} is damaged and cannot be read. ${lastCopy(folder)}`);
    throw error;
  }
  for (const name of [file, `${file}-wal`, `${file}-shm`]) if (existsSync(name)) chmodSync(name, 0o600);
  return db;
}

/** What a shop with a damaged database can do. */
function lastCopy(folder: string): string {
  const [last] = backupsIn(folder);
  return last
    ? `Nothing was changed in it. The last copy is of ${last.madeAt.toISOString().slice(0, 10)}: npm run restore -- ${last.name} puts it in its place.`
    : 'Nothing was changed in it, and there is no copy of it.';
}

/** A whole database is as long as its header says; with a log beside it the rest may be in there. */
function isCutShort(file: string): boolean {
  if (!existsSync(file) || (existsSync(`${file}-wal`) && statSync(`${file}-wal`).size > 0)) return false;
  const { size } = statSync(file);
  if (size < HEADER) return size > 0;
  const head = Buffer.alloc(HEADER);
  const opened = openSync(file, 'r');
  try {
    readSync(opened, head, 0, HEADER, 0);
  } finally {
    closeSync(opened);
  }
  // Size of a page at 16 (1 stands for 65536), their number at 28.
  const page = head.readUInt16BE(16) === 1 ? 65_536 : head.readUInt16BE(16);
  return head.toString('latin1', 0, 15) === 'SQLite format 3' && size < page * head.readUInt32BE(28);
}

const HEADER = 100;

const codeOf = (error: unknown) => (error as { readonly code?: unknown } | null)?.code;

function isDamage(error: unknown): boolean {
  return codeOf(error) === 'SQLITE_CORRUPT' || codeOf(error) === 'SQLITE_NOTADB';
}

/** A schema of a newer Alcove would be misread, and spoilt by the first save. */
function refuseNewer(db: Db, folder: string, file: string): void {
  const has = db.prepare("SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = 'migration'").get();
  if (!has) return;
  const known = new Set(readdirSync(folder));
  const newer = db
    .prepare<[], { name: string }>('SELECT name FROM migration ORDER BY name')
    .all()
    .find(({ name }) => !known.has(name));
  if (newer)
    throw new DatabaseError(
      `The database ${file} was written by a newer Alcove (it has "${newer.name}"). Start that one, or give this one a folder of its own with ALCOVE_DATA.`,
    );
}

/** What failed in the database, as an answer: what it is, and where waiting helps how long; undefined for anything else. */
export function databaseRefusal(error: unknown): Refusal | undefined {
  if (error instanceof DatabaseError) return new Refusal(503, 'database', error.message);
  const code = String(codeOf(error) ?? '');
  const kept = 'Nothing was changed; what you did is still in this window.';
  const [word, message, wait] = code.startsWith('SQLITE_FULL')
    ? ['disk-full', `The disk is full, so this could not be saved. ${kept} Make room on it, then save again.`]
    : code.startsWith('SQLITE_READONLY') || code.startsWith('SQLITE_CANTOPEN')
      ? ['read-only', `The data folder cannot be written. ${kept} Make it writable, then save again.`]
      : code.startsWith('SQLITE_BUSY') || code.startsWith('SQLITE_LOCKED')
        ? ['locked', `Another program holds the database. ${kept} It is tried again in a moment.`, 2]
        : code.startsWith('SQLITE_CORRUPT') || code.startsWith('SQLITE_NOTADB')
          ? ['damaged', `The database is damaged and can no longer be read. ${kept} Stop Alcove and look at its log.`]
          : code.startsWith('SQLITE_IOERR')
            ? ['disk', `The disk did not take it. ${kept} Look at the disk, then save again.`]
            : [];
  return word && message ? new Refusal(503, word, message, [], {}, wait) : undefined;
}

/** Runs the .sql files that have not run yet, in order of their names, each in a transaction, and records them; `before` each. */
export function migrate(db: Db, folder: string, before?: (name: string) => void): void {
  const begun = db.prepare("SELECT 1 FROM sqlite_master WHERE name = 'migration'").get() !== undefined;
  db.exec('CREATE TABLE IF NOT EXISTS migration (name TEXT PRIMARY KEY, applied_at TEXT NOT NULL) STRICT');
  const done = new Set(
    db
      .prepare<[], { name: string }>('SELECT name FROM migration')
      .all()
      .map((row) => row.name),
  );
  for (const name of readdirSync(folder)
    .filter((file) => file.endsWith('.sql'))
    .sort()) {
    if (done.has(name)) continue;
    // An empty database has nothing to keep.
    if (begun && done.size > 0) before?.(name);
    db.transaction(() => {
      db.exec(readFileSync(join(folder, name), 'utf8'));
      db.prepare('INSERT INTO migration (name, applied_at) VALUES (?, ?)').run(name, new Date().toISOString());
    })();
  }
}

let shared: Db | undefined;

/** The one database of a running server; on each day it is used a copy of it is made beside the work. */
export function database(): Db {
  if (!shared) {
    shared = openDatabase(dataFolder());
    endWell(shared);
  }
  const day = new Date().toDateString();
  if (day !== copiedOn) {
    copiedOn = day;
    backUpToday(shared, dataFolder()).catch((error: unknown) =>
      log.error({ err: error }, 'the copy of the day failed'),
    );
  }
  return shared;
}

let copiedOn: string | undefined;

/** What runs when the end is asked for has so long to finish (ms). */
const GRACE = 200;

/** Asked to end, the server lets what runs finish, brings all that is saved into the one file, and ends without a fault. */
function endWell(db: Db): void {
  const end = () =>
    setTimeout(() => {
      try {
        db.pragma('wal_checkpoint(TRUNCATE)');
        db.close();
      } catch (error) {
        log.error({ err: error }, 'the database could not be closed; what was saved is safe beside it');
      }
      process.exit(0);
    }, GRACE);
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, end);
}
