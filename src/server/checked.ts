import { freeze } from 'immer';
import type { Job } from '../core/decisions/index.js';
import { textOf } from './content.js';
import type { Db } from './database.js';

/** What is written of a job, text by text. */
export interface Written {
  readonly head: string;
  readonly house: string | null;
  readonly hardware: string | null;
  readonly cabinets: readonly string[];
}

interface Checked {
  readonly written: Written;
  readonly document: Job;
  readonly size: number;
}

/** So many characters of jobs are kept, the ones asked for last. */
const KEPT = 32_000_000;

const jobs = new Map<string, Checked>();
let kept = 0;

/** What is written of a job in the database. */
export function writtenOf(
  db: Db,
  { id, head, house, hardware }: { id: string; head: string; house: string | null; hardware: string | null },
): Written {
  const cabinets = db
    .prepare<[string], { document: string }>('SELECT document FROM cabinet WHERE job_id = ? ORDER BY position')
    .all(id)
    .map(({ document }) => document);
  return { head, house: textOf(db, house), hardware: textOf(db, hardware), cabinets };
}

/** The document that was made of exactly these texts and checked; undefined where they were not read yet, or let go. */
export function checkedBefore(id: string, written: Written): Job | undefined {
  const known = jobs.get(id);
  if (!known || !isSame(known.written, written)) return undefined;
  // The one asked for last is let go last.
  jobs.delete(id);
  jobs.set(id, known);
  return known.document;
}

/** Keeps the document that these texts say, checked; nobody may change it from now on. */
export function keepChecked(id: string, written: Written, document: Job): Job {
  letGo(id);
  const { head, house, hardware, cabinets } = written;
  const size = [head, house ?? '', hardware ?? '', ...cabinets].reduce((sum, { length }) => sum + length, 0);
  if (size > KEPT / 4) return document;
  jobs.set(id, { written, size, document: freeze(document, true) });
  kept += size;
  for (const oldest of jobs.keys()) {
    if (kept <= KEPT) break;
    letGo(oldest);
  }
  return document;
}

function letGo(id: string): void {
  kept -= jobs.get(id)?.size ?? 0;
  jobs.delete(id);
}

function isSame(a: Written, b: Written): boolean {
  return (
    a.head === b.head &&
    a.house === b.house &&
    a.hardware === b.hardware &&
    a.cabinets.length === b.cabinets.length &&
    a.cabinets.every((cabinet, at) => cabinet === b.cabinets[at])
  );
}
