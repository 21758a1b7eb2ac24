import type { Cabinet } from '../../src/core/decisions/index.js';
import { check, type SolvedCabinet, solveCabinet } from '../../src/core/solve/index.js';
import { type Everyday, jobOf } from './cabinets.js';
import { fastenersOf } from './fasteners.js';

/** What was found in one cabinet, by rule and severity. */
export interface Found {
  readonly name: string;
  readonly rule: string;
  readonly severity: string;
  readonly what: string;
  readonly why: string;
}

export interface Swept {
  readonly found: readonly Found[];
  /** How many fasteners there are of each joint, over all cabinets. */
  readonly fasteners: ReadonlyMap<string, number>;
}

/** Solves cabinets and says what stands against each, but for notes, and what holds them together. */
export function sweep(cabinets: readonly Everyday[], each: (solved: SolvedCabinet) => void = () => {}): Swept {
  const fasteners = new Map<string, number>();
  const found = cabinets.flatMap((everyday): Found[] => {
    const job = jobOf(everyday);
    const solved = solveCabinet(job, job.cabinets[0] as Cabinet);
    each(solved);
    for (const [joint, count] of fastenersOf(solved)) fasteners.set(joint, (fasteners.get(joint) ?? 0) + count);
    return check(solved)
      .filter(({ severity }) => severity !== 'note')
      .map(({ rule, severity, what, why }) => ({ name: everyday.name, rule, severity, what, why }));
  });
  return { found, fasteners };
}
