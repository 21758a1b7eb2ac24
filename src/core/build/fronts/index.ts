export type { Front } from './front.js';
export { buildFronts, frontName, keysOf, lippedClearance, weightOf } from './fronts.js';
export { type GrainGroup, grainGroups } from './grain.js';
export { behindGroove, grooveCut, grooveInset, slotPlaces } from './joinery.js';
