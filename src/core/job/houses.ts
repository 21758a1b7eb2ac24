import { inches } from '../units/index.js';
import type { House, Material } from './document.js';

/** The two starting sets of house standards. A shop makes them its own. */
export type HouseSet = 'metric' | 'inch';

type MaterialDraft = Pick<Material, 'id' | 'name' | 'nominal' | 'density'> & Partial<Material>;

const METRIC_SHEET = { length: 2440, width: 1220 };
const INCH_SHEET = { length: inches(96), width: inches(48) };

function material(draft: MaterialDraft, sheet: Material['sheet']): Material {
  return { measured: { batch: '', readings: [] }, sheet, grain: 'length', form: 'sheet', movement: 0, ...draft };
}

export const metricMaterials: readonly Material[] = [
  material({ id: 'birch18', name: 'Birch plywood 18', nominal: 18, density: 680 }, METRIC_SHEET),
  material({ id: 'birch6', name: 'Birch plywood 6', nominal: 6, density: 680 }, METRIC_SHEET),
  material({ id: 'front18', name: 'Faced front board 18', nominal: 18, density: 720 }, METRIC_SHEET),
  material(
    { id: 'oak20', name: 'Oak, planed 20', nominal: 20, density: 720, form: 'solid', movement: 0.0037 },
    { length: 3000, width: 600 },
  ),
];

export const inchMaterials: readonly Material[] = [
  material({ id: 'ply34', name: 'Maple plywood 3/4', nominal: inches(3 / 4), density: 680 }, INCH_SHEET),
  material({ id: 'ply14', name: 'Maple plywood 1/4', nominal: inches(1 / 4), density: 680 }, INCH_SHEET),
  material({ id: 'front34', name: 'Faced front board 3/4', nominal: inches(3 / 4), density: 720 }, INCH_SHEET),
  material(
    { id: 'oak34', name: 'Oak, planed 3/4', nominal: inches(3 / 4), density: 720, form: 'solid', movement: 0.0037 },
    { length: inches(120), width: inches(24) },
  ),
];

export const metricHouse: House = {
  name: 'Metric house standards',
  all: {
    school: 'frameless',
    depth: { means: 'fronts', bumper: 2 },
    worktop: { thickness: 40 },
    ends: { left: 'neighbour', right: 'neighbour', leftPanel: 'none', rightPanel: 'none', filler: 'none', scribe: 25 },
    bottom: { place: 'between' },
    top: { kind: 'full', place: 'between', stretcherWidth: 100, recess: 0 },
    joints: { bottom: 'screws', top: 'screws', shelf: 'screws', partition: 'screws', dadoDepth: 6, rabbetDepth: 8 },
    fasteners: {
      first: 50,
      spacing: 200,
      pilot: 4.5,
      pocketSpacing: 125,
      dowel: 8,
      dowelInFace: 12,
      dowelInEnd: 28,
      tenonLength: 23,
      tenonThickness: 5,
      tenonDepth: 15,
    },
    back: {
      kind: 'grooved',
      grooveDepth: 8,
      ease: 0.5,
      slip: 0.3,
      cut: 'panel',
      cutter: 6,
      offsetFrom: 'nailer',
      offset: 18,
      bottomEdge: 'captured',
      rabbetDepth: 10,
      inset: 1,
    },
    nailer: { rails: 'standard', width: 100 },
    toe: { kind: 'none', board: 'over', height: 100, setback: 50, rearSetback: 30 },
    frame: {
      fitted: 'none',
      stileLeft: 40,
      stileRight: 40,
      topRail: 45,
      midRail: 32,
      midStile: 40,
      bottomRail: 40,
      lip: 0,
      rise: 0,
      tenon: 0,
      overhangExposed: 0,
      overhangNeighbour: 3,
      overlay: 12,
      attachment: 'pocket',
      tongue: 5,
    },
    web: { member: 70, crossMembers: 3, tenon: 0, allowance: 6 },
    fronts: {
      lay: 'fronts',
      reveal: { left: 1.5, right: 1.5, top: 1.5, bottom: 1.5 },
      gap: 3,
      doorGrain: 'up',
      drawerGrain: 'across',
    },
    dividers: { betweenFronts: 'stretcher', atOpenBay: 'shelf', partitions: 'partition' },
    banding: { frontEdges: 'all', frontThickness: 1, caseEdges: 'front', caseThickness: 0.5 },
    shelves: { sidePlay: 1.5, frontSetback: 5, rearPlay: 1 },
    materials: {
      side: 'birch18',
      bottom: 'birch18',
      top: 'birch18',
      partition: 'birch18',
      shelf: 'birch18',
      back: 'birch6',
      nailer: 'birch18',
      toe: 'birch18',
      frame: 'oak20',
      web: 'oak20',
      end: 'front18',
      front: 'front18',
    },
    movement: { moistureChange: 4 },
    usual: {
      width: { least: 200, most: 1200 },
      height: { least: 200, most: 2400 },
      depth: { least: 150, most: 750 },
    },
  },
  base: { toe: { kind: 'plinth' }, top: { kind: 'stretchers' }, fronts: { reveal: { top: 3, bottom: 0 } } },
  wall: {},
  tall: { toe: { kind: 'plinth' } },
  schools: {
    frameless: {},
    faceFrame: {
      frame: { fitted: 'fitted' },
      joints: { bottom: 'dado', top: 'dado', shelf: 'dado' },
      back: { kind: 'applied' },
      fronts: { lay: 'openings' },
      banding: { caseEdges: 'none' },
      dividers: { betweenFronts: 'none' },
    },
    traditional: {
      joints: { bottom: 'dado', top: 'dado', shelf: 'dado', partition: 'dado' },
      back: { kind: 'rabbeted', rabbetDepth: 10 },
      top: { kind: 'web' },
      toe: { kind: 'standing' },
      fronts: { lay: 'openings', reveal: { top: 3, bottom: 3 } },
      dividers: { betweenFronts: 'web', atOpenBay: 'shelf' },
      banding: { frontEdges: 'none', caseEdges: 'none' },
      materials: { side: 'oak20', front: 'oak20' },
      nailer: { rails: 'none' },
    },
  },
  starts: {
    base: { width: 800, height: 870, depth: 580 },
    wall: { width: 800, height: 720, depth: 350 },
    tall: { width: 600, height: 2100, depth: 580 },
  },
};

