import type * as z from 'zod/mini';
import type { Cell, Fitting } from '../build/index.js';
import type {
  AllOf,
  AnyPath,
  DeepPartial,
  IdMaker,
  LeafFill,
  NamedProfile,
  ProposedAct,
  Resolved,
  ResolvedSettings,
  ResolvedWith,
  Section,
  Settings,
  SettingTree,
  Slice,
  ValuesOf,
} from '../decisions/index.js';
import type { Dim } from '../ground/index.js';
import type { DragHandle, DrawingItem, Extent, Operation, Part } from '../part/index.js';
import type { BuiltCabinet, DecidedHeights } from './built.js';
import type { FindingRule, NeighbourRule, Parting, RuleContext } from './finding.js';
import type { ForeseenStrip, Motion, Occupied, PlanPoint } from './motion.js';

/**
 * A kind of thing that is bought and fitted: hinges, pulls, pins, and whatever is to come. All that is particular to it
 * lies in its folder; a new one is a folder and one line in the registry. The document, the library file, the solver, the
 * drawings, the findings, the library view and the terminal read the registry and know none of them by name.
 *
 * It is given its own settings and the results of the kinds it stands `after`, and no others.
 */
export interface Kind<
  Id extends string,
  Own extends SettingTree,
  Profile extends NamedProfile,
  Result,
  After extends readonly Earlier[] = readonly [],
> extends Parting<RuleContextFor<Id, Own, Result, After>> {
  readonly id: Id;
  /** What several of them are called: "Hinges". */
  readonly label: string;
  /** Kinds whose results it reads. */
  readonly after?: After;
  readonly settings: Section<Own>;
  /** What it adds to the document beside them. */
  readonly slice?: Slice;
  /** What there is to choose from; absent for what is only bored and counted. */
  readonly library?: Library<Profile>;
  /** What a choice of its own brings with it in the construction. */
  follows?(settings: ResolvedWith<ValuesOf<Own>>['settings']): ResolvedSettings;
  /** Where things of its own will stand, whichever of its profiles is chosen: others keep out of there where they can. */
  strips?(context: StripContextFor<Own>, profiles: readonly Profile[]): readonly ForeseenStrip[];
  /** Reads the cabinet so far and says what it adds. */
  fit(context: FitContextFor<Own, After>, profiles: readonly Profile[]): Fit<Result>;
  readonly rules?: readonly FindingRule<RuleContextFor<Id, Own, Result, After>>[];
  readonly neighbourRules?: readonly NeighbourRule<BuiltFor<Id, Own, Result, After>>[];
  /** How it is drawn on the front elevation. */
  symbols?(fitted: Result): DrawingItem[];
  /** The space it takes where it is drawn dashed in every view, each with the part it belongs to. */
  bodies?(fitted: Result): readonly Body[];
  /** What of it is seen in the round and nowhere else. */
  pieces?(fitted: Result, built: Pick<BuiltCabinet, 'box'>): readonly Piece[];
  /** What it says of what is selected. */
  panels?(fitted: Result, selected: SelectedThing, built: BuiltFor<Id, Own, Result, After>): readonly KindPanel[];
  /** What of it can be dragged on the front elevation. */
  handles?(built: BuiltFor<Id, Own, Result, After>): DragHandle<AnyPath>[];
  /** Small cabinets to prove a profile in on scrap, the likeliest first; and whether one of them took it. */
  trials?(profile: Profile): readonly Trial<Own, After>[];
  uses?(fitted: Result, profile: string): boolean;
  /** What it says of itself in a result, as plain data. */
  present?(fitted: Result, size: (dim: Dim) => unknown): unknown;
}

/** As much as is known of a kind that others stand after. */
export interface Earlier {
  readonly id: string;
  readonly settings: Section<SettingTree>;
  fit(context: never, profiles: readonly never[]): Fit<unknown>;
}

/** What a kind makes of a cabinet. */
export type ResultOf<K extends Earlier> = ReturnType<K['fit']> extends Fit<infer Result> ? Result : never;
/** The results of several kinds, by their ids. */
export type ResultsOf<Kinds extends readonly Earlier[]> = {
  readonly [K in Kinds[number] as K['id']]: ResultOf<K>;
};

/** A cabinet so far, as a kind sees it: its own settings, and the results of those it stands after. */
export type FitContextFor<Own extends SettingTree, After extends readonly Earlier[] = readonly []> = FitContext<
  ResolvedFor<Own, After>,
  ResultsOf<After>
>;

/** The settings a kind knows: its own, and those of the kinds it stands after. */
export type ResolvedFor<Own extends SettingTree, After extends readonly Earlier[]> = ResolvedWith<
  ValuesOf<Own> & AllOf<OwnOf<After[number]>>
