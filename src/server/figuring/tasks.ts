import {
  type Built,
  builtOf,
  type CorrectedCabinet,
  changesBetween,
  corrections,
} from '../../core/corrections/index.js';
import { type Job, type ReadResult, readJobText } from '../../core/document/index.js';
import { type CabinetSummary, summariseCabinet } from '../../core/present/index.js';
import { findingsBetween, type SolvedCabinet, solve, solverOf } from '../../core/solve.js';
import type { LengthStyle } from '../../core/units/index.js';
import { exports } from '../../formats/exports/index.js';

/** What a cabinet comes to: as a list shows it, with what was found between it and its left neighbour, and its parts. */
export interface Figured {
  readonly id: string;
  readonly summary: CabinetSummary;
  readonly built: Built;
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
    const solved = new Map<string, SolvedCabinet>();
    const solveCabinet = solverOf(job);
    const cabinetOf = (id: string | null) => job.cabinets.find((cabinet) => cabinet.id === id);
    const solvedOf = (id: string | null): SolvedCabinet | undefined => {
      const cabinet = cabinetOf(id);
      if (!cabinet) return undefined;
      const known = solved.get(cabinet.id) ?? solveCabinet(cabinet);
      solved.set(cabinet.id, known);
      return known;
    };
    return ids.flatMap((id): Figured[] => {
      const own = solvedOf(id);
      if (!own) return [];
      const left = solvedOf(own.cabinet.leftNeighbour);
      const summary = summariseCabinet(own, left ? findingsBetween(job, left, own) : []);
      return [{ id, summary, built: builtOf(own) }];
    });
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
  async write({ job, file, style }: { job: Job; file: string; style: LengthStyle }): Promise<string> {
    const wanted = exports.find(({ id }) => id === file);
    if (!wanted) throw new Error(`there is no export "${file}"`);
    return wanted.write(job, style);
  },

  /** A job file. */
  read({ text }: { text: string }): ReadResult<Job> {
    return readJobText(text);
  },
} as const;

export type Task = keyof typeof tasks;
export type Asked<T extends Task> = Parameters<(typeof tasks)[T]>[0];
export type Answered<T extends Task> = Awaited<ReturnType<(typeof tasks)[T]>>;
