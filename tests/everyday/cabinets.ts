/**
 * What shops build every day, as a maker gets it: a start, a size, a face, and at most a step or two of what the dialogs
 * offer, all else left as it comes. Nothing here knows a formula of the core.
 */
import {
  type Cabinet,
  type CabinetKind,
  choiceOf,
  countedIds,
  type Fill,
  type HouseSet,
  type Job,
  newCabinet,
  type Opening,
  offeredOn,
  type SettingOverrides,
  type StartingPoint,
  shelved,
} from '../../src/core/decisions/index.js';
import { newJob, type SolvedCabinet, settingLeaves, solveCabinet } from '../../src/core/solve/index.js';

export const UNITS = ['metric', 'inch'] as const;
export const SCHOOLS = ['frameless', 'faceFrame', 'traditional'] as const;
type School = (typeof SCHOOLS)[number];

/** One cabinet of the sweep, by a name that says what was chosen. */
export interface Everyday {
  readonly name: string;
  readonly unit: HouseSet;
  readonly school: School;
  readonly from: StartingPoint;
  readonly size: { readonly width: number; readonly height: number; readonly depth: number };
  readonly face: string;
  /** Settings beside the school, as they are chosen in the dialogs. */
  readonly settings: Readonly<Record<string, string | number>>;
}

/** Why something is not in the sweep, and how often. */
export type LeftOut = Record<string, number>;

const IN = 25.4;
/** Sizes shops order by, for each kind and unit. */
const SIZES: Readonly<
  Record<
    HouseSet,
    Readonly<
      Record<
        CabinetKind,
        { readonly widths: readonly number[]; readonly heights: readonly number[]; readonly depths: readonly number[] }
      >
    >
  >
> = {
  metric: {
    base: {
      widths: [200, 250, 275, 300, 350, 400, 450, 500, 600, 700, 800, 900, 1000, 1200],
      heights: [820, 870, 900],
      depths: [560, 580, 600],
    },
    wall: {
      widths: [200, 225, 250, 275, 300, 400, 450, 500, 600, 800, 900, 1000, 1200],
      heights: [360, 600, 720, 900],
      depths: [300, 320, 350],
    },
    tall: { widths: [300, 400, 450, 500, 600, 800, 900], heights: [1900, 2100, 2300], depths: [400, 560, 580] },
  },
  inch: {
    base: {
      widths: [9, 12, 15, 18, 21, 24, 27, 30, 33, 36, 39, 42, 48].map((at) => at * IN),
      heights: [34.5 * IN, 32.5 * IN],
      depths: [24 * IN, 21 * IN, 23.5 * IN],
    },
    wall: {
      widths: [9, 10, 12, 15, 18, 21, 24, 27, 30, 33, 36, 42, 48].map((at) => at * IN),
      heights: [12, 15, 18, 24, 30, 36, 42].map((at) => at * IN),
      depths: [12 * IN, 13 * IN, 15 * IN],
    },
    tall: {
      widths: [12, 15, 18, 24, 30, 36].map((at) => at * IN),
      heights: [84 * IN, 90 * IN, 96 * IN],
      depths: [12 * IN, 24 * IN],
    },
  },
};

const SHARE = { rule: 'share', weight: 1 } as const;
const door = (hinged: 'left' | 'right'): Fill => ({ kind: 'door', hinged, interior: shelved(1) });
const pair = (shelves: number): Fill => ({ kind: 'pair', interior: shelved(shelves) });
const drawer: Fill = { kind: 'drawer' };
const rows = (...fills: readonly (Fill | readonly [Fill, number])[]): Cabinet['face']['parts'] =>
  fills.map((each, at): Opening => {
    const [fill, mm] = Array.isArray(each) ? (each as readonly [Fill, number]) : [each as Fill, undefined];
    return {
      id: `o${at + 1}`,
      size: mm === undefined ? SHARE : { rule: 'fixed', mm },
      fill: structuredClone(fill),
    } as Opening;
  });

