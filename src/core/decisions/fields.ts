import * as z from 'zod/mini';

/** Fields of the job document that are not settings. */

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
  return between(min, max);
}

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
