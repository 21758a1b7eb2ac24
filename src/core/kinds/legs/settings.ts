import { length, name, type ResolvedWith, section, type ValuesOf } from '../../decisions/index.js';
import { inches } from '../../ground/index.js';

const ON_LEGS = { 'toe/kind': 'legs' } as const;

export const legSettings = section('Legs', {
  legs: {
    choice: name('leg decided', {
      from: 'legs',
      metric: 'none',
      since: 10,
      when: ON_LEGS,
      trade: 'None leaves it to the rules: one in stock that is as high as the toe, and needs the fewest.',
    }),
    inset: length('middle of a leg from the ends and the rear', {
      min: 30,
      max: 400,
      metric: 65,
      inch: inches(2.5),
      since: 10,
      when: ON_LEGS,
    }),
  },
});

export type LegSettings = (typeof legSettings)['settings'];
/** A cabinet's settings with these among them. */
export type LegResolved = ResolvedWith<ValuesOf<LegSettings>>;
