import { chmodSync, closeSync, existsSync, openSync, readdirSync, readFileSync, readSync, statSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { backUpBefore, CopyError } from './backup.js';
import { lastCopy } from './copies.js';
import { DatabaseError, databaseIn, dataFolder, markShop, refuseMissing, takeFolder } from './folder.js';
import { setConcern } from './health.js';
import { log } from './log.js';
import { Refusal } from './refusal.js';
import { root } from './root.js';

export { DatabaseError, dataFolder } from './folder.js';

export type Db = Database.Database;

const MIGRATIONS_FOLDER = join(root, 'src', 'server', 'migrations');

/**
 * Opens (or creates) the database in a folder and brings its schema up to date. Only its owner may look into it; a save
 * that was acknowledged is on the disk, whatever happens to the power. One that is damaged, or was written by a newer
 * Alcove, is refused in words and left as it is.
 */
export function openDatabase(folder: string, migrations = MIGRATIONS_FOLDER): Db {
  takeFolder(folder);
  const file = databaseIn(folder);
  refuseMissing(folder);
  if (isCutShort(file))
    throw new DatabaseError(`The database ${file} is damaged: its end is missing. ${lastCopy(folder)}`);
  const db = new Database(file);
  try {
    db.pragma('busy_timeout = 5000');
    patiently(() => db.pragma('journal_mode = WAL'));
    // A commit waits until the disk has it: a power cut takes nothing that was answered as saved.
    db.pragma('synchronous = FULL');
    db.pragma('foreign_keys = ON');
    const [{ quick_check: checked } = { quick_check: 'nothing was read' }] = db.pragma('quick_check(1)') as {
      quick_check: string;
    }[];
    if (checked !== 'ok') throw new DatabaseError(`The database ${file} is damaged (${checked}). ${lastCopy(folder)}`);
    refuseNewer(db, migrations, file);
    migrate(db, migrations, (name) => backUpBefore(db, folder, name));
    for (const name of [file, `${file}-wal`, `${file}-shm`]) if (existsSync(name)) chmodSync(name, 0o600);
    markShop(folder);
  } catch (error) {
    db.close();
    if (isDamage(error))
      throw new DatabaseError(`The database ${file} is damaged and cannot be read. ${lastCopy(folder)}`);
    throw error;
  }
  return withStatementsKept(db);
}

/** The same, with every statement made ready once: making one ready takes longer than most of them run. */
function withStatementsKept(db: Db): Db {
  const ready = new Map<string, Database.Statement>();
  const prepare = db.prepare.bind(db) as (sql: string) => Database.Statement;
  db.prepare = ((sql: string) => {
    const known = ready.get(sql) ?? prepare(sql);
    ready.set(sql, known);
    return known;
  }) as typeof db.prepare;
  return db;
}

/** A start waits so long for another one that is under way (ms), looking again after each so many. */
const PATIENCE = 10_000;
const AGAIN = 50;

/** Two that change how a database is logged in one moment are told at once that it is locked, whatever was asked: it is tried again. */
function patiently(act: () => void): void {
  const until = Date.now() + PATIENCE;
  for (;;)
    try {
      act();
      return;
    } catch (error) {
      if (!String(codeOf(error)).startsWith('SQLITE_BUSY') || Date.now() > until) throw error;
      Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, AGAIN);
    }
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

/** What the system says of a folder that cannot be made or written in. */
const CLOSED: ReadonlySet<unknown> = new Set(['EACCES', 'EPERM', 'EROFS', 'ENOTDIR', 'ENOENT']);

/** True for what the system says of the shop's own folder, and of what lies in it. */
function isFolderClosed(error: unknown): boolean {
  const { path } = error as { readonly path?: unknown };
  const folder = dataFolder();
  // It may not be there yet, and what is above it closed.
  return CLOSED.has(codeOf(error)) && typeof path === 'string' && (path.startsWith(folder) || folder.startsWith(path));
}

/** What failed in the database, as an answer: what it is, and where waiting helps how long; undefined for anything else. */
export function databaseRefusal(error: unknown): Refusal | undefined {
  if (error instanceof DatabaseError || error instanceof CopyError) return new Refusal(503, 'database', error.message);
  const code = String(codeOf(error) ?? '');
  const kept = 'Nothing was changed; what you did is still in this window.';
  const [word, message, wait] = code.startsWith('SQLITE_FULL')
    ? ['disk-full', `The disk is full, so this could not be saved. ${kept} Make room on it, then save again.`]
    : code.startsWith('SQLITE_READONLY') || code.startsWith('SQLITE_CANTOPEN') || isFolderClosed(error)
      ? [
          'read-only',
          `The data folder ${dataFolder()} cannot be written. ${kept} Make it writable for whoever runs Alcove, then try again.`,
        ]
      : code.startsWith('SQLITE_BUSY') || code.startsWith('SQLITE_LOCKED')
        ? ['locked', `Another program holds the database. ${kept} It is tried again in a moment.`, 2]
        : code.startsWith('SQLITE_CORRUPT') || code.startsWith('SQLITE_NOTADB')
          ? ['damaged', `The database is damaged and can no longer be read. ${kept} Stop Alcove and look at its log.`]
          : code.startsWith('SQLITE_IOERR')
            ? ['disk', `The disk did not take it. ${kept} Look at the disk, then save again.`]
            : [];
  return word && message ? new Refusal(503, word, message, [], {}, wait) : undefined;
}

/**
 * Runs the .sql files that have not run yet, in order of their names, each in a transaction, and records them; `before`
 * each. Two programs that start together take turns.
 */
export function migrate(db: Db, folder: string, before?: (name: string) => void): void {
  const begun = db.prepare("SELECT 1 FROM sqlite_master WHERE name = 'migration'").get() !== undefined;
  db.exec('CREATE TABLE IF NOT EXISTS migration (name TEXT PRIMARY KEY, applied_at TEXT NOT NULL) STRICT');
  const hasRun = db.prepare<[string]>('SELECT 1 FROM migration WHERE name = ?');
  const files = readdirSync(folder)
    .filter((file) => file.endsWith('.sql'))
    .sort();
  // An empty database has nothing to keep.
  const keeps = begun && db.prepare('SELECT 1 FROM migration LIMIT 1').get() !== undefined;
  for (const name of files) {
    if (hasRun.get(name)) continue;
    if (keeps) before?.(name);
    db.transaction(() => {
      if (hasRun.get(name)) return;
      db.exec(readFileSync(join(folder, name), 'utf8'));
      db.prepare('INSERT INTO migration (name, applied_at) VALUES (?, ?)').run(name, new Date().toISOString());
    }).immediate();
  }
}

/** The database of a running server, and which file it was opened from. One for the host and all that it runs. */
interface Open {
  readonly db: Db;
  readonly folder: string;
  readonly file: bigint;
}

const SLOT = Symbol.for('alcove.database');
const slot = globalThis as { [SLOT]?: Open | undefined };

/** What keeps a shop from being opened, in words; undefined for what nobody could do anything about. */
export const saidOf = (error: unknown): string | undefined => databaseRefusal(error)?.message;

/** Opens the shop's database at the start of a server. One that cannot be used is told; each request then says it again. */
export function openShop(): void {
  try {
    database();
  } catch (error) {
    const refusal = databaseRefusal(error);
    if (!refusal) throw error;
    setConcern('database', refusal.message);
    console.error(`alcove: ${refusal.message}`);
  }
}

/**
 * The one database of a running server. Refused when its file is no longer where it was opened: nothing that is written
 * then would be found again.
 */
export function database(): Db {
  if (slot[SLOT] === undefined) {
    slot[SLOT] = open(dataFolder());
    setConcern('database', undefined);
  }
  assertInPlace();
  return slot[SLOT].db;
}

/** The file of the running server's database, for those that read it on another thread. */
export const databaseFile = (): string => databaseIn(dataFolder());

function open(folder: string): Open {
  const db = openDatabase(folder);
  return { db, folder, file: fileNumber(folder) ?? 0n };
}

const fileNumber = (folder: string) => statSync(databaseIn(folder), { bigint: true, throwIfNoEntry: false })?.ino;

function assertInPlace(): void {
  const opened = slot[SLOT];
  if (opened && fileNumber(opened.folder) !== opened.file)
    throw new DatabaseError(
      `The data folder ${opened.folder} was moved, deleted or put in place of another while Alcove runs. Nothing was saved. Put it back, or stop Alcove and start it again.`,
    );
}

/** Writes to the database; what was written is acknowledged only while its file is where it was opened. */
export function written<T>(act: (db: Db) => T): T {
  const value = act(database());
  assertInPlace();
  return value;
}

/** The same for what is written on another thread, in the same file. */
export async function writtenElsewhere<T>(act: (file: string) => Promise<T>): Promise<T> {
  database();
  const value = await act(databaseFile());
  assertInPlace();
  return value;
}

/** Brings all that is saved into the one file, and lets go of it. */
export function closeDatabase(): void {
  const opened = slot[SLOT];
  if (!opened) return;
  try {
    opened.db.pragma('wal_checkpoint(TRUNCATE)');
    opened.db.close();
  } catch (error) {
    log.error({ err: error }, 'the database could not be closed; what was saved is safe beside it');
  }
  slot[SLOT] = undefined;
}
