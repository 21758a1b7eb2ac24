export { newCabinet, newJob, nextNumber, type StartingPoint, startingPoints } from './defaults.js';
export {
  type Cabinet,
  type CabinetKind,
  cabinetKinds,
  cabinetSchema,
  type Display,
  displaySchema,
  type House,
  JOB_FORMAT,
  JOB_VERSION,
  type Job,
  type JobHead,
  jobHeadSchema,
  jobSchema,
  neighbourProblems,
} from './document.js';
export { inchHouse, inchMaterials, metricHouse, metricMaterials } from './houses/index.js';
export {
  type FieldError,
  type ReadResult,
  readCabinet,
  readHardwareText,
  readJob,
  readJobHead,
  readJobText,
  validate,
} from './read.js';
export { type Choice, type Resolved, type ResolvedSettings, resolve, Standards } from './resolve.js';
export {
  type EndKind,
  type JointKind,
  type Leaf,
  type MaterialRole,
  type SchoolId,
  type SettingOverrides,
  type SettingPath,
  type Settings,
  settingLeaf,
  settingLeaves,
  settingSectionsShown,
  settingsSchema,
  valueAt,
} from './settings.js';
export { stableJson, writeHardware, writeJob } from './write.js';
