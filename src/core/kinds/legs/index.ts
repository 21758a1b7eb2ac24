import type { Kind } from '../../cabinet/index.js';
import { formatMm } from '../../ground/index.js';
import { runners } from '../runners/index.js';
import type { LegAfter } from './context.js';
import { type FittedLegs, standOnLegs } from './legs.js';
import { type LegProfile, legCatalogue, legProfileSchema } from './profile.js';
import { legRules } from './rules.js';
import { type LegSettings, legSettings } from './settings.js';

/** Legs under a box: how many, where, bored in its bottom. */
export const legs: Kind<'legs', LegSettings, LegProfile, FittedLegs | null, LegAfter> = {
  id: 'legs',
  label: 'Legs',
  // They carry what is in the drawers as well.
  after: [runners],
  settings: legSettings,
  library: {
    schema: legProfileSchema,
    catalogue: legCatalogue,
    since: 10,
    one: 'leg',
    columns: [
      { title: 'Height', numeric: true, show: ({ height }) => `${formatMm(height.from)} to ${formatMm(height.to)}` },
      { title: 'Carries', numeric: true, show: ({ load }) => `${load} kg` },
      { title: 'Plate', numeric: true, show: ({ plate }) => formatMm(plate.across) },
    ],
  },
  fit(context, profiles) {
    const made = standOnLegs(context, profiles);
    if (!made) return { fitted: null };
    const { profile, pairs } = made.legs;
    return {
      fitted: made.legs,
      operations: new Map([['bottom', made.operations]]),
      occupied: made.occupied,
      buy: [
        ...(profile ? [{ name: `Leg: ${profile.name}`, quantity: 2 * pairs, note: profile.maker }] : []),
        { name: 'Toe clip', quantity: pairs, note: 'one on each front leg; the board is pressed on' },
      ],
    };
  },
  rules: legRules,
  panels: (fitted, { key }) =>
    fitted && key === 'bottom'
      ? [
          {
            label: 'Legs under this box',
            title: 'Legs under it',
            taken: fitted.profile ? `${2 * fitted.pairs} of ${fitted.profile.name}` : 'No leg of the library fits',
            ...(fitted.profile ? { about: `${fitted.profile.maker}, each carries ${fitted.profile.load} kg` } : {}),
            rows: [
              { name: 'The box weighs', dim: fitted.weight },
              { name: 'What may be put in', dim: fitted.contents },
              { name: 'Front legs from the front edge', dim: fitted.front },
              { name: 'Rear legs from the front edge', dim: fitted.rear },
              ...fitted.across.map((dim, at) => ({ name: `Pair ${at + 1} from the left`, dim })),
            ],
            against: fitted.against.filter(({ unasked }) => !unasked),
            of: fitted,
          },
        ]
      : [],
  present: (fitted, size) =>
    fitted
      ? {
          weight: size(fitted.weight),
          contents: size(fitted.contents),
          ...(fitted.profile ? { profile: fitted.profile.id } : {}),
          against: fitted.against.map(({ profile, why }) => ({ profile, why })),
          pairs: fitted.pairs,
          byWidth: fitted.byWidth,
          byLoad: fitted.byLoad,
          across: fitted.across.map(size),
          ...(fitted.front && fitted.rear ? { front: size(fitted.front), rear: size(fitted.rear) } : {}),
        }
      : undefined,
};
