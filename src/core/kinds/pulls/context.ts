import type { FitContextFor } from '../../cabinet/index.js';
import type { PullSettings } from './settings.js';

/** The kinds whose results are read here. */
export type PullAfter = readonly [];
/** What is known of a cabinet here. */
export type PullContext = FitContextFor<PullSettings, PullAfter>;
