import type { SolvedCabinet } from '../../solve/index.js';

/** Names that may stand in a size: `width/2`, `inside - 3`. All in mm. */
export function sizeNames({ box, resolved }: SolvedCabinet): Record<string, number> {
  return {
    width: box.overallWidth.mm,
    height: box.overallHeight.mm,
    depth: box.overallDepth.mm,
    side: resolved.materials.side.thickness.mm,
    inside: box.insideWidth.mm,
    'inside width': box.insideWidth.mm,
    'box height': box.height.mm,
    'clear height': box.clearHeight.mm,
    'clear depth': box.clearDepth.mm,
    gap: resolved.settings.fronts.gap.mm,
  };
}
