export { areaBound, boundOf } from './bound.js';
export { type Cutting, type MaterialProblem, problemsOf, USUAL_CUTTING } from './job.js';
export { type FreeRoom, freeOf } from './offcut.js';
export { type Effort, Packer, pack } from './pack.js';
export {
  METHODS,
  type Method,
  type PackedSheet,
  type Packing,
  type PackPart,
  type PackProblem,
  type Placement,
  packProblemSchema,
} from './problem.js';
export { stockOf } from './stock.js';
export { inWords, usedShare } from './words.js';
