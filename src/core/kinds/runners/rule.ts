import type { FindingRule, RuleContextFor } from '../../cabinet/index.js';
import type { RunnerAfter } from './context.js';
import type { FittedDrawer } from './drawers.js';
import type { RunnerSettings } from './settings.js';

/** What rules about these may look at. */
export type RunnerRuleContext = RuleContextFor<'runners', RunnerSettings, readonly FittedDrawer[], RunnerAfter>;
export type RunnerRule = FindingRule<RunnerRuleContext>;
