export {
  acceptLayout,
  isTicked,
  keepClear,
  letLayoutGo,
  lockPiece,
  markCut,
  offcutMarks,
  offcutsOf,
  putSheets,
  tickSetUp,
} from './acts.js';
export { type BoardsToBuy, boardsFor } from './boards.js';
export { areaBound, boundOf } from './bound.js';
export { type Demand, demandOf, type SheetPiece } from './demand.js';
export { type Moved, movePiece, type PieceAt, whyUncuttable } from './moving.js';
export { type FreeRoom, freeOf } from './offcut.js';
export { type Effort, layOut, lookFor, Packer, pack } from './pack.js';
export {
  type Changed,
  type CuttingWay,
  changedSince,
  ORDERED,
  type Plan,
  type Proposal,
  piecesByName,
  planFor,
  proposalOf,
  USUAL_WAY,
} from './plan.js';
export {
  type PackedSheet,
  type Packing,
  type PackPart,
  type PackProblem,
  type Placement,
  packProblemSchema,
  type Unplaced,
} from './problem.js';
export { type Freed, isKept, partingOf, type SawCut, type Sequence, sequenceOf, stagesAllowed } from './sequence.js';
export { stockOf } from './stock.js';
export { type CuttingProblem, type Goals, plainCutting, type SheetSupply } from './supply.js';
export { inWords, layoutInWords, usedShare } from './words.js';
