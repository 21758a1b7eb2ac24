import { mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import Database from 'better-sqlite3';

export type Db = Database.Database;

/** Where the database lives: the setting ALCOVE_DATA, else `data` in the project. */
export function dataFolder(): string {
  return resolve(process.env.ALCOVE_DATA ?? 'data');
}

const MIGRATIONS_FOLDER = resolve('src/server/migrations');

/** Opens (or creates) the database in a folder and brings its schema up to date. */
export function openDatabase(folder: string, migrations = MIGRATIONS_FOLDER): Db {
  mkdirSync(folder, { recursive: true });
  const db = new Database(join(folder, 'alcove.db'));
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = NORMAL');
  db.pragma('foreign_keys = ON');
  db.pragma('busy_timeout = 5000');
  migrate(db, migrations);
  return db;
}

/** Runs the .sql files that have not run yet, in order of their names, each in a transaction, and records them. */
export function migrate(db: Db, folder: string): void {
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
    db.transaction(() => {
      db.exec(readFileSync(join(folder, name), 'utf8'));
      db.prepare('INSERT INTO migration (name, applied_at) VALUES (?, ?)').run(name, new Date().toISOString());
    })();
  }
}

let shared: Db | undefined;

/** The one database of a running server. */
export function database(): Db {
  shared ??= openDatabase(dataFolder());
  return shared;
}
