import type { FitContextFor } from '../../cabinet/index.js';
import type { hanging } from '../hanging/index.js';
import type { hinges } from '../hinges/index.js';
import type { pins } from '../pins/index.js';
import type { runners } from '../runners/index.js';
import type { HangerSettings } from './settings.js';

/** The kinds whose results are read here, or what they bore. */
export type HangerAfter = readonly [typeof hinges, typeof pins, typeof runners, typeof hanging];
/** What is known of a cabinet here. */
export type HangerContext = FitContextFor<HangerSettings, HangerAfter>;
