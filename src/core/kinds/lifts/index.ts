import type { Kind } from '../../cabinet/index.js';
import { byPart } from '../byPart.js';
import { pulls } from '../pulls/index.js';
import type { LiftAfter } from './context.js';
import { liftFill } from './fills.js';
import { type FittedLift, placeLifts } from './lifts.js';
import { type LiftProfile, liftCatalogue, liftProfileSchema } from './profile.js';
import { liftRules } from './rules.js';
import { type LiftSettings, liftSettings } from './settings.js';

/** Arms with springs for fronts that lift. */
export const lifts: Kind<'lifts', LiftSettings, LiftProfile, readonly FittedLift[], LiftAfter> = {
  id: 'lifts',
  label: 'Lifts',
  // What it lifts is the front with its pull.
  after: [pulls],
  settings: liftSettings,
  slice: { fills: [liftFill] },
  library: {
    schema: liftProfileSchema,
    catalogue: liftCatalogue,
    since: 9,
    one: 'lift',
    columns: [
      { title: 'Lift factor', numeric: true, show: ({ factor }) => `${factor.from} to ${factor.to}` },
      { title: 'Opens', numeric: true, show: ({ opening }) => `${opening}°` },
    ],
  },
  fit(context, profiles) {
    const made = placeLifts(context, profiles);
    const operations = byPart(made.flatMap((each) => each.operations));
    const bought = made.flatMap(({ fitted: { profile } }) => (profile ? [profile] : []));
    return {
      fitted: made.map(({ fitted }) => fitted),
      operations,
      occupied: made.flatMap(({ occupied }) => occupied),
      motions: made.flatMap(({ motion }) => motion ?? []),
      buy: [...new Set(bought)].map((profile) => ({
        name: `Lift, pair: ${profile.name}`,
        quantity: bought.filter((each) => each === profile).length,
        note: profile.maker,
      })),
    };
  },
  rules: liftRules,
  // Small ones first, until one is as heavy as its springs want.
  trials: () =>
    [300, 360, 420, 500, 600].flatMap((height) =>
      [400, 600, 800, 1000].map((width) => ({
        width,
        height,
        depth: 300,
        settings: { pulls: { doors: 'none' } },
        fills: [{ kind: 'lift' as const }],
      })),
    ),
  uses: (fitted, id) => fitted.some(({ profile }) => profile?.id === id),
  panels: (fitted, { front }) =>
    fitted
      .filter((lift) => lift.front === front)
      .map((lift) => {
        const { profile, factor, side, onFront, against } = lift;
        return {
          label: 'What lifts this front',
          title: 'What lifts it',
          taken: profile ? profile.name : 'No lift in the library holds it',
          ...(profile ? { about: `${profile.maker}, factors ${profile.factor.from} to ${profile.factor.to}` } : {}),
          rows: [
            { name: 'Lift factor', dim: factor },
            { name: 'On the case, behind its front edge', dim: side?.back },
            { name: 'On the case, below the upper edge', dim: side?.down },
            { name: 'On the front, from its side edges', dim: onFront?.across },
            { name: 'On the front, below its upper edge', dim: onFront?.down },
          ],
          against,
          note: 'Springs are under tension: the lift maker’s own instructions go before these figures.',
          of: lift,
        };
      }),
  present: (fitted, size) =>
    fitted.map(({ front, opening, factor, profile, against, side, onFront, carried }) => ({
      front,
      opening,
      factor: size(factor),
      ...(profile ? { profile: profile.id } : {}),
      against: against.map(({ profile: id, why }) => ({ profile: id, why })),
      ...(side ? { onCase: { back: size(side.back), down: size(side.down) } } : {}),
      ...(onFront ? { onFront: { across: size(onFront.across), down: size(onFront.down) } } : {}),
      carried,
    })),
};

export type { FittedLift } from './lifts.js';
