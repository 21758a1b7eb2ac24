/**
 * Solve: the pipeline, and the registry of kinds: the one composer that knows them all. Comes in: a job of any age. Goes
 * out: everything computed from it. Knows: every stage before it.
 */
export {
  check,
  checkBetween,
  checker,
  checkJob,
  checkPairs,
  fixesFor,
  foundIn,
  proposedFor,
  refused,
} from './checked.js';
export {
  applyEdits,
  form,
  isDecidedList,
  isLength,
  JOB_VERSION,
  jobByHand,
  newJob,
  readCabinet,
  readHardwareText,
  readJob,
  readJobHead,
  readJobText,
  readTouched,
  type SettingKey,
  settingLeaf,
  settingLeaves,
  settingSections,
  standardsOf,
  trailTo,
  validate,
} from './document.js';
export {
  allKinds,
  type Fitted,
  type KindLibrary,
  libraries,
  type Overrides,
  profilesOf,
  type ResolvedCabinet,
} from './registry.js';
export * from './solve.js';
export { Sorts } from './sorts.js';
export * from './standing/index.js';
export { resolvedFor } from './surroundings.js';
