import { randomBytes } from 'node:crypto';
import { z } from 'zod';
import { type Built, builtOf, EDITION } from '../core/corrections/index.js';
import {
  type Cabinet,
  cabinetSchema,
  type FieldError,
  JOB_VERSION,
  type Job,
  type JobHead,
  jobHeadSchema,
  readJob,
} from '../core/document/index.js';
import { type CabinetSummary, type JobSummary, summariseCabinet } from '../core/present/index.js';
import { findingsBetween, solveCabinet } from '../core/solve.js';
import { bringForward, keepBuilt } from './corrections.js';
import { type Db, databaseRefusal } from './database.js';
import { Refusal } from './refusal.js';

/** A job as it is stored: the document and the number of the save it stands at. */
export interface StoredJob {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
  readonly document: Job;
}

const SHOWN_CABINETS = 8;

/** One save: what of the job is different from the version it names. */
export const changeSchema = z.strictObject({
  version: z.int().min(1),
  /** Of this save alone: when it comes again, because its answer was lost, it is known. */
  id: z
    .string()
    .regex(/^[a-zA-Z0-9-]{8,60}$/, 'an id of letters, digits and hyphens was expected')
    .optional(),
  label: z.string().max(200).default('edit'),
  head: jobHeadSchema.optional(),
  cabinets: z.array(cabinetSchema).max(1000).optional(),
  removed: z.array(z.string().max(60)).max(1000).optional(),
  order: z.array(z.string().max(60)).max(1000).optional(),
});
export type Change = z.infer<typeof changeSchema>;

interface JobRow {
  id: string;
  name: string;
  version: number;
  head: string;
  updated_at: string;
}

const now = () => new Date().toISOString();
const newId = () => randomBytes(6).toString('hex');

function splitDocument(document: Job): { head: JobHead; cabinets: Cabinet[] } {
  const { cabinets, ...head } = document;
  return { head, cabinets };
}

