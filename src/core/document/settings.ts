import * as z from 'zod/mini';
import { kinds } from '../fitted/index.js';
import {
  type Declared,
  type DeepPartial,
  type HouseSet,
  isDeclared,
  type PathsOf,
  SCHOOL_IDS,
  type SchoolId,
  type Section,
  type SettingTree,
  schools,
  settingSections,
  type ValuesOf,
} from '../job/index.js';

const { before, after } = settingSections;

/** Every setting there is, in working order: of the construction, and of each kind of fitted thing. */
const sections = [...before, ...kinds.map(({ settings }) => settings), ...after] as const;

type TreeOf<S> = S extends Section<infer T> ? T : never;
type AllOf<U> = (U extends unknown ? (entry: U) => void : never) extends (entry: infer I) => void ? I : never;
type Trees = AllOf<TreeOf<(typeof before)[number] | (typeof kinds)[number]['settings'] | (typeof after)[number]>>;

/**
 * Everything a shop decides once and changes now and then: the house standards. A job may override any of them, and so
 * may a single cabinet.
 */
export type Settings = ValuesOf<Trees>;
export type SettingOverrides = DeepPartial<Settings>;
/** The path of a setting: `toe/height`. One that does not exist does not compile. */
export type SettingPath = PathsOf<Trees>;
export type MaterialRole = keyof Settings['materials'];
export type EndKind = Settings['ends']['left'];
export type JointKind = Settings['joints']['bottom'];

/** One setting with the path it is reached by. */
export interface Leaf extends Declared<unknown> {
  readonly path: readonly string[];
  readonly key: SettingPath;
}

function leavesOf(tree: SettingTree, path: readonly string[]): Leaf[] {
  return Object.entries(tree).flatMap(([key, entry]): Leaf[] => {
    const at = [...path, key];
    return isDeclared(entry) ? [{ ...entry, path: at, key: at.join('/') as SettingPath }] : leavesOf(entry, at);
  });
}

/** Sections as they are shown: a title, its settings, and whether they have a place of their own. */
export const settingSectionsShown = sections.map(({ title, elsewhere, settings }) => ({
  title,
  elsewhere,
  leaves: leavesOf(settings as SettingTree, []),
}));

/** Every setting there is, in working order. */
export const settingLeaves: readonly Leaf[] = settingSectionsShown.flatMap(({ leaves }) => leaves);

const byKey = new Map(settingLeaves.map((leaf) => [leaf.key as string, leaf]));

export function settingLeaf(key: SettingPath): Leaf {
  return byKey.get(key) as Leaf;
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

const everything = Object.assign({}, ...sections.map(({ settings }) => settings)) as SettingTree;

export const settingsSchema = schemaOf(
  everything,
  (leaf) => leaf.schema,
  (shape) => shape,
) as unknown as z.ZodMiniType<Settings>;

/** The same settings with every one optional: an override layer. Unknown fields stay refused. */
export const overridesSchema = schemaOf(
  everything,
  (leaf) => z.optional(leaf.schema),
  (shape) => z.optional(shape),
) as unknown as z.ZodMiniType<SettingOverrides>;

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
export function startingSettings(set: HouseSet): Settings {
  const tree: Tree = {};
  for (const { path, defaults } of settingLeaves) put(tree, path, defaults[set]);
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
  const known = ({ materials: roles = {}, ...rest }: SettingOverrides): SettingOverrides => {
    const kept = Object.fromEntries(Object.entries(roles).filter(([, id]) => materials.has(id)));
    return Object.keys(kept).length > 0 ? { ...rest, materials: kept } : rest;
  };
  return { ...stored, ...Object.fromEntries(missing.map(([id, standards]) => [id, known(standards)])) };
}

/**
 * Settings younger than a document, at what the document did before they were there: they are filled in as it is read,
 * so that no migration has to.
 */
export function fillYounger(all: Tree, version: number, set: HouseSet, leaves: readonly Leaf[] = settingLeaves): Tree {
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
