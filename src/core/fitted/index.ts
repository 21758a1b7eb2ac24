export { allKinds, type Fitted, type FittedCabinet, fitAll } from './fit.js';
export { hingePieces } from './hinges/index.js';
export type { AnyKind, Fit, FitContext, Kind, LibraryColumn, NamedProfile, Trial, TrialOutcome } from './kind.js';
export { kinds } from './kinds.js';
export {
  HARDWARE_FORMAT,
  HARDWARE_VERSION,
  type Hardware,
  hardwareSchema,
  type KindLibrary,
  libraries,
  mergeHardware,
  startingHardware,
  withYoungerKinds,
} from './library.js';
export { TRIALS } from './profile.js';
export { makeTrays, mayRise, type Runner, runnersOf, type StandingTray, together, travelOf } from './runners/index.js';
