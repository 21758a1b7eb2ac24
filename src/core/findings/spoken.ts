import type { Cabinet } from '../document/index.js';

/** So many sorts of cabinets are remembered. */
const MOST = 2000;

/**
 * Which rules found something in a cabinet, for the next one that is decided alike: a rule that had nothing to say of the
 * first has nothing to say of the second. Holds while the head of the job is the same.
 */
export class Spoken {
  private readonly rules = new Map<string, ReadonlySet<string>>();

  /** The ids of the rules that found something in a cabinet decided like this one; undefined where there was none yet. */
  before(cabinet: Cabinet): ReadonlySet<string> | undefined {
    return this.rules.get(decisionsOf(cabinet));
  }

  keep(cabinet: Cabinet, findings: readonly { readonly rule: string }[]): void {
    if (this.rules.size >= MOST) this.rules.clear();
    this.rules.set(decisionsOf(cabinet), new Set(findings.map(({ rule }) => rule)));
  }
}

/** All that is decided of a cabinet but what it goes by and where it stands. */
function decisionsOf({ id: _, number: __, name: ___, leftNeighbour: ____, ...decisions }: Cabinet): string {
  return JSON.stringify(decisions);
}
