import { inches } from '../../ground/index.js';
import { choice, length, section } from './declare.js';
import { SCHOOL_LABELS } from './schools/index.js';

export const construction = section(
  'Construction',
  {
    school: choice('construction', SCHOOL_LABELS, { metric: 'frameless' }),
    depth: {
      means: choice(
        'overall depth runs to',
        { carcass: 'the front of carcass or frame', fronts: 'the face of the fronts' },
        { metric: 'fronts' },
      ),
      bumper: length('bumper gap behind the fronts', { max: 20, metric: 2, inch: inches(0) }),
    },
    worktop: { thickness: length('worktop thickness', { max: 200, metric: 40, inch: inches(1 + 1 / 2) }) },
  },
  { elsewhere: true },
);
