import { inches } from '../../../ground/index.js';
import type { Material } from '../../job/index.js';

type MaterialDraft = Pick<Material, 'id' | 'name' | 'nominal' | 'density'> & Partial<Material>;

const METRIC_SHEET = { length: 2440, width: 1220 };
const INCH_SHEET = { length: inches(96), width: inches(48) };

function material(draft: MaterialDraft, sheet: Material['sheet']): Material {
  return {
    measured: { batch: '', readings: [] },
    sheet,
    grain: 'length',
    form: 'sheet',
    movement: 0,
    modulus: 7000,
    creep: 1.5,
    ...draft,
  };
}

export const metricMaterials: readonly Material[] = [
  material({ id: 'birch18', name: 'Birch plywood 18', nominal: 18, density: 680, modulus: 8500 }, METRIC_SHEET),
  material({ id: 'birch12', name: 'Birch plywood 12', nominal: 12, density: 680 }, METRIC_SHEET),
  material({ id: 'birch6', name: 'Birch plywood 6', nominal: 6, density: 680 }, METRIC_SHEET),
  material(
    { id: 'front18', name: 'Faced front board 18', nominal: 18, density: 720, modulus: 2500, creep: 2 },
    METRIC_SHEET,
  ),
  material(
    { id: 'oak20', name: 'Oak, planed 20', nominal: 20, density: 720, form: 'solid', movement: 0.0037, modulus: 11000 },
    { length: 3000, width: 600 },
  ),
];

export const inchMaterials: readonly Material[] = [
  material({ id: 'ply34', name: 'Maple plywood 3/4', nominal: inches(3 / 4), density: 680 }, INCH_SHEET),
  material({ id: 'ply12', name: 'Maple plywood 1/2', nominal: inches(1 / 2), density: 680 }, INCH_SHEET),
  material({ id: 'ply14', name: 'Maple plywood 1/4', nominal: inches(1 / 4), density: 680 }, INCH_SHEET),
  material(
    { id: 'front34', name: 'Faced front board 3/4', nominal: inches(3 / 4), density: 720, modulus: 2500, creep: 2 },
    INCH_SHEET,
  ),
  material(
    {
      id: 'oak34',
      name: 'Oak, planed 3/4',
      nominal: inches(3 / 4),
      density: 720,
      form: 'solid',
      movement: 0.0037,
      modulus: 11000,
    },
    { length: inches(120), width: inches(24) },
  ),
];
