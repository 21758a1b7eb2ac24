import { produce } from 'immer';
import * as z from 'zod/mini';
import { decidedAt, isRemoval, placeOf } from '../core/changes/index.js';
import { headOf, type Job, readTouched } from '../core/document/index.js';
import { applyEdits, type Edit, EditPathError, editSchema } from '../core/job/index.js';
import { keepChecked, writtenOf } from './checked.js';
import { dropContent, storeHead } from './content.js';
import type { Db } from './database.js';
import { hasSnapshot, prune, recordRevision, savedSince, takeSnapshot, wantsSnapshot } from './history.js';
import { assemble, epochOf, type JobRow, jobRow, now, putCabinet, refuseTooLarge, storedDocument } from './jobs.js';
import { invalid, Refusal } from './refusal.js';

const editsSchema = z.array(editSchema).check(z.maxLength(20_000));

/** One save: what was decided since the version it names. */
export const saveSchema = z.strictObject({
  version: z.int().check(z.minimum(1)),
  /** Of the database the version was read from; another one says that a copy was brought back since. */
  epoch: z.optional(z.string().check(z.maxLength(60))),
  /** Of this save alone: when it comes again, because its answer was lost, it is known. */
  id: z.optional(
    z.string().check(z.regex(/^[a-zA-Z0-9-]{8,60}$/, 'an id of letters, digits and hyphens was expected')),
  ),
  label: z._default(z.string().check(z.maxLength(200)), 'edit'),
  edits: editsSchema,
  /** What gave way to another window's edits: kept in the history, not carried out. */
  setAside: z.optional(editsSchema),
});
export type Save = z.infer<typeof saveSchema>;

export interface Saved {
  readonly version: number;
  readonly updatedAt: string;
}

/** The save of an id, where it was carried out already. */
function savedBefore(db: Db, jobId: string, saveId: string | undefined): Saved | undefined {
  if (saveId === undefined) return undefined;
  return db
    .prepare<[string, string], Saved>(
      'SELECT version, saved_at AS updatedAt FROM revision WHERE job_id = ? AND save_id = ?',
    )
    .get(jobId, saveId);
}

/** Saves edits. A save that names an older version is refused with the present state, and nothing is lost. */
export function saveEdits(db: Db, id: string, save: Save): Saved {
  const saved = db.transaction(() => carryOut(db, id, save)).immediate();
  prune(db, id, saved.version);
  return saved;
}

function carryOut(db: Db, id: string, save: Save): Saved {
  const row = jobRow(db, id);
  const done = savedBefore(db, id, save.id);
  if (done) return done;
  refuseStale(db, row, save);
  if (save.edits.length === 0 && !save.setAside?.length)
    throw new Refusal(422, 'empty', 'This change says nothing: edits were expected.');
  const stored = storedDocument(db, row);
  // A job stored in an older form of the document comes forward whole: no row may stay behind its head.
  const comesForward = stored === undefined;
  const before = stored?.document ?? assemble(db, row);
  const next = edited(before, save.edits);
  if (!hasSnapshot(db, id)) takeSnapshot(db, id, row.version, before);
  refuseTooLarge(next, sizeOf(db, row, save.edits));
  const version = row.version + 1;
  const at = now();
  write(db, row, before, next, save.edits, comesForward);
  db.prepare('UPDATE job SET version = ?, updated_at = ? WHERE id = ?').run(version, at, id);
  if (comesForward || save.edits.some((edit) => !placeOf(edit).startsWith('cabinets/'))) writeHead(db, row, next);
  const { edits, setAside } = save;
  recordRevision(db, id, version, save.label, at, { edits, ...(setAside?.length ? { setAside } : {}) }, save.id);
  if (comesForward || wantsSnapshot(db, id)) takeSnapshot(db, id, version, next);
  // Only what was touched is checked: all of it is good where all of it was before.
  if (!stored || stored.checked) keepChecked(id, writtenOf(db, jobRow(db, id)), next);
  return { version, updatedAt: at };
}

/** About how many characters a job has, with edits that are to be carried out. */
function sizeOf(db: Db, { id, head, house, hardware }: JobRow, edits: readonly Edit[]): number {
  const stored = db
    .prepare<[string, string | null, string | null], { size: number }>(
      `SELECT (SELECT coalesce(sum(length(document)), 0) FROM cabinet WHERE job_id = ?)
            + (SELECT coalesce(sum(length(text)), 0) FROM content WHERE hash IN (?, ?)) AS size`,
    )
    .get(id, house, hardware);
  return (stored?.size ?? 0) + head.length + JSON.stringify(edits).length;
}

