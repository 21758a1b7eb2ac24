export { buildFronts, type Front, weightOf } from './fronts.js';
export { type GrainGroup, grainGroups } from './grain.js';
export type { FrontKind } from './making.js';
