import { inches } from '../../../ground/index.js';
import type { School } from './school.js';

/**
 * Overlay fronts on a box of sheet: what the house starts from. Of its own it brings the width of the strip that meets a
 * wall, wide enough to be ripped safely and for a pull to swing past.
 */
export const frameless = {
  label: 'frameless',
  trade: 'More room inside, fewer parts, thin even reveals.',
  standards: { metric: { ends: { scribe: 40 } }, inch: { ends: { scribe: inches(1 + 3 / 4) } } },
} as const satisfies School;
