import { type Dim, length, quantity, type Span, spanBetween } from '../../ground/index.js';
import type { RunnerProfile } from './profile.js';

/** Screws of a runner: three, or four where it is longer than this (mm). */
const FOUR_OVER = 500;
/** The last hole lies at least this far before its rear end (mm). */
const BEFORE_END = 15;

/** Runners and what packs them out keep so far clear in height of every plate and arm (mm). */
export const CLEAR_OF_HINGE = 5;

/**
 * The holes of a runner's member that are used, from its front end: the first, the last that is in this length and those
 * nearest to equal spaces between, of those that are clear of what is cut in the case. With `shift` the next ones, so that
 * runners on both faces of a panel do not meet.
 */
export function holesAlong(
  profile: RunnerProfile,
  all: readonly number[],
  run: number,
  shift: 0 | 1,
  free: (at: number) => boolean = () => true,
): Dim[] {
  const there = all.filter((at) => at <= run - BEFORE_END);
  // Every other hole: the rest belong to a runner on the other face.
  const every = there.length > 3 ? there.filter((_, at) => at % 2 === shift) : there;
  const clear = every.filter(free);
  // Where too few are clear, all are shown, and a finding says what they meet.
  const own = clear.length > 1 ? clear : every;
  const count = Math.min(own.length, run > FOUR_OVER ? 4 : 3);
  const chosen = new Set(
    Array.from({ length: count }, (_, n) => Math.round(((own.length - 1) * n) / Math.max(1, count - 1))),
  );
  return [...chosen].map((at) =>
    quantity(own[at] as number, 'mm', 'hole from the front of the runner', {
      kind: 'profile',
      note: `${profile.maker}, ${profile.name}`,
    }),
  );
}

/** Height of what packs a runner out (mm). */
const STRIP = length(60, 'height of the packing');
export const HALF_STRIP = STRIP.value / 2;

/** As high as it is about the line of the runner, but within its opening. */
export function stripHeight(line: Dim, { low, high }: Span): Span {
  const half = STRIP.over(2);
  const [from, to] = [
    line.minus(half).as('lower edge of the packing'),
    line.plus(half).as('upper edge of the packing'),
  ];
  return spanBetween(from.value < low.value ? low : from, to.value > high.value ? high : to);
}
