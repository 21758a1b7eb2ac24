import { chmodSync, closeSync, fsyncSync, openSync, readdirSync, readSync, renameSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import Database from 'better-sqlite3';
import { type Backup, backupsIn, placeOfCopy } from './copies.js';
import { countDay, dayOf } from './days.js';
import { type Examined, examine } from './wholeness.js';

/** So many daily copies, and so many made before migrations, are kept. */
const KEPT = 14;

/** `2026-11-28`; `2026-11-28-2` where a clock was set back to a day that had one. */
const DAILY = /^\d{4}-\d{2}-\d{2}(-\d{1,3})?$/;
const dateOf = (now: Date) => now.toISOString().slice(0, 10);

/** Looks through a copy: at once, or on another thread. */
type Examine = (file: string) => Examined | Promise<Examined>;

/** Thrown for a copy that is not whole: it replaces none that is. */
export class CopyError extends Error {}

/**
 * The day's copy by the database's own online backup, while it goes on being used; none where there is one already. It
 * counts once it was looked through and found whole.
 */
export async function backUpToday(
  db: Database.Database,
  data: string,
  now = new Date(),
  look: Examine = examine,
): Promise<string | undefined> {
  const day = countDay(db, now);
  const copies = backupsIn(data);
  if (copies.some((copy) => DAILY.test(copy.name) && dayIn(copy) === day)) return undefined;
  const taken = new Set(copies.map(({ name }) => name));
  const file = placeOfCopy(data, freeName(dateOf(now), taken));
  const partial = partialOf(file);
  await db.backup(partial);
  refuseBroken(await look(alone(partial)), partial, file);
  finish(data, partial, file);
  return file;
}

/** A copy of the database as it is before a migration, made in one go. */
export function backUpBefore(db: Database.Database, data: string, migration: string, now = new Date()): string {
  const taken = new Set(backupsIn(data).map(({ name }) => name));
  const file = placeOfCopy(data, freeName(`${dateOf(now)}-before-${migration.replace(/\.sql$/, '')}`, taken));
  const partial = partialOf(file);
  db.prepare('VACUUM INTO ?').run(partial);
  refuseBroken(examine(alone(partial)), partial, file);
  finish(data, partial, file);
  return file;
}

function freeName(wanted: string, taken: ReadonlySet<string>): string {
  let name = wanted;
  for (let at = 2; taken.has(name); at += 1) name = `${wanted}-${at}`;
  return name;
}

const PART = /\.(\d+)\.part(-journal|-wal|-shm)?$/;

/** A copy that is being made, by the number of the program that makes it. */
function partialOf(file: string): string {
  const partial = `${file}.${process.pid}.part`;
  rmSync(partial, { force: true });
  return partial;
}

/** A copy stands in one file, without a log beside it. */
function alone(partial: string): string {
  const db = new Database(partial);
  try {
    db.pragma('journal_mode = DELETE');
  } finally {
    db.close();
  }
  return partial;
}

function refuseBroken(examined: Examined, partial: string, file: string): void {
  if (examined.ok) return;
  rmSync(partial, { force: true });
  throw new CopyError(`The copy ${file} was not whole (${examined.why}), so it was not kept; those from before stay.`);
}

/** Finishes a copy: it gets its name only once it is whole and on the disk; older ones than the last so many go. */
function finish(data: string, partial: string, file: string): void {
  chmodSync(partial, 0o600);
  toDisk(partial);
  renameSync(partial, file);
  const byAge = backupsIn(data)
    .map((copy) => ({ copy, day: dayIn(copy) }))
    .sort((a, b) => b.day - a.day || b.copy.madeAt.getTime() - a.copy.madeAt.getTime())
    .map(({ copy }) => copy);
  const isDaily = ({ name }: Backup) => DAILY.test(name);
  for (const kind of [byAge.filter(isDaily), byAge.filter((each) => !isDaily(each))])
    for (const old of kind.slice(KEPT)) if (old.file !== file) rmSync(old.file, { force: true });
}

/** Waits until the disk has a file. */
export function toDisk(file: string): void {
  const opened = openSync(file, 'r+');
  try {
    fsyncSync(opened);
  } finally {
    closeSync(opened);
  }
}

/** The day of the shop a copy was made on, by its own count; 0 for those from before days were counted. */
function dayIn({ file }: Backup): number {
  if (isLogged(file)) return 0;
  try {
    const db = new Database(file, { readonly: true });
    try {
      return dayOf(db);
    } finally {
      db.close();
    }
  } catch {
    return 0;
  }
}

/** True for a file whose header asks for a log: opening it would leave one beside it. */
function isLogged(file: string): boolean {
  const header = Buffer.alloc(20);
  const opened = openSync(file, 'r');
  try {
    readSync(opened, header, 0, header.length, 0);
  } finally {
    closeSync(opened);
  }
  return header[18] === 2;
}

/** Takes away what copies left behind that were being made when their program ended. */
export function clearPartial(data: string): void {
  const folder = dirname(placeOfCopy(data, 'x'));
  for (const name of readdirSync(folder)) {
    const maker = Number(PART.exec(name)?.[1] ?? Number.NaN);
    if (Number.isNaN(maker) || isRunning(maker)) continue;
    rmSync(join(folder, name), { force: true });
  }
}

/** True while a program of this number runs; this one clears what it made before it makes the next. */
function isRunning(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as { code?: unknown }).code === 'EPERM';
  }
}
