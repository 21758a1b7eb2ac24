import type { SolvedCabinet } from '../../solve/index.js';

/** Names that may stand in a size: `width/2`, `inside - 3`. All in mm. */
export function sizeNames({ box, resolved }: SolvedCabinet): Record<string, number> {
  return {
    width: box.overallWidth.value,
    height: box.overallHeight.value,
    depth: box.overallDepth.value,
    side: resolved.materials.side.thickness.value,
    inside: box.insideWidth.value,
    'inside width': box.insideWidth.value,
    'box height': box.height.value,
    'clear height': box.clearHeight.value,
    'clear depth': box.clearDepth.value,
    gap: resolved.settings.fronts.gap.value,
  };
}
