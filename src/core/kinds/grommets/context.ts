import type { BuiltFor, FindingRule, FitContextFor, RuleContextFor } from '../../cabinet/index.js';
import type { FittedGrommet } from './grommets.js';
import type { GrommetSettings } from './settings.js';

/** The kinds whose results are read here. */
export type GrommetAfter = readonly [];
/** What is known of a cabinet here. */
export type GrommetContext = FitContextFor<GrommetSettings, GrommetAfter>;
export type GrommetBuilt = BuiltFor<'grommets', GrommetSettings, readonly FittedGrommet[], GrommetAfter>;
/** What rules about these may look at. */
export type GrommetRule = FindingRule<
  RuleContextFor<'grommets', GrommetSettings, readonly FittedGrommet[], GrommetAfter>
>;
