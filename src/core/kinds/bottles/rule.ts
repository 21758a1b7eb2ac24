import type { FindingRule, RuleContextFor } from '../../cabinet/index.js';
import type { BottleCells } from './cells.js';
import type { BottleAfter } from './context.js';
import type { BottleSettings } from './settings.js';

/** What rules about these may look at. */
export type BottleRuleContext = RuleContextFor<'bottles', BottleSettings, readonly BottleCells[], BottleAfter>;
export type BottleRule = FindingRule<BottleRuleContext>;
