export { isLength } from './byHand.js';
export { type Changed, headOf, withChange } from './changes.js';
export { jobByHand, newCabinet, newJob, nextNumber, type StartingPoint, startingPoints } from './defaults.js';
export {
  type Cabinet,
  type CabinetKind,
  cabinetKinds,
  type Display,
  type House,
  JOB_VERSION,
  type Job,
  type JobHead,
  jobSchema,
  neighbourProblems,
  tooMany,
} from './document.js';
export { metricMaterials } from './houses/index.js';
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
  CABINET_KIND,
  CARRYING_BACK,
  type Choice,
  choiceOf,
  offeredOn,
  type Resolved,
  type ResolvedSettings,
  resolve,
  Standards,
  settingOf,
} from './resolve.js';
export {
  type EndKind,
  type JointKind,
  type Leaf,
  type MaterialRole,
  type SettingOverrides,
  type SettingPath,
  type Settings,
  settingLeaf,
  settingLeaves,
  settingSectionsShown,
  settingsSchema,
  withSetting,
} from './settings.js';
export { stableJson, writeHardware, writeJob } from './write.js';
