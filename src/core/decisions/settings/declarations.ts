import * as z from 'zod/mini';
import { saying } from '../fields.js';
import {
  type AllOf,
  type Declared,
  type DeepPartial,
  type HouseSet,
  isDeclared,
  type PathsOf,
  type Section,
  type SettingTree,
  type ValuesOf,
} from './declare.js';
import type { JointWords } from './joints.js';
import type { pinSettings } from './pins.js';
import { SCHOOL_IDS, type SchoolId, schools } from './schools/index.js';
import { settingSections } from './sections.js';

type Sections = ReturnType<typeof settingSections>;

type TreeOf<S> = S extends Section<infer T> ? T : never;
type Trees = AllOf<TreeOf<Sections['before'][number] | typeof pinSettings | Sections['after'][number]>>;

/**
 * Everything about the construction that a shop decides once and changes now and then: the house standards. A job may
 * override any of them, and so may a single cabinet. What is fitted declares its own beside them.
 */
export type Settings = ValuesOf<Trees>;
export type SettingOverrides = DeepPartial<Settings>;
/** The path of a setting: `toe/height`. One that does not exist does not compile. */
export type SettingPath = PathsOf<Trees>;
export type MaterialRole = keyof Settings['materials'];
export type EndKind = Settings['ends']['left'];

declare const known: unique symbol;
/** The path of a setting somebody declared, as it stands in its leaf. */
export type DeclaredPath = string & { readonly [known]: true };

/** One setting with the path it is reached by. */
export interface Leaf extends Declared<unknown> {
  readonly path: readonly string[];
  readonly key: DeclaredPath;
}

/** Every setting there is, of the construction and of what is fitted, and what a document may say of them. */
export interface Declarations {
  /** Sections as they are shown: a title, its settings, and whether they have a place of their own. */
  readonly sections: readonly {
    readonly title: string;
    readonly elsewhere: boolean;
    readonly leaves: readonly Leaf[];
  }[];
  /** In working order. */
  readonly leaves: readonly Leaf[];
  /** The setting at a path; undefined where there is none. */
  leaf(path: string): Leaf | undefined;
  readonly settings: z.ZodMiniType<Settings>;
  /** The same settings with every one optional: an override layer. Unknown fields stay refused. */
  readonly overrides: z.ZodMiniType<SettingOverrides>;
}

/** The settings of the construction, for the joints there are, with those that kinds of fitted things declare, in working order. */
export function declarationsOf(ofKinds: readonly Section<SettingTree>[], joints: readonly JointWords[]): Declarations {
  const { before, after } = settingSections(joints);
  const all: readonly Section<SettingTree>[] = [...before, ...ofKinds, ...after];
  const sections = all.map(({ title, elsewhere, settings }) => ({ title, elsewhere, leaves: leavesOf(settings, []) }));
  const leaves = sections.flatMap((section) => section.leaves);
  const byKey = new Map<string, Leaf>(leaves.map((leaf) => [leaf.key, leaf]));
  const everything = Object.assign({}, ...all.map(({ settings }) => settings)) as SettingTree;
  return {
    sections,
    leaves,
    leaf: (path) => byKey.get(path),
    settings: schemaOf(
      everything,
      (leaf) => leaf.schema,
      (shape) => shape,
    ) as unknown as z.ZodMiniType<Settings>,
    overrides: schemaOf(
      everything,
      (leaf) => z.optional(leaf.schema),
      (shape) => z.optional(saying(shape, { layer: true })),
    ) as unknown as z.ZodMiniType<SettingOverrides>,
  };
}

function leavesOf(tree: SettingTree, path: readonly string[]): Leaf[] {
  return Object.entries(tree).flatMap(([key, entry]): Leaf[] => {
    const at = [...path, key];
    return isDeclared(entry) ? [{ ...entry, path: at, key: at.join('/') as DeclaredPath }] : leavesOf(entry, at);
  });
}

type Field = (leaf: Declared<unknown>) => z.ZodMiniType;

function schemaOf(tree: SettingTree, field: Field, group: (shape: z.ZodMiniObject) => z.ZodMiniType): z.ZodMiniObject {
  return z.strictObject(
    Object.fromEntries(
      Object.entries(tree).map(([key, entry]) => [
        key,
        isDeclared(entry) ? field(entry) : group(schemaOf(entry, field, group)),
      ]),
    ),
  );
}

type Tree = { [key: string]: unknown };

/** Puts a value at a path of a tree, making the groups on the way. */
function put(tree: Tree, path: readonly string[], value: unknown): void {
  let node = tree;
  for (const key of path.slice(0, -1)) {
    node[key] ??= {};
    node = node[key] as Tree;
  }
  node[path.at(-1) as string] = value;
}

/** A layer of settings with one of them decided otherwise; the layer it is given stays as it is. */
export function withSetting(
  settings: SettingOverrides,
  [key, ...rest]: readonly string[],
  value: string | number,
): SettingOverrides {
  if (key === undefined) return settings;
  const inner = (settings as Record<string, unknown>)[key];
  return {
    ...settings,
    [key]: rest.length === 0 ? value : withSetting((inner ?? {}) as SettingOverrides, rest, value),
  };
}

/** Every setting at what it is in a starting set. */
export function startingSettings({ leaves }: Declarations, set: HouseSet): Settings {
  const tree: Tree = {};
  for (const { path, defaults } of leaves) put(tree, path, defaults[set]);
  return tree as unknown as Settings;
}

/** What every school brings, as it is in a starting set. */
export function schoolStandards(set: HouseSet): Record<SchoolId, SettingOverrides> {
  const standards: Record<SchoolId, { readonly standards: Readonly<Record<HouseSet, SettingOverrides>> }> = schools;
  return structuredClone(
    Object.fromEntries(SCHOOL_IDS.map((id) => [id, standards[id].standards[set]])) as Record<
      SchoolId,
      SettingOverrides
    >,
  );
}

/**
 * The standards of schools a document does not know yet, as its starting set has them; a material the job does not have
 * stays what the house says.
 */
export function fillSchools(stored: Tree, set: HouseSet, materials: ReadonlySet<unknown>): Tree {
  const missing = Object.entries(schoolStandards(set)).filter(([id]) => stored[id] === undefined);
  const kept = ({ materials: roles = {}, ...rest }: SettingOverrides): SettingOverrides => {
    const there = Object.fromEntries(Object.entries(roles).filter(([, id]) => materials.has(id)));
    return Object.keys(there).length > 0 ? { ...rest, materials: there } : rest;
  };
  return { ...stored, ...Object.fromEntries(missing.map(([id, standards]) => [id, kept(standards)])) };
}

/**
 * Settings younger than a document, at what the document did before they were there: they are filled in as it is read,
 * so that no migration has to.
 */
export function fillYounger(all: Tree, version: number, set: HouseSet, leaves: readonly Leaf[]): Tree {
  const filled = structuredClone(all);
  for (const { path, since, before: did, defaults } of leaves)
    if (since > version && valueAt(filled, path) === undefined) put(filled, path, did ?? defaults[set]);
  return filled;
}

/** The value at a path; undefined where the path ends early. */
export function valueAt(tree: unknown, path: readonly string[]): unknown {
  let node = tree;
  for (const key of path) {
    if (typeof node !== 'object' || node === null) return undefined;
    node = (node as Tree)[key];
  }
  return node;
}
