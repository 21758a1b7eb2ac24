import type { FindingRule, RuleContextFor } from '../../cabinet/index.js';
import type { FittedBins } from './bins.js';
import type { WasteAfter } from './context.js';
import type { WasteSettings } from './settings.js';

/** What rules about these may look at. */
export type WasteRuleContext = RuleContextFor<'waste', WasteSettings, readonly FittedBins[], WasteAfter>;
export type WasteRule = FindingRule<WasteRuleContext>;
