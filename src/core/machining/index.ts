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
