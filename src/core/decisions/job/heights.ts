import * as z from 'zod/mini';
import { lengthField, saying } from '../fields.js';

/**
 * Heights decided one by one, each with the id of what it places: `s2` is the second shelf from below, `h1` the lowest
 * hinge. What is not listed is left to the rules.
 */
const heightSchema = z.strictObject({
  id: z
    .string()
    .check(z.regex(/^[sh]([1-9]|[12]\d|30)$/, 'the id of a shelf or a hinge was expected, such as s1 or h2')),
  mm: saying(lengthField(), { word: 'size' }),
});
export type DecidedHeight = z.infer<typeof heightSchema>;

/** Heights of shelves, or of hinges. */
export function heightsField(one: string) {
  return z.optional(
    saying(z.array(heightSchema).check(z.maxLength(30)), { word: `height of ${one}`, one: `height of ${one}` }),
  );
}
