import { type Dim, plain } from '../derive/index.js';
import type { Resolved } from '../job/index.js';
import type { Box } from '../layout/index.js';
import { makePart, type Part } from '../parts/index.js';

/** Cross members of a plinth stand no further apart than this, centre to centre (mm). */
const CROSS_SPACING = 600;

/** A ladder plinth: front and rear rail full length, cross members between them at most 600 apart. Stands below z = 0. */
export function buildPlinth(box: Box, { settings, materials }: Resolved): Part[] {
  const { material, thickness } = materials.plinth;
  const { height, setback, rearSetback } = settings.toe;
  const depth = box.sideDepth.minus(setback).minus(rearSetback).as('plinth depth');
  const crossLength = depth.minus(thickness.times(2));
  const bays = Math.max(1, Math.ceil((box.width.mm - thickness.mm) / CROSS_SPACING - 1e-9));
  const below = -height.mm;
  const rail = (key: string, y: number, w: '+y' | '-y'): Part =>
    makePart({
      key,
      name: 'Plinth rail',
      role: 'plinth',
      material,
      length: box.width,
      width: height,
      thickness,
      placement: { origin: [0, y, below], u: '+x', v: '+z', w },
    });
  const spacing: Dim = box.width.minus(thickness).over(plain(bays, 'bays')).as('plinth cross member spacing');
  const crosses = Array.from({ length: bays + 1 }, (_, at) =>
    makePart({
      key: `plinth/cross/${at + 1}`,
      name: 'Plinth cross member',
      role: 'plinth',
      material,
      length: crossLength,
      width: height,
      thickness,
      placement: { origin: [spacing.mm * at, setback.mm + thickness.mm, below], u: '+y', v: '+z', w: '+x' },
    }),
  );
  return [rail('plinth/front', setback.mm, '+y'), rail('plinth/rear', setback.mm + depth.mm, '-y'), ...crosses];
}
