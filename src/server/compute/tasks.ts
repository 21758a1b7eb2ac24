import Database from 'better-sqlite3';
import { type Built, builtOf, type CorrectedCabinet, changesBetween, corrections } from '../../core/commands/index.js';
import type { Job, ReadResult } from '../../core/decisions/index.js';
import type { LengthStyle } from '../../core/ground/index.js';
import {
  ALL_LAYERS,
  type CabinetSummary,
  type Mark,
  overviewInk,
  type SheetSize,
  summariseCabinet,
} from '../../core/present/index.js';
import { cutInVainOf } from '../../core/shop/index.js';
import { checkBetween, checker, readJobText, solve } from '../../core/solve/index.js';
import { exports, type Tell } from '../../formats/exports/index.js';
import { type Body, type BodyKind, bodies } from '../bodies.js';
import type { Db } from '../database.js';
import { prune, stateAt, wholeHistory } from '../history.js';
import { createJob, readStoredJob } from '../jobs.js';
import { textIn } from '../parse.js';
import { invalid } from '../refusal.js';
import { type Examined, examine } from '../wholeness.js';

/** What a cabinet comes to: as a list shows it, with what was found between it and its left neighbour, and its parts. */
export interface Figured {
  readonly id: string;
  readonly summary: CabinetSummary;
  readonly built: Built;
  /** So many of its pieces are cut already and wanted otherwise now. */
  readonly amiss: number;
}

/** What a cabinet came to by earlier rules, and by those of today. */
export interface KeptBuilt {
  readonly edition: number;
  readonly before: Built | null;
  readonly after: Built;
}

/** All that is figured away from the thread that serves: what goes in and what comes out can be sent between threads. */
export const tasks = {
  /** Cabinets of a job, by their ids. */
  figure({ job, ids }: { job: Job; ids: readonly string[] }): Figured[] {
    const wanted = new Set(ids);
    const leftOf = new Set(
      job.cabinets.flatMap(({ id, leftNeighbour }) => (wanted.has(id) && leftNeighbour ? [leftNeighbour] : [])),
    );
    const cabinets = job.cabinets.filter(({ id }) => wanted.has(id) || leftOf.has(id));
    const solved = new Map(solve({ ...job, cabinets, standing: [] }).cabinets.map((each) => [each.cabinet.id, each]));
    const check = checker();
    return ids.flatMap((id): Figured[] => {
      const own = solved.get(id);
      if (!own) return [];
      const found = check(own);
      const left = own.cabinet.leftNeighbour === null ? undefined : solved.get(own.cabinet.leftNeighbour);
      const summary = summariseCabinet(own, [...found, ...(left ? checkBetween(left, own) : [])]);
      return [{ id, summary, built: builtOf(own, found), amiss: cutInVainOf(job.layouts ?? [], own).length }];
    });
  },

  /** What is seen of a cabinet on its first sheet; a job of it and its neighbours is enough. */
  sheet({ job, id, size, date }: { job: Job; id: string; size: SheetSize; date: string }): Mark[] {
    const { cabinets } = solve(job);
    const own = cabinets.find(({ cabinet }) => cabinet.id === id);
    if (!own) return [];
    const left = cabinets.find(({ cabinet }) => cabinet.id === own.cabinet.leftNeighbour);
    const right = cabinets.find(({ cabinet }) => cabinet.leftNeighbour === id);
    return overviewInk(own, job.name, { left, right }, { size, style: job.display, layers: ALL_LAYERS, date });
  },

  /** What corrected rules changed in a job, from what each cabinet came to before. */
  correct({ job, kept }: { job: Job; kept: readonly (readonly [string, KeptBuilt])[] }): CorrectedCabinet[] {
    const byId = new Map(kept);
    return solve(job).cabinets.flatMap((solved): CorrectedCabinet[] => {
      const { id, number, name } = solved.cabinet;
      const was = byId.get(id);
      if (!was) return [];
      const changes = was.before ? changesBetween(was.before, was.after) : undefined;
      const causes = corrections
        .filter((each) => each.edition > was.edition && each.touches(solved))
        .map(({ what, why }) => ({ what, why }));
      const nothing = changes ? changes.length === 0 : causes.length === 0;
      return nothing ? [] : [{ id, number, name, changes, corrections: causes }];
    });
  },

  /** One of the files a job is given out as. */
  async write(
    { job, file, style }: { job: Job; file: string; style: LengthStyle },
    tell: Tell,
  ): Promise<Uint8Array<ArrayBuffer>> {
    const wanted = exports.find(({ id }) => id === file);
    if (!wanted) throw new Error(`there is no export "${file}"`);
    return wanted.write(job, style, tell);
  },

  /** A job file. */
  read({ text }: { text: string }): ReadResult<Job> {
    return readJobText(text);
  },

  /** A body that is too large to be read by the thread that serves. */
  body({ bytes, kind }: { bytes: Uint8Array; kind: BodyKind }): Body<BodyKind> {
    return bodies[kind](bytes);
  },

  /** Reads a job file and stores it as a new job. */
  take({ file, bytes }: { file: string; bytes: Uint8Array }): { id: string; version: number } {
    const read = readJobText(textIn(bytes));
    if (!read.ok) throw invalid(read.errors);
    return withDatabase(file, (db) => {
      const { id, version } = createJob(db, read.value, 'imported');
      return { id, version };
    });
  },

  /** A job as it stood after a save, as JSON. */
  state({ file, id, version }: { file: string; id: string; version: number }): string {
    return withDatabase(file, (db) => JSON.stringify({ version, document: stateAt(db, id, version) }));
  },

  /** A job with all that was saved of it, as a file. */
  history({ file, id }: { file: string; id: string }): string {
    return withDatabase(file, (db) => {
      const { version, document } = readStoredJob(db, id);
      const history = { format: 'alcove-history', version: 1, job: document, at: version, ...wholeHistory(db, id) };
      return `${JSON.stringify(history, null, 1)}\n`;
    });
  },

  /** Lets go of what is long ago in the history of a job. */
  prune({ file, id, version }: { file: string; id: string; version: number }): number {
    return withDatabase(file, (db) => prune(db, id, version));
  },

  /** Looks through a database file. */
  examine({ file }: { file: string }): Examined {
    return examine(file);
  },
} as const;

/** The shop's database, opened for one task beside the thread that serves; its schema is that of this program already. */
function withDatabase<T>(file: string, act: (db: Db) => T): T {
  const db = new Database(file, { fileMustExist: true, timeout: 5000 });
  try {
    db.pragma('synchronous = FULL');
    db.pragma('foreign_keys = ON');
    return act(db);
  } finally {
    db.close();
  }
}

export type Task = keyof typeof tasks;
export type TaskCall<T extends Task> = Parameters<(typeof tasks)[T]>[0];
export type TaskResult<T extends Task> = Awaited<ReturnType<(typeof tasks)[T]>>;