/** The inch set: the same choices, its own numbers. */
export const inchHouse: House = {
  ...structuredClone(metricHouse),
  name: 'Inch house standards',
  all: {
    ...structuredClone(metricHouse.all),
    depth: { means: 'fronts', bumper: 0 },
    worktop: { thickness: inches(1.5) },
    ends: { ...metricHouse.all.ends, scribe: inches(1) },
    top: { kind: 'full', place: 'between', stretcherWidth: inches(4), recess: 0 },
    joints: { ...metricHouse.all.joints, dadoDepth: inches(1 / 4), rabbetDepth: inches(3 / 8) },
    fasteners: {
      first: inches(2),
      spacing: inches(8),
      pilot: inches(3 / 16),
      pocketSpacing: inches(5),
      dowel: inches(5 / 16),
      dowelInFace: inches(1 / 2),
      dowelInEnd: inches(1 + 1 / 8),
      tenonLength: inches(7 / 8),
      tenonThickness: inches(3 / 16),
      tenonDepth: inches(5 / 8),
    },
    back: {
      ...metricHouse.all.back,
      grooveDepth: inches(5 / 16),
      ease: inches(1 / 64),
      slip: inches(1 / 64),
      cutter: inches(1 / 4),
      offset: inches(3 / 4),
      rabbetDepth: inches(3 / 8),
      inset: inches(1 / 32),
    },
    nailer: { rails: 'standard', width: inches(4) },
    toe: { kind: 'none', board: 'over', height: inches(4.5), setback: inches(3), rearSetback: inches(1) },
    frame: {
      ...metricHouse.all.frame,
      stileLeft: inches(1.5),
      stileRight: inches(1.5),
      topRail: inches(1.75),
      midRail: inches(1.25),
      midStile: inches(1.5),
      bottomRail: inches(1.5),
      overhangNeighbour: inches(1 / 8),
      overlay: inches(1 / 2),
      tongue: inches(3 / 16),
    },
    web: { member: inches(2.75), crossMembers: 3, tenon: 0, allowance: inches(1 / 4) },
    fronts: {
      ...metricHouse.all.fronts,
      reveal: { left: inches(1 / 16), right: inches(1 / 16), top: inches(1 / 16), bottom: inches(1 / 16) },
      gap: inches(1 / 8),
    },
    banding: { ...metricHouse.all.banding, frontThickness: inches(1 / 32), caseThickness: inches(1 / 64) },
    shelves: { sidePlay: inches(1 / 16), frontSetback: inches(1 / 4), rearPlay: inches(1 / 16) },
    materials: {
      side: 'ply34',
      bottom: 'ply34',
      top: 'ply34',
      partition: 'ply34',
      shelf: 'ply34',
      back: 'ply14',
      nailer: 'ply34',
      toe: 'ply34',
      frame: 'oak34',
      web: 'oak34',
      end: 'front34',
      front: 'front34',
    },
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
  schools: {
    ...structuredClone(metricHouse.schools),
    traditional: {
      ...structuredClone(metricHouse.schools.traditional),
      back: { kind: 'rabbeted', rabbetDepth: inches(3 / 8) },
      fronts: { lay: 'openings', reveal: { top: inches(1 / 8), bottom: inches(1 / 8) } },
      materials: { side: 'oak34', front: 'oak34' },
    },
  },
  starts: {
    base: { width: inches(30), height: inches(34.5), depth: inches(24) },
    wall: { width: inches(30), height: inches(30), depth: inches(12) },
    tall: { width: inches(24), height: inches(84), depth: inches(24) },
  },
};
