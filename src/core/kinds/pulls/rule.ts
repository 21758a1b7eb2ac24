import type { FindingRule, RuleContextFor } from '../../cabinet/index.js';
import type { PullAfter } from './context.js';
import type { PlacedPull } from './pulls.js';
import type { PullSettings } from './settings.js';

/** What rules about these may look at. */
export type PullRuleContext = RuleContextFor<'pulls', PullSettings, readonly PlacedPull[], PullAfter>;
export type PullRule = FindingRule<PullRuleContext>;
