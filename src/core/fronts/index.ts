export { buildFronts, type Front, frontName, weightOf } from './fronts.js';
export { type GrainGroup, grainGroups } from './grain.js';
export type { FrontKind } from './making.js';
