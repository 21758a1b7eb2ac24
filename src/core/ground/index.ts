/**
 * Ground: lengths and how they are written, derived numbers that remember their arithmetic, words.
 * Comes in: nothing. Goes out: what every stage counts and speaks with. Knows: nothing of cabinets.
 */
export * from './derive/index.js';
export { gather } from './gather.js';
export * from './units/index.js';
export { capital, within } from './words.js';