function writeHead(db: Db, { id, house: oldHouse, hardware: oldHardware }: JobRow, next: Job): void {
  const { head, house, hardware } = storeHead(db, headOf(next));
  db.prepare('UPDATE job SET name = ?, unit = ?, head = ?, house = ?, hardware = ? WHERE id = ?').run(
    next.name,
    next.display.unit,
    head,
    house,
    hardware,
    id,
  );
  dropContent(db, [oldHouse, oldHardware]);
}

function refuseStale(db: Db, row: JobRow, { version, epoch }: Save): void {
  const present = epochOf(db);
  const restored = epoch !== undefined && epoch !== present;
  if (row.version === version && !restored) return;
  const current = {
    version: row.version,
    epoch: present,
    document: assemble(db, row),
    saved: restored ? undefined : savedSince(db, row.id, version, row.version),
  };
  throw new Refusal(
    409,
    restored || version > row.version ? 'restored' : 'stale',
    restored || version > row.version
      ? `An earlier state of the shop was brought back: the job stands at version ${row.version} of it.`
      : `This job was saved elsewhere since: it stands at version ${row.version}, the change was made to version ${version}.`,
    [],
    { current },
  );
}

/** The job as the edits leave it, the one before as it was; refused where they lead nowhere or leave what cannot be. */
function edited(before: Job, edits: readonly Edit[]): Job {
  let next: Job;
  try {
    next = produce(before, (draft) => {
      for (const edit of edits) carryOutOn(draft as Job, edit);
    });
  } catch (error) {
    if (error instanceof EditPathError)
      throw new Refusal(422, 'nowhere', `This change cannot be carried out: ${error.message}.`);
    // A value where a group was expected, or the like.
    if (error instanceof TypeError)
      throw new Refusal(422, 'nowhere', 'This change cannot be carried out: one of its places is none of a job.');
    throw error;
  }
  const read = readTouched(next, edits.map(placeOf));
  if (!read.ok) throw invalid(read.errors);
  return read.value;
}

function carryOutOn(job: Job, edit: Edit): void {
  const place = placeOf(edit);
  if (isNamed(edit, place)) throw new EditPathError(`${place} goes by another id`);
  if (isRemoval(edit) && decidedAt(job, place) === undefined)
    throw new EditPathError(`there is nothing at ${place} to take away`);
  applyEdits(job, [edit]);
}

/** An entry keeps the id it has: whatever names it would lose it. */
function isNamed(edit: Edit, place: string): boolean {
  if (place.endsWith('/id')) return true;
  const value = 'value' in edit ? edit.value : undefined;
  const id = typeof value === 'object' && value !== null ? (value as { id?: unknown }).id : undefined;
  return id !== undefined && id !== place.slice(place.lastIndexOf('/') + 1);
}

/** What of a job no size of a cabinet comes from, or only its own cabinet's. */
const FIGURES_NOTHING: ReadonlySet<string> = new Set(['cabinets', 'name', 'note', 'display', 'standing', 'layouts']);

/** Writes the cabinets that are different. */
function write(db: Db, row: JobRow, before: Job, next: Job, edits: readonly Edit[], comesForward: boolean): void {
  const touched = new Set(
    edits.map((edit) => placeOf(edit).split('/')).flatMap(([list, id]) => (list === 'cabinets' && id ? [id] : [])),
  );
  const stays = new Set(next.cabinets.map(({ id }) => id));
  const gone = db.prepare('DELETE FROM cabinet WHERE job_id = ? AND id = ?');
  const placed = new Map(before.cabinets.map(({ id }, at) => [id, at]));
  for (const { id } of before.cabinets) if (!stays.has(id)) gone.run(row.id, id);
  const move = db.prepare('UPDATE cabinet SET position = ? WHERE job_id = ? AND id = ?');
  // What stands to the right of a changed cabinet may meet it otherwise: its summary is figured again as well.
  const forget = db.prepare('UPDATE cabinet SET stale = 1 WHERE job_id = ? AND id = ?');
  next.cabinets.forEach((cabinet, position) => {
    const { id, leftNeighbour } = cabinet;
    if (comesForward || touched.has(id)) putCabinet(db, row.id, cabinet, position);
    else if (placed.get(id) !== position) move.run(position, row.id, id);
    if (leftNeighbour !== null && touched.has(leftNeighbour) && !touched.has(id)) forget.run(row.id, id);
  });
  // The head decides for every cabinet: they are figured again.
  if (edits.every(({ path }) => FIGURES_NOTHING.has(path.split('/')[0] ?? ''))) return;
  db.prepare('UPDATE cabinet SET stale = 1 WHERE job_id = ?').run(row.id);
  db.prepare('UPDATE built SET parts = NULL WHERE job_id = ?').run(row.id);
}
