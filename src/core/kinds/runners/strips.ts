import type { ForeseenStrip, StripContextFor } from '../../cabinet/index.js';
import { families } from './families/index.js';
import { runsIn } from './fills.js';
import { CLEAR_OF_HINGE, HALF_STRIP } from './lines.js';
import type { RunnerProfile } from './profile.js';
import type { RunnerSettings } from './settings.js';

/**
 * Where runners of inner drawers and trays will stand, whichever of the library in the shop's family it is: about the
 * lines those have, as high as packing is. Hinges keep out of there where they can.
 */
export function runnerStrips(
  { interiors, resolved: { settings } }: StripContextFor<RunnerSettings>,
  library: readonly RunnerProfile[],
): ForeseenStrip[] {
  const run = interiors.compartments.filter(({ fill }) => runsIn(fill) !== undefined);
  if (run.length === 0) return [];
  const own = settings.drawers.family.value === 'wooden' ? 'side' : settings.drawers.family.value;
  const decided = settings.drawers.choice.value;
  const lines = library
    .filter(({ id, family, stock }) => (decided === 'none' ? family === own && stock : id === decided))
    .map((profile) => families[profile.family].line(profile).value);
  if (lines.length === 0) return [];
  const [lowest, highest] = [Math.min(...lines), Math.max(...lines)];
  return run.map(({ id, cell, inside: { v } }) => {
    const floor = Math.max(v.low.value, cell.clear.v.low.value);
    return {
      opening: cell.opening.id,
      room: id,
      low: Math.max(v.low.value, floor + lowest - HALF_STRIP) - CLEAR_OF_HINGE,
      high: Math.min(v.high.value, floor + highest + HALF_STRIP) + CLEAR_OF_HINGE,
    };
  });
}
