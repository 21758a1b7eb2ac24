import type { FitContextFor } from '../../cabinet/index.js';
import type { pulls } from '../pulls/index.js';
import type { LiftSettings } from './settings.js';

/** The kinds whose results are read here. */
export type LiftAfter = readonly [typeof pulls];
/** What is known of a cabinet here. */
export type LiftContext = FitContextFor<LiftSettings, LiftAfter>;
