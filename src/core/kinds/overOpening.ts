import type { Front } from '../build/index.js';
import type { Dim } from '../ground/index.js';
import { type Part, SAME_PLANE, toPart } from '../part/index.js';

/** What carries something over an opening reaches at least this near to the front (mm). */
const LEAST_DEPTH = 5;

/** What lies over an opening at a place across it, and ends there in front: a top, a stretcher, a rail, a fixed shelf. */
export function overOpening(parts: readonly Part[], across: Dim, high: Dim): Part | undefined {
  return parts.find((part) => {
    if (part.placement.w[1] !== 'z') return false;
    const { min, max } = part.extent;
    return (
      Math.abs(min[2] - high.value) < SAME_PLANE &&
      across.value > min[0] &&
      across.value < max[0] &&
      min[1] < LEAST_DEPTH
    );
  });
}

/** The part of a front that lies behind a point of it, its panel left out. */
export function behindFront({ parts }: Pick<Front, 'parts'>, across: Dim, up: Dim): Part | undefined {
  return parts
    .filter(({ piece }) => piece?.kind !== 'panel')
    .find((part) => {
      const { max } = part.extent;
      const [u, v] = toPart(part.placement, [across.value, max[1], up.value]);
      return u > 0 && u < part.length.value && v > 0 && v < part.width.value;
    });
}
