import { name, section } from '../../job/index.js';

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
