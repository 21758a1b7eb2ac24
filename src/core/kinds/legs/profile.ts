import * as z from 'zod/mini';
import { between, mm } from '../../decisions/index.js';
import { libraryOf, named, SIMULATED } from '../profile.js';

/** A leg that screws to the underside of a box and is turned to its height. */
export const legProfileSchema = z.strictObject({
  ...named,
  /** From the floor to the underside of the box, turned in and turned out. */
  height: z.strictObject({ from: mm(10, 400), to: mm(10, 500) }),
  /** What one of them carries (kg). */
  load: between(5, 1000),
  /** Its plate is square: over all, and its four screws apart. */
  plate: z.strictObject({ across: mm(20, 200), apart: mm(10, 180) }),
  pilot: z.strictObject({ diameter: mm(0.5, 8), depth: mm(2, 30) }),
});
export type LegProfile = z.infer<typeof legProfileSchema>;

const leg = (id: string, name: string, from: number, to: number, load: number, stock: boolean): LegProfile => ({
  id,
  maker: 'Brae Footings',
  name,
  stock,
  height: { from, to },
  load,
  plate: { across: 64, apart: 45 },
  pilot: { diameter: 2.5, depth: 10 },
  note: SIMULATED,
});

/** A small simulated choice of an invented maker. */
export const legCatalogue: readonly LegProfile[] = [
  leg('brae-leg-80', 'turned leg, low', 55, 92, 120, true),
  leg('brae-leg-100', 'turned leg, middle', 88, 130, 120, true),
  leg('brae-leg-150', 'turned leg, high', 126, 182, 100, true),
  leg('brae-leg-100-strong', 'turned leg, strong', 90, 125, 250, false),
  leg('brae-leg-200', 'turned leg, for tall plinths', 178, 260, 90, false),
];

/** Those a job has. */
export const legProfilesOf = libraryOf<LegProfile>('legs');
