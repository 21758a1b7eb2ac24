import type { RunnerResolved } from '../settings.js';
import { butt } from './butt.js';
import type { Corner } from './corner.js';
import { dovetailed } from './dovetails.js';
import { dowels } from './dowels.js';
import { lapped } from './lapped.js';
import { rabbet } from './rabbet.js';

/** Every way of joining the corners of a box. A new one is a file and a line here. */
export const corners = {
  butt,
  dowels,
  lapped,
  rabbet,
  halfblind: dovetailed(true),
  through: dovetailed(false),
} as const satisfies Record<RunnerResolved['settings']['drawers']['corner']['value'], Corner>;

export { bottomGroove } from './bottomGroove.js';
export { type Corner, type CornerContext, HANDS } from './corner.js';
export { lapOf } from './dovetails.js';
export { BOX_CORNERS, fastenerHeights, screwsThrough, screwWay } from './fasteners.js';
