import type { BuiltFor, FindingRule, RuleContextFor } from '../../cabinet/index.js';
import type { GrommetAfter } from './context.js';
import type { FittedGrommet } from './grommets.js';
import type { GrommetSettings } from './settings.js';

/** A cabinet with its grommets. */
export type GrommetBuilt = BuiltFor<'grommets', GrommetSettings, readonly FittedGrommet[], GrommetAfter>;
/** What rules about these may look at. */
export type GrommetRule = FindingRule<
  RuleContextFor<'grommets', GrommetSettings, readonly FittedGrommet[], GrommetAfter>
>;
