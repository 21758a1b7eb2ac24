import * as z from 'zod/mini';
import { between, countField, mm } from '../../decisions/index.js';
import { named, SIMULATED } from '../profile.js';

/** Bins in a frame on side-mounted runners, pulled out by the front that is screwed to it. */
export const wasteProfileSchema = z.strictObject({
  ...named,
  bins: countField(1, 8),
  /** Of all bins together. */
  litres: between(1, 400),
  /** The clear openings it is made for. */
  width: z.strictObject({ from: mm(100, 1200), to: mm(100, 1200) }),
  /** Height it needs above the floor of its opening, and depth behind the plane of the fronts. */
  height: mm(100, 1200),
  depth: mm(100, 1200),
  /** How far it comes out. */
  travel: mm(100, 1200),
  /** What it carries, bins full (kg). */
  load: between(5, 300),
  /** Screw line of its runners above the floor of the opening, and their holes from the plane of the fronts. */
  line: mm(5, 600),
  holes: z.array(mm(5, 1200)).check(z.minLength(2), z.maxLength(20)),
  /** Brackets of the front: from the edges of the opening, and the two screws of each apart. */
  bracket: z.strictObject({ side: mm(0, 200), lower: mm(0, 600), apart: mm(10, 400) }),
  pilot: z.strictObject({ diameter: mm(0.5, 8), depth: mm(2, 30) }),
});
export type WasteProfile = z.infer<typeof wasteProfileSchema>;

const bins = (
  id: string,
  name: string,
  width: WasteProfile['width'],
  [count, litres, load]: readonly [number, number, number],
  more: Partial<WasteProfile> = {},
): WasteProfile => ({
  id,
  maker: 'Tarnfield Bins',
  name,
  stock: true,
  bins: count,
  litres,
  width,
  height: 480,
  depth: 480,
  travel: 450,
  load,
  line: 56,
  holes: [37, 133, 261, 421],
  bracket: { side: 21, lower: 88, apart: 64 },
  pilot: { diameter: 2.5, depth: 12 },
  note: SIMULATED,
  ...more,
});

/** A small simulated choice of invented makers. */
export const wasteCatalogue: readonly WasteProfile[] = [
  bins('tarnfield-one-35', 'one bin of 35 litres', { from: 255, to: 372 }, [1, 35, 35]),
  bins('tarnfield-two-35', 'two bins of 35 litres', { from: 373, to: 470 }, [2, 70, 50]),
  bins('tarnfield-three-20', 'three bins of 20 litres', { from: 471, to: 600 }, [3, 60, 50]),
  bins('ostrel-sorter-low', 'low sorter, two bins of 18 litres', { from: 350, to: 600 }, [2, 36, 30], {
    maker: 'Ostrel Fittings',
    stock: false,
    height: 340,
    depth: 420,
    travel: 400,
    line: 40,
    holes: [28, 156, 348],
    bracket: { side: 30, lower: 64, apart: 48 },
  }),
];
