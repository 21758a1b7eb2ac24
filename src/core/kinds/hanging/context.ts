import type { FitContextFor } from '../../cabinet/index.js';
import type { hinges } from '../hinges/index.js';
import type { pins } from '../pins/index.js';
import type { runners } from '../runners/index.js';
import type { waste } from '../waste/index.js';
import type { HangingSettings } from './settings.js';

/** The kinds whose results are read here, or what they bore. */
export type HangingAfter = readonly [typeof hinges, typeof pins, typeof runners, typeof waste];
/** What is known of a cabinet here. */
export type HangingContext = FitContextFor<HangingSettings, HangingAfter>;
