import * as z from 'zod/mini';
import { between, mm } from '../../decisions/index.js';
import { named, SIMULATED } from '../profile.js';

/** A pair of lifting arms with springs: a body on each side of the case, a plate on each side of the front. */
export const liftProfileSchema = z.strictObject({
  ...named,
  /** The lift factors it covers: cabinet height (mm) · (weight of the front + twice that of its pull, kg). */
  factor: z.strictObject({
    from: between(0, 100_000),
    to: between(1, 100_000),
  }),
  /** How far it opens (degrees). */
  opening: between(45, 180),
  /** Of the mounting plate, and of the crank of its arm. */
  plate: mm(0, 20),
  crank: mm(-30, 60),
  /** On the side: its screws from the plane the front closes against, and its base below the upper edge of the opening. */
  side: z.strictObject({ setback: mm(5, 200), base: mm(5, 300), apart: mm(10, 200) }),
  /** On the front: from its side edge and its upper edge, before overlays are added. */
  front: z.strictObject({ across: mm(0, 100), down: mm(0, 300), apart: mm(10, 200) }),
  pilot: z.strictObject({ diameter: mm(0.5, 8), depth: mm(2, 30) }),
  /** The room its body takes at either side: down from the top, to the rear, and inwards. */
  body: z.strictObject({ high: mm(20, 400), deep: mm(20, 400), inward: mm(5, 80) }),
});
export type LiftProfile = z.infer<typeof liftProfileSchema>;

const lift = (id: string, name: string, from: number, to: number, stock: boolean): LiftProfile => ({
  id,
  maker: 'Hallam Lifts',
  name,
  stock,
  factor: { from, to },
  opening: 107,
  plate: 2,
  crank: 0,
  side: { setback: 62, base: 70, apart: 32 },
  front: { across: 14, down: 42, apart: 32 },
  pilot: { diameter: 2.5, depth: 12 },
  body: { high: 190, deep: 200, inward: 28 },
  note: SIMULATED,
});

/** A small simulated choice of invented makers. */
export const liftCatalogue: readonly LiftProfile[] = [
  lift('hallam-rise-a', 'lift with springs, A', 480, 1500, true),
  lift('hallam-rise-b', 'lift with springs, B', 1200, 3400, true),
  lift('hallam-rise-c', 'lift with springs, C', 2900, 6200, true),
  {
    ...lift('ostrel-stay-light', 'gas stay, light', 300, 900, false),
    maker: 'Ostrel Fittings',
    opening: 90,
    side: { setback: 40, base: 120, apart: 20 },
    front: { across: 20, down: 95, apart: 20 },
    body: { high: 160, deep: 90, inward: 18 },
  },
  {
    ...lift('ostrel-stay-heavy', 'gas stay, heavy', 850, 2000, false),
    maker: 'Ostrel Fittings',
    opening: 90,
    side: { setback: 40, base: 140, apart: 20 },
    front: { across: 20, down: 110, apart: 20 },
    body: { high: 180, deep: 90, inward: 18 },
  },
];
