import { existsSync, mkdirSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { lastCopy } from './copies.js';
import { root } from './root.js';

/** Where the database lives: the setting ALCOVE_DATA, else `data` in the project, wherever it is started from. */
export function dataFolder(): string {
  return process.env.ALCOVE_DATA ? resolve(process.env.ALCOVE_DATA) : join(root, 'data');
}

/** A database that cannot be used as it is found, in one sentence a maker can act on. */
export class DatabaseError extends Error {}

/** Lies beside a database once it holds a shop, so that one that has gone is missed. */
const MARK = 'shop.mark';

/** The database of a folder. */
export const databaseIn = (folder: string) => join(folder, 'alcove.db');

/** What may lie in a folder of Alcove's that is no shop yet: what was made before the database was. */
const OWN = /^(alcove\.db|shop\.mark|access\.json|sessions\.json|backups|log|demo)/;
/** Others may write in a folder with one of these. */
const OTHERS_WRITE = 0o022;

/**
 * Makes the folder of a shop, for its owner alone. One that is there already is taken as it is, never tightened; where it
 * holds other things, or others may write in it, it is refused: who can change the folder can change the shop.
 */
export function takeFolder(folder: string): void {
  const made = mkdirSync(folder, { recursive: true, mode: 0o700 });
  if (made !== undefined || isShop(folder)) return;
  const other = readdirSync(folder).find((name) => !OWN.test(name));
  const open = (statSync(folder).mode & OTHERS_WRITE) !== 0 && process.platform !== 'win32';
  if (other === undefined && !open) return;
  throw new DatabaseError(
    `The folder ${folder} ${other === undefined ? 'may be written in by others' : `holds other things ("${other}")`}, and a shop wants one of its own. Nothing was changed in it. Name a folder that is not there yet with ALCOVE_DATA, such as ${join(folder, 'alcove')}.`,
  );
}

const isShop = (folder: string) => existsSync(join(folder, MARK)) || existsSync(databaseIn(folder));

/** Says beside a database that it holds a shop. */
export function markShop(folder: string): void {
  if (existsSync(join(folder, MARK))) return;
  writeFileSync(join(folder, MARK), 'A shop of Alcove lies in this folder, in alcove.db.\n', { mode: 0o600 });
}

/** Length of a file; nothing where there is none. */
const lengthOf = (file: string) => statSync(file, { throwIfNoEntry: false })?.size ?? 0;

/** Two that start at once in an empty folder: the one that makes the database has written its first page by then (ms). */
const BEING_MADE = 1500;

/**
 * A shop whose database is gone, or empty, is not quietly begun anew; nor is what its log still holds thrown away, as
 * opening an empty database beside it would.
 */
export function refuseMissing(folder: string): void {
  const file = databaseIn(folder);
  const log = `${file}-wal`;
  const isMissing = () => lengthOf(file) === 0;
  const marked = existsSync(join(folder, MARK));
  if (!isMissing() || !(marked || lengthOf(log) > 0)) return;
  // In a folder that was no shop yet another program may just be making one.
  const until = Date.now() + (marked ? 0 : BEING_MADE);
  while (existsSync(file) && Date.now() < until) {
    if (!isMissing()) return;
    Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 50);
  }
  if (!isMissing()) return;
  const what = existsSync(file) ? 'is empty' : 'is not there';
  const held =
    lengthOf(log) > 0
      ? 'Its log alcove.db-wal is still there and may hold all of it: npm run restore -- --log tries that.'
      : '';
  throw new DatabaseError(
    [
      `There was a shop in ${folder}, and its database alcove.db ${what}.`,
      lastCopy(folder),
      held,
      marked ? `To begin an empty shop instead, delete ${MARK}${held ? ' and alcove.db-wal' : ''} there.` : '',
    ]
      .filter(Boolean)
      .join(' '),
  );
}
