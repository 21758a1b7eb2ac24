import * as z from 'zod/mini';

/** Fields of the job document. What one says of itself beside its limits is said where it is declared. */

export interface FieldSays {
  /** A number that is a length in mm: it may be typed with its unit. */
  readonly measure?: 'mm';
  /** What it is called, where its name in the document is no word of the trade. */
  readonly word?: string;
  /** What one entry of the list is called; and the field whose value it goes by, where that is neither number nor name. */
  readonly one?: string;
  readonly goesBy?: string;
  /** Where it only leads on to what is in it, it is passed over. */
  readonly passed?: true;
  /** A group of a layer that says only what was decided: it goes when it says nothing any more. */
  readonly layer?: true;
  /** First version of the job document that has it; the first of all where nothing is said. */
  readonly since?: number;
}

const spoken = z.registry<FieldSays>();

/** A field with what it says of itself, beside what it says already. */
export function saying<S extends z.ZodMiniType>(schema: S, says: FieldSays): S {
  spoken.add(schema, { ...spoken.get(schema), ...says });
  return schema;
}

/** What a field says of itself. */
export const saidBy = (schema: z.ZodMiniType): FieldSays => spoken.get(schema) ?? {};

/** What something is known by within its list, for good. */
export const idField = z
  .string()
  .check(z.regex(/^[a-zA-Z0-9_-]{1,40}$/, 'letters, digits, hyphens and underscores were expected'));

/** A number between two limits, both of them in it. */
export function between(min: number, max: number) {
  return z.number().check(z.minimum(min), z.maximum(max));
}

/** A length in mm between two limits. */
export function lengthField({ min = 0, max = 5000 }: { min?: number; max?: number } = {}) {
  return saying(between(min, max), { measure: 'mm' });
}

/** A length in mm between two limits, of a profile: as its maker's sheet gives it. */
export const mm = (min: number, max: number) => lengthField({ min, max });

export function countField(min: number, max: number) {
  return z.int().check(z.minimum(min), z.maximum(max));
}

/** A plain number: a share, a density, a coefficient. */
export function shareField(min: number, max: number) {
  return between(min, max);
}

/** One word out of several; the words are the keys of how they read. */
export function wordField<const T extends Readonly<Record<string, string>>>(words: T) {
  return z.enum(Object.keys(words) as [keyof T & string, ...(keyof T & string)[]]);
}

/** A short text that names something. */
/** Characters that print nothing and can mislead whoever reads a name. */
const CONTROL = /\p{Cc}/u;

export function nameField(max = 80) {
  return z.string().check(
    z.trim(),
    z.minLength(1),
    z.maxLength(max),
    z.refine((name) => !CONTROL.test(name), 'Letters, digits and signs were expected, no control characters.'),
  );
}
