import type { Cabinet } from '../../src/core/document/index.js';
import { solveCabinet } from '../../src/core/solve.js';
import { type Everyday, jobOf } from './cabinets.js';

/** What was found in one cabinet, by rule and severity. */
export interface Found {
  readonly name: string;
  readonly rule: string;
  readonly severity: string;
  readonly what: string;
  readonly why: string;
}

/** Solves cabinets and says what stands against each, but for notes. */
export function sweep(cabinets: readonly Everyday[], each: (at: number) => void = () => {}): Found[] {
  return cabinets.flatMap((everyday, at): Found[] => {
    each(at);
    const job = jobOf(everyday);
    const { findings } = solveCabinet(job, job.cabinets[0] as Cabinet);
    return findings
      .filter(({ severity }) => severity !== 'note')
      .map(({ rule, severity, what, why }) => ({ name: everyday.name, rule, severity, what, why }));
  });
}
