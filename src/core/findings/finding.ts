import type { Meetings } from '../assembly/index.js';
import type { Fitting, Joint } from '../carcass/index.js';
import type { Dim } from '../derive/index.js';
import type { Cabinet, JobHead, Resolved, SettingPath } from '../document/index.js';
import type { AnyKind, Fitted } from '../fitted/index.js';
import type { Front } from '../fronts/index.js';
import { type Act, type EditPath, pathTo } from '../job/index.js';
import type { Box, Face, Interiors } from '../layout/index.js';
import type { Operation } from '../machining/index.js';
import type { Motion, Room, SwingContact } from '../motions/index.js';
import type { FastenerRow, LeftOut, Part, PartRow } from '../parts/index.js';
import type { Bay, PinGrid } from '../shelves/index.js';

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
  /** Acts that might settle it; `fixesFor` carries each out on a copy and says which do. */
  readonly proposed: readonly Act[];
}

/** A cabinet with everything but its findings. */
export interface BuiltCabinet {
  readonly cabinet: Cabinet;
  readonly resolved: Resolved;
  readonly box: Box;
  readonly face: Face;
  /** The rooms behind the fronts and in open bays. */
  readonly interiors: Interiors;
  readonly fronts: readonly Front[];
  readonly parts: readonly Part[];
  /** Parts the maker leaves out. */
  readonly leftOut: readonly LeftOut[];
  readonly joints: readonly Joint[];
  /** The ways screws take in parts nothing is bored in for them, by part key. */
  readonly paths: ReadonlyMap<string, readonly Operation[]>;
  /** The holes a side may have; undefined where no pins are bored. */
  readonly grid: PinGrid | undefined;
  /** The openings with adjustable shelves. */
  readonly bays: readonly Bay[];
  /** What each kind of fitted thing made of it, by kind. */
  readonly fitted: Fitted;
  /** The space things take when shut, and the space they sweep. */
  readonly rooms: readonly Room[];
  readonly motions: readonly Motion[];
  /** What doors touch when they open, by front. */
  readonly contacts: ReadonlyMap<string, SwingContact>;
  /** Bought things that are counted, such as legs. */
  readonly fittings: readonly Fitting[];
  readonly rows: readonly PartRow[];
}

/** What a rule may look at, and how it writes a length. */
export interface RuleContext extends BuiltCabinet {
  readonly head: JobHead;
  /** Every kind of fitted thing. */
  readonly kinds: readonly AnyKind[];
  /** A length in mm as the job shows it, with its unit. */
  show(mm: number): string;
  /** Every fastener, once. */
  readonly fasteners: readonly FastenerRow[];
}

/** What a rule says; the rest is filled in. `fixes` are what it proposes, each one undo. */
export type FindingDraft = Omit<Finding, 'id' | 'rule' | 'cabinetId' | 'numbers' | 'parts' | 'settings' | 'proposed'> &
  Partial<Pick<Finding, 'numbers' | 'parts' | 'settings'>> & { readonly fixes?: readonly Act[] };

/** Where a setting is decided on the cabinet that is looked at, as an edit path. */
export function settingPath({ cabinet }: { readonly cabinet: Cabinet }, path: SettingPath): EditPath {
  return pathTo.setting(cabinet.id, path);
}

/** The keys of the parts a front is made of. */
export function keysOf({ parts }: Front): string[] {
  return parts.map(({ key }) => key);
}

/** An act that decides a setting on this cabinet. */
export function setChoice(context: RuleContext, label: string, path: SettingPath, value: string): Act {
  return { label, edits: [{ path: settingPath(context, path), value }] };
}

/** One rule of a family: looks at one cabinet and says what it finds. */
export interface FindingRule {
  readonly id: string;
  check(context: RuleContext): FindingDraft[];
}

/** A rule for what nobody thought of: it looks after all others and leaves alone what a stop of theirs names. */
export interface GeneralRule {
  readonly id: string;
  check(context: RuleContext, named: ReadonlySet<string>, meetings: Meetings): FindingDraft[];
}

/** What a rule about two cabinets finds, and on which of them. */
export type NeighbourDraft = FindingDraft & Pick<Finding, 'cabinetId'>;

/** One rule about two cabinets that stand side by side. */
export interface NeighbourRule {
  readonly id: string;
  check(left: BuiltCabinet, right: BuiltCabinet, show: (mm: number) => string): NeighbourDraft[];
}
