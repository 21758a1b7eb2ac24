import type { Given } from '../given/index.js';
import { Dim, decidedHere, type Source } from '../ground/index.js';
import type { Design } from './document/index.js';
import type { DecidedPart, FillBook, OwnPath, ProposedAct, ResolvedMaterial } from './job/index.js';
import { ownPathTo } from './paths.js';
import { type DeclaredPath, type Leaf, type MaterialRole, matters, type Settings, valueAt } from './settings/index.js';

/** A decided word with where it was decided. */
export interface Choice<T extends string = string> {
  readonly value: T;
  readonly label: string;
  readonly source: Source;
}

/** What a setting comes to on a cabinet, wherever it was decided. */
export function settingOf({ resolved }: { readonly resolved: Pick<Resolved, 'settings'> }, path: string): Dim | Choice {
  return valueAt(resolved.settings, path.split('/')) as Dim | Choice;
}

/** The word a choice has on a cabinet; empty for a number. */
export function choiceOf(solved: { readonly resolved: Pick<Resolved, 'settings'> }, path: string): string {
  const found = settingOf(solved, path);
  return found instanceof Dim ? '' : found.value;
}

/** The words conditions of settings are asked about: those of other choices, and the kind of the cabinet. */
export const CABINET_KIND = 'cabinet/kind';

/** True when a setting matters on a cabinet, or is decided there, so that it can be let go again. */
export function offeredOn(
  solved: { readonly cabinet: Pick<Design, 'kind'>; readonly resolved: Pick<Resolved, 'settings'> },
  { when, key }: Pick<Leaf, 'when' | 'key'>,
): boolean {
  const is = (path: string) => (path === CABINET_KIND ? solved.cabinet.kind : choiceOf(solved, path));
  return matters(when, is) || (asksForKind(when) && decidedHere(settingOf(solved, key)));
}

const asksForKind = (when: Leaf['when']) =>
  (Array.isArray(when) ? when : [when ?? {}]).some((conditions) => CABINET_KIND in conditions);

/** Settings with every length a `Dim` and every word a `Choice`. */
export type ResolvedGroup<T> = {
  readonly [K in keyof T]: T[K] extends number ? Dim : T[K] extends string ? Choice<T[K]> : ResolvedGroup<T[K]>;
};

/**
 * What the construction asks of settings that kinds of fitted things declare; the registry is held against it where it is
 * composed.
 */
export interface AskedOfKinds {
  /** A wall cabinet that hangs on hangers needs no nailer to hang by. */
  readonly hangers: { readonly fitted: Choice<'none' | 'hangers'> };
}

/** The settings of the construction, and what it asks of others, as they are on a cabinet. */
export type ResolvedSettings = ResolvedGroup<Settings> & AskedOfKinds;

/** The paths of resolved settings: `toe/height`. */
type PathsIn<S> = {
  [K in keyof S & string]: S[K] extends Dim | Choice ? K : `${K}/${PathsIn<S[K]>}`;
}[keyof S & string];

/** Where a setting is decided on the cabinet that is looked at: one of those its reader knows. */
export function settingPath<S>(_on: KnowsSettings<S>, path: PathsIn<S> | DeclaredPath): OwnPath {
  return ownPathTo.setting(path as DeclaredPath);
}

/** An act that decides a setting on the cabinet that is looked at. */
export function setChoice<S>(on: KnowsSettings<S>, label: string, path: PathsIn<S>, value: string): ProposedAct {
  return { label, edits: [{ path: settingPath(on, path), value }] };
}

/** A cabinet whose reader knows some of its settings. */
interface KnowsSettings<S> {
  readonly resolved: { readonly settings: S };
}

/** The paths of the settings that a reader of a cabinet knows. */
export type PathsOn<C extends { readonly resolved: { readonly settings: unknown } }> = PathsIn<
  C['resolved']['settings']
>;

/** What is decided of a cabinet, by itself and by whatever stands behind it. */
export interface Settled {
  readonly settings: ResolvedSettings;
  readonly materials: Readonly<Record<MaterialRole, ResolvedMaterial>>;
  /** Materials decided for single parts, by the keys of the parts. */
  readonly pieces: Readonly<Record<string, ResolvedMaterial>>;
  /** What openings and rooms may be. */
  readonly fills: FillBook;
  /** What is trimmed off each edge of a sheet before parts are cut (mm). */
  readonly trim: number;
  /** What a cabinet decides of single parts. */
  readonly decided: readonly DecidedPart[];
}

/** The same with what the cabinet is told of the world: all that it is figured from. */
export interface Resolved extends Settled {
  readonly given: Given;
}

/** A cabinet's settings with those of a kind among them. */
export type ResolvedWith<Own> = Resolved & { readonly settings: ResolvedGroup<Own> };

/**
 * What a choice of a kind brings with it in the construction, where nobody has said otherwise: what the job or the cabinet
 * decides stays as it is decided.
 */
export type Follows = (settings: ResolvedSettings) => ResolvedSettings;
