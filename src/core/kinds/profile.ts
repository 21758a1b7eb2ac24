import * as z from 'zod/mini';
import type { JobHead, NamedProfile } from '../decisions/index.js';
import { Dim, length, type Measure, type Source } from '../ground/index.js';
import { pilotFor } from '../part/index.js';

/**
 * Hardware as a shop enters it from its maker's sheet: lengths in mm, angles in degrees, weights in kg. The maker's own
 * sheet always wins over anything said here.
 */
export const named = {
  id: z.string().check(z.regex(/^[a-z0-9-]{1,40}$/, 'an id of small letters, digits and hyphens was expected')),
  maker: z.string().check(z.trim(), z.minLength(1), z.maxLength(60)),
  name: z.string().check(z.trim(), z.minLength(1), z.maxLength(80)),
  stock: z.boolean(),
  /** Where the figures come from. */
  note: z.string().check(z.maxLength(400)),
  /** What a test piece taught this shop: as the sheet says, with a correction, or that it does not do here. */
  trial: z.optional(
    z.strictObject({
      outcome: z.enum(['proven', 'corrected', 'unfit']),
      taught: z.string().check(z.trim(), z.maxLength(300)),
    }),
  ),
};

/** What came of a test piece, in the words of the library. */
export const TRIALS = {
  proven: 'proven here',
  corrected: 'proven, with a correction',
  unfit: 'does not do here',
} as const;

export const SIMULATED = 'Simulated: invented maker, figures of the kind the trade uses.';

/** Something of the library that was not taken, and why. */
export interface Against {
  readonly profile: string;
  readonly name: string;
  readonly why: string;
  /** True for what was never asked for, since another one was decided. */
  readonly unasked?: true;
}

/** A pilot ends this short of the far face (mm). */
export const SHORT_OF_FACE = length(2, 'short of the far face');

/** How deep a pilot is bored in a part so thick: as the maker says, or short of the far face. */
export function pilotIn(pilot: Dim, thickness: Dim): Dim {
  const most = thickness.minus(SHORT_OF_FACE).as('pilot depth').because('short of the far face');
  return most.value < pilot.value ? most : pilot;
}

/** The pilot holes of a profile's sheet in a part so thick, and the screws that go into them. */
export function pilotOf(
  use: string,
  profile: NamedProfile & { readonly pilot: { readonly diameter: number; readonly depth: number } },
  thickness: Dim,
) {
  return pilotFor(
    use,
    fromSheet(profile, 'pilot/diameter', 'pilot hole'),
    pilotIn(fromSheet(profile, 'pilot/depth', 'pilot depth'), thickness),
  );
}

/** The profiles a job has of a kind; the form of the document has checked them by the schema of that kind. */
export const libraryOf =
  <P extends NamedProfile>(kind: string) =>
  ({ hardware }: Pick<JobHead, 'hardware'>) =>
    (hardware[kind] ?? []) as unknown as readonly P[];

/** The paths of the numbers of a profile: `cup/diameter`. */
type NumberPath<P> = P extends unknown
  ? {
      [K in keyof P & string]: P[K] extends number
        ? K
        : P[K] extends readonly unknown[]
          ? never
          : P[K] extends object
            ? `${K}/${NumberPath<P[K]>}`
            : never;
    }[keyof P & string]
  : never;

/** A number read from a profile: the only way to one that says it is from the maker's sheet. */
export function fromSheet<P extends NamedProfile>(
  profile: P,
  path: NumberPath<P>,
  label: string,
  measure: Measure = 'mm',
): Dim {
  const value = path
    .split('/')
    .reduce<unknown>((node, key) => (node as Record<string, unknown>)[key], profile) as number;
  return new Dim(value, label, 'setting', [], measure, byMaker(profile));
}

/** What stands behind a number of a profile. */
export function byMaker({ maker, name }: NamedProfile): Source {
  return { kind: 'profile', note: `${maker}, ${name}` };
}
