import type { Changed } from './built.js';

/** What corrected rules changed in one cabinet of a stored job. */
export interface CorrectedCabinet {
  readonly id: string;
  readonly number: string;
  readonly name: string;
  /** What it came to before and comes to now; undefined where the earlier result was not kept. */
  readonly changes: readonly Changed[] | undefined;
  /** The corrections that can have done it. */
  readonly corrections: readonly { readonly what: string; readonly why: string }[];
}

export interface CorrectedJob {
  /** True once somebody has looked at it. */
  readonly seen: boolean;
  readonly cabinets: readonly CorrectedCabinet[];
}
