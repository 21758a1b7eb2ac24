import type { School } from './school.js';

/** Overlay fronts on a box of sheet: what the house starts from, so it brings nothing of its own. */
export const frameless = {
  label: 'frameless',
  trade: 'More room inside, fewer parts, thin even reveals.',
  standards: { metric: {}, inch: {} },
} as const satisfies School;
