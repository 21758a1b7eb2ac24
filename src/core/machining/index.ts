export { type Clash, findClashes, holesNearEdges } from './clearance.js';
export type {
  By,
  Cut,
  EdgeReference,
  Face,
  MachiningRow,
  Outline,
  PartNames,
  PartSize,
} from './definition.js';
export {
  cutsOf,
  type EdgeHoles,
  type Groove,
  type Holes,
  type Mortises,
  type Notch,
  type Operation,
  type OperationKind,
  outlineOf,
  type Pockets,
  type Rabbet,
  rowOf,
  type Slots,
  wordsOf,
} from './operations/index.js';
export { fromStart } from './place.js';
export { spacedAlong } from './spacing.js';
