import type { Kind } from '../../cabinet/index.js';
import { formatMm } from '../../ground/index.js';
import { byPart } from '../byPart.js';
import type { GrommetAfter } from './context.js';
import { type FittedGrommet, fitGrommets, grommetsToBuy } from './grommets.js';
import { grommetList, SINCE } from './list.js';
import { grommetPanels } from './panel.js';
import { type GrommetProfile, grommetCatalogue, grommetProfileSchema } from './profile.js';
import { grommetRules } from './rules.js';
import { type GrommetSettings, grommetSettings } from './settings.js';

/** Lined holes for cables, where the maker wants them. */
export const grommets: Kind<'grommets', GrommetSettings, GrommetProfile, readonly FittedGrommet[], GrommetAfter> = {
  id: 'grommets',
  label: 'Cable grommets',
  settings: grommetSettings,
  slice: { lists: [grommetList] },
  library: {
    schema: grommetProfileSchema,
    catalogue: grommetCatalogue,
    since: SINCE,
    one: 'cable grommet',
    columns: [
      { title: 'Hole', numeric: true, show: ({ hole }) => formatMm(hole) },
      { title: 'Rim', numeric: true, show: ({ rim }) => formatMm(rim) },
      {
        title: 'Thickness',
        numeric: true,
        show: ({ thickness }) => `${formatMm(thickness.from)} to ${formatMm(thickness.to)}`,
      },
    ],
  },
  fit(context, profiles) {
    const made = fitGrommets(context, profiles);
    const fitted = made.map((each) => each.fitted);
    return {
      fitted,
      operations: byPart(made.flatMap(({ operations }) => operations)),
      occupied: made.flatMap(({ occupied }) => occupied),
      buy: grommetsToBuy(fitted),
    };
  },
  rules: grommetRules,
  panels: grommetPanels,
  uses: (fitted, id) => fitted.some(({ profile }) => profile?.id === id),
  present: (fitted, size) =>
    fitted.map(({ id, decided, profile, part, middle }) => ({
      id,
      part: part?.key ?? decided.part,
      ...(profile ? { profile: profile.id } : {}),
      ...Object.fromEntries(middle.map(({ field, dim }) => [field, size(dim)])),
    })),
};
