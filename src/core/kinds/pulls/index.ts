import type { Kind } from '../../cabinet/index.js';
import { formatMm } from '../../ground/index.js';
import { pullCatalogue } from './catalogue.js';
import { type PullProfile, pullProfileSchema } from './profile.js';
import { borePulls, type PlacedPull, placePulls, pullsToBuy, spaceOfPulls } from './pulls.js';
import { pullRules } from './rules.js';
import { type PullSettings, pullSettings } from './settings.js';
import { pullSymbols } from './symbols.js';

/** Pulls and knobs: placed on doors and drawer fronts, bored through whatever of the front lies there. */
export const pulls: Kind<'pulls', PullSettings, PullProfile, readonly PlacedPull[]> = {
  id: 'pulls',
  label: 'Pulls and knobs',
  settings: pullSettings,
  library: {
    schema: pullProfileSchema,
    catalogue: pullCatalogue,
    since: 3,
    one: 'pull',
    columns: [
      {
        title: 'Holes apart',
        numeric: true,
        show: ({ centres }) => (centres === 0 ? 'one hole' : formatMm(centres)),
      },
      { title: 'Stands off', numeric: true, show: ({ projection }) => formatMm(projection) },
      { title: 'Hole', numeric: true, show: ({ hole }) => formatMm(hole) },
      { title: 'Weight, kg', numeric: true, show: ({ weight }) => weight.toFixed(2) },
    ],
  },
  fit(context, profiles) {
    const fitted = placePulls(context, profiles);
    return {
      fitted,
      operations: borePulls(fitted, context.fronts),
      buy: pullsToBuy(fitted),
      occupied: spaceOfPulls(fitted, context.fronts),
    };
  },
  rules: pullRules,
  symbols: (fitted) => fitted.map(pullSymbols),
  present: (fitted, size) =>
    fitted.map(({ frontKey, profile, upright, holes }) => ({
      front: frontKey,
      profile: profile.id,
      upright,
      holes: holes.map(({ across, up }) => ({ across: size(across), up: size(up) })),
    })),
};

export type { PullProfile } from './profile.js';
export type { PlacedPull } from './pulls.js';
