import { inches } from '../../units/index.js';
import { choice, length, not, section } from '../declare.js';

export const banding = section('Banding', {
  banding: {
    frontEdges: choice('bands on fronts', { all: 'all four edges', none: 'none' }, { metric: 'all' }),
    frontThickness: length('front band thickness', {
      max: 10,
      metric: 1,
      inch: inches(1 / 32),
      when: { 'banding/frontEdges': not('none') },
    }),
    caseEdges: choice('bands on the case', { front: 'front edges', none: 'none' }, { metric: 'front' }),
    caseThickness: length('case band thickness', {
      max: 10,
      metric: 0.5,
      inch: inches(1 / 64),
      when: { 'banding/caseEdges': not('none') },
    }),
  },
});
