import { type Dim, length, plain } from '../../ground/index.js';

/**
 * Positions along an edge: the first and last at `first` from the ends, the rest equally between them and at most
 * `spacing` apart. An edge too short for two gets one in its middle.
 */
export function spacedAlong(edge: Dim, first: Dim, spacing: Dim): Dim[] {
  const run = edge.value - 2 * first.value;
  if (run <= 0) return [edge.over(2).as('middle of the joint')];
  const gaps = Math.max(1, Math.ceil(run / spacing.value - 1e-9));
  const apart = edge.minus(first.times(2)).over(plain(gaps, 'spaces')).as('spacing along the joint');
  return Array.from({ length: gaps + 1 }, (_, at) =>
    at === 0 ? first : first.plus(apart.times(at)).as('position along the joint'),
  );
}

/** Diameter of the way a screw takes where nothing is bored for it. */
export const SCREW_WAY = length(4, 'screw');

/** Holes from the two faces of a panel may face each other while together they leave this of it (mm). */
const LEFT_BETWEEN = 1;

/** True when holes so deep (mm) may face each other in a panel so thick. */
export function mayFace(one: number, other: number, thickness: number): boolean {
  return one + other <= thickness - LEFT_BETWEEN;
}

/** Those that may not keep at least this much between their edges (mm). */
export const FACING_EDGES_APART = 3;

/** Narrower than this only one fastener has room; up to the second two stand near its edges (mm). */
const ONE_BELOW = 38;
const TWO_TO = 250;
const FROM_EDGE = { least: 12, most: 25 };

/**
 * Fasteners of what joins with an end so wide. Never one alone where there is room for two, or it could turn: from 38 to
 * 250 wide two, max(12, min(25, width / 4)) from its edges; wider by the rule for edges. `half` is how far one reaches
 * along the joint to each side of its middle; `beyond` how far from its ends other fasteners reach in from there (mm).
 */
export function fastenersAlong(
  width: Dim,
  { first, spacing, half, beyond = 0 }: { first: Dim; spacing: Dim; half: number; beyond?: number },
): Dim[] {
  if (width.value > TWO_TO) return spacedAlong(width, first, spacing);
  const middle = () => [width.over(2).as('middle of the joint')];
  if (width.value < ONE_BELOW) return middle();
  const quarter = width.over(4).as('a quarter of the width');
  const { least, most } = FROM_EDGE;
  const near = Math.max(least, half + SKIN, Math.min(most, quarter.value), beyond > 0 ? beyond + half + SKIN : 0);
  const edge = near === quarter.value ? quarter : length(near, 'first fastener from the edge');
  if (width.value - 2 * edge.value < 2 * half + SKIN) return middle();
  return [edge, width.minus(edge).as('position along the joint')];
}

/** Wood between two fasteners and to the edge (mm). */
const SKIN = 4;
