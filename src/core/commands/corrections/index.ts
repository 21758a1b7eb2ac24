export { type Built, type BuiltSize, builtOf, type Changed, changesBetween } from './built.js';
export type { CorrectedCabinet, CorrectedJob } from './corrected.js';
export { type Correction, corrections, EDITION } from './editions.js';
