import * as z from 'zod/mini';
import { between, countField, mm } from '../../decisions/index.js';
import { libraryOf, named } from '../profile.js';

/** In the order a maker asks: what the carcass is, how the door lies, how far it opens, how it closes. */
export const HINGE_FITS = ['full', 'half', 'inset', 'lipped'] as const;
export type HingeFit = (typeof HINGE_FITS)[number];
export type CarcassKind = 'frameless' | 'frame';

const hinge = {
  ...named,
  carcass: z.array(z.enum(['frameless', 'frame'])).check(z.minLength(1)),
  fits: z.array(z.enum(HINGE_FITS)).check(z.minLength(1)),
  opening: between(60, 180),
  closing: z.enum(['snap', 'damped', 'free']),
  byHeight: z
    .array(
      z.strictObject({
        upTo: mm(100, 4000),
        count: countField(2, 8),
      }),
    )
    .check(z.minLength(1), z.maxLength(10)),
  byWeight: z
    .array(
      z.strictObject({
        upTo: between(1, 80),
        count: countField(2, 8),
      }),
    )
    .check(z.minLength(1), z.maxLength(10)),
  /** Doors wider than this take one more. */
  wideOver: mm(200, 2000),
};

/** Concealed: a cup in the door, an arm, a plate on the case; compact ones are made for the edge of a frame. */
export const cupSchema = <F extends 'concealed' | 'compact'>(family: F) =>
  z
    .strictObject({
      ...hinge,
      family: z.literal(family),
      /** F: the arm's fixed distance; overlay = cup offset + F − plate. */
      arm: mm(-40, 40),
      cup: z.strictObject({
        /** K: door edge to cup edge. */
        least: mm(1, 20),
        most: mm(1, 20),
        diameter: mm(20, 50),
        depth: mm(6, 20),
        /** Two fixing holes: this far apart, this much further from the door edge than the cup's centre. */
        fixingApart: mm(20, 80),
        fixingFurther: mm(0, 30),
        fixingDiameter: mm(1, 12),
        fixingDepth: mm(1, 15),
      }),
      /** P: plate thicknesses there are. */
      plates: z.array(mm(0, 30)).check(z.minLength(1), z.maxLength(12)),
      plate: z.strictObject({
        /** Two holes, one above the other. */
        apart: mm(10, 80),
        /** Behind the mounting plane, or from the face of a frame. */
        setback: mm(3, 80),
        diameter: mm(1, 12),
        depth: mm(1, 30),
      }),
      /** The room plate and arm take up: behind the mounting plane, up and down in all, and out from what carries them. */
      body: z.strictObject({
        behind: mm(5, 150),
        height: mm(10, 150),
        out: mm(3, 80),
      }),
      /** What the open door and the hinge take of the width inside, where the maker prints it. */
      encroachment: z.optional(mm(0, 120)),
      /** The point the door turns about: in from the cup's edge, and in front of the door's back. */
      turn: z.strictObject({
        beyondCup: mm(-20, 40),
        beforeBack: mm(-20, 40),
      }),
      sideAdjust: mm(0, 6),
      heightAdjust: mm(0, 6),
      depthAdjust: mm(0, 6),
      /** Least gap at the hinge edge by door thickness and, within each, by cup offset. */
      gaps: z
        .array(
          z.strictObject({
            thickness: mm(10, 50),
            at: z
              .array(
                z.strictObject({
                  offset: mm(1, 20),
                  gap: mm(0, 15),
                }),
              )
              .check(z.minLength(1), z.maxLength(12)),
          }),
        )
        .check(z.minLength(1), z.maxLength(12)),
    })
    .check(
      z.refine(({ cup }) => cup.least <= cup.most, {
        path: ['cup', 'most'],
        message: 'the largest cup offset is smaller than the smallest',
      }),
    );

/** Two leaves and a knuckle: butts, let in or not, and semi-concealed ones that lie on the back of a lipped door. */
export const leafSchema = <F extends 'butt' | 'noMortise' | 'semi'>(family: F) =>
  z.strictObject({
    ...hinge,
    family: z.literal(family),
    leaf: z.strictObject({
      length: mm(15, 200),
      /** Across the edge it lies on. */
      width: mm(5, 80),
      thickness: mm(0.5, 8),
      knuckle: mm(2, 25),
      /** C: closed, with the leaves parallel. */
      closed: mm(0.5, 20),
      screws: countField(1, 8),
      pilot: mm(0.5, 6),
      pilotDepth: mm(2, 40),
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

/** Those a job has. */
export const hingeProfilesOf = libraryOf<HingeProfile>('hinges');
