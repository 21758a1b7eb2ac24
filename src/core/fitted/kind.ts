import type * as z from 'zod/mini';
import type { Fitting } from '../carcass/index.js';
import type { Dim } from '../derive/index.js';
import type { JobHead, SettingOverrides } from '../document/index.js';
import type { DragHandle, DrawingItem } from '../drafting/index.js';
import type { BuiltCabinet, FindingRule, NeighbourRule, RuleContext } from '../findings/index.js';
import type { Act, LeafFill, Section, SettingTree } from '../job/index.js';
import type { Cell } from '../layout/index.js';
import type { Clash, Operation } from '../machining/index.js';
import type { Motion, Room } from '../motions/index.js';
import type { Extent, Part } from '../parts/index.js';
import type { SolvedCabinet } from '../solve.js';

/**
 * A kind of thing that is bought and fitted: hinges, pulls, pins, and whatever is to come. All that is particular to it
 * lies in its folder; a new one is a folder and one line in `kinds.ts`. The document, the library file, the solver, the
 * drawings, the findings, the library view and the terminal read the registry and know none of them by name.
 */
export interface Kind<Id extends string, Settings, Profile extends NamedProfile, Fitted> {
  readonly id: Id;
  /** What several of them are called: "Hinges". */
  readonly label: string;
  /** Kinds whose results it reads. */
  readonly after?: readonly string[];
  readonly settings: Section<Settings>;
  /** What there is to choose from; absent for what is only bored and counted. */
  readonly library?: Library<Profile>;
  /** Reads the cabinet so far and says what it adds. */
  fit(context: FitContext, profiles: readonly Profile[]): Fit<Fitted>;
  readonly rules?: readonly FindingRule[];
  readonly neighbourRules?: readonly NeighbourRule[];
  /** Changes that are known to part one of its operations from another, each tried before it is offered. */
  waysApart?(context: RuleContext, part: Part, clash: Clash, own: Operation): Act[];
  /** How it is drawn on the front elevation. */
  symbols?(fitted: Fitted): DrawingItem[];
  /** The space it takes where it is drawn dashed in every view, each with the part it belongs to. */
  bodies?(fitted: Fitted): readonly Body[];
  /** What of it can be dragged on the front elevation. */
  handles?(solved: SolvedCabinet): DragHandle[];
  /** Small cabinets to prove a profile in on scrap, the likeliest first; and whether one of them took it. */
  trials?(profile: Profile): readonly Trial[];
  uses?(fitted: Fitted, profile: string): boolean;
  /** What it says of itself in a result, as plain data. */
  present?(fitted: Fitted, size: (dim: Dim) => unknown): unknown;
}

/** What came of proving it on scrap. */
export type TrialOutcome = 'proven' | 'corrected' | 'unfit';

/** A small cabinet in which a piece of hardware may find its place. */
export interface Trial {
  readonly width: number;
  readonly height: number;
  readonly depth: number;
  readonly settings: SettingOverrides;
  /** From left to right. */
  readonly fills: readonly LeafFill[];
}

/** A block of something bought, in the cabinet (mm). */
export interface Body {
  readonly extent: Extent;
  /** Key under which it is selected, and of the part it is on. */
  readonly shows: string;
  readonly on: string;
}

/** What every profile says of itself. */
export interface NamedProfile {
  readonly id: string;
  readonly maker: string;
  readonly name: string;
  readonly stock: boolean;
  /** Where the figures come from. */
  readonly note: string;
  /** What a test piece taught this shop. */
  readonly trial?: { readonly outcome: TrialOutcome; readonly taught: string } | undefined;
}

export interface Library<Profile extends NamedProfile> {
  readonly schema: z.ZodMiniType<Profile>;
  /** A small simulated choice of invented makers, to work with until a shop has entered its own. */
  readonly catalogue: readonly Profile[];
  /** First version of the job document that has it; older jobs are given the catalogue. */
  readonly since: number;
  /** Profiles of the catalogue that came later, by the version that brought them; older jobs are given them. */
  readonly younger?: Readonly<Record<string, number>>;
  /** What one of them is called: "hinge". */
  readonly one: string;
  /** Columns of the library view beside name, source and stock. */
  readonly columns: readonly LibraryColumn<Profile>[];
  /** What stands under its name beside the maker. */
  readonly sort?: (profile: Profile) => string;
}

export interface LibraryColumn<Profile> {
  readonly title: string;
  readonly numeric?: true;
  /** One line, or two. */
  show(profile: Profile): string | readonly [string, string];
}

/** What a kind may look at: the cabinet so far, its parts with all that is cut and bored in them, its rooms. */
export interface FitContext
  extends Pick<
    BuiltCabinet,
    'cabinet' | 'box' | 'resolved' | 'interiors' | 'fronts' | 'parts' | 'grid' | 'bays' | 'rooms'
  > {
  readonly head: JobHead;
  readonly cells: readonly Cell[];
  /** The ways screws take in parts nothing is bored in for them, so far. */
  readonly paths: ReadonlyMap<string, readonly Operation[]>;
  /** Results of the kinds before it, by their ids. */
  readonly fitted: Readonly<Record<string, unknown>>;
}

/** What a kind adds to a cabinet, as plain data. */
export interface Fit<Fitted> {
  readonly fitted: Fitted;
  readonly parts?: readonly Part[];
  /** Machining to add, by part key. */
  readonly operations?: ReadonlyMap<string, readonly Operation[]>;
  /** The ways screws take in parts nothing is bored in for them, by part key. */
  readonly ways?: ReadonlyMap<string, readonly Operation[]>;
  /** What to buy. */
  readonly buy?: readonly Fitting[];
  /** The space it takes at rest, and the space it sweeps. */
  readonly rooms?: readonly Room[];
  readonly motions?: readonly Motion[];
}

/** A kind with its particulars forgotten, as the registry is folded over. */
export type AnyKind = Kind<string, SettingTree, never, never>;
