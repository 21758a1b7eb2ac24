import * as z from 'zod/mini';
import { between, mm } from '../../decisions/index.js';
import { libraryOf, named } from '../profile.js';

/** A pull with two holes, or a knob with one. */
export const pullProfileSchema = z.strictObject({
  ...named,
  /** Hole to hole; 0 for a knob. */
  centres: mm(0, 1200),
  /** Over all, along its holes. */
  length: mm(5, 1500),
  /** How far it stands off the front. */
  projection: mm(2, 120),
  hole: mm(2, 15),
  weight: between(0, 5),
});
export type PullProfile = z.infer<typeof pullProfileSchema>;

/** Those a job has. */
export const pullProfilesOf = libraryOf<PullProfile>('pulls');
