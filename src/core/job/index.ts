export {
  type HouseSet,
  houseSetFor,
  inchHouse,
  inchMaterials,
  metricHouse,
  metricMaterials,
  newCabinet,
  newJob,
  nextNumber,
} from './defaults.js';
export {
  type Cabinet,
  type CabinetKind,
  cabinetKinds,
  cabinetSchema,
  type Display,
  type DividerKind,
  displaySchema,
  type Graduation,
  type House,
  JOB_FORMAT,
  JOB_VERSION,
  type Job,
  type JobHead,
  jobHeadSchema,
  jobSchema,
  type LeafFill,
  type Material,
  materialSchema,
  type Opening,
  type Rows,
  type SizeRule,
} from './document.js';
export { type Act, applyEdits, type Edit, EditPathError, nextId } from './edit.js';
export { type FieldError, type ReadResult, readCabinet, readJob, readJobHead, readJobText, validate } from './read.js';
export {
  type Choice,
  type Leaf,
  type Resolved,
  type ResolvedMaterial,
  type ResolvedSettings,
  resolve,
  settingLeaves,
  spreadOf,
  thicknessOf,
  valueAbove,
} from './resolve.js';
export type { MaterialRole, SettingOverrides, Settings } from './settings.js';
export { stableJson, writeJob } from './write.js';
