import { type Dim, inches, length, solved } from '../../ground/index.js';

/** What holds one part to another, or a piece of hardware to a part. */
export type FastenerKind = 'screw' | 'pocket screw' | 'dowel' | 'loose tenon' | 'hardware screw';

/**
 * What goes in at each place of an operation. It stands with what is bored where its head lies, or where it leaves the
 * part it stands in; what is bored for it elsewhere has none, so that each fastener is there once.
 */
export interface Fastens {
  readonly kind: FastenerKind;
  /** What it is bought for, as lists say it: `construction`, `box corners`, `runners`. */
  readonly use: string;
  readonly size: FastenerSize;
  /** What head it has, where it is not countersunk. */
  readonly headed?: string;
  /** Key of the part it ends in, or one for each place. Absent where it holds hardware to the part it is bored in. */
  readonly into?: string | readonly string[];
  /** Keys of what lies between and is held as well. */
  readonly passes?: readonly string[];
  /** How far it goes into what it ends in. */
  readonly reach: Dim;
  /** True where it ends in an end or an edge, which splits and holds less than a face. */
  readonly inEdge?: boolean;
}

/** As it is bought. */
export interface FastenerSize {
  /** Of a screw or a dowel all of it; of a loose tenon along its slot. */
  readonly length: Dim;
  /** Of a dowel, or of the hole a screw is driven into. */
  readonly diameter?: Dim;
  /** Of a loose tenon. */
  readonly thickness?: Dim;
}

/** Key of the part that the fastener at a place ends in. */
export function endsIn({ into }: Fastens, place: number): string | undefined {
  return typeof into === 'string' ? into : into?.[place];
}

/** Screws of the box itself: what they are bought for. */
export const CONSTRUCTION = 'construction';

/** A dowel stays so far short of the floors of its two holes, in all (mm). */
const FREE_AT_DOWEL = length(2, 'free at the ends of the dowel');

/** A dowel between a hole in a face and one in an end. */
export function dowel(
  {
    diameter,
    inFace,
    inEnd,
    use = CONSTRUCTION,
  }: { readonly diameter: Dim; readonly inFace: Dim; readonly inEnd: Dim; readonly use?: string },
  into: string,
): Fastens {
  const long = inFace.plus(inEnd).minus(FREE_AT_DOWEL).as('length of the dowel');
  return { kind: 'dowel', use, size: { length: long, diameter }, into, reach: inFace };
}

/** A size of one unit is met by the like size of the other: 25 by 1 in, and the reverse (mm). */
export const AS_MUCH = 0.5;

/** The longest screw that is sold and no longer than this, where lengths come in steps. */
export function soldUpTo(most: Dim, step: Dim): Dim {
  const mm = Math.floor((most.value + 1e-6) / step.value) * step.value;
  return solved('screw length', mm, 'mm', [most, step], 'the longest that is sold and no longer');
}

/** The shortest screw that is sold and as long as this. */
export function soldFrom(least: Dim, step: Dim): Dim {
  const mm = Math.ceil((least.value - AS_MUCH) / step.value) * step.value;
  return solved('screw length', mm, 'mm', [least, step], 'the shortest that is sold and as long');
}

/** Less than this of a screw holds nothing (mm). */
export const LEAST_HOLD = 8;
/** What stays before the point of a screw (mm). */
const SHORT_OF_FACE = length(3, 'short of the far side');

/**
 * The longest screw through so much that stays short of the far side of what holds it, by the lengths that are sold;
 * shortened to what there is where that hardly reaches it.
 */
export function longestIn(before: Dim, room: Dim, step: Dim): Dim {
  const most = before.plus(room).minus(SHORT_OF_FACE);
  const sold = soldUpTo(most, step);
  return sold.value - before.value < LEAST_HOLD ? most.as('screw, shortened') : sold;
}

/** Lengths pocket screws are sold in (in); where screws come by whole millimetres they are called by the nearest. */
const POCKET_SCREWS = [1, 1.25, 1.5, 2, 2.5].map((size) => inches(size));

/**
 * A pocket screw in a part so thick that is to reach so far into the next: of those that are sold the one nearest to
 * thickness + reach, since the shoulder of the pocket leaves about as much of it in the part as that is thick; none that
 * would come out of a part as thick as its own.
 */
export function pocketScrew(
  thickness: Dim,
  { pocketReach: reach, screwStep }: { readonly pocketReach: Dim; readonly screwStep: Dim },
  into: string,
  inEdge = false,
): Fastens {
  const off = (long: number) => Math.abs(long - thickness.value - reach.value);
  const fitting = POCKET_SCREWS.filter((long) => long <= 2 * thickness.value - SHORT_OF_FACE.value);
  const nearest = fitting.reduce((best, each) => (off(each) < off(best) ? each : best), POCKET_SCREWS[0] ?? 0);
  const called = Number.isInteger(screwStep.value) ? Math.round(nearest) : nearest;
  const size = { length: length(called, 'pocket screw') };
  return { kind: 'pocket screw', use: CONSTRUCTION, size, into, reach, inEdge };
}

/** A pilot hole in the part hardware is screwed to, and its screw. */
export function pilotFor(
  use: string,
  diameter: Dim,
  depth: Dim,
): { readonly diameter: Dim; readonly depth: Dim; readonly fastens: Fastens } {
  return {
    diameter,
    depth,
    fastens: { kind: 'hardware screw', use, size: { length: depth, diameter }, reach: depth },
  };
}
