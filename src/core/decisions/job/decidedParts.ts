import * as z from 'zod/mini';
import { idField, lengthField, wordField } from '../fields.js';

/** The edges of a part by where they lie in the cabinet. */
const SIDES = ['front', 'rear', 'left', 'right', 'top', 'bottom'] as const;
export type PartSide = (typeof SIDES)[number];

export const GRAIN_RUNS = { length: 'along its length', width: 'across it', either: 'as it falls' } as const;
export type GrainRuns = keyof typeof GRAIN_RUNS;

export const MADE = { here: 'made here', bought: 'bought', 'left out': 'left out' } as const;
export type Made = keyof typeof MADE;

/** What is decided of one part alone. It is known by its place in the cabinet, and left to the rules where it says nothing. */
export const decidedPartSchema = z.strictObject({
  id: idField,
  /** The key of the part: `side/left`. */
  part: z
    .string()
    .check(z.regex(/^[a-zA-Z0-9_-]{1,40}(\/[a-zA-Z0-9_-]{1,40}){0,7}$/, 'the place of a part was expected')),
  material: z.optional(idField),
  /** Edges banded or left bare, against the rules. */
  bands: z.optional(z.partialRecord(z.enum(SIDES), z.boolean())),
  grain: z.optional(wordField(GRAIN_RUNS)),
  /** Stock left on at an edge, to be scribed or trimmed in place (mm). */
  oversize: z.optional(z.partialRecord(z.enum(SIDES), lengthField({ min: 0, max: 300 }))),
  note: z.optional(z.string().check(z.trim(), z.minLength(1), z.maxLength(200))),
  made: z.optional(wordField(MADE)),
});
export type DecidedPart = z.infer<typeof decidedPartSchema>;
