/** Shops on disk, made by the functions the server uses, for tests of what can happen to them. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { countedIds, type Job, newCabinet } from '../../src/core/decisions/index.js';
import { newJob } from '../../src/core/solve/index.js';
import { type Db, openDatabase } from '../../src/server/database.js';
import { createJob, readStoredJob } from '../../src/server/jobs.js';
import { saveEdits } from '../../src/server/save.js';
import { decide } from './edit.js';
import { temporaryFolder } from './server.js';

/** A job of one base cabinet. */
export function jobNamed(name: string): Job {
  const job = newJob(name, 'metric');
  job.cabinets.push(newCabinet(job, 'base', countedIds()));
  return job;
}

/** A closed shop with jobs of these names. */
export function shopWith(...names: readonly string[]): { readonly data: string; readonly ids: readonly string[] } {
  const data = temporaryFolder();
  const db = openDatabase(data);
  const ids = names.map((name) => createJob(db, jobNamed(name)).id);
  db.close();
  return { data, ids };
}

/** Saves a width, as a window would. */
export function saveWidth(db: Db, id: string, width: number): number {
  const { version, document } = readStoredJob(db, id);
  const path = `cabinets/${document.cabinets[0]?.id}/size/width`;
  return saveEdits(db, id, { version, label: `width ${width}`, edits: [decide(path, width)] }).version;
}

/** A shop as a killed program leaves it: what was saved last is in the log beside the database. */
export function asKilled(folder: string): Readonly<Record<'db' | 'wal', Buffer>> {
  return { db: readFileSync(join(folder, 'alcove.db')), wal: readFileSync(join(folder, 'alcove.db-wal')) };
}
