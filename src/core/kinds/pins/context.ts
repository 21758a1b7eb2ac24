import type { RuleContextFor } from '../../cabinet/index.js';
import type { pinSettings } from '../../decisions/index.js';
import type { hinges } from '../hinges/index.js';

export type PinSettings = (typeof pinSettings)['settings'];
/** Where a plate hole falls on one of theirs it serves for both. */
export type PinAfter = readonly [typeof hinges];
/** What is known of a built cabinet here. */
export type PinRuleContext = RuleContextFor<'pins', PinSettings, null, PinAfter>;
