import type { Act, AnyPath, EditPath, ProposedAct, Resolved } from '../decisions/index.js';
import type { Dim } from '../ground/index.js';
import type { Clash, FastenerRow, Operation, Part } from '../part/index.js';
import type { BuiltCabinet, Named } from './built.js';

/** stop: cannot be built or fitted. warn: will cost you later. note: a judgement call. */
export type Severity = 'stop' | 'warn' | 'note';

export interface Finding {
  /** Finds it again in the same result: cabinet, rule, and which of that rule. */
  readonly id: string;
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
  /** Where on the part it is, along its length and its width (mm). */
  readonly at?: { readonly u: number; readonly v: number };
  /** Decisions it concerns, as edit paths. */
  readonly settings: readonly EditPath[];
  /** True when an edit that brings it about is refused rather than carried out. */
  readonly refuses?: true;
}

/** What a rule may look at, and how it writes a length. */
export interface RuleContext<R extends Resolved = Resolved, F = unknown> extends BuiltCabinet<R, F> {
  /** A length in mm as the job shows it, with its unit. */
  show(mm: number): string;
  /** Every fastener, once. */
  readonly fasteners: readonly FastenerRow[];
  /** What each kind of fitted thing can do to part one of its operations from another. */
  readonly partings: readonly Parting<never>[];
}

/** What a kind can do to part one of its operations from another. */
export interface Parting<C> {
  readonly id: string;
  /**
   * Changes that are known to part them, each tried before it is offered: `settles` says whether the operation, changed
   * one way or another, comes too near nothing else on the part.
   */
  apart?(context: C, part: Part, clash: Clash, own: Operation, settles: (changed: Operation) => boolean): ProposedAct[];
}

/** What a rule proposes, each one undo; made when somebody asks where that costs time. */
export type Proposals = readonly ProposedAct[] | (() => readonly ProposedAct[]);

/** What a rule says; the rest is filled in. */
export type FindingDraft = Omit<Finding, 'id' | 'rule' | 'cabinetId' | 'numbers' | 'parts' | 'settings'> &
  Partial<Pick<Finding, 'numbers' | 'parts'>> & {
    readonly settings?: readonly AnyPath[];
    readonly fixes?: Proposals;
  };

/** One rule of a family: looks at one cabinet and says what it finds. */
export interface FindingRule<C = RuleContext> {
  readonly id: string;
  /** True where an act that brings what it finds about is refused: it is asked with each act. */
  readonly refuses?: true;
  check(context: C): FindingDraft[];
}

/** What a rule about two cabinets finds, and on which of them; it says itself which of them a decision belongs to. */
export interface NeighbourDraft extends Omit<FindingDraft, 'settings' | 'fixes'>, Pick<Finding, 'cabinetId'> {
  readonly settings?: readonly EditPath[];
  readonly fixes?: readonly Act[];
}

/** One rule about two cabinets that stand side by side. */
export interface NeighbourRule<C = Named> {
  readonly id: string;
  check(left: C, right: C, show: (mm: number) => string): NeighbourDraft[];
}
