export { type PresentOptions, presentJob } from './result.js';
export { bandedEdges, grainWords, machiningSummary } from './words.js';