/** Stores a valid document as a new job. */
export function createJob(db: Db, document: Job, label = 'begun'): StoredJob {
  const { head, cabinets } = splitDocument(document);
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

function putCabinet(db: Db, jobId: string, cabinet: Cabinet, position: number, job: Job): void {
  const { summary, built } = figured(job, cabinet);
  db.prepare(
    `INSERT INTO cabinet (job_id, id, position, document, summary, stops, warnings)
     VALUES (?, ?, ?, ?, ?, ?, ?)
     ON CONFLICT (job_id, id) DO UPDATE SET position = excluded.position, document = excluded.document,
       summary = excluded.summary, stops = excluded.stops, warnings = excluded.warnings`,
  ).run(jobId, cabinet.id, position, JSON.stringify(cabinet), JSON.stringify(summary), summary.stops, summary.warnings);
  keepBuilt(db, jobId, cabinet.id, built);
}

/** A cabinet as a list shows it, with what was found between it and its left neighbour; and what it comes to. */
function figured(job: Job, cabinet: Cabinet): { summary: CabinetSummary; built: Built } {
  const solved = solveCabinet(job, cabinet);
  const left = job.cabinets.find(({ id }) => id === cabinet.leftNeighbour);
  const summary = summariseCabinet(solved, left ? findingsBetween(job, solveCabinet(job, left), solved) : []);
  return { summary, built: builtOf(solved) };
}

function recordRevision(
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

function jobRow(db: Db, id: string): JobRow {
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

function assemble(db: Db, row: JobRow): Job {
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

/** What a change says that no job could mean: nothing at all, one cabinet twice, cabinets there are none of. */
function refuseMuddled(before: Job, { head, cabinets, removed, order }: Change): void {
  if (!head && !cabinets && !removed && !order)
    throw new Refusal(
      422,
      'empty',
      'This change says nothing: a head, cabinets, what is removed or an order was expected.',
    );
  const put = (cabinets ?? []).map(({ id }) => id);
  const twice = [put, removed ?? [], order ?? []].flatMap((ids) => ids.filter((id, at) => ids.indexOf(id) !== at));
  if (twice.length > 0) throw new Refusal(422, 'twice', `The cabinet "${twice[0]}" is named twice in one change.`);
  const known = new Set(before.cabinets.map(({ id }) => id));
  const gone = (removed ?? []).find((id) => !known.has(id));
  if (gone !== undefined) throw new Refusal(422, 'no-such-cabinet', `The job has no cabinet "${gone}" to remove.`);
  const both = put.find((id) => removed?.includes(id));
  if (both !== undefined)
    throw new Refusal(422, 'twice', `The cabinet "${both}" is both changed and removed in one change.`);
  const after = new Set([...known, ...put]);
  for (const id of removed ?? []) after.delete(id);
  const stray = (order ?? []).find((id) => !after.has(id));
  if (stray !== undefined)
    throw new Refusal(422, 'no-such-cabinet', `The job has no cabinet "${stray}" to put in order.`);
}

/** The save of an id, where it was carried out already. */
function savedBefore(db: Db, jobId: string, saveId: string | undefined) {
  if (saveId === undefined) return undefined;
  return db
    .prepare<[string, string], { version: number; updatedAt: string }>(
      'SELECT version, saved_at AS updatedAt FROM revision WHERE job_id = ? AND save_id = ?',
    )
    .get(jobId, saveId);
}

/** Saves a change. A change that names an older version is refused with the present state, and nothing is lost. */
export function saveChange(db: Db, id: string, change: Change): { version: number; updatedAt: string } {
  return db
    .transaction(() => {
      const row = jobRow(db, id);
      const done = savedBefore(db, id, change.id);
      if (done) return done;
      if (row.version !== change.version) {
        const current = {
          version: row.version,
          document: assemble(db, row),
          changed: changedSince(db, id, change.version),
        };
        throw new Refusal(
          409,
          'stale',
          change.version > row.version
            ? `This change was made to version ${change.version}; the job stands at version ${row.version}, as if an earlier state had been brought back.`
            : `This job was saved elsewhere since: it stands at version ${row.version}, the change was made to version ${change.version}.`,
          [],
          { current },
        );
      }
      const before = assemble(db, row);
      refuseMuddled(before, change);
      bringForward(db, id, before);
      const next = applyChange(before, change);
      const read = readJob(next);
      if (!read.ok) throw invalid(read.errors);
      // A job stored in an older form of the document comes forward whole: no row may stay behind its head.
      const comesForward = (JSON.parse(row.head) as { version?: number }).version !== JOB_VERSION;
      const written: Change = comesForward ? { ...change, ...splitDocument(read.value) } : change;
      writeChange(db, row, written, read.value);
      const version = row.version + 1;
      const at = now();
      db.prepare('UPDATE job SET name = ?, unit = ?, version = ?, head = ?, updated_at = ? WHERE id = ?').run(
        read.value.name,
        read.value.display.unit,
        version,
        JSON.stringify(splitDocument(read.value).head),
        at,
        id,
      );
      const { version: _from, id: saveId, label, ...rows } = written;
      recordRevision(db, id, version, label, at, rows, saveId);
      return { version, updatedAt: at };
    })
    .immediate();
}

export function invalid(errors: readonly FieldError[]): Refusal {
  const first = errors[0];
  const place = first?.where || first?.path;
  const where = place ? ` (${place})` : '';
  return new Refusal(422, 'invalid', `${first?.message ?? 'The document is not valid.'}${where}`, errors);
}

function applyChange(job: Job, change: Change): Job {
  const removed = new Set(change.removed ?? []);
  const put = new Map((change.cabinets ?? []).map((cabinet) => [cabinet.id, cabinet]));
  const kept = job.cabinets
    .filter((cabinet) => !removed.has(cabinet.id))
    .map((cabinet) => put.get(cabinet.id) ?? cabinet);
  const known = new Set(kept.map((cabinet) => cabinet.id));
  const cabinets = [...kept, ...[...put.values()].filter((cabinet) => !known.has(cabinet.id))];
  const order = change.order;
  if (order) {
    const place = new Map(order.map((id, at) => [id, at]));
    cabinets.sort((a, b) => (place.get(a.id) ?? order.length) - (place.get(b.id) ?? order.length));
  }
  return { ...(change.head ?? splitDocument(job).head), cabinets };
}

function writeChange(db: Db, row: JobRow, change: Change, next: Job): void {
  const { cabinets } = next;
  for (const id of change.removed ?? []) db.prepare('DELETE FROM cabinet WHERE job_id = ? AND id = ?').run(row.id, id);
  const put = new Set((change.cabinets ?? []).map((cabinet) => cabinet.id));
  const move = db.prepare('UPDATE cabinet SET position = ? WHERE job_id = ? AND id = ?');
  cabinets.forEach((cabinet, position) => {
    if (put.has(cabinet.id)) putCabinet(db, row.id, cabinet, position, next);
    else move.run(position, row.id, cabinet.id);
  });
  // What stands to the right of a changed cabinet may meet it otherwise: its summary is figured again as well.
  const forget = db.prepare('UPDATE cabinet SET summary = NULL WHERE job_id = ? AND id = ?');
  for (const { id, leftNeighbour } of cabinets)
    if (leftNeighbour !== null && put.has(leftNeighbour) && !put.has(id)) forget.run(row.id, id);
  // The head decides for every cabinet: they are figured again when they are next listed.
  if (!change.head) return;
  db.prepare('UPDATE cabinet SET summary = NULL WHERE job_id = ?').run(row.id);
  db.prepare('UPDATE built SET parts = NULL WHERE job_id = ?').run(row.id);
}

/** What was saved after a version: labels, oldest first. */
function changedSince(db: Db, id: string, version: number): { version: number; label: string; savedAt: string }[] {
  return db
    .prepare<[string, number], { version: number; label: string; savedAt: string }>(
      'SELECT version, label, saved_at AS savedAt FROM revision WHERE job_id = ? AND version > ? ORDER BY version LIMIT 50',
    )
    .all(id, version);
}

interface ListRow {
  id: string;
  name: string;
  version: number;
  updatedAt: string;
  unit: 'mm' | 'in';
  cabinetCount: number;
  summaries: string;
  stops: number;
  warnings: number;
}

/** All jobs, latest first, each with small elevations and open findings. */
export function listJobs(db: Db): JobSummary[] {
  const unreadable = refreshSummaries(db);
  return db
    .prepare<[number], ListRow>(
      `SELECT job.id, job.name, job.version, job.updated_at AS updatedAt, job.unit,
              coalesce(counted.cabinets, 0) AS cabinetCount,
              coalesce(counted.stops, 0) AS stops,
              coalesce(counted.warnings, 0) AS warnings,
              (SELECT '[' || group_concat(summary) || ']' FROM (SELECT summary FROM cabinet WHERE job_id = job.id ORDER BY position LIMIT ?)) AS summaries
         FROM job
         LEFT JOIN (SELECT job_id, count(*) AS cabinets, sum(stops) AS stops, sum(warnings) AS warnings
                      FROM cabinet INDEXED BY cabinet_counts GROUP BY job_id) AS counted ON counted.job_id = job.id
        WHERE deleted_at IS NULL ORDER BY job.updated_at DESC, job.id`,
    )
    .all(SHOWN_CABINETS)
    .map(({ summaries, ...row }) => {
      const why = unreadable.get(row.id);
      const cabinets = why ? [] : (JSON.parse(summaries ?? '[]') as CabinetSummary[]);
      return { ...row, cabinets, ...(why ? { unreadable: why } : {}) };
    });
}

/** Figures what changed since the last list; says of each job that cannot be read why, and goes on with the others. */
function refreshSummaries(db: Db): Map<string, string> {
  const unreadable = new Map<string, string>();
  const stale = db
    .prepare<[], { id: string }>(
      'SELECT DISTINCT job_id AS id FROM cabinet JOIN job ON job.id = job_id WHERE summary IS NULL AND deleted_at IS NULL',
    )
    .all();
  const write = db.prepare('UPDATE cabinet SET summary = ?, stops = ?, warnings = ? WHERE job_id = ? AND id = ?');
  // What it came to by earlier rules stays, until the job is opened and what has changed is told.
  const build = db.prepare('UPDATE built SET parts = ? WHERE job_id = ? AND cabinet_id = ? AND edition = ?');
  for (const { id } of stale) {
    const document = readable(db, id, unreadable);
    if (!document) continue;
    db.transaction(() => {
      for (const cabinet of document.cabinets) {
        const { summary, built } = figured(document, cabinet);
        write.run(JSON.stringify(summary), summary.stops, summary.warnings, id, cabinet.id);
        build.run(JSON.stringify(built), id, cabinet.id, EDITION);
      }
    })();
  }
  return unreadable;
}

function readable(db: Db, id: string, unreadable: Map<string, string>): Job | undefined {
  try {
    return readStoredJob(db, id).document;
  } catch (error) {
    if (databaseRefusal(error)) throw error;
    unreadable.set(id, error instanceof Refusal ? error.message : 'This job cannot be read as it is stored.');
    return undefined;
  }
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
