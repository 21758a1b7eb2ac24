export { catalogue, hingeCatalogue, pullCatalogue } from './catalogue.js';
export {
  houseSetFor,
  newCabinet,
  newJob,
  nextNumber,
  type StartingPoint,
  startingPoints,
} from './defaults.js';
export {
  type Cabinet,
  type CabinetKind,
  cabinetKinds,
  cabinetSchema,
  type Display,
  type DividerKind,
  displaySchema,
  type Fill,
  type Graduation,
  type House,
  isSplit,
  JOB_FORMAT,
  JOB_VERSION,
  type Job,
  type JobHead,
  jobHeadSchema,
  jobSchema,
  type LeafFill,
  type Material,
  materialSchema,
  neighbourProblems,
  type Opening,
  openingsOf,
  type SizeRule,
  type Split,
} from './document.js';
export { type Act, applyEdits, type Edit, EditPathError, nextId } from './edit.js';
export {
  type CarcassKind,
  type ConcealedProfile,
  type Hardware,
  HINGE_FITS,
  type HingeFamily,
  type HingeFit,
  type HingeProfile,
  hardwareSchema,
  hingeProfileSchema,
  isConcealed,
  type LeafProfile,
  type PullProfile,
} from './hardware.js';
export { type HouseSet, inchHouse, inchMaterials, metricHouse, metricMaterials } from './houses.js';
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
export {
  type EndKind,
  type JointKind,
  type MaterialRole,
  type SchoolId,
  type SettingOverrides,
  type Settings,
  settingsSchema,
} from './settings.js';
export { stableJson, writeJob } from './write.js';
