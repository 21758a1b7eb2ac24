export { type CutListGroup, type CutListRow, cutList } from './cutlist.js';
export { canBeLeftOut, Intake, type LeftOut, withoutTraces } from './decided.js';
export { type FastenerRow, fastenersOf } from './fasteners.js';
export { type KeyForm, keyForm, partKeys } from './keys.js';
export { withMachining, withMore } from './machined.js';
export { type LetteredRow, letterParts, marked, type PartRow, partLetter } from './marks.js';
export { isRectangle, liesOver, planOutline } from './outline.js';
export {
  alongPart,
  type Band,
  bandsOn,
  edgeOf,
  faceName,
  type GrainPlace,
  lengthAlong,
  makePart,
  type Part,
  type PartRole,
  type Piece,
  partNames,
  type Stands,
  sizeOf,
  spanAlong,
} from './part.js';
export {
  type Axes,
  type Axis,
  type AxisIndex,
  axisIndex,
  EDGES,
  type Edge,
  type Extent,
  edgeName,
  isMirrored,
  type Placement,
  type Point,
  toCabinet,
  toPart,
} from './placement.js';
export { faceInto, isFrameStile, isUpright, SAME_PLANE, uprightAt } from './uprights.js';
