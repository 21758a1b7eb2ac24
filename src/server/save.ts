import { z } from 'zod';
import {
  cabinetSchema,
  headOf,
  JOB_VERSION,
  type Job,
  jobHeadSchema,
  readJob,
  withChange,
} from '../core/document/index.js';
import { bringForward } from './corrections.js';
import type { Db } from './database.js';
import { assemble, type JobRow, jobRow, now, putCabinet, recordRevision } from './jobs.js';
import { invalid, Refusal } from './refusal.js';

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
      const next = withChange(before, change);
      const read = readJob(next);
      if (!read.ok) throw invalid(read.errors);
      // A job stored in an older form of the document comes forward whole: no row may stay behind its head.
      const comesForward = (JSON.parse(row.head) as { version?: number }).version !== JOB_VERSION;
      const written: Change = comesForward
        ? { ...change, head: headOf(read.value), cabinets: read.value.cabinets }
        : change;
      writeChange(db, row, written, read.value);
      const version = row.version + 1;
      const at = now();
      db.prepare('UPDATE job SET name = ?, unit = ?, version = ?, head = ?, updated_at = ? WHERE id = ?').run(
        read.value.name,
        read.value.display.unit,
        version,
        JSON.stringify(headOf(read.value)),
        at,
        id,
      );
      const { version: _from, id: saveId, label, ...rows } = written;
      recordRevision(db, id, version, label, at, rows, saveId);
      return { version, updatedAt: at };
    })
    .immediate();
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
