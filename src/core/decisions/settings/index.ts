export {
  type Declarations,
  type DeclaredPath,
  declarationsOf,
  type EndKind,
  fillSchools,
  fillYounger,
  type Leaf,
  type MaterialRole,
  type SettingOverrides,
  type SettingPath,
  type Settings,
  schoolStandards,
  startingSettings,
  valueAt,
  withSetting,
} from './declarations.js';
export {
  type AllOf,
  type Conditions,
  choice,
  count,
  type Declared,
  type DeepPartial,
  degrees,
  type HouseSet,
  houseSetFor,
  isDeclared,
  length,
  matters,
  name,
  not,
  type PathsOf,
  type Section,
  type SettingTree,
  section,
  share,
  type ValuesOf,
} from './declare.js';
export type { JointPlace, JointWords } from './joints.js';
export { pinSettings } from './pins.js';
export { MATERIAL_ROLES } from './roles.js';
export { SCHOOL_IDS, type SchoolId, schools } from './schools/index.js';
