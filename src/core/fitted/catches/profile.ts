import { z } from 'zod';
import { named, SIMULATED } from '../profile.js';

/** A magnet in a body that is screwed to the case, and a plate that is screwed to the door. */
export const catchProfileSchema = z.strictObject({
  ...named,
  /** Its two screws, from one to the other. */
  centres: z.number().min(5).max(120),
  /** From the plane the door closes against to its screws. */
  setback: z.number().min(2).max(80),
  pilot: z.number().min(0.5).max(6),
  pilotDepth: z.number().min(2).max(30),
  /** The room it takes: along its screws, front to rear, and out from what carries it. */
  body: z.strictObject({
    length: z.number().min(5).max(150),
    deep: z.number().min(5).max(80),
    out: z.number().min(3).max(60),
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
