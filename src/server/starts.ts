import { randomBytes } from 'node:crypto';
import { type Job, writeJob } from '../core/decisions/index.js';
import type { CabinetSummary } from '../core/present/index.js';
import type { Db } from './database.js';
import { Refusal } from './refusal.js';

/** A cabinet the shop starts others from, as it is listed. */
export interface Start {
  readonly id: string;
  readonly name: string;
  readonly savedAt: string;
  readonly summary: CabinetSummary;
}

/** So many are kept at most: a list one looks through. */
const MOST_STARTS = 300;

/** All starts of the shop, by their names. */
export function listStarts(db: Db): Start[] {
  return db
    .prepare<[], { id: string; name: string; savedAt: string; summary: string }>(
      'SELECT id, name, saved_at AS savedAt, summary FROM start ORDER BY name COLLATE NOCASE, id',
    )
    .all()
    .map(({ summary, ...row }) => ({ ...row, summary: JSON.parse(summary) as CabinetSummary }));
}

/** Keeps a job of one cabinet as a start; one of the same name is replaced. */
export function keepStart(db: Db, name: string, job: Job, summary: CabinetSummary): { id: string } {
  const known = db.prepare<[string], { id: string }>('SELECT id FROM start WHERE name = ? COLLATE NOCASE').get(name);
  const { count } = db.prepare<[], { count: number }>('SELECT count(*) AS count FROM start').get() ?? { count: 0 };
  if (!known && count >= MOST_STARTS)
    throw new Refusal(422, 'too-many', `There are ${MOST_STARTS} starts already; take one away first.`);
  const id = known?.id ?? randomBytes(6).toString('hex');
  db.prepare(
    `INSERT INTO start (id, name, document, summary, saved_at) VALUES (?, ?, ?, ?, ?)
     ON CONFLICT (id) DO UPDATE SET name = excluded.name, document = excluded.document, summary = excluded.summary, saved_at = excluded.saved_at`,
  ).run(id, name, writeJob(job), JSON.stringify(summary), new Date().toISOString());
  return { id };
}

/** The job of one cabinet that was kept, as the file it was kept as: reading brings it forward to today's format. */
export function startText(db: Db, id: string): string {
  const row = db.prepare<[string], { document: string }>('SELECT document FROM start WHERE id = ?').get(id);
  if (!row) throw noSuchStart();
  return row.document;
}

/** For a start that cannot be read any more. */
export function unreadable(why = 'it is damaged'): Refusal {
  return new Refusal(422, 'unreadable', `This start cannot be read: ${why}`);
}

export function removeStart(db: Db, id: string): void {
  const { changes } = db.prepare('DELETE FROM start WHERE id = ?').run(id);
  if (changes === 0) throw noSuchStart();
}

function noSuchStart(): Refusal {
  return new Refusal(404, 'no-such-start', 'There is no such start; it may have been taken away in another window.');
}
