import type { Resolved } from '../../document/index.js';
import type { Compartment } from '../../layout/index.js';
import type { RunnerProfile } from './profile.js';

/** Heights (mm, above the underside of the box) between which runners of a room and their packing may stand. */
export interface RunnerStrip {
  readonly low: number;
  readonly high: number;
}

/** Packing and spacers reach so far above and below the line of their runner, and keep so far clear of a hinge (mm). */
const HALF = 30;
const CLEAR_OF_HINGE = 5;

/**
 * Where runners of inner drawers and trays of an opening will stand, whichever of the library in the shop's family it is:
 * hinges keep out of there where they can. The line of a runner = its clearance below + its line on the box, or its own
 * line on the case.
 */
export function runnerStrips(
  rooms: readonly Compartment[],
  opening: string,
  library: readonly RunnerProfile[],
  { settings }: Resolved,
): RunnerStrip[] {
  const own = settings.drawers.family.value === 'wooden' ? 'side' : settings.drawers.family.value;
  const decided = settings.drawers.choice.value;
  const lines = library
    .filter(({ id, family, stock }) => (decided === 'none' ? family === own && stock : id === decided))
    .map((profile) => (profile.family === 'under' ? profile.line : profile.clearBelow + profile.line));
  if (lines.length === 0) return [];
  const [lowest, highest] = [Math.min(...lines), Math.max(...lines)];
  return rooms
    .filter(({ cell, fill }) => cell.opening.id === opening && (fill.kind === 'drawer' || fill.kind === 'tray'))
    .map(({ cell, inside: { v } }) => {
      const floor = Math.max(v.low.mm, cell.clear.v.low.mm);
      return {
        low: Math.max(v.low.mm, floor + lowest - HALF) - CLEAR_OF_HINGE,
        high: Math.min(v.high.mm, floor + highest + HALF) + CLEAR_OF_HINGE,
      };
    });
}
