import type { Kind } from '../../cabinet/index.js';
import { formatMm } from '../../ground/index.js';
import { byPart } from '../byPart.js';
import { hanging } from '../hanging/index.js';
import { hinges } from '../hinges/index.js';
import { pins } from '../pins/index.js';
import { runners } from '../runners/index.js';
import type { HangerAfter } from './context.js';
import { type FittedHangers, hangUp } from './hangers.js';
import { type HangerProfile, hangerCatalogue, hangerProfileSchema } from './profile.js';
import { hangerRules } from './rules.js';
import { type HangerSettings, hangerSettings } from './settings.js';

/** Hangers a wall cabinet is hooked on by. */
export const hangers: Kind<'hangers', HangerSettings, HangerProfile, FittedHangers | null, HangerAfter> = {
  id: 'hangers',
  label: 'Wall hangers',
  // They carry what is in the drawers as well.
  after: [hinges, pins, runners, hanging],
  settings: hangerSettings,
  library: {
    schema: hangerProfileSchema,
    catalogue: hangerCatalogue,
    since: 11,
    one: 'wall hanger',
    columns: [
      { title: 'Carries', numeric: true, show: ({ load }) => `${load} kg each` },
      {
        title: 'Below top, before back',
        numeric: true,
        show: ({ down, beforeBack }) => `${formatMm(down)}, ${formatMm(beforeBack)}`,
      },
      {
        title: 'Adjusts',
        numeric: true,
        show: ({ adjust }) => `${formatMm(adjust.height)}, ${formatMm(adjust.depth)}`,
      },
    ],
  },
  fit(context, profiles) {
    const made = hangUp(context, profiles);
    if (!made) return { fitted: null };
    const operations = byPart(made.operations);
    const { profile, carriers } = made.fitted;
    return {
      fitted: made.fitted,
      operations,
      occupied: made.occupied,
      hung: profile !== undefined,
      buy: profile
        ? [
            {
              name: `Wall hanger: ${profile.name}`,
              quantity: carriers.length,
              note: `${profile.maker}; left and right`,
            },
            {
              name: 'Wall plate for a hanger',
              quantity: carriers.length,
              note: 'into structure, fixings rated for the load',
            },
          ]
        : [],
    };
  },
  rules: hangerRules,
  present: (fitted, size) =>
    fitted
      ? {
          weight: size(fitted.weight),
          contents: size(fitted.contents),
          ...(fitted.profile ? { profile: fitted.profile.id } : {}),
          against: fitted.against.map(({ profile, why }) => ({ profile, why })),
          wanted: fitted.wanted,
          carriers: fitted.carriers,
          ...(fitted.up && fitted.behind ? { up: size(fitted.up), behind: size(fitted.behind) } : {}),
        }
      : undefined,
};
