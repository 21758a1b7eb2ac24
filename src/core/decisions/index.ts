/**
 * Decisions: the document of a job, its settings with where each was decided, and edits of both.
 * Comes in: data of any age, and a registry of what kinds of fitted things declare. Goes out: a checked document, and what
 * each setting comes to on a cabinet. Knows: the ground, and no kind.
 */
export * from './document/index.js';
export { between, countField, lengthField, mm, nameField, saying } from './fields.js';
export * from './job/index.js';
export {
  ownPathTo,
  type PartField,
  pathTo,
  type StandingField,
  type StandingMeasure,
  type StockField,
  subjectOf,
  type ZoneField,
  type ZoneMeasure,
} from './paths.js';
export {
  type AskedOfKinds,
  CABINET_KIND,
  type Choice,
  choiceOf,
  type Follows,
  offeredOn,
  type PathsOn,
  type Resolved,
  type ResolvedGroup,
  type ResolvedSettings,
  type ResolvedWith,
  type Settled,
  setChoice,
  settingOf,
  settingPath,
} from './resolved.js';
export * from './settings/index.js';
export { numberOf, type ReadAs, sourceOf } from './sources.js';
export { CARRYING_BACK, type Resolvable, Standards } from './standards.js';
export { type TrailStep, trailOf } from './trail.js';
