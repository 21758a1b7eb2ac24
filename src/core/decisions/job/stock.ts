import * as z from 'zod/mini';
import { between, countField, idField, lengthField, nameField, saying, shareField } from '../fields.js';
import type { Material } from './materials.js';

const price = between(0, 1e6);

/** Sheets of one size, or an offcut: on hand where they are counted, to order as many as it takes where not. */
const sheetsSchema = z.strictObject({
  id: idField,
  material: idField,
  length: lengthField({ min: 20, max: 6000 }),
  width: lengthField({ min: 20, max: 3000 }),
  count: z.nullable(countField(0, 9999)),
  price,
  offcut: z.boolean(),
  /** What is written on it. */
  mark: z.string().check(z.trim(), z.maxLength(40)),
});
export type StockSheets = z.infer<typeof sheetsSchema>;

/** Boards as they are bought, rough. */
const boardsSchema = z.strictObject({
  id: idField,
  material: idField,
  /** Thickness as sawn. */
  rough: lengthField({ min: 3, max: 200 }),
  width: lengthField({ min: 20, max: 1500 }),
  length: lengthField({ min: 200, max: 8000 }),
  /** For a cubic metre. */
  price,
  /** Share that is bought more than the rough pieces take: knots, splits, ends. */
  waste: shareField(0, 3),
});
export type StockBoards = z.infer<typeof boardsSchema>;

/** Edge band off the roll. */
const bandSchema = z.strictObject({
  id: idField,
  name: nameField(),
  width: lengthField({ min: 5, max: 200 }),
  thickness: lengthField({ min: 0.1, max: 10 }),
  /** For a metre. */
  price,
  /** True where the bander mills the edge before it bands. */
  milled: z.boolean(),
  /** Ids of the materials it matches. */
  materials: z.array(idField).check(z.maxLength(60)),
});
export type StockBand = z.infer<typeof bandSchema>;

/** What the shop has, and what it orders. */
export const stockSchema = z.strictObject({
  sheets: saying(z.array(sheetsSchema).check(z.maxLength(2000)), { one: 'sheets' }),
  boards: saying(z.array(boardsSchema).check(z.maxLength(200)), { one: 'boards' }),
  bands: saying(z.array(bandSchema).check(z.maxLength(200)), { one: 'band' }),
});
export type StockList = z.infer<typeof stockSchema>;

/** A band is so much wider than the panel, so that both sides are trimmed flush (mm). */
export const BAND_WIDER = 1.5;

/** Rough thicknesses boards are sawn to (mm); the least that leaves enough to plane. */
const SAWN = [27, 32, 38, 45, 52, 65, 80, 100] as const;
const PLANED_OFF = 4;
/** Share that is bought more, where nothing else is decided. */
const USUAL_WASTE = 0.3;

/** Boards for a solid material, as one would order them. */
export function usualBoards({ id, nominal, sheet }: Material): StockBoards {
  const rough = SAWN.find((sawn) => sawn >= nominal + PLANED_OFF) ?? nominal + PLANED_OFF;
  return {
    id: `b-${id}`.slice(0, 40),
    material: id,
    rough,
    width: 200,
    length: sheet.length,
    price: 0,
    waste: USUAL_WASTE,
  };
}

/** The stock of a job with such materials, before anybody counted it. */
export function startingStock(materials: readonly Material[]): StockList {
  return { sheets: [], boards: materials.filter(({ form }) => form === 'solid').map(usualBoards), bands: [] };
}
