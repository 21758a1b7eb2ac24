import type { Zone } from '../../given/index.js';

type Extent = Zone['extent'];

/** True where two boxes share space. */
export function meets(a: Extent, b: Extent): boolean {
  return [0, 1, 2].every(
    (k) => (a.min[k] as number) < (b.max[k] as number) - 0.01 && (a.max[k] as number) > (b.min[k] as number) + 0.01,
  );
}
