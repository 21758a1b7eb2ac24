import * as z from 'zod/mini';
import { between, mm } from '../../decisions/index.js';
import { named, SIMULATED } from '../profile.js';

/** A hanger in the upper corner of a wall cabinet, hooked over a plate or rail on the wall. */
export const hangerProfileSchema = z.strictObject({
  ...named,
  /** What one of them carries (kg). */
  load: between(5, 1000),
  /** Middle of its two screws below the underside of the top, and in front of the back. */
  down: mm(10, 300),
  beforeBack: mm(5, 200),
  apart: mm(8, 120),
  pilot: z.strictObject({ diameter: mm(0.5, 12), depth: mm(2, 30) }),
  /** The room it takes: down from the top, forward from the back, out from what carries it. */
  body: z.strictObject({ high: mm(20, 200), deep: mm(10, 150), out: mm(5, 80) }),
  /** How far it turns the cabinet up or down, and in or out. */
  adjust: z.strictObject({ height: mm(0, 40), depth: mm(0, 60) }),
});
export type HangerProfile = z.infer<typeof hangerProfileSchema>;

const hanger = (
  id: string,
  name: string,
  load: number,
  stock: boolean,
  more: Partial<HangerProfile> = {},
): HangerProfile => ({
  id,
  maker: 'Brae Footings',
  name,
  stock,
  load,
  down: 42,
  beforeBack: 24,
  apart: 32,
  pilot: { diameter: 2.5, depth: 12 },
  body: { high: 64, deep: 44, out: 26 },
  adjust: { height: 8, depth: 15 },
  note: SIMULATED,
  ...more,
});

/** A small simulated choice of invented makers. */
export const hangerCatalogue: readonly HangerProfile[] = [
  hanger('brae-hanger-65', 'corner hanger', 65, true),
  hanger('brae-hanger-110', 'corner hanger, strong', 110, true),
  hanger('ostrel-hook-40', 'hook hanger, small', 40, false, {
    maker: 'Ostrel Fittings',
    down: 30,
    beforeBack: 18,
    apart: 20,
    body: { high: 46, deep: 34, out: 16 },
    adjust: { height: 6, depth: 10 },
  }),
];
