import { Dim, type Source, type SourceKind } from '../derive/index.js';
import { type ResolvedMaterial, thicknessOf } from '../job/index.js';
import type { Cabinet, JobHead } from './document.js';
import {
  type Leaf,
  type MaterialRole,
  type SchoolId,
  type Settings,
  settingLeaf,
  settingLeaves,
  valueAt,
} from './settings.js';

/** A decided word with where it was decided. */
export interface Choice<T extends string = string> {
  readonly value: T;
  readonly label: string;
  readonly source: Source;
}

/** The settings with every length a `Dim` and every word a `Choice`. */
type ResolvedGroup<T> = {
  readonly [K in keyof T]: T[K] extends number ? Dim : T[K] extends string ? Choice<T[K]> : ResolvedGroup<T[K]>;
};
export type ResolvedSettings = ResolvedGroup<Settings>;

export interface Resolved {
  readonly settings: ResolvedSettings;
  readonly materials: Readonly<Record<MaterialRole, ResolvedMaterial>>;
}

interface Layer {
  readonly kind: SourceKind;
  readonly note: string;
  readonly tree: { readonly [key: string]: unknown };
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
    note: `${house.name}, ${settingLeaf('school').options?.[school]}`,
    tree: house.schools[school],
    path: `house/schools/${school}`,
  };
  return [...above, brought, ...below];
}

function resolveLeaf(leaf: Leaf, layers: readonly Layer[]): Dim | Choice {
  for (const layer of layers) {
    const value = valueAt(layer.tree, leaf.path);
    if (value === undefined) continue;
    const source: Source = { kind: layer.kind, note: layer.note, path: `${layer.path}/${leaf.key}` };
    return typeof value === 'number'
      ? new Dim(value, leaf.label, 'setting', [], leaf.measure === 'choice' ? 'plain' : leaf.measure, source)
      : { value: value as string, label: leaf.label, source };
  }
  throw new Error(`no layer decides ${leaf.key}`);
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
