import type { FitContextFor } from '../../cabinet/index.js';
import type { catches } from '../catches/index.js';
import type { hinges } from '../hinges/index.js';
import type { DamperSettings } from './settings.js';

/** The kinds whose results are read here. */
export type DamperAfter = readonly [typeof hinges, typeof catches];
/** What is known of a cabinet here. */
export type DamperContext = FitContextFor<DamperSettings, DamperAfter>;
