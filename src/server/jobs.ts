import { randomBytes } from 'node:crypto';
import { EDITION } from '../core/corrections/index.js';
import { type Cabinet, headOf, type Job, readJob } from '../core/document/index.js';
import { keepBuilt } from './corrections.js';
import type { Db } from './database.js';
import { figured } from './figured.js';
import { Refusal } from './refusal.js';

/** A job as it is stored: the document and the number of the save it stands at. */
export interface StoredJob {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
  readonly document: Job;
}

/** A job's row, as the database has it. */
export interface JobRow {
  id: string;
  name: string;
  version: number;
  head: string;
  updated_at: string;
}

export const now = () => new Date().toISOString();
const newId = () => randomBytes(6).toString('hex');

/** Stores a valid document as a new job. */
export function createJob(db: Db, document: Job, label = 'begun'): StoredJob {
  const head = headOf(document);
  const { cabinets } = document;
  const id = newId();
  const at = now();
  db.transaction(() => {
    db.prepare(
      'INSERT INTO job (id, name, unit, version, head, created_at, updated_at, seen_edition) VALUES (?, ?, ?, 1, ?, ?, ?, ?)',
    ).run(id, head.name, head.display.unit, JSON.stringify(head), at, at, EDITION);
    for (const [position, cabinet] of cabinets.entries()) putCabinet(db, id, cabinet, position, document);
    recordRevision(db, id, 1, label, at, { head, cabinets });
  })();
  return { id, version: 1, updatedAt: at, document };
}

/** Puts a cabinet into its place in a job, with what it comes to. */
export function putCabinet(db: Db, jobId: string, cabinet: Cabinet, position: number, job: Job): void {
  const { summary, built } = figured(job, cabinet);
  db.prepare(
    `INSERT INTO cabinet (job_id, id, position, document, summary, stops, warnings)
     VALUES (?, ?, ?, ?, ?, ?, ?)
     ON CONFLICT (job_id, id) DO UPDATE SET position = excluded.position, document = excluded.document,
       summary = excluded.summary, stops = excluded.stops, warnings = excluded.warnings`,
  ).run(jobId, cabinet.id, position, JSON.stringify(cabinet), JSON.stringify(summary), summary.stops, summary.warnings);
  keepBuilt(db, jobId, cabinet.id, built);
}

/** Writes down what a save changed. */
export function recordRevision(
  db: Db,
  jobId: string,
  version: number,
  label: string,
  at: string,
  change: unknown,
  saveId?: string,
): void {
  db.prepare('INSERT INTO revision (job_id, version, label, saved_at, change, save_id) VALUES (?, ?, ?, ?, ?, ?)').run(
    jobId,
    version,
    label,
    at,
    JSON.stringify(change),
    saveId ?? null,
  );
}

/** The row of a job that is there; a refusal otherwise. */
export function jobRow(db: Db, id: string): JobRow {
  const row = db
    .prepare<[string], JobRow>(
      'SELECT id, name, version, head, updated_at FROM job WHERE id = ? AND deleted_at IS NULL',
    )
    .get(id);
  if (!row) throw new Refusal(404, 'no-such-job', 'There is no job here; it may have been deleted.');
  return row;
}

/** Reads a job. A stored document is validated and migrated like any other. */
export function readStoredJob(db: Db, id: string): StoredJob {
  const row = jobRow(db, id);
  return { id, version: row.version, updatedAt: row.updated_at, document: assemble(db, row) };
}

/** The document of a row, validated and brought forward. */
export function assemble(db: Db, row: JobRow): Job {
  const cabinets = db
    .prepare<[string], { document: string }>('SELECT document FROM cabinet WHERE job_id = ? ORDER BY position')
    .all(row.id)
    .map((cabinet) => JSON.parse(cabinet.document) as unknown);
  const read = readJob({ ...(JSON.parse(row.head) as object), cabinets });
  if (!read.ok) {
    const [first] = read.errors;
    throw new Refusal(
      422,
      'unreadable',
      `This job cannot be read as it is stored: ${first?.where ? `${first.where}: ` : ''}${first?.message ?? 'it is not valid.'} Nothing was changed in it.`,
      read.errors,
    );
  }
  return read.value;
}

/** Puts a job in the bin; `restoreJob` takes it out again. */
export function deleteJob(db: Db, id: string): void {
  jobRow(db, id);
  db.prepare('UPDATE job SET deleted_at = ? WHERE id = ?').run(now(), id);
}

export function restoreJob(db: Db, id: string): void {
  const { changes } = db.prepare('UPDATE job SET deleted_at = NULL WHERE id = ? AND deleted_at IS NOT NULL').run(id);
  if (changes === 0) throw new Refusal(404, 'no-such-job', 'There is no deleted job of this kind to bring back.');
}

/** A copy under a new name: "Reading room, copy". */
export function duplicateJob(db: Db, id: string): StoredJob {
  const { document } = readStoredJob(db, id);
  return createJob(db, { ...document, name: `${document.name.slice(0, 110)}, copy` }, `copied from ${document.name}`);
}
