import type { FitContext, FitContextFor, ResultsOf } from '../../cabinet/index.js';
import type { hinges } from '../hinges/index.js';
import type { pins } from '../pins/index.js';
import type { pulls } from '../pulls/index.js';
import type { RunnerResolved, RunnerSettings } from './settings.js';

/** The kinds whose results are read here, or what they bore. */
export type RunnerAfter = readonly [typeof pulls, typeof hinges, typeof pins];
/** What is known of a cabinet here. */
export type RunnerContext = FitContextFor<RunnerSettings, RunnerAfter>;
/** What is asked of a cabinet for things that run out of rooms behind doors, whoever fits them. */
export type BehindContext = FitContext<RunnerResolved, ResultsOf<readonly [typeof hinges]>>;