>;
/** The settings a kind declares. */
export type OwnOf<K> = K extends { readonly settings: Section<infer T extends SettingTree> } ? ValuesOf<T> : never;

type Own<Id extends string, Result, After extends readonly Earlier[]> = ResultsOf<After> & {
  readonly [K in Id]: Result;
};
/** A built cabinet as a kind sees it: its own settings and result, and the results of those it stands after. */
export type BuiltFor<
  Id extends string,
  Settings extends SettingTree,
  Result,
  After extends readonly Earlier[] = readonly [],
> = BuiltCabinet<ResolvedFor<Settings, After>, Own<Id, Result, After>>;
/** The same for its rules. */
export type RuleContextFor<
  Id extends string,
  Settings extends SettingTree,
  Result,
  After extends readonly Earlier[] = readonly [],
> = RuleContext<ResolvedFor<Settings, After>, Own<Id, Result, After>>;

/** What a kind may look at: the cabinet so far, its parts with all that is cut and bored in them, its rooms. */
export interface FitContext<R extends Resolved = Resolved, F = unknown>
  extends Pick<
    BuiltCabinet<R, F>,
    | 'head'
    | 'cabinet'
    | 'box'
    | 'resolved'
    | 'interiors'
    | 'fronts'
    | 'parts'
    | 'screwLines'
    | 'grid'
    | 'bays'
    | 'fitted'
    | 'occupied'
  > {
  readonly cells: readonly Cell[];
  /** Where things will stand that are not fitted yet. */
  readonly strips: readonly ForeseenStrip[];
}

/** What is known before anything is fitted. */
export type StripContextFor<Own extends SettingTree> = Omit<
  FitContext<ResolvedWith<ValuesOf<Own>>>,
  'strips' | 'fitted' | 'occupied'
>;

/** What a kind adds to a cabinet, as plain data. */
export interface Fit<Result> {
  readonly fitted: Result;
  readonly parts?: readonly Part[];
  /** Machining to add, by part key. */
  readonly operations?: ReadonlyMap<string, readonly Operation[]>;
  /** The lines screws take in parts nothing is bored in for them, by part key. */
  readonly screwLines?: ReadonlyMap<string, readonly Operation[]>;
  /** What to buy. */
  readonly buy?: readonly Fitting[];
  /** The space it takes at rest, and the space it sweeps. */
  readonly occupied?: readonly Occupied[];
  readonly motions?: readonly Motion[];
  /** True where it holds the cabinet on the wall. */
  readonly hung?: boolean;
  readonly decidedHeights?: readonly DecidedHeights[];
}

/** A small cabinet in which a piece of hardware may find its place. */
export interface Trial<Own extends SettingTree = SettingTree, After extends readonly Earlier[] = readonly []> {
  readonly width: number;
  readonly height: number;
  readonly depth: number;
  readonly settings: DeepPartial<Settings & ValuesOf<Own> & AllOf<OwnOf<After[number]>>>;
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

/** What is selected in a cabinet: a part or a symbol by its key, with the front and the opening it belongs to. */
export interface SelectedThing {
  readonly key: string;
  readonly front: string | undefined;
  readonly opening: string | undefined;
}

/** What stands beside the drawing of something that is selected: what was taken, its numbers, and why no other. */
export interface KindPanel {
  /** What it is of, for those who hear it: "Bins behind this front". */
  readonly label: string;
  readonly title: string;
  readonly taken?: string;
  readonly about?: string;
  readonly rows: readonly { readonly name: string; readonly dim: Dim | undefined }[];
  /** Lengths that are decided here. */
  readonly fields?: readonly { readonly label: string; readonly path: AnyPath; readonly mm: number }[];
  /** What can be done here; `ids` names what is new. */
  readonly acts?: readonly { readonly label: string; act(ids: IdMaker): ProposedAct }[];
  readonly against?: readonly { readonly profile: string; readonly name: string; readonly why: string }[];
  readonly note?: string;
  /** The result its numbers are part of. */
  readonly of: object;
}

/** A piece of something bought: an upright prism over an outline in plan (mm). */
export interface Piece {
  readonly outline: readonly PlanPoint[];
  readonly low: number;
  readonly high: number;
  /** Key under which it is selected. */
  readonly shows: string;
  /** Key of the part it is on, and of the front it moves with. */
  readonly on: string | undefined;
  readonly moves: string | undefined;
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

/** A kind with its particulars forgotten, as the registry is folded over. */
export type AnyKind = Kind<string, SettingTree, never, never, readonly Earlier[]>;
