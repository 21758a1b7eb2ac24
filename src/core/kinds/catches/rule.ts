import type { FindingRule, RuleContextFor } from '../../cabinet/index.js';
import type { PlacedCatch } from './catches.js';
import type { CatchAfter } from './context.js';
import type { CatchSettings } from './settings.js';

/** What rules about these may look at. */
export type CatchRuleContext = RuleContextFor<'catches', CatchSettings, readonly PlacedCatch[], CatchAfter>;
export type CatchRule = FindingRule<CatchRuleContext>;
