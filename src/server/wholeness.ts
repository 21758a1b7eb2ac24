import Database from 'better-sqlite3';

/** What looking through a database file found: how many jobs it holds, or why it is not whole. */
export type Examined = { readonly ok: true; readonly jobs: number } | { readonly ok: false; readonly why: string };

/** Looks through a database file that nobody else writes to meanwhile, or through its log: page by page, row by row. */
export function examine(file: string): Examined {
  try {
    const db = new Database(file, { readonly: true, fileMustExist: true });
    try {
      return examineOpen(db);
    } finally {
      db.close();
    }
  } catch (error) {
    return { ok: false, why: error instanceof Error ? error.message : String(error) };
  }
}

/** The same for one that is open. */
export function examineOpen(db: Database.Database): Examined {
  const found = db.pragma('integrity_check(1)', { simple: true });
  if (found !== 'ok') return { ok: false, why: String(found) };
  const [loose] = db.pragma('foreign_key_check') as { table: string }[];
  if (loose) return { ok: false, why: `a row of ${loose.table} names another that is not there` };
  if (!db.prepare("SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = 'job'").get())
    return { ok: false, why: 'it holds no shop' };
  const { jobs } = db.prepare('SELECT count(*) AS jobs FROM job WHERE deleted_at IS NULL').get() as { jobs: number };
  return { ok: true, jobs };
}
