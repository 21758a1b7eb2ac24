import type { FitContextFor } from '../../cabinet/index.js';
import type { CatchSettings } from './settings.js';

/** The kinds whose results are read here. */
export type CatchAfter = readonly [];
/** What is known of a cabinet here. */
export type CatchContext = FitContextFor<CatchSettings, CatchAfter>;
