import { expose } from 'comlink';
import type { Job, SheetLayout } from '../core/decisions/index.js';
import {
  type CuttingWay,
  demandOf,
  layOut,
  lookFor,
  Packer,
  type Plan,
  type Proposal,
  planFor,
  proposalOf,
  USUAL_WAY,
} from '../core/shop/index.js';
import { solve } from '../core/solve/index.js';

/** What is asked of the layouts of a job. */
export interface LayOut {
  readonly way: CuttingWay;
  /** Ids of the materials that are laid out; all where it is left out. */
  readonly materials?: readonly string[];
  /** Looked for so long, or in so many steps, which come to the same everywhere. */
  readonly seconds: number;
  readonly seed: number;
}

export interface Progress {
  readonly proposals: readonly Proposal[];
  /** Share of the time that is over. */
  readonly share: number;
  readonly done: boolean;
}

/** A turn of each material before what was found is told and stopping is heard (ms). */
const TURN = 60;

const now = () => performance.now();

/** Which layout was asked for last, and which of them was to be stopped. */
let run = 0;
let stopped = 0;

interface Looking {
  readonly plan: Plan;
  readonly packer: Packer;
}

function lookingsOf(job: Job, { way, materials, seed }: LayOut): Looking[] {
  return demandOf(solve(job).cabinets)
    .filter(({ material }) => materials === undefined || materials.includes(material.id))
    .map((demand) => {
      const plan = planFor(
        job,
        demand,
        way,
        job.layouts?.find(({ id }) => id === demand.material.id),
      );
      return { plan, packer: new Packer(plan.problem, seed) };
    });
}

const answers = {
  /** Lays out the sheets of a job, telling the best so far again and again, until time is over or nothing better is possible. */
  async layOut(job: Job, asked: LayOut, told: (progress: Progress) => void): Promise<void> {
    run += 1;
    const own = run;
    const lookings = lookingsOf(job, asked);
    const begun = now();
    const time = asked.seconds * 1000;
    const tell = (done: boolean) =>
      told({
        proposals: lookings.map(({ plan, packer }) => proposalOf(plan, packer.packing)),
        share: done ? 1 : Math.min(1, (now() - begun) / time),
        done,
      });
    tell(false);
    for (;;) {
      const open = lookings.filter(({ packer }) => !packer.done);
      if (own !== run || own === stopped || open.length === 0 || now() - begun > time) break;
      for (const { packer } of open) lookFor(packer, { seconds: TURN / 1000, latest: begun + time, now });
      tell(false);
      // What else is asked of the worker is heard between turns.
      await new Promise((go) => setTimeout(go));
    }
    if (own === run) tell(true);
  },

  /** The layouts of all materials: those accepted, and a first one of the others. */
  firstLayouts(job: Job): readonly SheetLayout[] {
    return demandOf(solve(job).cabinets).map((demand) => {
      const accepted = job.layouts?.find(({ id }) => id === demand.material.id);
      if (accepted) return accepted;
      const plan = planFor(job, demand, USUAL_WAY);
      return proposalOf(plan, layOut(plan.problem, { steps: 0 })).layout;
    });
  },

  /** Layouts of all materials that set the fence less often, strips first, looked for so long at each. */
  fewestFences(job: Job, seconds: number): readonly SheetLayout[] {
    const way: CuttingWay = { method: 'strips', stages: null, goals: { first: 'sheets', next: 'fences' } };
    return demandOf(solve(job).cabinets).map((demand) => {
      const plan = planFor(job, demand, way);
      return proposalOf(plan, layOut(plan.problem, { seconds, now })).layout;
    });
  },

  /** Ends what is under way; the best so far stays. */
  stop(): void {
    stopped = run;
  },
};

export type SheetsWorker = typeof answers;

expose(answers);
