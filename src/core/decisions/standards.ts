import { byStandard, Dim, type Source, type SourceKind } from '../ground/index.js';
import type { CabinetKind, Design, JobHead } from './document/index.js';
import { type FillBook, ownPath, type ResolvedMaterial, thicknessOf } from './job/index.js';
import type { Choice, Follows, ResolvedSettings, Settled } from './resolved.js';
import {
  type Declarations,
  type Leaf,
  type MaterialRole,
  type SchoolId,
  type SettingOverrides,
  schools,
  valueAt,
} from './settings/index.js';
import { THIS_CABINET } from './sources.js';

/** What there is to resolve: the settings that are declared, and what follows of choices of kinds. */
export interface Resolvable {
  readonly declared: Declarations;
  readonly follows: readonly Follows[];
  readonly fills: FillBook;
}

interface Layer {
  readonly kind: SourceKind;
  readonly note: string;
  readonly tree: { readonly [key: string]: unknown };
  /** Where an edit of this layer goes. */
  readonly path: string;
}

/** What a cabinet itself decides. */
function ownLayer({ settings }: Design): Layer {
  return { kind: 'here', note: THIS_CABINET, tree: settings, path: ownPath('settings') };
}

/** The layers behind the cabinet in the order in which they speak, the house last. */
function layersBehind({ house, standards }: JobHead, kind: CabinetKind, school: SchoolId): Layer[] {
  // The school is itself a setting; what it brings speaks before the rest of the house.
  const ofSchool: Layer = {
    kind: 'house',
    note: `${house.name}, ${schools[school].label}`,
    tree: house.schools[school],
    path: `house/schools/${school}`,
  };
  const ofKind: Layer = {
    kind: 'house',
    note: `${house.name}, ${kind} cabinets`,
    tree: house[kind],
    path: `house/${kind}`,
  };
  return [
    ...jobLayers(standards, kind),
    // What stands is built as its school builds; what hangs has no toe, and hangs, in every school.
    ...(kind === 'wall' ? [ofKind, ofSchool] : [ofSchool, ofKind]),
    { kind: 'house', note: house.name, tree: house.all, path: 'house/all' },
  ];
}

function jobLayers(standards: JobHead['standards'], kind: CabinetKind): Layer[] {
  return [
    { kind: 'job', note: `this job, ${kind} cabinets`, tree: standards[kind], path: `standards/${kind}` },
    { kind: 'job', note: 'this job', tree: standards.all, path: 'standards/all' },
  ];
}

function schoolOf({ house, standards }: JobHead, { kind, settings }: Design): SchoolId {
  const said = [settings, standards[kind], standards.all, house[kind], house.all].find(
    ({ school }) => school !== undefined,
  );
  return said?.school as SchoolId;
}

function resolveLeaf(leaf: Leaf, layers: readonly Layer[]): Dim | Choice {
  for (const layer of layers) {
    const value = valueAt(layer.tree, leaf.path);
    if (value === undefined) continue;
    const source: Source = { kind: layer.kind, note: layer.note, path: `${layer.path}/${leaf.key}` };
    return typeof value === 'number'
      ? settled(value, leaf, source)
      : { value: value as string, label: leaf.label, source };
  }
  throw new Error(`no layer decides ${leaf.key}`);
}

function settled(value: number, { label, measure, key }: Leaf, source: Source): Dim {
  return new Dim(
    value,
    label,
    'setting',
    [],
    measure === 'choice' ? 'plain' : measure,
    source,
    undefined,
    `settings.${key}`,
  );
}

type Found = Dim | Choice;

/** What every setting is before a cabinet speaks: one by one in their order, and as the tree rules read. */
interface StandardSettings {
  readonly found: readonly Found[];
  readonly settings: ResolvedSettings;
}

/**
 * Settles every setting for one cabinet after another: house, then job, then here; the nearest wins and is remembered as
 * the source. What every setting is before a cabinet speaks, and every material as it will be cut, is shared by them all:
 * it is made for one head and holds while that head does not change. While a cabinet's own decisions and the standards
 * behind them stay, so does the result: another size asks for nothing anew.
 */
export class Standards {
  private readonly found = new Map<string, StandardSettings>();
  private readonly materials = new Map<string, ResolvedMaterial>();
  /** What came of a cabinet's own decisions, by their identity. */
  private readonly known = new WeakMap<SettingOverrides, { readonly of: Design; readonly resolved: Settled }>();

  readonly trim: number;

  constructor(
    private readonly head: JobHead,
    private readonly of: Resolvable,
  ) {
    this.trim = head.workshop.cutting.trim;
  }

  /** Every setting and material of a cabinet; the same again while what it decides itself stays. */
  resolved(cabinet: Design): Settled {
    const known = this.known.get(cabinet.settings);
    if (known?.of.kind === cabinet.kind && known.of.parts === cabinet.parts) return known.resolved;
    const resolved = settle(cabinet, this, this.of);
    this.known.set(cabinet.settings, { of: cabinet, resolved });
    return resolved;
  }

