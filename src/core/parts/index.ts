export { type CutListGroup, type CutListRow, cutList } from './cutlist.js';
export { markParts, type PartRow, partLetter } from './marks.js';
export {
  type Band,
  faceName,
  type GrainPlace,
  makePart,
  type Part,
  type PartRole,
  partExtent,
  partNames,
  sizeOf,
} from './part.js';
export {
  type Axis,
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
