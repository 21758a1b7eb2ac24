export {
  acceptLayout,
  freshMark,
  isTicked,
  letLayoutGo,
  markCut,
  offcutMarks,
  offcutsOf,
  roomFor,
  tickSetUp,
} from './acts.js';
export { type BoardsToBuy, boardsFor } from './boards.js';
export { areaBound, boundOf } from './bound.js';
export { type Demand, demandOf, type SheetPiece } from './demand.js';
export { type Moved, movePiece, type PieceAt, withClear, withLock, withoutClear } from './moving.js';
export { freeOf } from './offcut.js';
export { type Effort, layOut, lookFor, Packer, pack } from './pack.js';
export {
  type ChangedLayout,
  type CuttingWay,
  changedSince,
  cutForNone,
  cutInVain,
  cutInVainOf,
  cutOtherwise,
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
  packProblemSchema,
  type SheetPlacement,
  type Unplaced,
} from './problem.js';
export {
  type Freed,
  isKept,
  type SawCut,
  type Sequence,
  type Strip,
  sequenceOf,
  stagesAllowed,
  stripsOf,
  stripsToBand,
} from './sequence.js';
export { stockOf } from './stock.js';
export { type CuttingProblem, type Goals, plainCutting, type SheetSupply } from './supply.js';
export { layoutInWords, usedShare } from './words.js';
