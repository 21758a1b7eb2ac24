import assert from 'node:assert/strict';
import { test } from 'node:test';
import { type CabinetDecisions, jobWith, solvedWith } from '../../../../tests/support/cabinets.js';
import { presentJob } from '../../present/index.js';
import { libraries, settingLeaf, settingLeaves } from '../../solve/index.js';
import type { Conditions, Leaf, SettingOverrides, SettingPath } from '../index.js';
import type { Interior } from '../job/index.js';
import { stableJson } from './index.js';

const share = { rule: 'share' as const, weight: 1 };
/** Two of a kind one above the other. */
const inside = (kind: 'drawer' | 'tray'): Interior => ({
  kind: 'rows',
  graduation: { kind: 'arithmetic', step: 10 },
  parts: ['1', '2'].map((id) => ({ id: `${kind}${id}`, size: share, divider: 'none' as const, fill: { kind } })),
});
const bays: CabinetDecisions['parts'] = [
  {
    id: 'o1',
    size: share,
    fill: {
      kind: 'columns',
      graduation: { kind: 'arithmetic', step: 0 },
      parts: [
        { id: 'a', size: share, fill: { kind: 'open', interior: { kind: 'shelves', shelves: 2 } } },
        { id: 'b', size: share, fill: { kind: 'door', hinged: 'left', interior: { kind: 'shelves', shelves: 2 } } },
      ],
    },
  },
  { id: 'o2', size: { rule: 'fixed', mm: 150 }, fill: { kind: 'drawer' } },
  { id: 'o3', size: { rule: 'fixed', mm: 170 }, fill: { kind: 'drawer' } },
];

/** Cabinets between them of every way of building: a setting that changes none of them is a dead one. */
const WAYS: CabinetDecisions[] = [
  {},
  { parts: bays, width: 900 },
  { from: 'wall' },
  { lists: { grommets: [{ id: 'g1', part: 'back' }] } },
  { settings: { ends: { leftClear: 5, rightClear: 5, leftHigh: 2000, rightHigh: 2000 } } },
  { from: 'tall', settings: { making: { kind: 'stick' }, fronts: { grainRuns: 'none' } } },
  {
    parts: bays,
    width: 1200,
    settings: { making: { kind: 'stick', drawers: 'likeDoors' }, pulls: { drawerPlace: 'rail' } },
  },
  { settings: { making: { kind: 'trim' } } },
  { width: 560 },
  { from: 'wall', height: 380, parts: [{ id: 'o1', size: share, fill: { kind: 'lift' } }] },
  { settings: { making: { kind: 'stick', groove: 12 }, materials: { doorPanel: 'oak20' } } },
  { settings: { fronts: { grainRuns: 'face' } } },
  { settings: { fronts: { fit: 'lipped' } } },
  { settings: { fronts: { fit: 'inset', gap: 2, stops: 'none' } } },
  { settings: { fronts: { atNeighbour: 'half' } } },
  { settings: { toe: { kind: 'notched' }, ends: { left: 'exposed', right: 'wall', filler: 'strip' } } },
  { settings: { toe: { kind: 'legs' }, depth: { means: 'carcass' }, bottom: { place: 'under' } } },
  { settings: { joints: { bottom: 'dado', top: 'rabbet', shelf: 'dowels', partition: 'dado' } }, parts: bays },
  { settings: { joints: { bottom: 'tenons', top: 'pocket', shelf: 'tenons', partition: 'dowels' } }, parts: bays },
  { settings: { joints: { bottom: 'rabbet', top: 'dowels', shelf: 'pocket', partition: 'pocket' } }, parts: bays },
  { settings: { back: { kind: 'rabbeted' } } },
  { settings: { back: { kind: 'applied' } } },
  { settings: { back: { kind: 'grooved', cut: 'cutter', offsetFrom: 'set', bottomEdge: 'past' } } },
  { settings: { top: { kind: 'full', place: 'over' } } },
  { settings: { top: { kind: 'web' } } },
  {
    parts: bays,
    settings: {
      school: 'faceFrame',
      ends: { left: 'exposed', right: 'wall' },
      frame: { attachment: 'tongue', tenon: 10 },
    },
  },
  {
    settings: {
      school: 'faceFrame',
      ends: { left: 'wall' },
      fronts: { fit: 'inset', gap: 2 },
      making: { kind: 'stick' },
    },
  },
  { parts: bays, settings: { school: 'traditional' } },
  {
    parts: bays,
    settings: { pins: { kind: 'free', rear: 'groove', opposite: 'through' }, shelves: { stripHeight: 40 } },
  },
  { parts: bays, settings: { pins: { column: 'full' } }, width: 800, measured: { birch18: 15 } },
  { parts: bays, settings: { shelves: { load: 'records' } }, width: 1150 },
  {
    parts: [
      { id: 'o1', size: share, fill: { kind: 'open' } },
      { id: 'o2', size: share, fill: { kind: 'pair' } },
    ],
    settings: { ends: { left: 'exposed', leftPanel: 'applied' } },
  },
  {
    width: 900,
    height: 1100,
    parts: [
      { id: 'o1', size: share, fill: { kind: 'pair', interior: inside('drawer') } },
      { id: 'o2', size: share, fill: { kind: 'pair', interior: inside('tray') } },
    ],
  },
  { from: 'tall', depth: 500, parts: [{ id: 'o1', size: share, fill: { kind: 'pair', interior: { kind: 'rail' } } }] },
  { width: 450, parts: [{ id: 'o1', size: share, fill: { kind: 'waste' } }] },
  { parts: [{ id: 'o1', size: share, fill: { kind: 'open', interior: { kind: 'bottles' } } }] },
  ...(['short', 'u'] as const).map((round) => ({
    width: 800,
    settings: { back: { kind: 'none' as const }, drawers: { round } },
    parts: [{ id: 'o1', size: share, fill: { kind: 'drawer' as const } }],
    zones: [{ id: 'z1', name: 'trap', left: 330, up: 320, behind: 300, width: 120, height: 200, depth: 200 }],
  })),
  { from: 'wall', settings: { hangers: { fitted: 'hangers' }, nailer: { rails: 'none' } } },
  { width: 1199 },
  { width: 201, height: 201 },
  { height: 2399 },
  { depth: 151 },
  { depth: 749 },
  { height: 870, settings: { ends: { left: 'wall', right: 'wall' } } },
];

