export { type Clash, findClashes, holesNearEdges, type PartSize } from './clearance.js';
export type {
  EdgeHoles,
  EdgeReference,
  Face,
  Groove,
  Holes,
  Notch,
  Operation,
  OperationKind,
  Pockets,
  Rabbet,
  Slots,
} from './operation.js';
export { spacedAlong } from './spacing.js';
