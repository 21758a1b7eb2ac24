import { type Dim, plain } from '../derive/index.js';

/**
 * Positions along a joint: the first and last at `first` from the ends, the rest equally between them and at most
 * `spacing` apart. A joint too short for two gets one in its middle.
 */
export function spacedAlong(length: Dim, first: Dim, spacing: Dim): Dim[] {
  const run = length.mm - 2 * first.mm;
  if (run <= 0) return [length.over(2).as('middle of the joint')];
  const gaps = Math.max(1, Math.ceil(run / spacing.mm - 1e-9));
  const apart = length.minus(first.times(2)).over(plain(gaps, 'spaces')).as('spacing along the joint');
  return Array.from({ length: gaps + 1 }, (_, at) =>
    at === 0 ? first : first.plus(apart.times(at)).as('position along the joint'),
  );
}