/** What a library has to name. */
const named = (from: string) => (libraries.find(({ id }) => id === from)?.catalogue ?? []).map(({ id }) => id);

/** Other values a setting may take. */
function others(leaf: Leaf, now: unknown): unknown[] {
  if (leaf.options) return Object.keys(leaf.options).filter((word) => word !== now);
  const words = leaf.from
    ? [...named(leaf.from), 'none']
    : leaf.path[0] === 'materials'
      ? ['oak20', 'front18', 'birch6']
      : ['ostrel-110-full/2/6'];
  const tries = leaf.limits ? [Number(now) + 1, Number(now) * 2, 3, 33, 60, 100, 160, 300, 400, 500, 901, 1400] : words;
  return tries.filter((value) => value !== now && leaf.schema.safeParse(value).success);
}

/** The plain cabinet with what a setting waits for. */
function waysFor({ when }: Leaf): CabinetDecisions[] {
  const all = when === undefined ? [] : Array.isArray(when) ? (when as readonly Conditions[]) : [when as Conditions];
  return all.flatMap((conditions) =>
    [{}, bays ? { parts: bays, width: 900 } : {}].map((base) => ({
      ...base,
      settings: Object.entries(conditions).reduce<SettingOverrides>((settings, [path, wanted]) => {
        const leaf = settingLeaf(path as SettingPath);
        const word =
          typeof wanted === 'string'
            ? wanted
            : !('not' in wanted)
              ? wanted[0]
              : others(leaf, wanted.not).find((each) => each !== wanted.not);
        return withSetting(settings, path.split('/'), word);
      }, {}),
    })),
  );
}

function withSetting(settings: SettingOverrides, path: readonly string[], value: unknown): SettingOverrides {
  const [key, ...rest] = path as [string, ...string[]];
  const inner = (settings as Record<string, unknown>)[key];
  return {
    ...settings,
    [key]: rest.length === 0 ? value : withSetting((inner ?? {}) as SettingOverrides, rest, value),
  };
}

/** Everything a maker sees of a cabinet: sizes, machining, hardware, findings. */
function seen(decisions: CabinetDecisions): string {
  const { cabinets, findings } = presentJob(solvedWith(decisions));
  return stableJson({ cabinets, findings });
}

const at = (tree: unknown, path: readonly string[]) =>
  path.reduce<unknown>((node, key) => (node as Record<string, unknown> | undefined)?.[key], tree);

test('no setting is a dead control: each changes some cabinet', () => {
  const before = WAYS.map(seen);
  const house = jobWith({}).house.all;
  /** The ways that told of settings of a group before, the latest that was found first. */
  const told = new Map<string, number[]>();
  const dead = settingLeaves.filter((leaf) => {
    // What starting sizes are for is the new cabinet, and worktops only count from a finished height.
    if (leaf.path[0] === 'worktop') return false;
    const changes = (way: CabinetDecisions, was: string | undefined) => {
      const now = at(way.settings, leaf.path) ?? at(house, leaf.path);
      return others(leaf, now).some(
        (value) => seen({ ...way, settings: withSetting(way.settings ?? {}, leaf.path, value) }) !== was,
      );
    };
    // What told of one setting of a group is likeliest to tell of the next.
    const [group = ''] = leaf.path;
    const likely = told.get(group) ?? [];
    const tells = (n: number) => changes(WAYS[n] as CabinetDecisions, before[n]);
    if (likely.some(tells) || waysFor(leaf).some((way) => changes(way, seen(way)))) return false;
    const found = [...WAYS.keys()].find((n) => !likely.includes(n) && tells(n));
    if (found === undefined) return true;
    told.set(group, [found, ...likely]);
    return false;
  });
  assert.deepEqual(
    dead.map(({ path }) => path.join('/')),
    [],
  );
});
