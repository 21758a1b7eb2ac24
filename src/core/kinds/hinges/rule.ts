import type { BuiltFor, FindingRule, RuleContextFor } from '../../cabinet/index.js';
import type { HingeAfter } from './context.js';
import type { HungDoor } from './hung.js';
import type { HingeSettings } from './settings.js';

/** What rules about these may look at. */
export type HingeRuleContext = RuleContextFor<'hinges', HingeSettings, readonly HungDoor[], HingeAfter>;
export type HingeRule = FindingRule<HingeRuleContext>;

/** A built cabinet, with what is known of it here. */
export type HingedCabinet = BuiltFor<'hinges', HingeSettings, readonly HungDoor[], HingeAfter>;
