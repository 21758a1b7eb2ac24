import { EDITION } from '../core/corrections/index.js';
import type { Job } from '../core/document/index.js';
import type { CabinetSummary, JobSummary } from '../core/present/index.js';
import { type Db, databaseRefusal } from './database.js';
import { figured } from './figured.js';
import { readStoredJob } from './jobs.js';
import { Refusal } from './refusal.js';

/** So many cabinets of a job are drawn in a list. */
const SHOWN_CABINETS = 8;

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
