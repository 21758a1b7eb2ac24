import type { FindingRule, RuleContextFor } from '../../cabinet/index.js';
import type { HangerAfter } from './context.js';
import type { FittedHangers } from './hangers.js';
import type { HangerSettings } from './settings.js';

/** What rules about these may look at. */
export type HangerRuleContext = RuleContextFor<'hangers', HangerSettings, FittedHangers | null, HangerAfter>;
export type HangerRule = FindingRule<HangerRuleContext>;
