import type { FitContextFor } from '../../cabinet/index.js';
import type { GrommetSettings } from './settings.js';

/** The kinds whose results are read here. */
export type GrommetAfter = readonly [];
/** What is known of a cabinet here. */
export type GrommetContext = FitContextFor<GrommetSettings, GrommetAfter>;
