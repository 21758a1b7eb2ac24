export {
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
  type ValuesOf,
} from './declare.js';
export {
  type Act,
  applyEdits,
  countedIds,
  type Edit,
  EditPathError,
  type IdMaker,
  newId,
} from './edit.js';
export { idField, lengthField, nameField, wordField } from './fields.js';
export { type Material, materialSchema, type ResolvedMaterial, spreadOf, thicknessOf } from './materials.js';
export {
  type DecidedHeight,
  type DividerKind,
  depthOf,
  FILL_NAMES,
  type Fill,
  type Graduation,
  isSplit,
  type LeafFill,
  type Opening,
  openingsOf,
  type SizeRule,
  type Split,
  splitSchema,
} from './openings.js';
export { type EditPath, pathFromText, pathTo } from './paths.js';
export { settingSections } from './settings/index.js';
