import type { FindingRule, RuleContextFor } from '../../cabinet/index.js';
import type { LegAfter } from './context.js';
import type { FittedLegs } from './legs.js';
import type { LegSettings } from './settings.js';

/** What rules about these may look at. */
export type LegRuleContext = RuleContextFor<'legs', LegSettings, FittedLegs | null, LegAfter>;
export type LegRule = FindingRule<LegRuleContext>;
