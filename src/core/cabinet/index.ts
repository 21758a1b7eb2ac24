/**
 * Cabinet: contracts only. What a built cabinet is, a finding, a rule, a kind of fitted thing, the space things take and
 * sweep. Comes in: nothing. Goes out: types, nothing that runs. Knows: decisions, part, build.
 */
export type { BuiltCabinet, DecidedHeights, Named } from './built.js';
export type {
  Finding,
  FindingDraft,
  FindingRule,
  NeighbourDraft,
  NeighbourRule,
  Parting,
  Proposals,
  RuleContext,
  Severity,
} from './finding.js';
export type {
  AnyKind,
  Body,
  BuiltFor,
  Earlier,
  Fit,
  FitContext,
  FitContextFor,
  Kind,
  KindPanel,
  Library,
  LibraryColumn,
  OwnOf,
  Piece,
  ResultOf,
  ResultsOf,
  RuleContextFor,
  SelectedThing,
  StripContextFor,
  Trial,
} from './kind.js';
export type {
  ForeseenStrip,
  Motion,
  Occupied,
  PlanDoor,
  PlanObstacle,
  PlanPoint,
  Slide,
  SwingContact,
  Tilt,
  Turn,
} from './motion.js';
