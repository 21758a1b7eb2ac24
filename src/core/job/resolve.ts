import { z } from 'zod';
import { Dim, mean, type Source, type SourceKind, setting } from '../derive/index.js';
import type { Cabinet, JobHead, Material } from './document.js';
import { metaOf } from './fields.js';
import { type MaterialRole, type SchoolId, type Settings, settingsSchema } from './settings.js';

/** A decided word with where it was decided. */
export interface Choice<T extends string = string> {
  readonly value: T;
  readonly label: string;
  readonly source: Source;
}

/** The settings with every length a `Dim` and every word a `Choice`. */
export type ResolvedGroup<T> = {
  readonly [K in keyof T]: T[K] extends number ? Dim : T[K] extends string ? Choice<T[K]> : ResolvedGroup<T[K]>;
};
export type ResolvedSettings = ResolvedGroup<Settings>;

/** A material as it will be cut: its thickness is the measured one where there is one. */
export interface ResolvedMaterial {
  readonly material: Material;
  readonly thickness: Dim;
}

export interface Resolved {
  readonly settings: ResolvedSettings;
  readonly materials: Readonly<Record<MaterialRole, ResolvedMaterial>>;
}

/** One leaf of the settings schema. */
export interface Leaf {
  readonly path: readonly string[];
  readonly label: string;
  readonly measure: 'mm' | 'plain' | 'choice';
  readonly options?: Readonly<Record<string, string>>;
  readonly trade?: string;
  readonly schema: z.ZodType;
}

function leavesOf(schema: z.ZodObject, path: readonly string[]): Leaf[] {
  return Object.entries(schema.shape).flatMap(([key, field]): Leaf[] => {
    const at = [...path, key];
    if (field instanceof z.ZodObject) return leavesOf(field, at);
    const meta = metaOf(field as z.ZodType);
    if (!meta) throw new Error(`the setting ${at.join('/')} has no label`);
    return [{ path: at, schema: field as z.ZodType, ...meta }];
  });
}

/** Every setting there is, in working order. */
export const settingLeaves: readonly Leaf[] = leavesOf(settingsSchema, []);

type Tree = { readonly [key: string]: unknown };

function at(tree: unknown, path: readonly string[]): unknown {
  let node = tree;
  for (const key of path) {
    if (node === undefined) return undefined;
    node = (node as Tree)[key];
  }
  return node;
}

interface Layer {
  readonly kind: SourceKind;
  readonly note: string;
  readonly tree: Tree;
  /** Where an edit of this layer goes. */
  readonly path: string;
}

/** The layers in the order in which they speak: the cabinet first, the house last. */
function layersOf(head: JobHead, cabinet: Cabinet): Layer[] {
  const { kind } = cabinet;
  const { house, standards } = head;
  const above: Layer[] = [
    {
      kind: 'here',
      note: `cabinet ${cabinet.number}`,
      tree: cabinet.settings,
      path: `cabinets/${cabinet.id}/settings`,
    },
    { kind: 'job', note: `this job, ${kind} cabinets`, tree: standards[kind], path: `standards/${kind}` },
    { kind: 'job', note: 'this job', tree: standards.all, path: 'standards/all' },
  ];
  const below: Layer[] = [
    { kind: 'house', note: `${house.name}, ${kind} cabinets`, tree: house[kind], path: `house/${kind}` },
    { kind: 'house', note: house.name, tree: house.all, path: 'house/all' },
  ];
  // The school is itself a setting; what it brings speaks before the rest of the house.
  const school = [...above, ...below]
    .map((layer) => layer.tree.school)
    .find((value) => value !== undefined) as SchoolId;
  const brought: Layer = {
    kind: 'house',
    note: `${house.name}, ${SCHOOL_WORDS[school]}`,
    tree: house.schools[school],
    path: `house/schools/${school}`,
  };
  return [...above, brought, ...below];
}

const SCHOOL_WORDS = metaOf(settingsSchema.shape.school)?.options as Readonly<Record<SchoolId, string>>;

function resolveLeaf(leaf: Leaf, layers: readonly Layer[]): Dim | Choice {
  for (const layer of layers) {
    const value = at(layer.tree, leaf.path);
    if (value === undefined) continue;
    const source: Source = { kind: layer.kind, note: layer.note, path: `${layer.path}/${leaf.path.join('/')}` };
    return typeof value === 'number'
      ? new Dim(value, leaf.label, 'setting', [], leaf.measure === 'plain' ? 'plain' : 'mm', source)
      : { value: value as string, label: leaf.label, source };
  }
  throw new Error(`no layer decides ${leaf.path.join('/')}`);
}

/** What a setting would be for this cabinet if the cabinet itself said nothing. */
export function valueAbove(head: JobHead, cabinet: Cabinet, leaf: Leaf): Dim | Choice {
  return resolveLeaf(leaf, layersOf(head, cabinet).slice(1));
}

/** Settles every setting for one cabinet: house, then job, then here; the nearest wins and is remembered as the source. */
export function resolve(head: JobHead, cabinet: Cabinet): Resolved {
  const layers = layersOf(head, cabinet);
  const tree: Record<string, unknown> = {};
  for (const leaf of settingLeaves) {
    let node = tree;
    for (const key of leaf.path.slice(0, -1)) {
      node[key] ??= {};
      node = node[key] as Record<string, unknown>;
    }
    node[leaf.path.at(-1) as string] = resolveLeaf(leaf, layers);
  }
  const settings = tree as unknown as ResolvedSettings;
  const materials = Object.fromEntries(
    (Object.keys(settings.materials) as MaterialRole[]).map((role) => [
      role,
      resolveMaterial(head, settings.materials[role].value),
    ]),
  ) as Record<MaterialRole, ResolvedMaterial>;
  return { settings, materials };
}

function resolveMaterial(head: JobHead, id: string): ResolvedMaterial {
  const material = head.materials.find((each) => each.id === id);
  if (!material) throw new Error(`the job has no material "${id}"`);
  return { material, thickness: thicknessOf(material) };
}

/** Mean of the readings where there are any, else the nominal thickness. */
export function thicknessOf(material: Material): Dim {
  const { batch, readings } = material.measured;
  const path = `materials/${material.id}/measured/readings`;
  const label = `${material.name} thickness`;
  if (readings.length === 0)
    return setting(label, material.nominal, {
      kind: 'nominal',
      note: 'not measured yet',
      path: `materials/${material.id}/nominal`,
    });
  const source: Source = { kind: 'measured', note: batch ? `batch ${batch}` : 'measured', path };
  const taken = readings.map((reading, at) =>
    setting(readings.length === 1 ? label : `reading ${at + 1}`, reading, source),
  );
  return taken.length === 1 ? (taken[0] as Dim) : mean(taken).as(label);
}

/** Largest reading less smallest: over 0.3 mm the mean is not to be trusted. */
export function spreadOf(material: Material): number {
  const { readings } = material.measured;
  return readings.length < 2 ? 0 : Math.max(...readings) - Math.min(...readings);
}
