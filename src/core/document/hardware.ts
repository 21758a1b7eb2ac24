import { z } from 'zod';

/**
 * Hardware as a shop enters it from its maker's sheet: lengths in mm, angles in degrees, weights in kg. The maker's own
 * sheet always wins over anything said here.
 */
const named = {
  id: z.string().regex(/^[a-z0-9-]{1,40}$/, 'an id of small letters, digits and hyphens was expected'),
  maker: z.string().trim().min(1).max(60),
  name: z.string().trim().min(1).max(80),
  stock: z.boolean(),
  /** Where the figures come from. */
  note: z.string().max(400),
};

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
const concealedSchema = z
  .strictObject({
    ...hinge,
    family: z.enum(['concealed', 'compact']),
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
const leafSchema = z.strictObject({
  ...hinge,
  family: z.enum(['butt', 'noMortise', 'semi']),
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

export const hingeProfileSchema = z.discriminatedUnion('family', [concealedSchema, leafSchema]);
export type HingeProfile = z.infer<typeof hingeProfileSchema>;
export type ConcealedProfile = z.infer<typeof concealedSchema>;
export type LeafProfile = z.infer<typeof leafSchema>;
export type HingeFamily = HingeProfile['family'];

/** A pull with two holes, or a knob with one. */
export const pullProfileSchema = z.strictObject({
  ...named,
  /** Hole to hole; 0 for a knob. */
  centres: z.number().min(0).max(1200),
  /** Over all, along its holes. */
  length: z.number().min(5).max(1500),
  /** How far it stands off the front. */
  projection: z.number().min(2).max(120),
  hole: z.number().min(2).max(15),
  weight: z.number().min(0).max(5),
});
export type PullProfile = z.infer<typeof pullProfileSchema>;

/** The hardware library of a job. */
export const hardwareSchema = z
  .strictObject({
    hinges: z.array(hingeProfileSchema).max(200),
    pulls: z.array(pullProfileSchema).max(200),
  })
  .superRefine((library, context) => {
    for (const kind of ['hinges', 'pulls'] as const) {
      const seen = new Set<string>();
      library[kind].forEach(({ id }, at) => {
        if (seen.has(id))
          context.addIssue({ code: 'custom', path: [kind, at, 'id'], message: `the id "${id}" is used twice` });
        seen.add(id);
      });
    }
  });
export type Hardware = z.infer<typeof hardwareSchema>;

/** A hardware library as a file of its own. */
export const HARDWARE_FORMAT = 'alcove-hardware';
export const HARDWARE_VERSION = 1;

/** Two libraries as one: what the second has under an id replaces what the first has; the rest is added at the end. */
export function mergeHardware(first: Hardware, second: Hardware): Hardware {
  const merge = <T extends { id: string }>(before: readonly T[], after: readonly T[]): T[] => {
    const changed = new Map(after.map((profile) => [profile.id, profile]));
    const known = new Set(before.map(({ id }) => id));
    return [
      ...before.map((profile) => changed.get(profile.id) ?? profile),
      ...after.filter(({ id }) => !known.has(id)),
    ];
  };
  return { hinges: merge(first.hinges, second.hinges), pulls: merge(first.pulls, second.pulls) };
}

export function isConcealed(profile: HingeProfile): profile is ConcealedProfile {
  return profile.family === 'concealed' || profile.family === 'compact';
}
