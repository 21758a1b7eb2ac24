import type { AnyKind, LibraryColumn, OwnOf, ResultsOf } from '../cabinet/index.js';
import type {
  AllOf,
  AskedOfKinds,
  DeepPartial,
  Follows,
  HardwareKind,
  NamedProfile,
  Resolved,
  ResolvedGroup,
  SettingOverrides,
  Slice,
} from '../decisions/index.js';
import { bottles } from '../kinds/bottles/index.js';
import { catches } from '../kinds/catches/index.js';
import { dampers } from '../kinds/dampers/index.js';
import { grommets } from '../kinds/grommets/index.js';
import { hangers } from '../kinds/hangers/index.js';
import { hanging } from '../kinds/hanging/index.js';
import { hinges } from '../kinds/hinges/index.js';
import { legs } from '../kinds/legs/index.js';
import { lifts } from '../kinds/lifts/index.js';
import { pins } from '../kinds/pins/index.js';
import { pulls } from '../kinds/pulls/index.js';
import { runners } from '../kinds/runners/index.js';
import { waste } from '../kinds/waste/index.js';

/** Everything that is bought and fitted, in working order. A new kind is a folder and one line here. */
export const kinds = [
  hinges,
  pulls,
  catches,
  dampers,
  lifts,
  pins,
  runners,
  waste,
  bottles,
  hanging,
  legs,
  hangers,
  grommets,
] as const;

/** The kinds with their particulars forgotten. */
export const allKinds = kinds as unknown as readonly AnyKind[];

type KindOf = (typeof kinds)[number];

/** The settings that kinds declare. */
type KindSettings = AllOf<OwnOf<KindOf>>;
/** A layer of settings of the construction and of every kind. */
export type Overrides = SettingOverrides & DeepPartial<KindSettings>;
/** Kinds that do not declare what the construction asks of them do not compile. */
type AsAsked<S extends AskedOfKinds> = S;
/** A cabinet's settings, those of every kind among them. */
export type ResolvedCabinet = Resolved & { readonly settings: AsAsked<ResolvedGroup<KindSettings>> };

/** What each kind makes of a cabinet, by its id. */
export type Fitted = ResultsOf<typeof kinds>;

type ProfileOf<K> = K extends { readonly library?: infer L }
  ? NonNullable<L> extends { readonly catalogue: readonly (infer P)[] }
    ? P
    : never
  : never;
/** The profiles of a kind, by its id. */
type Profiles = { readonly [K in KindOf as K['id']]: readonly ProfileOf<K>[] };

/** The profiles a job has of a kind. */
export function profilesOf<Id extends keyof Profiles>(
  { hardware }: { readonly hardware: Readonly<Record<string, readonly NamedProfile[]>> },
  id: Id,
): Profiles[Id] {
  return (hardware[id] ?? []) as unknown as Profiles[Id];
}

/** A library as the registry knows it: what the document asks of it, and how it is shown. */
export interface KindLibrary extends HardwareKind {
  readonly label: string;
  readonly columns: readonly LibraryColumn<NamedProfile>[];
  readonly sort?: (profile: NamedProfile) => string;
}

/** Every kind that has profiles to choose from, in the order in which the library shows them. */
export const libraries: readonly KindLibrary[] = kinds.flatMap((kind) =>
  'library' in kind && kind.library
    ? [{ id: kind.id, label: kind.label, ...kind.library } as unknown as KindLibrary]
    : [],
);

/** What kinds add to the document. */
export const slices: readonly Slice[] = allKinds.flatMap(({ slice }) => slice ?? []);

/** What follows in the construction of choices of every kind. */
export const follows: readonly Follows[] = kinds.flatMap((kind) =>
  'follows' in kind && kind.follows ? [kind.follows as unknown as Follows] : [],
);