/** Widths (mm) between which a face is usual: a pair of doors wants two leaves that can be hung, one door no more than is hung on one side. */
interface Face {
  readonly parts: () => Cabinet['face']['parts'];
  readonly widths: readonly [least: number, most: number];
  readonly kinds: readonly CabinetKind[];
}
export const FACES: Readonly<Record<string, Face>> = {
  'as it starts': { parts: () => [], widths: [450, 1250], kinds: ['base', 'wall', 'tall'] },
  'one door, left': { parts: () => rows(door('left')), widths: [190, 620], kinds: ['base', 'wall', 'tall'] },
  'one door, right': { parts: () => rows(door('right')), widths: [190, 620], kinds: ['base', 'wall', 'tall'] },
  'a pair of doors': { parts: () => rows(pair(1)), widths: [450, 1250], kinds: ['base', 'wall', 'tall'] },
  'a drawer over a door': { parts: () => rows([drawer, 140], door('left')), widths: [225, 620], kinds: ['base'] },
  'a drawer over a pair': { parts: () => rows([drawer, 140], pair(1)), widths: [590, 1250], kinds: ['base'] },
  'three drawers': { parts: () => rows([drawer, 140], drawer, drawer), widths: [225, 1250], kinds: ['base'] },
  'four drawers': { parts: () => rows(drawer, drawer, drawer, drawer), widths: [225, 1250], kinds: ['base'] },
  'a tall pull-out': {
    parts: () => rows(drawer),
    widths: [0, 0],
    kinds: ['tall'],
  },
  'open, adjustable shelves': {
    parts: () => rows({ kind: 'open', interior: shelved(2) }),
    widths: [190, 1250],
    kinds: ['base', 'wall', 'tall'],
  },
};

const STARTS: readonly StartingPoint[] = ['base', 'wall', 'tall', 'open'];
const kindOf = (from: StartingPoint): CabinetKind => (from === 'open' ? 'tall' : from);

/** Stiles and overhangs of face frames shops make besides the standard (mm): flush with the side, and wider. */
const FRAMES: Readonly<Record<HouseSet, readonly (readonly [stile: number, overhang: number])[]>> = {
  metric: [
    [38, 19],
    [45, 3],
    [60, 5],
  ],
  inch: [
    [1.5 * IN, 0.75 * IN],
    [1.75 * IN, IN / 8],
    [2 * IN, IN / 4],
  ],
};

/** The start as it is solved, to ask what the dialogs offer on it. */
function startOf(each: Pick<Everyday, 'unit' | 'school' | 'from' | 'size'>): SolvedCabinet {
  const job = jobOf({ ...each, name: '', face: 'as it starts', settings: {} });
  return solveCabinet(job, job.cabinets[0] as Cabinet);
}

/** The job of one cabinet of the sweep. */
export function jobOf({ unit, school, from, size, face, settings }: Everyday): Job {
  const job = newJob('Everyday', unit);
  const cabinet = newCabinet(job, from, countedIds());
  cabinet.size = { width: size.width, height: { from: 'overall', mm: size.height }, depth: size.depth };
  const tree: Record<string, unknown> = { school };
  for (const [key, value] of Object.entries(settings)) {
    const keys = key.split('/');
    const last = keys.pop() as string;
    const node = keys.reduce<Record<string, unknown>>((at, step) => {
      at[step] ??= {};
      return at[step] as Record<string, unknown>;
    }, tree);
    node[last] = value;
  }
  cabinet.settings = tree as SettingOverrides;
  const parts = FACES[face]?.parts() ?? [];
  if (parts.length > 0) cabinet.face = { ...cabinet.face, kind: 'rows', parts };
  job.cabinets.push(cabinet);
  return job;
}

const middle = (all: readonly number[]) => all[Math.floor(all.length / 2)] as number;

