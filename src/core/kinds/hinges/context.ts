import type { FitContextFor } from '../../cabinet/index.js';
import type { pulls } from '../pulls/index.js';
import type { HingeSettings } from './settings.js';

/** The kinds whose results are read here. */
export type HingeAfter = readonly [typeof pulls];
/** What is known of a cabinet here. */
export type HingeContext = FitContextFor<HingeSettings, HingeAfter>;
