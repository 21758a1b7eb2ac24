import * as z from 'zod/mini';
import { between, mm } from '../../decisions/index.js';
import { named, SIMULATED } from '../profile.js';

/** A piston in a housing that is screwed under what lies over a door; the door comes against it just before it is shut. */
export const damperProfileSchema = z.strictObject({
  ...named,
  /** Its two screws, one behind the other: the first behind the plane the door closes against, and how far apart. */
  setback: mm(3, 60),
  centres: mm(8, 120),
  pilot: z.strictObject({ diameter: mm(0.5, 6), depth: mm(2, 30) }),
  /** The room it takes: across, front to rear, and down from what carries it. */
  body: z.strictObject({ wide: mm(5, 60), deep: mm(10, 200), high: mm(5, 60) }),
  /** The heaviest door it slows (kg). */
  door: between(1, 80),
});
export type DamperProfile = z.infer<typeof damperProfileSchema>;

/** A small simulated choice of an invented maker. */
export const damperCatalogue: readonly DamperProfile[] = [
  {
    id: 'corran-damper-slim',
    maker: 'Corran Brassware',
    name: 'damper, slim',
    stock: true,
    setback: 12,
    centres: 32,
    pilot: { diameter: 2, depth: 12 },
    body: { wide: 12, deep: 62, high: 13 },
    door: 9,
    note: SIMULATED,
  },
  {
    id: 'corran-damper-strong',
    maker: 'Corran Brassware',
    name: 'damper, for heavy doors',
    stock: false,
    setback: 15,
    centres: 45,
    pilot: { diameter: 2.5, depth: 12 },
    body: { wide: 16, deep: 84, high: 17 },
    door: 20,
    note: SIMULATED,
  },
];
