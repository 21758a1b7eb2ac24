/**
 * Given: what a cabinet is told of the world before it is solved. What stands around it, and readings that were taken of
 * it. Comes in: nothing. Goes out: values; whoever knows the job makes them. Knows: the ground.
 */
export { type Fact, type Facts, factsOf, laid, NO_FACTS } from './facts.js';
export type { Beside, BesideKind, Given, Surroundings, Zone } from './surroundings.js';
