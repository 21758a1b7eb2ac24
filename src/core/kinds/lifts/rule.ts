import type { FindingRule, RuleContextFor } from '../../cabinet/index.js';
import type { LiftAfter } from './context.js';
import type { FittedLift } from './lifts.js';
import type { LiftSettings } from './settings.js';

/** What rules about these may look at. */
export type LiftRuleContext = RuleContextFor<'lifts', LiftSettings, readonly FittedLift[], LiftAfter>;
export type LiftRule = FindingRule<LiftRuleContext>;
