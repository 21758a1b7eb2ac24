import type { FitContextFor } from '../../cabinet/index.js';
import type { runners } from '../runners/index.js';
import type { LegSettings } from './settings.js';

/** The kinds whose results are read here. */
export type LegAfter = readonly [typeof runners];
/** What is known of a cabinet here. */
export type LegContext = FitContextFor<LegSettings, LegAfter>;
