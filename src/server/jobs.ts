import { randomBytes } from 'node:crypto';
import { EDITION } from '../core/commands/index.js';
import { type Cabinet, headOf, type Job, writeJob } from '../core/decisions/index.js';
import { JOB_VERSION, readJob } from '../core/solve/index.js';
import { checkedBefore, keepChecked, type Written, writtenOf } from './checked.js';
import { headFrom, storeHead } from './content.js';
import type { Db } from './database.js';
import { recordRevision, takeSnapshot } from './history.js';
import { LARGEST_BODY } from './limits.js';
import { PROGRAM } from './program.js';
import { Refusal } from './refusal.js';

/** A job as it is stored: the document and the number of the save it stands at. */
export interface StoredJob {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
  /** Of the database it lies in: another one after a copy was brought back. */
  readonly epoch: string;
  /** The program that tells of it. */
  readonly program: string;
  readonly document: Job;
}

/** A job's row, as the database has it. */
export interface JobRow {
  id: string;
  name: string;
  version: number;
  head: string;
  house: string | null;
  hardware: string | null;
  updated_at: string;
}

export const now = () => new Date().toISOString();
const newId = () => randomBytes(6).toString('hex');

/** Changes when a copy of the database is brought back: versions from before say nothing any more. */
export function epochOf(db: Db): string {
  const row = db.prepare<[], { database: string; epoch: string }>('SELECT database, epoch FROM identity').get();
  return row ? `${row.database}-${row.epoch}` : '';
}

/** A document of so many characters may be too large as a file; a smaller one is not, however it is set out. */
const MAY_BE_TOO_LARGE = LARGEST_BODY / 8;

/** What the app keeps it takes back: a job whose file could not be opened again is refused. */
export function refuseTooLarge(document: Job, characters: number): void {
  if (characters < MAY_BE_TOO_LARGE || Buffer.byteLength(writeJob(document)) <= LARGEST_BODY) return;
  throw new Refusal(
    413,
    'too-large',
    `As a file this job would be over ${LARGEST_BODY / 1024 / 1024} MB, more than can be opened again. Divide it into two jobs.`,
  );
}

/** Stores a valid document as a new job. */
export function createJob(db: Db, document: Job, label = 'begun'): StoredJob {
  refuseTooLarge(document, JSON.stringify(document).length);
  const { cabinets } = document;
  const id = newId();
  const at = now();
  db.transaction(() => {
    const { head, house, hardware } = storeHead(db, headOf(document));
    db.prepare(
      `INSERT INTO job (id, name, unit, version, head, house, hardware, created_at, updated_at, seen_edition)
       VALUES (?, ?, ?, 1, ?, ?, ?, ?, ?, ?)`,
    ).run(id, document.name, document.display.unit, head, house, hardware, at, at, EDITION);
    for (const [position, cabinet] of cabinets.entries()) putCabinet(db, id, cabinet, position);
    recordRevision(db, id, 1, label, at, 'whole');
    takeSnapshot(db, id, 1, document);
  })();
  return { id, version: 1, updatedAt: at, epoch: epochOf(db), program: PROGRAM, document };
}

/** Puts a cabinet into its place in a job. What it comes to is figured afterwards, away from the save. */
export function putCabinet(db: Db, jobId: string, cabinet: Cabinet, position: number): void {
  db.prepare(
    `INSERT INTO cabinet (job_id, id, position, document) VALUES (?, ?, ?, ?)
     ON CONFLICT (job_id, id) DO UPDATE SET position = excluded.position, document = excluded.document, stale = 1`,
  ).run(jobId, cabinet.id, position, JSON.stringify(cabinet));
  db.prepare(
    `INSERT INTO built (job_id, cabinet_id, edition, parts) VALUES (?, ?, ?, NULL)
     ON CONFLICT (job_id, cabinet_id) DO UPDATE SET edition = excluded.edition, parts = NULL`,
  ).run(jobId, cabinet.id, EDITION);
}

/** The row of a job that is there; a refusal otherwise. */
export function jobRow(db: Db, id: string): JobRow {
  const row = db
    .prepare<[string], JobRow>(
      'SELECT id, name, version, head, house, hardware, updated_at FROM job WHERE id = ? AND deleted_at IS NULL',
    )
    .get(id);
  if (!row) throw new Refusal(404, 'no-such-job', 'There is no job here; it may have been deleted.');
  return row;
}

/** Reads a job. A stored document is validated and migrated like any other. */
export function readStoredJob(db: Db, id: string): StoredJob {
  const row = jobRow(db, id);
  return {
    id,
    version: row.version,
    updatedAt: row.updated_at,
    epoch: epochOf(db),
    program: PROGRAM,
    document: assemble(db, row),
  };
}

/** The document of a row, validated and brought forward. */
export function assemble(db: Db, row: JobRow): Job {
  const written = writtenOf(db, row);
  const known = checkedBefore(row.id, written);
  if (known) return known;
  const read = readJob(asWritten(row, written));
  if (!read.ok) {
    const [first] = read.errors;
    throw new Refusal(
      422,
      'unreadable',
      `This job cannot be read as it is stored: ${first?.where ? `${first.where}: ` : ''}${first?.message ?? 'it is not valid.'} Nothing was changed in it.`,
      read.errors,
    );
  }
  return keepChecked(row.id, written, read.value);
}

/**
 * The document of a row, checked when it was stored and not again, and whether it was read and checked since this program
 * began; undefined where it has an older form than that of today.
 */
export function storedDocument(db: Db, row: JobRow): { readonly document: Job; readonly checked: boolean } | undefined {
  const written = writtenOf(db, row);
  const known = checkedBefore(row.id, written);
  const document = known ?? asWritten(row, written);
  return isOfToday(document) ? { document, checked: known !== undefined } : undefined;
}

/** What is stored of a job, in the form it is stored in. */
export const storedUnchecked = (db: Db, row: JobRow): unknown => asWritten(row, writtenOf(db, row));

/** What the texts of a job say, unchecked. */
function asWritten({ house }: JobRow, written: Written): unknown {
  const cabinets = written.cabinets.map((cabinet) => JSON.parse(cabinet) as unknown);
  return { ...headFrom(written, house !== null), cabinets };
}

/** True for a document that was checked when it was stored, in the form of today. */
function isOfToday(document: unknown): document is Job {
  return (document as { version?: unknown }).version === JOB_VERSION;
}

/** A copy under a new name: "Reading room, copy". */
export function duplicateJob(db: Db, id: string): StoredJob {
  const { document } = readStoredJob(db, id);
  return createJob(db, { ...document, name: `${document.name.slice(0, 110)}, copy` }, `copied from ${document.name}`);
}
