import * as z from 'zod/mini';
import { countField, idField, lengthField, nameField } from '../fields.js';

/**
 * Trays for a cabinet that stands already: what was measured in it, without designing the cabinet. Lengths in mm.
 */
export const standingSchema = z.strictObject({
  id: idField,
  /** Its parts are marked by it: `T1`. */
  number: z.string().check(z.trim(), z.minLength(1), z.maxLength(12)),
  name: nameField(),
  /** Clear between the sides, at the narrowest. */
  width: lengthField({ min: 100, max: 2000 }),
  /** What stands out at either side: a frame's lip, a hinge, the open door. 0 where nothing does. */
  left: lengthField({ min: 0, max: 150 }),
  right: lengthField({ min: 0, max: 150 }),
  /** From the front edge of the sides, or the back of an inset door, to what is at the rear. */
  depth: lengthField({ min: 120, max: 1500 }),
  /** From what the lowest tray stands over to what is above the highest. */
  height: lengthField({ min: 80, max: 3000 }),
  trays: countField(1, 12),
  /** A runner by its id, or `none` for the rules. */
  runner: z.string().check(z.maxLength(40)),
});
export type Standing = z.infer<typeof standingSchema>;
