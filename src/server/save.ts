import { produce } from 'immer';
import { decidedAt, editsBetween, isRemoval, placeOf } from '../core/commands/index.js';
import { type Edit, EditPathError, headOf, type Job } from '../core/decisions/index.js';
import { cutForNone, cutOtherwise } from '../core/shop/index.js';
import { applyEdits, JOB_VERSION, readJob, readTouched } from '../core/solve/index.js';
import type { Save } from './bodies.js';
import { keepChecked, writtenOf } from './checked.js';
import { dropContent, storeHead } from './content.js';
import type { Db } from './database.js';
import { hasSnapshot, recordRevision, savedSince, takeSnapshot, wantsSnapshot } from './history.js';
import {
  assemble,
  epochOf,
  type JobRow,
  jobRow,
  now,
  putCabinet,
  refuseTooLarge,
  storedDocument,
  storedUnchecked,
} from './jobs.js';
import { PROGRAM } from './program.js';
import { invalid, Refusal } from './refusal.js';

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
  return db.transaction(() => carryOut(db, id, save)).immediate();
}

/**
 * A window of an older program says its edits in words that may have come to mean something else: it is to be loaded anew,
 * and the program of today then sends what it left, saying in which form that is.
 */
function refuseOtherForms({ format = JOB_VERSION, program }: Save): void {
  if (format > JOB_VERSION)
    throw new Refusal(
      409,
      'newer-program',
      'This change comes from a newer Alcove than the one that runs here. It stays in the browser until that one runs again.',
    );
  if (format < JOB_VERSION && program !== PROGRAM)
    throw new Refusal(
      409,
      'older-program',
      'Alcove was renewed while this page was open. Load the page again: what was not saved yet is kept in this browser and is sent then.',
    );
}

function carryOut(db: Db, id: string, save: Save): Saved {
  const row = jobRow(db, id);
  const done = savedBefore(db, id, save.id);
  if (done) return done;
  refuseOtherForms(save);
  refuseStale(db, row, save);
  if (save.edits.length === 0 && !save.setAside?.length)
    throw new Refusal(422, 'empty', 'This change says nothing: edits were expected.');
  const stored = storedDocument(db, row);
  // A job stored in an older form of the document comes forward whole: no row may stay behind its head.
  const comesForward = stored === undefined;
  const before = stored?.document ?? assemble(db, row);
  const next = editedInOlderForm(db, row, save) ?? edited(before, save.edits);
  if (!hasSnapshot(db, id)) takeSnapshot(db, id, row.version, before);
  refuseTooLarge(next, sizeOf(db, row, save.edits));
  const version = row.version + 1;
  const at = now();
  write(db, row, before, next, save.edits, comesForward);
  db.prepare('UPDATE job SET version = ?, updated_at = ? WHERE id = ?').run(version, at, id);
  if (comesForward || save.edits.some((edit) => !placeOf(edit).startsWith('cabinets/'))) writeHead(db, row, next);
  const { setAside } = save;
  // What is said in an older form is kept in that of today.
  const edits = (save.format ?? JOB_VERSION) < JOB_VERSION ? editsBetween(before, next) : save.edits;
  recordRevision(db, id, version, save.label, at, { edits, ...(setAside?.length ? { setAside } : {}) }, save);
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

/**
 * Edits said in the form a job is still stored in, carried out there and brought forward with it; undefined for any other
 * save.
 */
function editedInOlderForm(db: Db, row: JobRow, { format = JOB_VERSION, edits }: Save): Job | undefined {
  if (format >= JOB_VERSION) return undefined;
  const stored = storedUnchecked(db, row) as Job;
  if (Number(stored.version) !== format) return undefined;
  inPlaces(() => {
    for (const edit of edits) carryOutOn(stored, edit);
  });
  const read = readJob(stored);
  if (!read.ok) throw invalid(read.errors);
  return read.value;
}

/** More edits than this are carried out on a copy: noting each change by itself takes longer than copying all. */
const MANY = 500;

/** The job as the edits leave it, the one before as it was; refused where they lead nowhere or leave what cannot be. */
function edited(before: Job, edits: readonly Edit[]): Job {
  const all = (job: Job) => {
    for (const edit of edits) carryOutOn(job, edit);
  };
  const next = inPlaces(() => {
    if (edits.length <= MANY) return produce(before, (draft) => all(draft as Job));
    const copy = structuredClone(before);
    all(copy);
    return copy;
  });
  const read = readTouched(next, [...new Set(edits.map(placeOf))]);
  if (!read.ok) throw invalid(read.errors);
  return read.value;
}

/** Carries something out on a job; an edit that leads nowhere in it is refused in words. */
function inPlaces<T>(act: () => T): T {
  try {
    return act();
  } catch (error) {
    if (error instanceof EditPathError)
      throw new Refusal(422, 'nowhere', `This change cannot be carried out: ${error.message}.`);
    // A value where a group was expected, or the like.
    if (error instanceof TypeError)
      throw new Refusal(422, 'nowhere', 'This change cannot be carried out: one of its places is none of a job.');
    throw error;
  }
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
  for (const id of withOtherPiecesCut(before, next)) forget.run(row.id, id);
  // The head decides for every cabinet: they are figured again.
  if (edits.every(({ path }) => FIGURES_NOTHING.has(path.split('/')[0] ?? ''))) return;
  db.prepare('UPDATE cabinet SET stale = 1 WHERE job_id = ?').run(row.id);
  db.prepare('UPDATE built SET parts = NULL WHERE job_id = ?').run(row.id);
}

/** Cabinets of which other pieces are cut than before; those of a cabinet that is gone are counted with the first there is. */
function withOtherPiecesCut(before: Job, next: Job): Iterable<string> {
  const recut = before.layouts !== next.layouts;
  const ids = (job: Job) => job.cabinets.map(({ id }) => id).join(' ');
  // Most saves change neither, and a job may have thousands of pieces.
  if (!recut && ids(before) === ids(next)) return [];
  const [first] = next.cabinets;
  const gone = first && cutForNone(next) !== cutForNone(before) ? [first.id] : [];
  return [...gone, ...(recut ? cutOtherwise(before.layouts ?? [], next.layouts ?? []) : [])];
}
