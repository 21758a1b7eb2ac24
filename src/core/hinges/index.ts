export { type HingePlace, type HungDoor, hangDoors, hingeFittings } from './fit.js';
export { type HingeSolution, hingeCount, leastGap, overlayForReveal, solutionId, solveHinge } from './solver.js';
