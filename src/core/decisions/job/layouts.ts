import * as z from 'zod/mini';
import { countField, idField, lengthField, saying, wordField } from '../fields.js';

/** How sheets are cut: full-length rips, then crosscuts; any cuts from edge to edge; or by a router, anywhere. */
export const METHODS = {
  strips: 'strips first',
  guillotine: 'edge to edge',
  nested: 'nested',
} as const;
export type Method = keyof typeof METHODS;

const place = lengthField({ min: 0, max: 6000 });
const side = lengthField({ min: 0.5, max: 6000 });
const most = (max: number) => lengthField({ max });

/** A piece where it lies, from the raw sheet's corner; its size as it lies, along the sheet's length and width. */
const placedSchema = z.strictObject({
  cabinet: idField,
  /** Key of the part. */
  part: z.string().check(z.minLength(1), z.maxLength(120)),
  x: place,
  y: place,
  length: side,
  width: side,
  turned: z.boolean(),
  /** Stays where it is when the rest is laid out again. */
  locked: z.boolean(),
});
export type PlacedPiece = z.infer<typeof placedSchema>;

/** What a piece is known by: its cabinet and its part. */
export function pieceName(cabinet: string, part: string): string {
  return `${cabinet} ${part}`;
}

const clearSchema = z.strictObject({ x: place, y: place, length: side, width: side });

const laidSheetSchema = z.strictObject({
  id: idField,
  /** The stock it is taken from; null for a sheet of the material's own size that is ordered. */
  from: z.nullable(idField),
  length: side,
  width: side,
  trim: most(500),
  offcut: z.boolean(),
  /** Cut: nothing on it changes any more. */
  cut: z.boolean(),
  /** Kept clear: a flaw, or where the maker wants nothing. */
  clear: saying(z.array(clearSchema).check(z.maxLength(50)), { word: 'places kept clear' }),
  placements: z.array(placedSchema).check(z.maxLength(1000)),
});
export type LayoutSheet = z.infer<typeof laidSheetSchema>;

/** The layout of one material the maker accepted, with the sizes it was made for. It never changes by itself. */
export const layoutSchema = z.strictObject({
  /** Id of the material. */
  id: idField,
  method: wordField(METHODS),
  stages: z.nullable(countField(2, 20)),
  kerf: most(100),
  spacing: most(500),
  oversize: most(500),
  /** Fewer whole sheets were impossible. */
  bound: countField(0, 100_000),
  sheets: saying(z.array(laidSheetSchema).check(z.maxLength(2000)), { one: 'sheet' }),
  /** Set-ups that are done, by their ids. */
  ticks: saying(z.array(z.strictObject({ id: idField })).check(z.maxLength(5000)), {
    word: 'ticks of set-ups',
    one: 'set-up',
  }),
});
export type SheetLayout = z.infer<typeof layoutSchema>;
