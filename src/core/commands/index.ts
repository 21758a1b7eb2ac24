/**
 * Commands: what a maker does, as edits: acts, handling on the drawing, finding, what depends on a number, changes and
 * their merging, corrections. Comes in: a solved job, and what is meant. Goes out: edits with their words, or why not.
 * Knows: everything.
 */
export * from './acts/index.js';
export * from './changes/index.js';
export * from './corrections/index.js';
export * from './dependents/index.js';
export * from './facts/index.js';
export * from './find/index.js';
export * from './handling/index.js';
