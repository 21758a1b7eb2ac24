export { type Clash, clearOf, findClashes, holesNearEdges } from './clearance.js';
export type {
  By,
  Cut,
  EdgeReference,
  FacePoint,
  MachiningRow,
  Outline,
  PanelFace,
  PartNames,
  PartSize,
} from './definition.js';
export {
  AS_MUCH,
  CONSTRUCTION,
  dowel,
  endsIn,
  type FastenerKind,
  type FastenerSize,
  type Fastens,
  LEAST_HOLD,
  longestIn,
  pilotFor,
  pocketScrew,
  soldFrom,
  soldUpTo,
} from './fastener.js';
export { placesFree, takenAlong, type WantedHole } from './free.js';
export {
  type CutOut,
  cutsOf,
  type EdgeGroove,
  type EdgeHoles,
  footprintOf,
  type Groove,
  type Holes,
  type Mitre,
  type Mortises,
  type Notch,
  numbersOf,
  type Operation,
  type OperationKind,
  outlineOf,
  POCKET,
  type Pockets,
  type Rabbet,
  type Recess,
  rowOf,
  type Slots,
  spacesOf,
  type Tenon,
  wordsOf,
} from './operations/index.js';
export { fromStart, type Stopped } from './place.js';
export { atPlaces, type PlacedRow, placeRow, type WantedRow } from './placer.js';
export { fromPoint } from './plan.js';
export { movedRow, movesTaken, type RowIn, type RowOperation } from './rows.js';
export { FACING_EDGES_APART, fastenersAlong, mayFace, SCREW_WAY, spacedAlong } from './spacing.js';
