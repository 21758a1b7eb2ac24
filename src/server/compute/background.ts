import { EDITION } from '../../core/commands/index.js';
import type { Job } from '../../core/decisions/index.js';
import { cutForNone } from '../../core/shop/index.js';
import { type Db, databaseFile, databaseRefusal } from '../database.js';
import { wantsPruning } from '../history.js';
import { readStoredJob } from '../jobs.js';
import { log } from '../log.js';
import { Refusal } from '../refusal.js';
import { figure, THREADS } from './pool.js';
import type { TaskCall, TaskResult } from './tasks.js';

/** Does the computing: on another thread in the server, at once in a test. */
export type Compute = (asked: TaskCall<'figure'>) => Promise<TaskResult<'figure'>> | TaskResult<'figure'>;

/** Why jobs could not be figured, by the version that could not. */
const failed = new Map<string, { readonly version: number; readonly why: string }>();

/** Why a job could not be figured as it stands; undefined where it was, or has not been tried. */
export function whyNotFigured(jobId: string, version: number): string | undefined {
  const known = failed.get(jobId);
  return known?.version === version ? known.why : undefined;
}

/** Jobs whose cabinets changed since they were figured last. */
function behind(db: Db): string[] {
  return db
    .prepare<[], { id: string; version: number }>(
      `SELECT DISTINCT job.id, job.version FROM cabinet INDEXED BY cabinet_stale JOIN job ON job.id = cabinet.job_id
        WHERE stale = 1 AND deleted_at IS NULL`,
    )
    .all()
    .filter(({ id, version }) => whyNotFigured(id, version) === undefined)
    .map(({ id }) => id);
}

let running = false;
let again = false;

/** Has what changed figured, job after job, away from every request. Asked while it runs, it goes on. */
export function figureSoon(db: Db): void {
  again = true;
  if (running) return;
  running = true;
  figureAll(db)
    // The answer is given already: what fails here is told in the log, and tried with the next save.
    .catch((error: unknown) => log.error({ err: error }, 'what changed could not be figured'))
    .finally(() => {
      running = false;
    });
}

/** Lets go of what is long ago in the history of a job that was saved, now and then, where no answer hangs on it. */
export function pruneSoon(id: string, version: number): void {
  if (!wantsPruning(version)) return;
  figure('prune', { file: databaseFile(), id, version }).catch((error: unknown) =>
    log.error({ err: error, job: id }, 'what is long ago could not be let go'),
  );
}

async function figureAll(db: Db): Promise<void> {
  while (again && db.open) {
    again = false;
    for (const id of behind(db)) await figureJob(db, id, (asked) => figure('figure', asked));
  }
}

/** Figures the changed cabinets of a job; when it is saved meanwhile, what was figured is let go and it is done again. */
export async function figureJob(db: Db, id: string, by: Compute): Promise<void> {
  let version = 0;
  try {
    const stored = readStoredJob(db, id);
    version = stored.version;
    const ids = db
      .prepare<[string], { id: string }>('SELECT id FROM cabinet WHERE job_id = ? AND stale = 1')
      .all(id)
      .map((row) => row.id);
    const figured = await inGroups(stored.document, ids, by);
    if (!db.open) return;
    if (!keep(db, id, version, figured, cutForNone(stored.document))) again = true;
  } catch (error) {
    if (!(error instanceof Refusal)) log.error({ err: error, job: id }, 'a job could not be figured');
    // What a database cannot do now it may do the next time.
    if (databaseRefusal(error) || !db.open) return;
    failed.set(id, { version: versionOf(db, id) ?? version, why: whyIn(error) });
  }
}

/** So many cabinets are figured in one go: whoever asks for something else meanwhile waits no longer than for them. */
const TOGETHER = 50;

/** Cabinets of a job, a group on each thread at a time. */
async function inGroups(job: Job, ids: readonly string[], by: Compute): Promise<TaskResult<'figure'>> {
  const groups = Array.from({ length: Math.ceil(ids.length / TOGETHER) }, (_, at) =>
    ids.slice(at * TOGETHER, (at + 1) * TOGETHER),
  );
  const byId = new Map(job.cabinets.map((cabinet) => [cabinet.id, cabinet]));
  const figured: TaskResult<'figure'>[] = [];
  const next = groups.entries();
  const lane = async () => {
    for (const [at, group] of next)
      figured[at] = await by({ job: { ...job, cabinets: withLeft(group, byId) }, ids: group });
  };
  await Promise.all(Array.from({ length: THREADS }, lane));
  return figured.flat();
}

/** Some cabinets of a job, and those they stand against. */
function withLeft(ids: readonly string[], byId: ReadonlyMap<string, Job['cabinets'][number]>): Job['cabinets'] {
  const wanted = new Set(ids.flatMap((id) => [id, byId.get(id)?.leftNeighbour ?? id]));
  return [...wanted].flatMap((id) => byId.get(id) ?? []);
}

const whyIn = (error: unknown) =>
  error instanceof Refusal ? error.message : 'This job cannot be figured as it is stored; the log has the details.';

const versionOf = (db: Db, id: string) =>
  db.prepare<[string], { version: number }>('SELECT version FROM job WHERE id = ?').get(id)?.version;

function keep(db: Db, id: string, version: number, figured: TaskResult<'figure'>, forNone: number): boolean {
  return db.transaction(() => {
    if (versionOf(db, id) !== version) return false;
    const write = db.prepare(
      'UPDATE cabinet SET summary = ?, stops = ?, warnings = ?, amiss = ?, stale = 0 WHERE job_id = ? AND id = ?',
    );
    db.prepare('UPDATE job SET amiss = ? WHERE id = ?').run(forNone, id);
    // What it came to by earlier rules stays, until the job is opened and what has changed is told.
    const build = db.prepare('UPDATE built SET parts = ? WHERE job_id = ? AND cabinet_id = ? AND edition = ?');
    for (const { id: cabinet, summary, built, amiss } of figured) {
      write.run(JSON.stringify(summary), summary.stops, summary.warnings, amiss, id, cabinet);
      build.run(JSON.stringify(built), id, cabinet, EDITION);
    }
    return true;
  })();
}
