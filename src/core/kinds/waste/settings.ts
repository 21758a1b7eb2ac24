import { name, type ResolvedWith, section, type ValuesOf } from '../../decisions/index.js';

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

export type WasteSettings = (typeof wasteSettings)['settings'];
/** A cabinet's settings with these among them. */
export type WasteResolved = ResolvedWith<ValuesOf<WasteSettings>>;
