import * as z from 'zod/mini';
import { between, mm } from '../../decisions/index.js';
import { libraryOf, named } from '../profile.js';

/** What every pair of runners says of itself, whatever its family. */
const common = {
  ...named,
  /** The lengths it is sold in, shortest first. */
  lengths: z.array(mm(100, 1500)).check(z.minLength(1), z.maxLength(30)),
  /** What a pair of them carries, drawer and contents (kg). */
  load: between(1, 300),
  closing: z.enum(['plain', 'soft', 'push']),
  /** From the plane the fronts close against to the front end of the runner. */
  setback: mm(0, 60),
  /** What has to stay free behind it. */
  rearClearance: mm(0, 60),
  /** Free above the box, and under it. */
  clearAbove: mm(0, 80),
  clearBelow: mm(0, 80),
  /** The lowest box it can carry. */
  leastHeight: mm(20, 1500),
  /** Screw holes of the member on the case, from its front end; those beyond a length are not in it. */
  holes: z.array(mm(5, 1400)).check(z.minLength(2), z.maxLength(60)),
  pilot: z.strictObject({ diameter: mm(0.5, 8), depth: mm(2, 30) }),
  /** How far its rear bracket reaches from the end of the runner to the back, where it has one. */
  rearBracket: z.optional(z.strictObject({ from: mm(0, 200), to: mm(1, 300) })),
} as const;

/** Ball-bearing runners beside the box. */
const side = z.strictObject({
  ...common,
  family: z.literal('side'),
  /** Of one runner, shut; and the play of both together. */
  thickness: mm(5, 40),
  play: mm(0, 6),
  /** Its fixing line above the lower edge of the box. */
  line: mm(5, 200),
  /** Screw holes of the member on the box, from its front end. */
  boxHoles: z.array(mm(5, 1400)).check(z.minLength(2), z.maxLength(60)),
});

/** Rollers under the lower edges of the box. */
const corner = z.strictObject({
  ...common,
  family: z.literal('corner'),
  thickness: mm(5, 40),
  play: mm(0, 6),
  line: mm(0, 100),
  boxHoles: z.array(mm(5, 1400)).check(z.minLength(2), z.maxLength(60)),
});

/** Hidden runners under the box. */
const under = z.strictObject({
  ...common,
  family: z.literal('under'),
  /** Inside width of the box = opening less this. */
  deduction: mm(10, 100),
  /** The thickest side it takes, and what each side keeps to the case at least. */
  mostSide: mm(5, 30),
  sideClearance: mm(0, 20),
  /** The box is shorter than the runner by this. */
  shorter: mm(0, 60),
  /** How far the bottom lies above the lower edges of the sides. */
  recess: mm(5, 30),
  /** Cut out of both lower corners of the back. */
  notch: z.strictObject({ width: mm(5, 100), height: mm(5, 40) }),
  /** Two holes in the back for the hooks: from the inside of the sides, above the underside of the bottom. */
  hook: z.strictObject({
    diameter: mm(2, 12),
    depth: mm(3, 30),
    inward: mm(1, 60),
    above: mm(1, 60),
  }),
  /** Its screw line on the case above the floor of the opening. */
  line: mm(5, 120),
});

/** Tall pull-outs: two runners beside the box and a third under its middle. */
const tall = z.strictObject({
  ...common,
  family: z.literal('tall'),
  thickness: mm(5, 40),
  play: mm(0, 6),
  line: mm(5, 1500),
  boxHoles: z.array(mm(5, 1400)).check(z.minLength(2), z.maxLength(60)),
  /** Of the third, which raises the box, and the holes of its member on the case. */
  under: z.strictObject({
    thickness: mm(5, 60),
    holes: z.array(mm(5, 1400)).check(z.minLength(2), z.maxLength(60)),
  }),
});

/** Runners as a shop enters them from their maker's sheet: lengths in mm, loads in kg. */
export const runnerProfileSchema = z.discriminatedUnion('family', [side, corner, under, tall]);
export type RunnerProfile = z.infer<typeof runnerProfileSchema>;
export type BesideProfile = Extract<RunnerProfile, { family: 'side' | 'corner' }>;
export type TallProfile = Extract<RunnerProfile, { family: 'tall' }>;
export type UnderProfile = Extract<RunnerProfile, { family: 'under' }>;

/** Those a job has. */
export const runnerProfilesOf = libraryOf<RunnerProfile>('runners');
