/**
 * Build: the box from its overall size, by the construction school: joints, layout, carcass, frame, fronts, shelves, fixing.
 * Comes in: a cabinet with its settings resolved. Goes out: rooms, fronts and parts with their joinery. Knows: part, decisions.
 */
export type { Fitting } from './builder/index.js';
export * from './carcass/index.js';
export * from './fixing/index.js';
export * from './frame/index.js';
export * from './fronts/index.js';
export { type Joint, type JointForm, jointOf, joints } from './joints/index.js';
export * from './layout/index.js';
export * from './shelves/index.js';
