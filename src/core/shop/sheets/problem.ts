import * as z from 'zod/mini';
import { METHODS, type Method } from '../../decisions/index.js';

const size = z.number().check(z.positive(), z.maximum(100_000));
const most = (value: number) => z.number().check(z.minimum(0), z.maximum(value));

/** Pieces of one part: sizes along the sheet's length and across it as they are given (mm). */
const partSchema = z.strictObject({
  id: z.string().check(z.minLength(1), z.maxLength(200)),
  length: size,
  width: size,
  quantity: z._default(z.int().check(z.minimum(1), z.maximum(5000)), 1),
  /** True where it may lie either way. */
  turn: z._default(z.boolean(), false),
});
export type PackPart = z.infer<typeof partSchema>;

/** A plain packing problem: alike sheets, as many as it takes, and what has to come out of them. All mm. */
export const packProblemSchema = z
  .strictObject({
    sheet: z.strictObject({ length: size, width: size, trim: z._default(most(5000), 0) }),
    /** What the blade or the cutter takes between two pieces. */
    kerf: z._default(most(100), 0),
    method: z._default(z.enum(Object.keys(METHODS) as [Method, ...Method[]]), 'guillotine'),
    /** Edge to edge in at most so many directions, one after another; any number where it is left out. */
    stages: z.optional(z.int().check(z.minimum(2), z.maximum(20))),
    /** Kept free between pieces where that is more than the kerf: cutter and margin. */
    spacing: z.optional(most(500)),
    parts: z.array(partSchema).check(z.maxLength(5000)),
  })
  .check(
    z.refine(({ sheet: { length, width, trim } }) => length > 2 * trim && width > 2 * trim, {
      message: 'nothing is left of the sheet when its edges are trimmed',
      path: ['sheet', 'trim'],
    }),
    z.refine(({ parts }) => new Set(parts.map(({ id }) => id)).size === parts.length, {
      message: 'each part was expected to have an id of its own',
      path: ['parts'],
    }),
    z.refine(({ parts }) => parts.reduce((sum, { quantity }) => sum + quantity, 0) <= 20_000, {
      message: 'at most 20,000 pieces were expected',
      path: ['parts'],
    }),
  );
export type PackProblem = z.infer<typeof packProblemSchema>;

/** Where a piece lies on its sheet: its corner from the raw sheet's corner, and its size as it lies there (mm). */
export interface SheetPlacement {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly length: number;
  readonly width: number;
  readonly turned: boolean;
}

export interface PackedSheet {
  /** Which sheets it is one of. */
  readonly from: string;
  readonly placements: readonly SheetPlacement[];
}

/** Pieces that fit no sheet, and why. */
export interface Unplaced {
  readonly id: string;
  readonly quantity: number;
  readonly reason: string;
}

export interface Packing {
  readonly sheets: readonly PackedSheet[];
  /** Fewer whole sheets than this are impossible, by whatever method. */
  readonly bound: number;
  readonly unplaced: readonly Unplaced[];
}
