import { type SaveEntry, withEdits } from '../core/commands/index.js';
import { type Edit, type Job, type SavedChange, withChange } from '../core/decisions/index.js';
import { readJob } from '../core/solve/index.js';
import { dropContent, loadHead, storeHead } from './content.js';
import type { Db } from './database.js';
import { dayOf } from './days.js';
import { Refusal } from './refusal.js';

/** What one save did: its edits, and those of a side that gave way to another window's. */
export interface Recorded {
  readonly edits: readonly Edit[];
  readonly setAside?: readonly Edit[] | undefined;
}

/** Where a save comes from: the form of the document its edits are said in, and the program. */
export interface Origin {
  readonly format?: number | undefined;
  readonly program?: string | undefined;
}

/** So many saves are kept one by one, and all of so many days of use; of earlier days the last state each. */
const KEPT_SAVES = 500;
const KEPT_DAYS = 90;
/** Looked at for what is too old after each so many saves. */
const PRUNE_EVERY = 100;

/** So many saves are told one by one to a window that is behind. */
const MOST_TOLD = 2000;

interface RevisionRow {
  version: number;
  label: string;
  savedAt: string;
  change: string;
}

/** Writes down what a save did. */
export function recordRevision(
  db: Db,
  jobId: string,
  version: number,
  label: string,
  at: string,
  recorded: Recorded | 'whole',
  { id, format, program }: Origin & { readonly id?: string | undefined } = {},
): void {
  const change = JSON.stringify(recorded === 'whole' ? {} : recorded);
  db.prepare(
    `INSERT INTO revision (job_id, version, label, saved_at, change, save_id, day, format, program)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)`,
  ).run(jobId, version, label, at, change, id ?? null, dayOf(db), format ?? null, program ?? null);
}

/** Writes a state down whole. */
export function takeSnapshot(db: Db, jobId: string, version: number, { cabinets, ...rest }: Job): void {
  const { head, house, hardware } = storeHead(db, rest);
  db.prepare(
    'INSERT OR REPLACE INTO snapshot (job_id, version, head, house, hardware, cabinets) VALUES (?, ?, ?, ?, ?, ?)',
  ).run(jobId, version, head, house, hardware, JSON.stringify(cabinets));
}

/** True when there is a whole state to count edits from; a job from before history was kept so has none. */
export function hasSnapshot(db: Db, jobId: string): boolean {
  return db.prepare('SELECT 1 FROM snapshot WHERE job_id = ? LIMIT 1').get(jobId) !== undefined;
}

/** True when the edits since the last whole state are as long as a whole state is. */
export function wantsSnapshot(db: Db, jobId: string): boolean {
  const row = db
    .prepare<[{ job: string }], { since: number; size: number }>(
      `SELECT last.size,
              (SELECT coalesce(sum(length(change)), 0) FROM revision WHERE job_id = @job AND version > last.version) AS since
         FROM (SELECT coalesce(max(version), 0) AS version, coalesce(length(head) + length(cabinets), 0) AS size
                 FROM snapshot WHERE job_id = @job) AS last`,
    )
    .get({ job: jobId });
  return !row || row.since > row.size;
}

/** All that was saved of a job, the latest first. */
export function historyOf(db: Db, jobId: string, before = Number.MAX_SAFE_INTEGER, most = 100): SaveEntry[] {
  return db
    .prepare<[string, number, number], RevisionRow>(
      `SELECT version, label, saved_at AS savedAt, change FROM revision WHERE job_id = ? AND version < ?
        ORDER BY version DESC LIMIT ?`,
    )
    .all(jobId, before, most)
    .map(entryOf);
}

function entryOf({ version, label, savedAt, change }: RevisionRow): SaveEntry {
  const recorded = recordedIn(change);
  if (!recorded) return { version, label, savedAt, unreadable: true };
  const { edits, setAside } = recorded;
  return { version, label, savedAt, ...(edits ? { edits } : {}), ...(setAside ? { setAside } : {}) };
}

/** What a save wrote down; undefined where it cannot be read, which is no reason not to list the others. */
function recordedIn(change: string): Partial<Recorded> | undefined {
  try {
    return JSON.parse(change) as Partial<Recorded>;
  } catch {
    return undefined;
  }
}

/**
 * What was saved after a version up to the present one, oldest first; undefined where that is not kept edit by edit any
 * more, or is too much to tell.
 */
export function savedSince(db: Db, jobId: string, version: number, present: number): SaveEntry[] | undefined {
  if (present - version > MOST_TOLD) return undefined;
  const entries = db
    .prepare<[string, number], RevisionRow>(
      `SELECT version, label, saved_at AS savedAt, change FROM revision WHERE job_id = ? AND version > ?
        ORDER BY version`,
    )
    .all(jobId, version)
    .map(entryOf);
  const unbroken = entries.every((entry, at) => entry.version === version + 1 + at && entry.edits !== undefined);
  return unbroken && entries.length === present - version ? entries : undefined;
}

const CANNOT_BE_READ = 'What was kept of this state cannot be read any more.';

interface SnapshotRow {
  version: number;
  head: string;
  house: string;
  hardware: string;
  cabinets: string;
}

/** The document of a state that is written down whole, unchecked. */
const documentOf = (db: Db, row: SnapshotRow): object => ({
  ...loadHead(db, row),
  cabinets: JSON.parse(row.cabinets) as unknown,
});

