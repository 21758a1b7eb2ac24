import type { FindingRule, RuleContextFor } from '../../cabinet/index.js';
import type { HangingAfter } from './context.js';
import type { HungRail } from './rails.js';
import type { HangingSettings } from './settings.js';

/** What rules about these may look at. */
export type HangingRuleContext = RuleContextFor<'hanging', HangingSettings, readonly HungRail[], HangingAfter>;
export type HangingRule = FindingRule<HangingRuleContext>;
