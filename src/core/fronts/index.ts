export { buildFronts, type Front, frontName, lippedClearance, weightOf } from './fronts.js';
export { type GrainGroup, grainGroups } from './grain.js';
export { behindGroove, grooveCut, grooveInset, slotPlaces } from './joinery.js';
export { type FrontKind, likeDoor } from './making.js';
