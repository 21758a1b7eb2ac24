import type { Kind } from '../../cabinet/index.js';
import { formatMm } from '../../ground/index.js';
import { byPart } from '../byPart.js';
import { hinges } from '../hinges/index.js';
import { runners } from '../runners/index.js';
import { type FittedBins, fitBins } from './bins.js';
import type { WasteAfter } from './context.js';
import { binFront, binRoom } from './fills.js';
import { type WasteProfile, wasteCatalogue, wasteProfileSchema } from './profile.js';
import { wasteRules } from './rules.js';
import { type WasteSettings, wasteSettings } from './settings.js';

/** Bins that come out with their front. */
export const waste: Kind<'waste', WasteSettings, WasteProfile, readonly FittedBins[], WasteAfter> = {
  id: 'waste',
  label: 'Bin pull-outs',
  // Behind doors they stand clear of them, on spacers as drawers do.
  after: [hinges, runners],
  settings: wasteSettings,
  slice: { fills: [binFront, binRoom] },
  library: {
    schema: wasteProfileSchema,
    catalogue: wasteCatalogue,
    since: 11,
    one: 'bin pull-out',
    columns: [
      { title: 'Openings', numeric: true, show: ({ width }) => `${formatMm(width.from)} to ${formatMm(width.to)}` },
      { title: 'Height, depth', numeric: true, show: ({ height, depth }) => `${formatMm(height)}, ${formatMm(depth)}` },
      { title: 'Holds', numeric: true, show: ({ bins, litres }) => `${bins}, ${litres} l in all` },
      { title: 'Carries', numeric: true, show: ({ load }) => `${load} kg` },
    ],
  },
  fit(context, profiles) {
    const made = fitBins(context, profiles);
    const operations = byPart(made.flatMap((each) => each.operations));
    const bought = made.flatMap(({ fitted: { profile } }) => (profile ? [profile] : []));
    return {
      fitted: made.map(({ fitted }) => fitted),
      parts: made.flatMap(({ parts }) => parts),
      operations,
      occupied: made.flatMap(({ occupied }) => occupied),
      motions: made.flatMap(({ fitted: { profile, opening, name, front } }) =>
        profile
          ? [
              {
                kind: 'slide' as const,
                by: 'waste',
                of: opening,
                name,
                ...(front ? { front } : {}),
                parts: [],
                travel: profile.travel,
              },
            ]
          : [],
      ),
      buy: [...new Set(bought)].map((profile) => ({
        name: `Bin pull-out: ${profile.name}`,
        quantity: bought.filter((each) => each === profile).length,
        note: profile.maker,
      })),
    };
  },
  rules: wasteRules,
  trials: ({ width, height, depth }) => [
    {
      width: Math.ceil((width.from + width.to) / 2 + 40),
      height: height + 80,
      depth: depth + 60,
      settings: { waste: { choice: 'none' } },
      fills: [{ kind: 'waste' }],
    },
  ],
  uses: (fitted, id) => fitted.some(({ profile }) => profile?.id === id),
  panels: (fitted, { front, opening }) =>
    fitted
      .filter((bins) => (bins.front ? bins.front === front : bins.opening === opening))
      .map((bins) => {
        const { profile, across, up, depth, onFront, against } = bins;
        return {
          label: bins.front ? 'Bins behind this front' : 'Bins in this room',
          title: bins.front ? 'Bins behind it' : 'Bins in it',
          taken: profile ? profile.name : 'No bins in the library fit',
          ...(profile ? { about: `${profile.maker}, carries ${profile.load} kg` } : {}),
          rows: [
            { name: 'Clear width', dim: across },
            { name: 'Clear height', dim: up },
            { name: 'Clear depth', dim: depth },
            { name: 'Brackets from the left edge of the front', dim: onFront?.left },
            { name: 'Brackets from the right edge', dim: onFront?.right },
            { name: 'Lower screw above its lower edge', dim: onFront?.lower },
          ],
          against,
          note: 'The bin maker’s own sheet always wins over these figures.',
          of: bins,
        };
      }),
  present: (fitted, size) =>
    fitted.map(({ front, opening, across, up, depth, profile, against, onFront, overlay, carried }) => ({
      opening,
      ...(front ? { front } : {}),
      across: size(across),
      up: size(up),
      depth: size(depth),
      ...(profile ? { profile: profile.id } : {}),
      against: against.map(({ profile: id, why }) => ({ profile: id, why })),
      ...(onFront
        ? { onFront: { left: size(onFront.left), right: size(onFront.right), lower: size(onFront.lower) } }
        : {}),
      ...(overlay
        ? {
            overlay: {
              left: size(overlay.left),
              right: size(overlay.right),
              lower: size(overlay.lower),
              upper: size(overlay.upper),
            },
          }
        : {}),
      carried,
    })),
};

export type { FittedBins } from './bins.js';
