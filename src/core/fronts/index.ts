export { buildFronts, type Front, frontName, lippedClearance } from './fronts.js';
export { type GrainGroup, grainGroups } from './grain.js';
export type { FrontKind } from './making.js';
