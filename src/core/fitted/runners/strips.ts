import type { Resolved } from '../../document/index.js';
import type { Compartment } from '../../layout/index.js';
import { families } from './families/index.js';
import { HALF_STRIP } from './lines.js';
import type { RunnerProfile } from './profile.js';

/** Heights (mm, above the underside of the box) between which runners of a room and their packing may stand. */
export interface RunnerStrip {
  readonly low: number;
  readonly high: number;
}

/** Runners and what packs them out keep so far clear in height of every plate and arm (mm). */
export const CLEAR_OF_HINGE = 5;

/**
 * Where runners of inner drawers and trays of an opening will stand, whichever of the library in the shop's family it is:
 * about the lines those have, as high as packing is. Hinges keep out of there where they can.
 */
export function runnerStrips(
  rooms: readonly Compartment[],
  opening: string,
  library: readonly RunnerProfile[],
  { settings }: Resolved,
): RunnerStrip[] {
  const run = rooms.filter(
    ({ cell, fill }) => cell.opening.id === opening && (fill.kind === 'drawer' || fill.kind === 'tray'),
  );
  if (run.length === 0) return [];
  const own = settings.drawers.family.value === 'wooden' ? 'side' : settings.drawers.family.value;
  const decided = settings.drawers.choice.value;
  const lines = library
    .filter(({ id, family, stock }) => (decided === 'none' ? family === own && stock : id === decided))
    .map((profile) => families[profile.family].line(profile).mm);
  if (lines.length === 0) return [];
  const [lowest, highest] = [Math.min(...lines), Math.max(...lines)];
  return run.map(({ cell, inside: { v } }) => {
    const floor = Math.max(v.low.mm, cell.clear.v.low.mm);
    return {
      low: Math.max(v.low.mm, floor + lowest - HALF_STRIP) - CLEAR_OF_HINGE,
      high: Math.min(v.high.mm, floor + highest + HALF_STRIP) + CLEAR_OF_HINGE,
    };
  });
}
