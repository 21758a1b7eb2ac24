/**
 * Part: one piece of a cabinet with all that is cut and bored in it, where it stands, its solid, its drawing as data.
 * Comes in: materials and what is decided of single parts. Goes out: parts, lists of them, shapes. Knows: decisions.
 */
export * from './drafting/index.js';
export * from './machining/index.js';
export * from './parts/index.js';
export * from './solids/index.js';
