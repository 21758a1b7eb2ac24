/**
 * Check: what is wrong with a built cabinet, or might be, and how it goes together. Comes in: a built cabinet, and the kinds
 * with rules of their own. Goes out: findings, and steps of assembly. Knows: the contracts, no kind by name.
 */
export { type AssemblyStep, assemblyOf } from './assembly/index.js';
export {
  cabinetOf,
  checkDesign,
  checkNeighbours,
  type Proposed,
  refusalOf,
  type Said,
  told,
} from './findings/index.js';
