import type { FindingRule, RuleContextFor } from '../../cabinet/index.js';
import type { DamperAfter } from './context.js';
import type { PlacedDamper } from './dampers.js';
import type { DamperSettings } from './settings.js';

/** What rules about these may look at. */
export type DamperRule = FindingRule<RuleContextFor<'dampers', DamperSettings, readonly PlacedDamper[], DamperAfter>>;
