import { inches, type LengthUnit } from '../units/index.js';
import {
  type Cabinet,
  type CabinetKind,
  type Display,
  type House,
  JOB_FORMAT,
  JOB_VERSION,
  type Job,
  type Material,
} from './document.js';
import { nextId } from './edit.js';

/** The two starting sets of house standards. A shop makes them its own. */
export type HouseSet = 'metric' | 'inch';

export const metricMaterials: readonly Material[] = [
  sheet('birch18', 'Birch plywood 18', 18, 2440, 1220, 'length', 680),
  sheet('birch6', 'Birch plywood 6', 6, 2440, 1220, 'length', 680),
  sheet('front18', 'Faced front board 18', 18, 2440, 1220, 'length', 720),
];

export const inchMaterials: readonly Material[] = [
  sheet('ply34', 'Maple plywood 3/4', inches(3 / 4), inches(96), inches(48), 'length', 680),
  sheet('ply14', 'Maple plywood 1/4', inches(1 / 4), inches(96), inches(48), 'length', 680),
  sheet('front34', 'Faced front board 3/4', inches(3 / 4), inches(96), inches(48), 'length', 720),
];

function sheet(
  id: string,
  name: string,
  nominal: number,
  length: number,
  width: number,
  grain: Material['grain'],
  density: number,
): Material {
  return { id, name, nominal, measured: { batch: '', readings: [] }, sheet: { length, width }, grain, density };
}

export const metricHouse: House = {
  name: 'Metric house standards',
  all: {
    depth: { means: 'fronts', bumper: 2 },
    worktop: { thickness: 40 },
    toe: { kind: 'none', height: 100, setback: 50, rearSetback: 30 },
    top: { kind: 'full', stretcherWidth: 100 },
    back: { grooveDepth: 8, ease: 0.5, slip: 0.3, offsetFrom: 'nailer', offset: 18 },
    nailer: { width: 100 },
    fronts: {
      lay: 'fronts',
      reveal: { left: 1.5, right: 1.5, top: 1.5, bottom: 1.5 },
      gap: 3,
      doorGrain: 'up',
      drawerGrain: 'across',
    },
    dividers: { betweenFronts: 'stretcher', atOpenBay: 'shelf' },
    banding: { frontEdges: 'all', frontThickness: 1, caseEdges: 'front', caseThickness: 0.5 },
    shelves: { sidePlay: 1.5, frontSetback: 5, rearPlay: 1 },
    materials: {
      case: 'birch18',
      back: 'birch6',
      nailer: 'birch18',
      plinth: 'birch18',
      shelf: 'birch18',
      front: 'front18',
    },
    usual: { width: { least: 200, most: 1200 }, height: { least: 200, most: 2400 }, depth: { least: 150, most: 750 } },
  },
  base: {
    toe: { kind: 'plinth' },
    top: { kind: 'stretchers' },
    fronts: { reveal: { top: 3, bottom: 0 } },
  },
  wall: {},
  starts: { base: { width: 800, height: 870, depth: 580 }, wall: { width: 800, height: 720, depth: 350 } },
};

