import { z } from 'zod';

/**
 * A concealed hinge as a shop enters it from its maker's sheet. Lengths in mm, angles in degrees, weights in kg. The
 * maker's own sheet always wins over the defaults here.
 */
export const hingeProfileSchema = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,40}$/),
  maker: z.string().trim().min(1).max(60),
  name: z.string().trim().min(1).max(80),
  /** What it is made for: a side, a shared partition, a front in the opening, a face frame. */
  fit: z.enum(['full', 'half', 'inset', 'frame']),
  opening: z.number().min(60).max(180),
  closing: z.enum(['snap', 'damped', 'free']),
  stock: z.boolean(),
  /** F: the arm's fixed distance; overlay = cup offset + F − plate. */
  arm: z.number().min(-40).max(40),
  cup: z.strictObject({
    /** K: door edge to cup edge. */
    least: z.number().min(1).max(20),
    most: z.number().min(1).max(20),
    diameter: z.number().min(20).max(50),
    depth: z.number().min(6).max(20),
    /** Two fixing holes: this far apart, this much further from the door edge than the cup's centre. */
    fixingApart: z.number().min(20).max(80),
    fixingFurther: z.number().min(0).max(30),
    fixingDiameter: z.number().min(1).max(12),
    fixingDepth: z.number().min(1).max(15),
  }),
  /** P: plate thicknesses there are. */
  plates: z.array(z.number().min(0).max(30)).min(1).max(12),
  plate: z.strictObject({
    /** Two holes, one above the other. */
    apart: z.number().min(10).max(80),
    /** Behind the mounting plane, or from the face of a frame. */
    setback: z.number().min(3).max(80),
    diameter: z.number().min(1).max(12),
    depth: z.number().min(1).max(30),
  }),
  sideAdjust: z.number().min(0).max(6),
  /** Least gap at the hinge edge by door thickness, for a cup offset in the middle of its range. */
  gaps: z
    .array(z.strictObject({ thickness: z.number().min(10).max(50), gap: z.number().min(0).max(15) }))
    .min(1)
    .max(12),
  byHeight: z
    .array(z.strictObject({ upTo: z.number().min(100).max(4000), count: z.int().min(2).max(8) }))
    .min(1)
    .max(10),
  byWeight: z
    .array(z.strictObject({ upTo: z.number().min(1).max(80), count: z.int().min(2).max(8) }))
    .min(1)
    .max(10),
  /** Doors wider than this take one more. */
  wideOver: z.number().min(200).max(2000),
  note: z.string().max(400),
});
export type HingeProfile = z.infer<typeof hingeProfileSchema>;
