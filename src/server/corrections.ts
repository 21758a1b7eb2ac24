import { type CorrectedJob, EDITION } from '../core/commands/index.js';
import type { Job } from '../core/decisions/index.js';
import { figure } from './compute/pool.js';
import type { KeptBuilt, tasks } from './compute/tasks.js';
import type { Db } from './database.js';

/** Who figures: another thread in the server, the tasks themselves in a test. */
type Figure = {
  readonly [T in 'figure' | 'correct']: (asked: Parameters<(typeof tasks)[T]>[0]) => unknown;
};
const elsewhere: Figure = { figure: (asked) => figure('figure', asked), correct: (asked) => figure('correct', asked) };

interface Row {
  readonly id: string;
  readonly edition: number;
  readonly parts: string | null;
  readonly corrected: string | null;
}

const rowsOf = (db: Db, jobId: string) =>
  db
    .prepare<[string], Row>('SELECT cabinet_id AS id, edition, parts, corrected FROM built WHERE job_id = ?')
    .all(jobId);

/** True while something of a job was last figured by earlier rules. */
export function isBehind(db: Db, jobId: string): boolean {
  return db.prepare('SELECT 1 FROM built WHERE job_id = ? AND edition < ? LIMIT 1').get(jobId, EDITION) !== undefined;
}

/**
 * Figures a stored job by the rules of today where it was last figured by earlier ones, and keeps what it came to by
 * those. Nothing of what was decided changes.
 */
export async function bringForward(db: Db, jobId: string, job: Job, by: Figure = elsewhere): Promise<void> {
  const behind = rowsOf(db, jobId).filter(({ edition }) => edition < EDITION);
  if (behind.length === 0) return;
  const figured = (await by.figure({ job, ids: behind.map(({ id }) => id) })) as ReturnType<typeof tasks.figure>;
  const after = new Map(figured.map(({ id, built }) => [id, built]));
  const write = db.prepare(
    'UPDATE built SET parts = ?, edition = ?, corrected = ? WHERE job_id = ? AND cabinet_id = ? AND edition = ?',
  );
  db.transaction(() => {
    for (const { id, edition, parts } of behind) {
      const now = after.get(id);
      if (!now) continue;
      const kept: KeptBuilt = {
        edition,
        before: parts === null ? null : (JSON.parse(parts) as KeptBuilt['before']),
        after: now,
      };
      write.run(JSON.stringify(now), EDITION, JSON.stringify(kept), jobId, id, edition);
    }
  })();
}

/** What corrections changed in a stored job since it was last figured by earlier rules. */
export async function correctedJob(
  db: Db,
  { id: jobId, document }: { id: string; document: Job },
  by: Figure = elsewhere,
): Promise<CorrectedJob> {
  await bringForward(db, jobId, document, by);
  const kept = rowsOf(db, jobId).flatMap(({ id, corrected }) =>
    corrected === null ? [] : [[id, JSON.parse(corrected) as KeptBuilt] as const],
  );
  if (kept.length === 0) return { seen: true, cabinets: [] };
  const cabinets = (await by.correct({ job: document, kept })) as CorrectedJob['cabinets'];
  const row = db.prepare<[string], { seen: number }>('SELECT seen_edition AS seen FROM job WHERE id = ?').get(jobId);
  return { seen: cabinets.length === 0 || (row?.seen ?? 1) >= EDITION, cabinets };
}

/** Somebody has looked at what changed. It can be opened again; what it came to before stays kept. */
export function correctionsSeen(db: Db, jobId: string): void {
  db.prepare('UPDATE job SET seen_edition = ? WHERE id = ?').run(EDITION, jobId);
}
