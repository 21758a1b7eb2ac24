import type { Fitting, Joint } from '../carcass/index.js';
import type { Dim } from '../derive/index.js';
import type { Front } from '../fronts/index.js';
import type { HungDoor } from '../hinges/index.js';
import type { Act, Cabinet, JobHead, Resolved } from '../job/index.js';
import type { Box, Face } from '../layout/index.js';
import type { Part, PartRow } from '../parts/index.js';

/** stop: cannot be built or fitted. warn: will cost you later. note: a judgement call. */
export type Severity = 'stop' | 'warn' | 'note';

export interface Finding {
  /** The rule that speaks: `sizes/part-vanishes`. */
  readonly rule: string;
  readonly severity: Severity;
  readonly cabinetId: string;
  /** One sentence of what, one of why. */
  readonly what: string;
  readonly why: string;
  readonly numbers: readonly Dim[];
  /** Keys of the parts it concerns. */
  readonly parts: readonly string[];
  /** Decisions it concerns, as edit paths. */
  readonly settings: readonly string[];
  /** Acts that would settle it, each one undo. */
  readonly fixes: readonly Act[];
}

/** A cabinet with everything but its findings. */
export interface BuiltCabinet {
  readonly cabinet: Cabinet;
  readonly resolved: Resolved;
  readonly box: Box;
  readonly face: Face;
  readonly fronts: readonly Front[];
  readonly parts: readonly Part[];
  readonly joints: readonly Joint[];
  readonly doors: readonly HungDoor[];
  /** Bought things that are counted, such as legs. */
  readonly fittings: readonly Fitting[];
  readonly rows: readonly PartRow[];
}

/** What a rule may look at, and how it writes a length. */
export interface RuleContext extends BuiltCabinet {
  readonly head: JobHead;
  /** A length in mm as the job shows it, with its unit. */
  show(mm: number): string;
}

export type FindingDraft = Omit<Finding, 'rule' | 'cabinetId' | 'numbers' | 'parts' | 'settings' | 'fixes'> &
  Partial<Pick<Finding, 'numbers' | 'parts' | 'settings' | 'fixes'>>;

/** One rule of a family: looks at one cabinet and says what it finds. */
export interface FindingRule {
  readonly id: string;
  check(context: RuleContext): FindingDraft[];
}