/** Every cabinet of the sweep, always the same ones in the same order, and what was left out, by reason. */
export function everydayCabinets(): { readonly cabinets: readonly Everyday[]; readonly leftOut: LeftOut } {
  const cabinets: Everyday[] = [];
  const leftOut: LeftOut = {};
  const miss = (why: string) => {
    leftOut[why] = (leftOut[why] ?? 0) + 1;
  };
  const add = (each: Omit<Everyday, 'name'>, what: string) => {
    const { width, height, depth } = each.size;
    const show = (mm: number) => (each.unit === 'inch' ? `${Math.round((mm / IN) * 16) / 16} in` : `${mm}`);
    cabinets.push({
      ...each,
      name: `${each.unit} ${each.school} ${each.from} ${show(width)} x ${show(height)} x ${show(depth)}, ${each.face}${what ? `, ${what}` : ''}`,
    });
  };
  for (const unit of UNITS)
    for (const school of SCHOOLS)
      for (const from of STARTS) {
        const kind = kindOf(from);
        const { widths, heights, depths } = SIZES[unit][kind];
        const usual = { width: middle(widths), height: heights[0] as number, depth: depths[0] as number };
        // Every width with every face that is usual for it; every height and depth with each face.
        for (const [
          face,
          {
            widths: [least, most],
            kinds,
          },
        ] of Object.entries(FACES)) {
          // Made by a choice of its own, further down.
          if (most === 0) continue;
          if (!kinds.includes(kind) || (from === 'open' && face !== 'as it starts')) {
            miss('a face that is not made in this kind of cabinet');
            continue;
          }
          for (const width of widths) {
            if (width < least || width > most) miss('a width in which this face is not made');
            else add({ unit, school, from, face, size: { ...usual, width }, settings: {} }, '');
          }
          const width = widths.find((each) => each >= least && each <= most && each >= usual.width) ?? usual.width;
          for (const height of heights.slice(1))
            add({ unit, school, from, face, size: { ...usual, width, height }, settings: {} }, '');
          for (const depth of depths.slice(1))
            add({ unit, school, from, face, size: { ...usual, width, depth }, settings: {} }, '');
        }
        // Everything the dialogs offer in one step, one at a time, on the start.
        const start = startOf({ unit, school, from, size: usual });
        for (const leaf of settingLeaves) {
          const { key, options } = leaf;
          if (options === undefined || key === 'school') continue;
          for (const option of Object.keys(options)) {
            if (option === choiceOf(start, key)) miss('a choice that is the standard already');
            else if (!offeredOn(start, leaf)) miss('a choice the dialogs do not offer with the others as they are');
            else
              add(
                { unit, school, from, face: 'as it starts', size: usual, settings: { [key]: option } },
                `${key} ${option}`,
              );
          }
        }
        if (from === 'open') continue;
        // Two steps that often go together.
        const two = (settings: Record<string, string | number>, face = 'as it starts') =>
          add({ unit, school, from, face, size: usual, settings }, Object.entries(settings).flat().join(' '));
        for (const making of ['stick', 'mitred', 'trim']) {
          for (const fit of ['overlay', 'inset', 'lipped']) two({ 'making/kind': making, 'fronts/fit': fit });
          if (kind === 'base')
            for (const family of ['side', 'corner', 'under'])
              for (const face of ['as it starts', 'three drawers', 'four drawers'])
                two({ 'making/kind': making, 'drawers/family': family }, face);
        }
        if (kind === 'base')
          for (const fit of ['overlay', 'inset', 'lipped'])
            for (const family of ['side', 'corner', 'under', 'wooden'])
              for (const face of ['a drawer over a pair', 'three drawers', 'four drawers'])
                two({ 'fronts/fit': fit, 'drawers/family': family }, face);
        if (school === 'faceFrame')
          for (const [stile, overhang] of FRAMES[unit])
            for (const face of ['as it starts', 'three drawers', 'four drawers', 'a pair of doors']) {
              if (kind !== 'base' && /drawer/.test(face)) continue;
              for (const fit of ['overlay', 'inset']) {
                const sizes = {
                  'frame/stileLeft': stile,
                  'frame/stileRight': stile,
                  'frame/overhangNeighbour': overhang,
                };
                two({ ...sizes, 'fronts/fit': fit }, face);
                if (kind === 'base')
                  for (const family of ['corner', 'under'])
                    two({ ...sizes, 'fronts/fit': fit, 'drawers/family': family }, face);
              }
            }
        if (kind === 'tall')
          for (const width of [300, 400]) {
            const size = { ...usual, width: unit === 'inch' ? Math.round(width / 25) * IN : width };
            add(
              {
                unit,
                school,
                from,
                face: 'a tall pull-out',
                size: { ...size, depth: depths.at(-1) as number },
                settings: { 'drawers/family': 'tall' },
              },
              '',
            );
          }
        for (const end of ['exposed', 'wall'])
          for (const face of ['as it starts', 'open, adjustable shelves'])
            two({ 'ends/left': end, 'ends/right': 'neighbour' }, face);
        if (kind !== 'wall')
          for (const toe of ['plinth', 'notched', 'legs', 'standing'])
            for (const end of ['exposed', 'wall'])
              for (const fit of ['overlay', 'inset']) two({ 'toe/kind': toe, 'ends/right': end, 'fronts/fit': fit });
        for (const back of ['rabbeted', 'applied', 'structural'])
          for (const fit of ['overlay', 'inset']) two({ 'back/kind': back, 'fronts/fit': fit });
      }
  return { cabinets, leftOut };
}
