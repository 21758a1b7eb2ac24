export { compareSchools, type SchoolComparison } from './compare.js';
export { type OptionStops, stopsOfOptions } from './options.js';
export { type PresentOptions, presentJob } from './result.js';
export { type CabinetSummary, type JobSummary, summariseCabinet } from './summary.js';
export { bandedEdges, grainWords, machiningSummary, noteWords } from './words.js';
