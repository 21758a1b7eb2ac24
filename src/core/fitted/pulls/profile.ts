import { z } from 'zod';
import { named } from '../profile.js';

/** A pull with two holes, or a knob with one. */
export const pullProfileSchema = z.strictObject({
  ...named,
  /** Hole to hole; 0 for a knob. */
  centres: z.number().min(0).max(1200),
  /** Over all, along its holes. */
  length: z.number().min(5).max(1500),
  /** How far it stands off the front. */
  projection: z.number().min(2).max(120),
  hole: z.number().min(2).max(15),
  weight: z.number().min(0).max(5),
});
export type PullProfile = z.infer<typeof pullProfileSchema>;
