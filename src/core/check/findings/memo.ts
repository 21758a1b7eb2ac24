import type { BuiltCabinet, Finding, Proposals } from '../../cabinet/index.js';
import type { Cabinet } from '../../decisions/index.js';
import { keyOfGiven } from '../../given/index.js';

/** So many sorts of cabinets are remembered. */
const MOST = 2000;

/**
 * Which rules found something in a cabinet, for the next one that is decided alike: a rule that had nothing to say of the
 * first has nothing to say of the second. Holds while the head of the job is the same.
 */
export class FindingsMemo {
  private readonly rules = new Map<string, ReadonlySet<string>>();

  /** What the rules that are wanted find in a cabinet: all of them where none was decided like it yet. */
  found({ cabinet, resolved: { given } }: BuiltCabinet, by: (wanted: Wanted) => Proposed[]): Proposed[] {
    const decisions = `${decisionsOf(cabinet)} ${keyOfGiven(given)}`;
    const before = this.rules.get(decisions);
    const findings = by(({ id }) => before?.has(id) ?? true);
    if (before) return findings;
    if (this.rules.size >= MOST) this.rules.clear();
    this.rules.set(decisions, new Set(findings.map(({ finding }) => finding.rule)));
    return findings;
  }
}

/** A finding with what its rule proposes. */
export interface Proposed {
  readonly finding: Finding;
  readonly fixes: Proposals;
}

/** Whether a rule is asked. */
export type Wanted = (rule: { readonly id: string }) => boolean;

/** All that is decided of a cabinet but what it goes by and where it stands. */
function decisionsOf({ id: _, number: __, name: ___, leftNeighbour: ____, ...decisions }: Cabinet): string {
  return JSON.stringify(decisions);
}
