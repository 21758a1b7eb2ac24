import { choice, type ResolvedWith, section, type ValuesOf } from '../../decisions/index.js';
import { families } from './families/index.js';
import { hingeFigures } from './figures.js';
import type { HingeProfile } from './profile.js';

const familyOptions = Object.fromEntries(families.map(({ id, option }) => [id, option])) as Record<
  HingeProfile['family'],
  string
>;

export const hingeSettings = section('Hinges', {
  hinges: {
    family: choice(
      'hinges',
      { any: 'whatever the library has', ...familyOptions, none: 'not figured here' },
      {
        metric: 'any',
        trade:
          'Concealed hinges adjust and vanish. Butts show a knuckle, want accurate fitting and last for ever; without a mortise they set the gap themselves.',
      },
    ),
    ...hingeFigures,
  },
});

export type HingeSettings = (typeof hingeSettings)['settings'];
/** A cabinet's settings with these among them. */
export type HingeResolved = ResolvedWith<ValuesOf<HingeSettings>>;