  behind(cabinet: Design): StandardSettings {
    const school = schoolOf(this.head, cabinet);
    const key = `${cabinet.kind}/${school}`;
    let behind = this.found.get(key);
    if (!behind) {
      const layers = layersBehind(this.head, cabinet.kind, school);
      const { leaves } = this.of.declared;
      const found = leaves.map((leaf) => resolveLeaf(leaf, layers));
      behind = { found, settings: treeOf(leaves, (_leaf, at) => found[at]) };
      this.found.set(key, behind);
    }
    return behind;
  }

  material(id: string): ResolvedMaterial {
    let known = this.materials.get(id);
    if (!known) {
      const material = this.head.materials.find((each) => each.id === id);
      if (!material) throw new Error(`the job has no material "${id}"`);
      known = { material, thickness: thicknessOf(material) };
      this.materials.set(id, known);
    }
    return known;
  }
}

function settle(cabinet: Design, standards: Standards, { declared, follows, fills }: Resolvable): Settled {
  const behind = standards.behind(cabinet);
  const own = ownLayer(cabinet);
  const groups = Object.keys(own.tree).filter((group) => own.tree[group] !== undefined);
  // What a cabinet decides nothing of it shares with the others.
  const said =
    groups.length === 0 ? behind.settings : { ...behind.settings, ...overlaid(declared.leaves, groups, own, behind) };
  const settings = follows.reduce((now, follow) => follow(now), withWhatFollows(said, cabinet.kind, standards));
  const { materials } = settings;
  const resolved = Object.fromEntries(
    (Object.keys(materials) as MaterialRole[]).map((role) => [role, standards.material(materials[role].value)]),
  ) as Record<MaterialRole, ResolvedMaterial>;
  const pieces = piecesOf(cabinet, standards);
  // A cabinet has one bottom and one back: what is decided of them holds for the role.
  for (const role of ['bottom', 'back'] as const) if (pieces[role]) resolved[role] = pieces[role];
  return {
    settings,
    materials: resolved,
    pieces,
    fills,
    trim: standards.trim,
    decided: cabinet.parts ?? [],
  };
}

/** A back thinner than this carries nothing, and no cabinet can be hung through it (mm). */
export const CARRYING_BACK = 12;

/**
 * What a choice brings with it where nobody has said otherwise: what the job or the cabinet decides stays as it is
 * decided.
 *
 * A structural back does the work of nailers, so where the standard's back is too thin for it, it is of the nailers'
 * stock. A frame on a standing box without a toe ends on the floor.
 */
function withWhatFollows(settings: ResolvedSettings, kind: CabinetKind, standards: Standards): ResolvedSettings {
  const { back, materials, frame, toe } = settings;
  let now = settings;
  if (back.kind.value === 'structural' && byStandard(materials.back)) {
    const carries = standards.material(materials.back.value).thickness.value >= CARRYING_BACK;
    const source: Source = { ...materials.nailer.source, note: 'as the nailers, since the back carries' };
    if (!carries)
      now = { ...now, materials: { ...materials, back: { ...materials.back, value: materials.nailer.value, source } } };
  }
  const onFloor = kind !== 'wall' && toe.kind.value === 'none' && frame.fitted.value === 'fitted';
  if (onFloor && byStandard(frame.lip) && byStandard(frame.bottomRail)) {
    const { thickness } = standards.material(materials.bottom.value);
    const lip = frame.bottomRail.minus(thickness).as(frame.lip.label).because('the frame ends on the floor');
    if (lip.value > frame.lip.value) now = { ...now, frame: { ...frame, lip } };
  }
  return now;
}

const NO_PIECES: Settled['pieces'] = {};

function piecesOf({ parts }: Design, standards: Standards): Settled['pieces'] {
  if (!parts) return NO_PIECES;
  return Object.fromEntries(
    parts.flatMap(({ part, material }) =>
      material === undefined ? [] : [[part, standards.material(material)] as const],
    ),
  );
}

/** The groups of settings in which a cabinet decides something, with what it decides laid over what stands behind it. */
function overlaid(
  leaves: readonly Leaf[],
  groups: readonly string[],
  own: Layer,
  { found }: StandardSettings,
): Partial<ResolvedSettings> {
  return treeOf(leaves, (leaf, at) => {
    if (!groups.includes(leaf.path[0] as string)) return undefined;
    return valueAt(own.tree, leaf.path) === undefined ? found[at] : resolveLeaf(leaf, [own]);
  });
}

/** Settings as a tree from what each of them is; those that are nothing are left out. */
function treeOf(leaves: readonly Leaf[], found: (leaf: Leaf, at: number) => Found | undefined): ResolvedSettings {
  const tree: Record<string, unknown> = {};
  leaves.forEach((leaf, at) => {
    const value = found(leaf, at);
    if (value === undefined) return;
    const { path } = leaf;
    let node = tree;
    for (let depth = 0; depth < path.length - 1; depth += 1) {
      const key = path[depth] as string;
      node[key] ??= {};
      node = node[key] as Record<string, unknown>;
    }
    node[path[path.length - 1] as string] = value;
  });
  return tree as unknown as ResolvedSettings;
}
