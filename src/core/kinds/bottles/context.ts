import type { FitContextFor } from '../../cabinet/index.js';
import type { hinges } from '../hinges/index.js';
import type { pins } from '../pins/index.js';
import type { BottleSettings } from './settings.js';

/** The kinds whose results are read here, or what they bore. */
export type BottleAfter = readonly [typeof hinges, typeof pins];
/** What is known of a cabinet here. */
export type BottleContext = FitContextFor<BottleSettings, BottleAfter>;
