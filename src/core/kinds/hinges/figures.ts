import { choice, degrees, length, name, not, type ResolvedWith, type ValuesOf } from '../../decisions/index.js';
import { inches } from '../../ground/index.js';

const FIGURED = { 'hinges/family': not('none') } as const;

/** What is decided of hinges, whatever their family. */
export const hingeFigures = {
  opening: degrees('doors open at least, degrees', { min: 60, max: 180, metric: 95, when: FIGURED }),
  stopAt: degrees('doors are stopped at, degrees', { min: 60, max: 180, metric: 180, when: FIGURED }),
  closing: choice(
    'doors close',
    { any: 'either way', damped: 'damped', snap: 'with a snap', free: 'free' },
    { metric: 'any', when: FIGURED },
  ),
  endDistance: length('first hinge from the end of the door', {
    min: 40,
    max: 400,
    metric: 100,
    inch: inches(4),
    when: FIGURED,
  }),
  snap: choice(
    'concealed hinges stand',
    { grid: 'on the pin grid', free: 'where they fall' },
    {
      metric: 'grid',
      inch: 'free',
      trade: 'On the grid the plates use the holes that are bored anyway, and never stand in a pin hole by half.',
      when: { 'hinges/family': not('none'), 'pins/kind': 'grid' },
    },
  ),
  leafPlace: choice(
    'butt hinges stand',
    { length: 'their own length from the ends', rails: "in line with the rails' inner edges" },
    { metric: 'length', when: { 'hinges/family': ['any', 'butt', 'noMortise', 'semi'] } },
  ),
  choice: name('hinge chosen', { metric: 'auto', place: 'beside the door it hangs' }),
} as const;

/** A cabinet's settings as a family of hinges knows them. */
export type HingeFigures = ResolvedWith<ValuesOf<{ readonly hinges: typeof hingeFigures }>>['settings'];
