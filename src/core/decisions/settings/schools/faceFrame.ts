import type { School } from './school.js';

const standards = {
  frame: { fitted: 'fitted' },
  joints: { bottom: 'dado', top: 'dado', shelf: 'dado' },
  back: { kind: 'applied' },
  fronts: { lay: 'openings' },
  banding: { caseEdges: 'none' },
  dividers: { betweenFronts: 'none' },
} as const;

/** A frame on the front of a dadoed box; openings are laid out first and the fronts follow. */
export const faceFrame = {
  label: 'face frame',
  trade: 'A stiffer front that scribes to walls and looks traditional; wider reveals, and packing for slides.',
  standards: { metric: standards, inch: standards },
} as const satisfies School;
