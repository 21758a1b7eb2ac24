import type { Kind } from '../../cabinet/index.js';
import { formatMm, gather } from '../../ground/index.js';
import { hiddenPlates } from '../plates.js';
import { catchesToBuy, type PlacedCatch, placeCatches, spaceOfCatches } from './catches.js';
import { type CatchProfile, catchCatalogue, catchProfileSchema } from './profile.js';
import { catchRules } from './rules.js';
import { type CatchSettings, catchSettings } from './settings.js';

/** Magnetic catches for doors that do not hold themselves shut. */
export const catches: Kind<'catches', CatchSettings, CatchProfile, readonly PlacedCatch[]> = {
  id: 'catches',
  label: 'Catches',
  settings: catchSettings,
  library: {
    schema: catchProfileSchema,
    catalogue: catchCatalogue,
    since: 5,
    one: 'catch',
    columns: [
      { title: 'Screws apart', numeric: true, show: ({ centres }) => formatMm(centres) },
      { title: 'Set back', numeric: true, show: ({ setback }) => formatMm(setback) },
      { title: 'Stands out', numeric: true, show: ({ body }) => formatMm(body.out) },
    ],
  },
  fit(context, profiles) {
    const placed = placeCatches(context, profiles);
    const fitted = placed.map((each) => each.placed);
    const all = placed.flatMap(({ operations }) => operations);
    return {
      fitted,
      operations: new Map(
        context.parts.flatMap(({ key }) => {
          const own = gather(all, ([part, operation]) => (part === key ? [operation] : []));
          return own.length > 0 ? [[key, own] as const] : [];
        }),
      ),
      buy: catchesToBuy(fitted),
      occupied: spaceOfCatches(fitted),
    };
  },
  rules: catchRules,
  symbols: hiddenPlates,
  present: (fitted, size) =>
    fitted.map(({ frontKey, profile, carrier, up, across }) => ({
      front: frontKey,
      profile: profile.id,
      carrier: carrier ?? null,
      up: size(up),
      across: size(across),
    })),
};
