import { length, name, not, type ResolvedWith, section, type ValuesOf } from '../../decisions/index.js';
import { inches } from '../../ground/index.js';

const FITTED = { 'catches/doors': not('none') } as const;

export const catchSettings = section('Catches', {
  catches: {
    doors: name('catch on doors', { from: 'catches', metric: 'none', since: 5 }),
    fromEnd: length('catch from the upper end of the opening', {
      min: 10,
      max: 600,
      metric: 60,
      inch: inches(2.5),
      when: FITTED,
      since: 5,
    }),
    fromEdge: length('catch of a pair from the meeting edge', {
      min: 10,
      max: 300,
      metric: 30,
      inch: inches(1.25),
      when: FITTED,
      since: 5,
    }),
  },
});

export type CatchSettings = (typeof catchSettings)['settings'];
/** A cabinet's settings with these among them. */
export type CatchResolved = ResolvedWith<ValuesOf<CatchSettings>>;
