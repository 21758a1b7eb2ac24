import type { FindingRule, FitContextFor, RuleContextFor } from '../../cabinet/index.js';
import type { catches } from '../catches/index.js';
import type { hinges } from '../hinges/index.js';
import type { PlacedDamper } from './dampers.js';
import type { DamperSettings } from './settings.js';

/** The kinds whose results are read here. */
export type DamperAfter = readonly [typeof hinges, typeof catches];
/** What is known of a cabinet here. */
export type DamperContext = FitContextFor<DamperSettings, DamperAfter>;
/** What rules about these may look at. */
export type DamperRule = FindingRule<RuleContextFor<'dampers', DamperSettings, readonly PlacedDamper[], DamperAfter>>;
