import { inches } from '../../../ground/index.js';
import type { School } from './school.js';

const shared = {
  joints: { bottom: 'dado', top: 'dado', shelf: 'dado', partition: 'dado' },
  top: { kind: 'web' },
  toe: { kind: 'standing' },
  dividers: { betweenFronts: 'web', atOpenBay: 'shelf' },
  banding: { frontEdges: 'none', caseEdges: 'none' },
  nailer: { rails: 'needed' },
  drawers: { family: 'wooden', corner: 'rabbet' },
} as const;

/** Solid sides that stand on the floor, web frames between drawers, a back in a rabbet. */
export const traditional = {
  label: 'traditional casework',
  trade: 'Dadoed sides, web frames and a top that can move; more joinery and stock left on for trimming.',
  standards: {
    metric: {
      ...shared,
      ends: { scribe: 40 },
      back: { kind: 'rabbeted', rabbetDepth: 10 },
      fronts: { lay: 'openings', reveal: { top: 3, bottom: 3 } },
      materials: { side: 'oak20', front: 'oak20' },
    },
    inch: {
      ...shared,
      ends: { scribe: inches(1 + 3 / 4) },
      back: { kind: 'rabbeted', rabbetDepth: inches(3 / 8) },
      fronts: { lay: 'openings', reveal: { top: inches(1 / 8), bottom: inches(1 / 8) } },
      materials: { side: 'oak34', front: 'oak34' },
    },
  },
} as const satisfies School;