export const inchHouse: House = {
  name: 'Inch house standards',
  all: {
    depth: { means: 'fronts', bumper: 0 },
    worktop: { thickness: inches(1.5) },
    toe: { kind: 'none', height: inches(4.5), setback: inches(3), rearSetback: inches(1) },
    top: { kind: 'full', stretcherWidth: inches(4) },
    back: {
      grooveDepth: inches(5 / 16),
      ease: inches(1 / 64),
      slip: inches(1 / 64),
      offsetFrom: 'nailer',
      offset: inches(3 / 4),
    },
    nailer: { width: inches(4) },
    fronts: {
      lay: 'fronts',
      reveal: { left: inches(1 / 16), right: inches(1 / 16), top: inches(1 / 16), bottom: inches(1 / 16) },
      gap: inches(1 / 8),
      doorGrain: 'up',
      drawerGrain: 'across',
    },
    dividers: { betweenFronts: 'stretcher', atOpenBay: 'shelf' },
    banding: { frontEdges: 'all', frontThickness: inches(1 / 32), caseEdges: 'front', caseThickness: inches(1 / 64) },
    shelves: { sidePlay: inches(1 / 16), frontSetback: inches(1 / 4), rearPlay: inches(1 / 16) },
    materials: { case: 'ply34', back: 'ply14', nailer: 'ply34', plinth: 'ply34', shelf: 'ply34', front: 'front34' },
    usual: {
      width: { least: inches(9), most: inches(48) },
      height: { least: inches(9), most: inches(96) },
      depth: { least: inches(6), most: inches(30) },
    },
  },
  base: {
    toe: { kind: 'plinth' },
    top: { kind: 'stretchers' },
    fronts: { reveal: { top: inches(1 / 8), bottom: 0 } },
  },
  wall: {},
  starts: {
    base: { width: inches(30), height: inches(34.5), depth: inches(24) },
    wall: { width: inches(30), height: inches(30), depth: inches(12) },
  },
};

const SETS: Record<HouseSet, { house: House; materials: readonly Material[]; display: Display }> = {
  metric: { house: metricHouse, materials: metricMaterials, display: { unit: 'mm', mmStep: 0.1, graduation: 16 } },
  inch: { house: inchHouse, materials: inchMaterials, display: { unit: 'in', mmStep: 0.1, graduation: 16 } },
};

export function houseSetFor(unit: LengthUnit): HouseSet {
  return unit === 'in' ? 'inch' : 'metric';
}

/** A new job with no cabinets, from one of the two starting sets. */
export function newJob(name: string, set: HouseSet): Job {
  const { house, materials, display } = structuredClone(SETS[set]);
  return {
    format: JOB_FORMAT,
    version: JOB_VERSION,
    name,
    note: '',
    display,
    house,
    standards: { all: {}, base: {}, wall: {} },
    room: { ceiling: null, doorway: null },
    materials: [...materials],
    cabinets: [],
  };
}

const FIRST_FACE: Record<CabinetKind, Cabinet['face']> = {
  base: {
    kind: 'rows',
    graduation: { kind: 'arithmetic', step: 40 },
    parts: [
      { id: 'o1', size: { rule: 'fixed', mm: 140 }, fill: { kind: 'drawer' } },
      { id: 'o2', size: { rule: 'share', weight: 1 }, fill: { kind: 'pair', shelves: 1 } },
    ],
  },
  wall: {
    kind: 'rows',
    graduation: { kind: 'arithmetic', step: 40 },
    parts: [{ id: 'o1', size: { rule: 'share', weight: 1 }, fill: { kind: 'pair', shelves: 2 } }],
  },
};

const FIRST_NAME: Record<CabinetKind, string> = { base: 'Drawer over doors', wall: 'Wall cabinet' };

/** A buildable cabinet of a kind at the house's starting size, numbered next in the job. */
export function newCabinet(job: Job, kind: CabinetKind): Cabinet {
  const start = job.house.starts[kind];
  const face = structuredClone(FIRST_FACE[kind]);
  const first = face.parts[0];
  if (first?.size.rule === 'fixed' && job.display.unit === 'in') first.size.mm = inches(5.5);
  if (job.display.unit === 'in') face.graduation = { kind: 'arithmetic', step: inches(1.5) };
  return {
    id: nextId(
      'c',
      job.cabinets.map((cabinet) => cabinet.id),
    ),
    number: nextNumber(job),
    name: FIRST_NAME[kind],
    kind,
    size: { width: start.width, height: { from: 'overall', mm: start.height }, depth: start.depth },
    settings: {},
    face,
  };
}

/** The next whole number no cabinet of the job carries. */
export function nextNumber(job: Job): string {
  const numbers = job.cabinets.map((cabinet) => Number.parseInt(cabinet.number, 10)).filter(Number.isFinite);
  return String(Math.max(0, ...numbers) + 1);
}
