import type { CabinetSummary, JobSummary } from '../core/present/index.js';
import { countBin } from './bin.js';
import { whyNotFigured } from './compute/background.js';
import type { Db } from './database.js';
import { openConcerns } from './health.js';

/** The shop as its first page shows it. */
export interface ShopNow {
  readonly jobs: readonly JobSummary[];
  /** So many jobs lie in the bin. */
  readonly binned: number;
  /** What is wrong with the shop as a whole. */
  readonly concerns: readonly string[];
}

export const shopNow = (db: Db): ShopNow => ({ jobs: listJobs(db), binned: countBin(db), concerns: openConcerns() });

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
  cutInVain: number;
  pending: number;
}

/** All jobs, latest first, each with small elevations and open findings, as they were figured last. */
export function listJobs(db: Db): JobSummary[] {
  return db
    .prepare<[number], ListRow>(
      `SELECT job.id, job.name, job.version, job.updated_at AS updatedAt, job.unit,
              coalesce(counted.cabinets, 0) AS cabinetCount,
              coalesce(counted.stops, 0) AS stops,
              coalesce(counted.warnings, 0) AS warnings,
              coalesce(counted.amiss, 0) + job.amiss AS cutInVain,
              coalesce(behind.cabinets, 0) AS pending,
              (SELECT '[' || group_concat(summary) || ']' FROM (SELECT summary FROM cabinet WHERE job_id = job.id ORDER BY position LIMIT ?)) AS summaries
         FROM job
         LEFT JOIN (SELECT job_id, count(*) AS cabinets, sum(stops) AS stops, sum(warnings) AS warnings, sum(amiss) AS amiss
                      FROM cabinet INDEXED BY cabinet_counts GROUP BY job_id) AS counted ON counted.job_id = job.id
         LEFT JOIN (SELECT job_id, count(*) AS cabinets
                      FROM cabinet INDEXED BY cabinet_stale WHERE stale = 1 GROUP BY job_id) AS behind ON behind.job_id = job.id
        WHERE deleted_at IS NULL ORDER BY job.updated_at DESC, job.id`,
    )
    .all(SHOWN_CABINETS)
    .map(({ summaries, ...row }) => {
      const why = row.pending > 0 ? whyNotFigured(row.id, row.version) : undefined;
      const cabinets = why ? [] : (JSON.parse(summaries ?? '[]') as CabinetSummary[]);
      return { ...row, cabinets, ...(why ? { unreadable: why, pending: 0 } : {}) };
    });
}
