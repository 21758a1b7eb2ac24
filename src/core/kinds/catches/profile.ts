import * as z from 'zod/mini';
import { mm } from '../../decisions/index.js';
import { named, SIMULATED } from '../profile.js';

/** A magnet in a body that is screwed to the case, and a plate that is screwed to the door. */
export const catchProfileSchema = z.strictObject({
  ...named,
  /** Its two screws, from one to the other. */
  centres: mm(5, 120),
  /** From the plane the door closes against to its screws. */
  setback: mm(2, 80),
  pilot: mm(0.5, 6),
  pilotDepth: mm(2, 30),
  /** The room it takes: along its screws, front to rear, and out from what carries it. */
  body: z.strictObject({
    length: mm(5, 150),
    deep: mm(5, 80),
    out: mm(3, 60),
  }),
});
export type CatchProfile = z.infer<typeof catchProfileSchema>;

/** A small simulated choice of an invented maker. */
export const catchCatalogue: readonly CatchProfile[] = [
  {
    id: 'corran-magnet-4',
    maker: 'Corran Brassware',
    name: 'magnetic catch, 4 kg',
    stock: true,
    centres: 32,
    setback: 12,
    pilot: 2,
    pilotDepth: 12,
    body: { length: 46, deep: 20, out: 14 },
    note: SIMULATED,
  },
  {
    id: 'corran-magnet-8',
    maker: 'Corran Brassware',
    name: 'magnetic catch, double, 8 kg',
    stock: false,
    centres: 45,
    setback: 15,
    pilot: 2.5,
    pilotDepth: 12,
    body: { length: 62, deep: 26, out: 16 },
    note: SIMULATED,
  },
];
