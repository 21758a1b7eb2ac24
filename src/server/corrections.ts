import {
  type Built,
  builtOf,
  type CorrectedCabinet,
  type CorrectedJob,
  changesBetween,
  corrections,
  EDITION,
} from '../core/corrections/index.js';
import type { Job } from '../core/document/index.js';
import { type SolvedCabinet, solve } from '../core/solve.js';
import type { Db } from './database.js';

interface Kept {
  readonly edition: number;
  readonly before: Built | null;
  readonly after: Built;
}

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

/** Keeps what a cabinet came to by the rules of today. */
export function keepBuilt(db: Db, jobId: string, cabinetId: string, built: Built): void {
  db.prepare(
    `INSERT INTO built (job_id, cabinet_id, edition, parts) VALUES (?, ?, ?, ?)
     ON CONFLICT (job_id, cabinet_id) DO UPDATE SET edition = excluded.edition, parts = excluded.parts`,
  ).run(jobId, cabinetId, EDITION, JSON.stringify(built));
}

/**
 * Figures a stored job by the rules of today where it was last figured by earlier ones, and keeps what it came to by
 * those. Nothing of what was decided changes.
 */
export function bringForward(db: Db, jobId: string, document: Job): void {
  const behind = rowsOf(db, jobId).filter(({ edition }) => edition < EDITION);
  if (behind.length === 0) return;
  const solved = solvedById(document);
  const write = db.prepare(
    'UPDATE built SET parts = ?, edition = ?, corrected = ? WHERE job_id = ? AND cabinet_id = ?',
  );
  db.transaction(() => {
    for (const { id, edition, parts } of behind) {
      const cabinet = solved.get(id);
      if (!cabinet) continue;
      const after = builtOf(cabinet);
      const kept: Kept = { edition, before: parts === null ? null : (JSON.parse(parts) as Built), after };
      write.run(JSON.stringify(after), EDITION, JSON.stringify(kept), jobId, id);
    }
  })();
}

function solvedById(document: Job): ReadonlyMap<string, SolvedCabinet> {
  const { cabinets } = solve(document);
  return new Map(cabinets.map((each) => [each.cabinet.id, each]));
}

/** What corrections changed in a stored job since it was last figured by earlier rules. */
export function correctedJob(db: Db, { id: jobId, document }: { id: string; document: Job }): CorrectedJob {
  bringForward(db, jobId, document);
  const kept = new Map(
    rowsOf(db, jobId).flatMap(({ id, corrected }) =>
      corrected === null ? [] : [[id, JSON.parse(corrected) as Kept] as const],
    ),
  );
  if (kept.size === 0) return { seen: true, cabinets: [] };
  const cabinets = [...solvedById(document).values()].flatMap((solved): CorrectedCabinet[] => {
    const { id, number, name } = solved.cabinet;
    const was = kept.get(id);
    if (!was) return [];
    const changes = was.before ? changesBetween(was.before, was.after) : undefined;
    const causes = corrections
      .filter((each) => each.edition > was.edition && each.touches(solved))
      .map(({ what, why }) => ({ what, why }));
    const nothing = changes ? changes.length === 0 : causes.length === 0;
    return nothing ? [] : [{ id, number, name, changes, corrections: causes }];
  });
  const row = db.prepare<[string], { seen: number }>('SELECT seen_edition AS seen FROM job WHERE id = ?').get(jobId);
  return { seen: cabinets.length === 0 || (row?.seen ?? 1) >= EDITION, cabinets };
}

/** Somebody has looked at what changed. It can be opened again; what it came to before stays kept. */
export function correctionsSeen(db: Db, jobId: string): void {
  db.prepare('UPDATE job SET seen_edition = ? WHERE id = ?').run(EDITION, jobId);
}