/** Everything that is kept of a job: its saves, oldest first, and the states that are written down whole. */
export function wholeHistory(
  db: Db,
  jobId: string,
): {
  saves: readonly SaveEntry[];
  states: readonly { version: number; document?: unknown; unreadable?: string }[];
} {
  const saves = historyOf(db, jobId, undefined, Number.MAX_SAFE_INTEGER).reverse();
  const states = db
    .prepare<[string], SnapshotRow>('SELECT * FROM snapshot WHERE job_id = ? ORDER BY version')
    .all(jobId)
    .map((row) => {
      const { version } = row;
      try {
        return { version, document: documentOf(db, row) };
      } catch {
        return { version, unreadable: CANNOT_BE_READ };
      }
    });
  return { saves, states };
}

/** A job as it stood after a save. */
export function stateAt(db: Db, jobId: string, version: number): Job {
  const from = db
    .prepare<[string, number], SnapshotRow>(
      'SELECT * FROM snapshot WHERE job_id = ? AND version <= ? ORDER BY version DESC LIMIT 1',
    )
    .get(jobId, version);
  const rows = db
    .prepare<[string, number, number], RevisionRow>(
      `SELECT version, label, saved_at AS savedAt, change FROM revision
        WHERE job_id = ? AND version > ? AND version <= ? ORDER BY version`,
    )
    .all(jobId, from?.version ?? 0, version);
  const last = rows.at(-1)?.version ?? from?.version;
  const whole = from ? rows.length === version - from.version : rows.length === version;
  if (last !== version || !whole)
    throw new Refusal(404, 'no-such-version', `There is no version ${version} of this job; it may be too long ago.`);
  const read = readJob(
    orUnreadable(version, () => {
      const begun = (from ? documentOf(db, from) : { cabinets: [] }) as unknown as Job;
      return rows.reduce((job, { change }) => withRecorded(job, JSON.parse(change)), begun);
    }),
  );
  if (!read.ok) throw new Refusal(422, 'unreadable', `Version ${version} of this job cannot be read.`, read.errors);
  return read.value;
}

/** What was kept of a state may be damaged: then it is that state that cannot be read, and nothing else. */
function orUnreadable<T>(version: number, act: () => T): T {
  try {
    return act();
  } catch {
    throw new Refusal(422, 'unreadable', `Version ${version} of this job cannot be read. ${CANNOT_BE_READ}`);
  }
}

/** Earlier saves were kept as the rows they wrote. */
function withRecorded(job: Job, change: Partial<Recorded> & SavedChange): Job {
  return change.edits ? withEdits(job, change.edits) : withChange(job, change);
}

/** True where a job has saves that may be too old, looked at now and then. */
export const wantsPruning = (version: number) => version % PRUNE_EVERY === 0;

/** Lets go of what is long ago: of each day before the last so many the last state stays. Returns how many saves went. */
export function prune(db: Db, jobId: string, version: number): number {
  return pruneBefore(db, jobId, version - KEPT_SAVES, dayOf(db) - KEPT_DAYS);
}

interface Old {
  readonly version: number;
  readonly day: string;
}

/**
 * Saves that are both older than a version and of an earlier day of use go, from the first on without a gap, but for the
 * last of each day, which is kept whole: whatever clocks said, what stays is counted from a state that stays. Nothing
 * goes where that state cannot be read; one of another day that cannot be read stays as it is.
 */
export function pruneBefore(db: Db, jobId: string, version: number, day: number): number {
  const old = db
    .prepare<[string, number, number], Old>(
      `SELECT version, CASE day WHEN 0 THEN substr(saved_at, 1, 10) ELSE CAST(day AS TEXT) END AS day FROM revision
        WHERE job_id = ? AND version <= ? AND day < ? ORDER BY version`,
    )
    .all(jobId, version, day);
  const last = old.at(-1)?.version;
  if (last === undefined) return 0;
  const wholes = new Map<number, Job>();
  const stays = new Set<number>();
  for (const [at, each] of old.entries()) {
    if (each.day === old[at + 1]?.day) continue;
    stays.add(each.version);
    try {
      wholes.set(each.version, stateAt(db, jobId, each.version));
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      // All that is younger is counted from the last one.
      if (each.version === last) return 0;
    }
  }
  return db.transaction(() => {
    const contents = db
      .prepare<[string, number], { house: string; hardware: string }>(
        'SELECT house, hardware FROM snapshot WHERE job_id = ? AND version <= ?',
      )
      .all(jobId, last);
    const bare = db.prepare("UPDATE revision SET change = '{}' WHERE job_id = ? AND version = ?");
    db.prepare('DELETE FROM snapshot WHERE job_id = ? AND version <= ?').run(jobId, last);
    for (const [each, state] of wholes) {
      takeSnapshot(db, jobId, each, state);
      bare.run(jobId, each);
    }
    dropContent(
      db,
      contents.flatMap(({ house, hardware }) => [house, hardware]),
    );
    const drop = db.prepare('DELETE FROM revision WHERE job_id = ? AND version = ?');
    const gone = old.filter((each) => !stays.has(each.version));
    for (const each of gone) drop.run(jobId, each.version);
    return gone.length;
  })();
}
