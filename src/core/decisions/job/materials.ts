import * as z from 'zod/mini';
import { type Dim, mean, type Source, setting } from '../../ground/index.js';
import { between, idField, lengthField, nameField, saying, shareField, wordField } from '../fields.js';

export const materialSchema = z.strictObject({
  id: idField,
  name: nameField(),
  nominal: lengthField({ min: 0.5, max: 100 }),
  /** Readings with a caliper; the mean is what parts are figured from. Empty until the batch is in the shop. */
  measured: z.strictObject({
    batch: z.string().check(z.trim(), z.maxLength(60)),
    readings: saying(z.array(lengthField({ min: 0.3, max: 120 })).check(z.maxLength(20)), { one: 'reading' }),
  }),
  sheet: z.strictObject({
    length: lengthField({ min: 100, max: 6000 }),
    width: lengthField({ min: 100, max: 3000 }),
  }),
  /** What a sheet of that size costs; not said where it is not known. */
  price: z.optional(between(0, 1e6)),
  /** Faces that may show; both where nothing is said. */
  goodFaces: z.optional(z.union([z.literal(1), z.literal(2)])),
  /** Comes with its finish: no sanding, and no glue on its faces. */
  prefinished: z.optional(z.boolean()),
  grain: wordField({ length: 'along the sheet', none: 'none' }),
  /** Solid wood moves across its grain; sheet does not. */
  form: wordField({ sheet: 'sheet', solid: 'solid wood' }),
  /** Share of its width a solid panel moves per cent of moisture change: oak 0.0037 flat sawn, 0.0016 quarter sawn. */
  movement: shareField(0, 0.02),
  /** kg per cubic metre. */
  density: shareField(50, 3000),
  /** Modulus of elasticity along the length, N/mm². */
  modulus: shareField(500, 30000),
  /** How much a lasting load makes a sag grow: 1.5 plywood and solid wood, 2 particle board and fibreboard. */
  creep: shareField(1, 4),
});
export type Material = z.infer<typeof materialSchema>;

/** A material as it will be cut: its thickness is the measured one where there is one. */
export interface ResolvedMaterial {
  readonly material: Material;
  readonly thickness: Dim;
}

/** Mean of the readings where there are any, else the nominal thickness. */
export function thicknessOf(material: Material): Dim {
  const { batch, readings } = material.measured;
  const path = `materials/${material.id}/measured/readings`;
  const label = `${material.name} thickness`;
  const address = `materials.${material.id}.thickness`;
  if (readings.length === 0)
    return setting(label, material.nominal, {
      kind: 'nominal',
      note: 'not measured yet',
      path: `materials/${material.id}/nominal`,
    }).at(address);
  const source: Source = { kind: 'measured', note: batch ? `batch ${batch}` : 'measured', path };
  const taken = readings.map((reading, at) =>
    setting(readings.length === 1 ? label : `reading ${at + 1}`, reading, source),
  );
  return taken.length === 1 ? (taken[0] as Dim).at(address) : mean(taken).as(label, address);
}

/** Largest reading less smallest: over 0.3 mm the mean is not to be trusted. */
export function spreadOf(material: Material): number {
  const { readings } = material.measured;
  return readings.length < 2 ? 0 : Math.max(...readings) - Math.min(...readings);
}
