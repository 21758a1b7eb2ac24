import type { FitContextFor } from '../../cabinet/index.js';
import type { hinges } from '../hinges/index.js';
import type { runners } from '../runners/index.js';
import type { WasteSettings } from './settings.js';

/** The kinds whose results are read here. */
export type WasteAfter = readonly [typeof hinges, typeof runners];
/** What is known of a cabinet here. */
export type WasteContext = FitContextFor<WasteSettings, WasteAfter>;
