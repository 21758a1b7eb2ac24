import { ProjectionSheet } from '../ProjectionSheet.js';
import type { View } from './view.js';

/** Front, section and plan in projection: what a maker works on. */
export const all: View<'all'> = { id: 'all', label: 'All', key: 'a', Sheet: ProjectionSheet };
