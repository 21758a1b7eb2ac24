import { expose } from 'comlink';
import type { Job } from '../core/document/index.js';
import {
  type FreeRoom,
  freeOf,
  type Method,
  Packer,
  type Packing,
  type PackProblem,
  problemsOf,
  USUAL_CUTTING,
} from '../core/sheets/index.js';
import { solve } from '../core/solve.js';

/** What is asked of the layouts of a job. */
export interface LayOut {
  readonly method: Method;
  readonly stages: number | undefined;
  readonly seconds: number;
}

/** A part by its mark: what it is and where it belongs. */
export interface Marked {
  readonly name: string;
  readonly cabinetId: string;
  readonly cabinet: string;
  readonly key: string;
}

export interface LaidMaterial {
  readonly id: string;
  readonly name: string;
  readonly problem: PackProblem;
  readonly packing: Packing;
  /** The largest room left of each sheet; empty while there may be better layouts yet. */
  readonly free: readonly (FreeRoom | undefined)[];
}

export interface Progress {
  readonly materials: readonly LaidMaterial[];
  readonly marks: Readonly<Record<string, Marked>>;
  /** Share of the time that is over. */
  readonly share: number;
  readonly done: boolean;
}

/** A turn of each material before what was found is told and stopping is heard (ms). */
const TURN = 60;

/** Which layout was asked for last, and which of them was to be stopped. */
let run = 0;
let stopped = 0;

const answers = {
  /** Lays out the sheets of a job, telling the best so far again and again, until time is over or nothing better is possible. */
  async layOut(job: Job, { method, stages, seconds }: LayOut, told: (progress: Progress) => void): Promise<void> {
    run += 1;
    const own = run;
    const { cabinets } = solve(job);
    const cutting = { ...USUAL_CUTTING[method], ...(stages === undefined ? {} : { stages }) };
    const searches = problemsOf(cabinets, method, cutting).map(({ material, problem }) => ({
      material,
      problem,
      packer: new Packer(problem),
    }));
    const marks = Object.fromEntries(
      cabinets.flatMap(({ cabinet, rows }) =>
        rows.map(({ mark, part }): [string, Marked] => [
          mark,
          { name: part.name, key: part.key, cabinetId: cabinet.id, cabinet: `${cabinet.number} ${cabinet.name}` },
        ]),
      ),
    );
    const begun = performance.now();
    const tell = (done: boolean) =>
      told({
        materials: searches.map(({ material, problem, packer }) => {
          const { packing } = packer;
          const free = done ? packing.sheets.map((sheet) => freeOf(sheet, problem)) : [];
          return { id: material.id, name: material.name, problem, packing, free };
        }),
        marks,
        share: done ? 1 : Math.min(1, (performance.now() - begun) / (seconds * 1000)),
        done,
      });
    tell(false);
    for (;;) {
      const open = searches.filter(({ packer }) => !packer.done);
      if (own !== run || own === stopped || open.length === 0 || performance.now() - begun > seconds * 1000) break;
      for (const { packer } of open) {
        const until = performance.now() + TURN;
        while (!packer.done && performance.now() < until) packer.step();
      }
      tell(false);
      // What else is asked of the worker is heard between turns.
      await new Promise((go) => setTimeout(go));
    }
    if (own === run) tell(true);
  },

  /** Ends what is under way; the best so far stays. */
  stop(): void {
    stopped = run;
  },
};

export type SheetsWorker = typeof answers;

expose(answers);
