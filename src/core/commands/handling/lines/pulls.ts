import { pathOf, settingPath } from '../../../decisions/index.js';
import type { SolvedCabinet } from '../../../solve/index.js';
import { type Line, lineOf, multiples } from './line.js';

/** A pull is decided to lie no nearer to the end of its door, and no further (mm). */
const NEAREST = 10;
const FURTHEST = 600;
/** So far to each side of a pull its line can be taken hold of (mm). */
const BESIDE = 22;

/** The end of each door's pull that is decided: from the upper edge of the door in base cabinets, from the lower in wall ones. */
export function pullLines(solved: SolvedCabinet): Line[] {
  const { fronts, fitted, cabinet, resolved } = solved;
  const { fromEnd } = resolved.settings.pulls;
  // In a tall cabinet most stand at a height above the floor.
  if (cabinet.kind === 'tall') return [];
  const upper = cabinet.kind === 'base';
  return fitted.pulls.flatMap(({ frontKey, upright, extent: { min, max } }): Line[] => {
    const front = fronts.find(({ key, kind }) => key === frontKey && kind === 'door');
    if (!front || !upright) return [];
    // As far as the other end of the door, and no further than may be decided.
    const most = Math.min(front.v.size.value - (max[2] - min[2]) - NEAREST, FURTHEST);
    return [
      lineOf(
        {
          label: 'Pull from the end of the door',
          mm: fromEnd.value,
          path: pathOf(cabinet, settingPath(solved, 'pulls/fromEnd')),
          least: NEAREST,
          most,
          reasons: multiples(fromEnd.value, most, 32).map((mm) => ({ mm, why: '32 grid' })),
        },
        'v',
        upper ? max[2] : min[2],
        {
          id: `pull-${frontKey}`,
          from: min[0] - BESIDE,
          to: max[0] + BESIDE,
          shows: front.parts[0]?.key ?? frontKey,
        },
        upper ? -1 : 1,
      ),
    ];
  });
}
