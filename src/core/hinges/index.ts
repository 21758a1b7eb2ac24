export { type HungDoor, hangDoors, hingeFittings } from './hang.js';
export { type HingePlace, hingeRoom, snapHeights } from './places.js';
export {
  bestSolution,
  type ConcealedSolution,
  type HingeSolution,
  hingeCount,
  type LeafSolution,
  leastGap,
  overlayForReveal,
  solutionId,
  solutionsFor,
  solveHinge,
  solveLeaf,
} from './solver.js';
export { frontName, frontObstacles, swingContacts } from './surroundings.js';
export { type PlanObstacle, type SwingContact, swingContact } from './swing.js';
export { doorAt, doorTurn, type PlanDoor, type PlanPoint, stopSwing, turned } from './turning.js';
export { type Considered, FAMILY_WORDS, FIT_WORDS, gapForOverlay, type HingeWish, narrow, withGap } from './wish.js';
