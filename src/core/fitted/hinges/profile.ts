import { z } from 'zod';
import { named } from '../profile.js';

/** In the order a maker asks: what the carcass is, how the door lies, how far it opens, how it closes. */
export const HINGE_FITS = ['full', 'half', 'inset', 'lipped'] as const;
export type HingeFit = (typeof HINGE_FITS)[number];
export type CarcassKind = 'frameless' | 'frame';

const hinge = {
  ...named,
  carcass: z.array(z.enum(['frameless', 'frame'])).min(1),
  fits: z.array(z.enum(HINGE_FITS)).min(1),
  opening: z.number().min(60).max(180),
  closing: z.enum(['snap', 'damped', 'free']),
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
};

/** Concealed: a cup in the door, an arm, a plate on the case; compact ones are made for the edge of a frame. */
export const cupSchema = <F extends 'concealed' | 'compact'>(family: F) =>
  z
    .strictObject({
      ...hinge,
      family: z.literal(family),
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
      /** The room plate and arm take up: behind the mounting plane, up and down in all, and out from what carries them. */
      body: z.strictObject({
        behind: z.number().min(5).max(150),
        height: z.number().min(10).max(150),
        out: z.number().min(3).max(80),
      }),
      /** What the open door and the hinge take of the width inside, where the maker prints it. */
      encroachment: z.number().min(0).max(120).optional(),
      /** The point the door turns about: in from the cup's edge, and in front of the door's back. */
      turn: z.strictObject({ beyondCup: z.number().min(-20).max(40), beforeBack: z.number().min(-20).max(40) }),
      sideAdjust: z.number().min(0).max(6),
      heightAdjust: z.number().min(0).max(6),
      depthAdjust: z.number().min(0).max(6),
      /** Least gap at the hinge edge by door thickness and, within each, by cup offset. */
      gaps: z
        .array(
          z.strictObject({
            thickness: z.number().min(10).max(50),
            at: z
              .array(z.strictObject({ offset: z.number().min(1).max(20), gap: z.number().min(0).max(15) }))
              .min(1)
              .max(12),
          }),
        )
        .min(1)
        .max(12),
    })
    .refine(({ cup }) => cup.least <= cup.most, {
      path: ['cup', 'most'],
      message: 'the largest cup offset is smaller than the smallest',
    });

/** Two leaves and a knuckle: butts, let in or not, and semi-concealed ones that lie on the back of a lipped door. */
export const leafSchema = <F extends 'butt' | 'noMortise' | 'semi'>(family: F) =>
  z.strictObject({
    ...hinge,
    family: z.literal(family),
    leaf: z.strictObject({
      length: z.number().min(15).max(200),
      /** Across the edge it lies on. */
      width: z.number().min(5).max(80),
      thickness: z.number().min(0.5).max(8),
      knuckle: z.number().min(2).max(25),
      /** C: closed, with the leaves parallel. */
      closed: z.number().min(0.5).max(20),
      screws: z.int().min(1).max(8),
      pilot: z.number().min(0.5).max(6),
      pilotDepth: z.number().min(2).max(40),
    }),
  });

type CupOf<F extends 'concealed' | 'compact'> = z.infer<ReturnType<typeof cupSchema<F>>>;
type LeafOf<F extends 'butt' | 'noMortise' | 'semi'> = z.infer<ReturnType<typeof leafSchema<F>>>;
export type ConcealedProfile = Omit<CupOf<'concealed'>, 'family'> & { family: 'concealed' | 'compact' };
export type LeafProfile = Omit<LeafOf<'butt'>, 'family'> & { family: 'butt' | 'noMortise' | 'semi' };
export type HingeProfile = ConcealedProfile | LeafProfile;

export function isConcealed(profile: HingeProfile): profile is ConcealedProfile {
  return 'cup' in profile;
}
