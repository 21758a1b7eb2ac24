import { randomBytes } from 'node:crypto';
import { chmodSync, copyFileSync, existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';

/** So many daily copies, and so many made before migrations, are kept. */
const KEPT = 14;

/** A copy of the database, by the day it was made or what it was made before. */
export interface Backup {
  /** `2026-11-28`, or `2026-11-28-before-003-editions` */
  readonly name: string;
  readonly file: string;
  readonly madeAt: Date;
  readonly bytes: number;
}

const folderOf = (data: string) => join(data, 'backups');
const DAILY = /^\d{4}-\d{2}-\d{2}$/;
const today = (now: Date) => now.toISOString().slice(0, 10);

/** All copies there are, the latest first. */
export function backupsIn(data: string): Backup[] {
  const folder = folderOf(data);
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .filter((name) => name.endsWith('.db'))
    .map((name): Backup => {
      const file = join(folder, name);
      const { mtime, size } = statSync(file);
      return { name: name.slice(0, -'.db'.length), file, madeAt: mtime, bytes: size };
    })
    .sort((a, b) => b.madeAt.getTime() - a.madeAt.getTime());
}

function place(data: string, name: string): string {
  const folder = folderOf(data);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  return join(folder, `${name}.db`);
}

/** Finishes a copy: it gets its name only once it is whole. */
function finish(data: string, partial: string, file: string): void {
  chmodSync(partial, 0o600);
  renameSync(partial, file);
  const all = backupsIn(data);
  for (const kind of [all.filter(({ name }) => DAILY.test(name)), all.filter(({ name }) => !DAILY.test(name))])
    for (const { file: old } of kind.slice(KEPT)) rmSync(old, { force: true });
}

/** The day's copy by the database's own online backup, while it goes on being used; none where there is one already. */
export async function backUpToday(db: Database.Database, data: string, now = new Date()): Promise<string | undefined> {
  const file = place(data, today(now));
  if (existsSync(file)) return undefined;
  const partial = `${file}.${process.pid}.part`;
  rmSync(partial, { force: true });
  await db.backup(partial);
  finish(data, partial, file);
  return file;
}

/** A copy of the database as it is before a migration, made in one go. */
export function backUpBefore(db: Database.Database, data: string, migration: string, now = new Date()): string {
  const file = place(data, `${today(now)}-before-${migration.replace(/\.sql$/, '')}`);
  const partial = `${file}.${process.pid}.part`;
  rmSync(partial, { force: true });
  db.prepare('VACUUM INTO ?').run(partial);
  finish(data, partial, file);
  return file;
}

/** Marks a copy that is put in place of the database: versions that windows hold are of another time. */
function beginEpoch(file: string): void {
  const db = new Database(file);
  try {
    const known = db.prepare("SELECT 1 FROM sqlite_master WHERE name = 'identity'").get();
    if (known) db.prepare('UPDATE identity SET epoch = ?').run(randomBytes(8).toString('hex'));
  } finally {
    db.close();
  }
}

export type Restored =
  | { readonly ok: true; readonly jobs: number; readonly kept: string | undefined }
  | { readonly ok: false; readonly message: string };

/**
 * Puts a copy in the place of the database. What stood there is kept beside it. Refused while a server uses the database,
 * and for a copy that is not whole.
 */
export function restore(data: string, name: string, now = new Date()): Restored {
  const backup = backupsIn(data).find((each) => each.name === name);
  if (!backup) return { ok: false, message: `There is no copy "${name}" in ${folderOf(data)}.` };
  const jobs = jobsIn(backup.file);
  if (jobs === undefined) return { ok: false, message: `The copy "${name}" is damaged itself; take an older one.` };
  const file = join(data, 'alcove.db');
  if (isInUse(file)) return { ok: false, message: 'A running Alcove uses this database. Stop it first.' };
  const fresh = `${file}.part`;
  copyFileSync(backup.file, fresh);
  chmodSync(fresh, 0o600);
  beginEpoch(fresh);
  let kept: string | undefined;
  if (existsSync(file)) {
    kept = join(data, `alcove-before-restore-${now.toISOString().replaceAll(/[:.]/g, '-')}.db`);
    renameSync(file, kept);
    // The log belongs to what it stood beside.
    for (const end of ['-wal', '-shm']) if (existsSync(file + end)) renameSync(file + end, kept + end);
  }
  renameSync(fresh, file);
  return { ok: true, jobs, kept };
}

/** How many jobs a copy holds; undefined where it cannot be read whole. */
function jobsIn(file: string): number | undefined {
  try {
    const db = new Database(file, { readonly: true });
    try {
      if (db.pragma('quick_check(1)', { simple: true }) !== 'ok') return undefined;
      return (db.prepare('SELECT count(*) AS jobs FROM job WHERE deleted_at IS NULL').get() as { jobs: number }).jobs;
    } finally {
      db.close();
    }
  } catch {
    return undefined;
  }
}

/** True where another program has the database open; one that cannot be opened at all is nobody's. */
function isInUse(file: string): boolean {
  if (!existsSync(file)) return false;
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
