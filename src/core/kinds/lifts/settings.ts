import { name, type ResolvedWith, section, type ValuesOf } from '../../decisions/index.js';

export const liftSettings = section('Lift-up fronts', {
  lifts: {
    choice: name('lift decided', {
      from: 'lifts',
      metric: 'none',
      since: 9,
      trade: 'None leaves it to the rules: the one in stock whose range has the lift factor nearest to its middle.',
    }),
  },
});

export type LiftSettings = (typeof liftSettings)['settings'];
/** A cabinet's settings with these among them. */
export type LiftResolved = ResolvedWith<ValuesOf<LiftSettings>>;
