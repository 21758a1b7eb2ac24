import { dropContent } from './content.js';
import type { Db } from './database.js';
import { dayOf } from './days.js';
import { jobRow, now } from './jobs.js';
import { Refusal } from './refusal.js';

/** A job lies in the bin for so many days on which the shop was used. */
export const KEPT_DAYS = 90;

/** A job in the bin. */
export interface Binned {
  readonly id: string;
  readonly name: string;
  readonly cabinets: number;
  readonly deletedAt: string;
  /** For so many days of use it stays. */
  readonly daysLeft: number;
}

/** Puts a job in the bin; `restoreJob` takes it out again. */
export function deleteJob(db: Db, id: string): void {
  jobRow(db, id);
  db.prepare('UPDATE job SET deleted_at = ?, deleted_day = ? WHERE id = ?').run(now(), dayOf(db), id);
}

export function restoreJob(db: Db, id: string): { readonly version: number } {
  const row = db
    .prepare<[string], { version: number }>('SELECT version FROM job WHERE id = ? AND deleted_at IS NOT NULL')
    .get(id);
  if (!row) throw new Refusal(404, 'no-such-job', 'There is no deleted job of this kind to bring back.');
  db.prepare('UPDATE job SET deleted_at = NULL, deleted_day = NULL WHERE id = ?').run(id);
  return row;
}

/** What lies in the bin, what was put there last first. */
export function listBin(db: Db): Binned[] {
  const day = dayOf(db);
  return db
    .prepare<[], Omit<Binned, 'daysLeft'> & { since: number }>(
      `SELECT job.id, job.name, deleted_at AS deletedAt, coalesce(deleted_day, 0) AS since,
              (SELECT count(*) FROM cabinet WHERE job_id = job.id) AS cabinets
         FROM job WHERE deleted_at IS NOT NULL ORDER BY since DESC, deleted_at DESC, job.id`,
    )
    .all()
    .map(({ since, ...row }) => ({ ...row, daysLeft: Math.max(0, KEPT_DAYS - (day - since)) }));
}

/** How many jobs lie there. */
export const countBin = (db: Db): number =>
  db.prepare<[], { jobs: number }>('SELECT count(*) AS jobs FROM job WHERE deleted_at IS NOT NULL').get()?.jobs ?? 0;

/** Lets go for good of what lay in the bin long enough, by the count of days. Returns how many jobs that were. */
export function emptyBin(db: Db, day: number): number {
  return db.transaction(() => {
    const gone = db
      .prepare<[number], { id: string }>('SELECT id FROM job WHERE deleted_at IS NOT NULL AND deleted_day <= ?')
      .all(day - KEPT_DAYS);
    for (const { id } of gone) {
      const contents = db
        .prepare<[string, string], { house: string | null; hardware: string | null }>(
          'SELECT house, hardware FROM snapshot WHERE job_id = ? UNION SELECT house, hardware FROM job WHERE id = ?',
        )
        .all(id, id);
      db.prepare('DELETE FROM job WHERE id = ?').run(id);
      dropContent(
        db,
        contents.flatMap(({ house, hardware }) => [house, hardware]),
      );
    }
    return gone.length;
  })();
}
