/**
 * Motions: how fronts and drawers move, what stands in their way, and where the cabinet beside stands. Comes in: space that is taken and
 * swept. Goes out: what meets what, and at which angle. Knows: the contracts and what is built.
 */
export { type NeighbourShift, neighbourShift } from './neighbours.js';
export { contactsOf, fixedTo, obstaclesOf, spaceOfFronts, turnsOf } from './surroundings.js';
export { swingContact } from './swing.js';
export { doorAt, stopSwing, turned } from './turning.js';
