import { name, section } from '../../job/index.js';

export const wasteSettings = section('Bin pull-outs', {
  waste: {
    choice: name('bins decided', {
      from: 'waste',
      metric: 'none',
      since: 11,
      trade: 'None leaves it to the rules: of those in stock that fit, the one that holds most.',
    }),
  },
});
