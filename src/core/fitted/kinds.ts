import { bottles } from './bottles/index.js';
import { catches } from './catches/index.js';
import { hangers } from './hangers/index.js';
import { hanging } from './hanging/index.js';
import { hinges } from './hinges/index.js';
import { legs } from './legs/index.js';
import { lifts } from './lifts/index.js';
import { pins } from './pins/index.js';
import { pulls } from './pulls/index.js';
import { runners } from './runners/index.js';
import { waste } from './waste/index.js';

/** Everything that is bought and fitted, in working order. A new kind is a folder and one line here. */
export const kinds = [hinges, pulls, catches, lifts, pins, runners, waste, bottles, hanging, legs, hangers] as const;
