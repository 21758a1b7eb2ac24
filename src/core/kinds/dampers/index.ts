import type { Kind } from '../../cabinet/index.js';
import { formatMm } from '../../ground/index.js';
import { byPart } from '../byPart.js';
import { catches } from '../catches/index.js';
import { hinges } from '../hinges/index.js';
import { hiddenPlates } from '../plates.js';
import type { DamperAfter } from './context.js';
import { dampersToBuy, type PlacedDamper, placeDampers, spaceOfDampers } from './dampers.js';
import { type DamperProfile, damperCatalogue, damperProfileSchema } from './profile.js';
import { damperRules } from './rules.js';
import { type DamperSettings, damperSettings } from './settings.js';

/** Dampers that slow doors just before they are shut, for hinges that have none. */
export const dampers: Kind<'dampers', DamperSettings, DamperProfile, readonly PlacedDamper[], DamperAfter> = {
  id: 'dampers',
  label: 'Dampers',
  // They stand beside the catches of a pair, and know what closes their doors.
  after: [hinges, catches],
  settings: damperSettings,
  library: {
    schema: damperProfileSchema,
    catalogue: damperCatalogue,
    since: 16,
    one: 'damper',
    columns: [
      { title: 'Doors up to', numeric: true, show: ({ door }) => `${door} kg` },
      { title: 'Set back', numeric: true, show: ({ setback }) => formatMm(setback) },
      { title: 'Screws apart', numeric: true, show: ({ centres }) => formatMm(centres) },
    ],
  },
  fit(context, profiles) {
    const made = placeDampers(context, profiles);
    const fitted = made.map(({ placed }) => placed);
    return {
      fitted,
      operations: byPart(made.flatMap(({ operations }) => operations)),
      buy: dampersToBuy(fitted),
      occupied: spaceOfDampers(fitted),
    };
  },
  rules: damperRules,
  symbols: hiddenPlates,
  panels: (fitted, { front }) =>
    fitted
      .filter(({ frontKey }) => frontKey === front)
      .map((damper) => ({
        label: 'Damper of this door',
        title: 'Damper',
        taken: damper.profile.name,
        about: `${damper.profile.maker}, doors up to ${damper.profile.door} kg`,
        rows: [
          { name: 'From the edge where the door opens', dim: damper.fromLatch },
          { name: 'From the left face of the box', dim: damper.across },
        ],
        note: 'The damper maker’s own sheet always wins over these figures.',
        of: damper,
      })),
  present: (fitted, size) =>
    fitted.map(({ frontKey, profile, carrier, across, fromLatch }) => ({
      front: frontKey,
      profile: profile.id,
      carrier: carrier ?? null,
      across: size(across),
      fromLatch: size(fromLatch),
    })),
};
