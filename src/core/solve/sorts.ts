import type { Finding } from '../cabinet/index.js';
import type { Cabinet, JobHead } from '../decisions/index.js';
import { checker } from './checked.js';
import { asOne, type SolvedCabinet, solverOf, sortOf } from './solve.js';

/** So many sorts are kept: what a job has of them, as a rule. */
const MOST = 40;

interface Sort {
  readonly design: SolvedCabinet;
  readonly check: (solved: SolvedCabinet) => readonly Finding[];
}

/**
 * Solves and looks through one cabinet after another under a head, where they are asked for one by one. The last sorts of
 * them are kept, so that of many that are decided alike one is figured.
 */
export class Sorts {
  private readonly sorts = new Map<string, Sort>();
  private readonly solveOne: (cabinet: Cabinet) => SolvedCabinet;

  constructor(head: JobHead) {
    this.solveOne = solverOf(head);
  }

  solve(cabinet: Cabinet): SolvedCabinet {
    return asOne(this.sortFor(cabinet).design, cabinet);
  }

  check(cabinet: Cabinet): readonly Finding[] {
    const { design, check } = this.sortFor(cabinet);
    return check(asOne(design, cabinet));
  }

  private sortFor(cabinet: Cabinet): Sort {
    const name = sortOf(cabinet);
    const known = this.sorts.get(name) ?? { design: this.solveOne(cabinet), check: checker() };
    // The one that was asked for last stands last.
    this.sorts.delete(name);
    this.sorts.set(name, known);
    const [oldest] = this.sorts.keys();
    if (this.sorts.size > MOST && oldest !== undefined) this.sorts.delete(oldest);
    return known;
  }
}
