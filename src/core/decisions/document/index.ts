export { headOf, type SavedChange, withChange } from './changes.js';
export { jobByHand, newCabinet, newJob, nextNumber, type StartingPoint, startingPoints } from './defaults.js';
export { type Form, formOf, type Registry } from './form.js';
export {
  type Hardware,
  type HardwareKind,
  mergeHardware,
  type NamedProfile,
  startingHardware,
  type TrialOutcome,
} from './hardware.js';
export { metricMaterials } from './houses/index.js';
export { isLength } from './places.js';
export {
  type FieldError,
  type ReadResult,
  readCabinet,
  readHardwareText,
  readJob,
  readJobHead,
  readJobText,
  readTouched,
  tooDeep,
  validate,
} from './read.js';
export {
  type Cabinet,
  type CabinetKind,
  cabinetKinds,
  type Design,
  type Display,
  type House,
  type Job,
  type JobHead,
} from './schemas.js';
export { type ListOfCabinet, listOfCabinet, type Slice } from './slice.js';
export { neighbourProblems, tooMany } from './together.js';
export { stableJson, writeHardware, writeJob } from './write.js';
