import * as z from 'zod/mini';
import { mm } from '../../decisions/index.js';
import { named, SIMULATED } from '../profile.js';

/** A lined hole for cables: a sleeve that is pushed into it, with a rim on the face and a cap. */
export const grommetProfileSchema = z.strictObject({
  ...named,
  /** Of the hole, and of the rim over it. */
  hole: mm(10, 150),
  rim: mm(12, 200),
  /** How far the rim stands out from the face. */
  out: mm(0, 20),
  /** The thicknesses it is made for. */
  thickness: z.strictObject({ from: mm(3, 80), to: mm(3, 100) }),
});
export type GrommetProfile = z.infer<typeof grommetProfileSchema>;

const grommet = (id: string, name: string, hole: number, to: number, stock: boolean): GrommetProfile => ({
  id,
  maker: 'Corran Brassware',
  name,
  stock,
  hole,
  rim: hole + 12,
  out: 4,
  thickness: { from: 3, to },
  note: SIMULATED,
});

/** A small simulated choice of an invented maker. */
export const grommetCatalogue: readonly GrommetProfile[] = [
  grommet('corran-grommet-35', 'cable grommet 35', 35, 22, true),
  grommet('corran-grommet-60', 'cable grommet 60', 60, 30, true),
  grommet('corran-grommet-80', 'cable grommet 80, brushed', 80, 40, false),
];
