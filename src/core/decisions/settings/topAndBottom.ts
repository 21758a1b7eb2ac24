import { inches } from '../../ground/index.js';
import { choice, length, section } from './declare.js';

export const topAndBottom = section('Top and bottom', {
  top: {
    kind: choice(
      'top',
      {
        full: 'full panel',
        stretchers: 'two flat stretchers',
        uprightRear: 'flat front, upright rear stretcher',
        uprightFront: 'upright front stretcher, for a sink',
        web: 'web frame',
        none: 'none, fitted on site',
      },
      {
        metric: 'full',
        trade:
          'A full panel is stiffest and shows. Stretchers save sheet and leave room to screw the worktop from below. A web frame lets a solid top move.',
      },
    ),
    place: choice(
      'full top',
      { between: 'between the sides', over: 'over the sides' },
      { metric: 'between', when: { 'top/kind': 'full' } },
    ),
    recess: length('top set down by', { max: 300, metric: 0 }),
    stretcherWidth: length('stretcher width', { min: 20, max: 400, metric: 100, inch: inches(4) }),
  },
  bottom: {
    place: choice(
      'bottom',
      { between: 'between the sides', under: 'under the sides' },
      {
        metric: 'between',
        trade:
          'Between: load in shear, end grain hidden. Under: quick to square, but only where plinth or floor carries the bottom.',
      },
    ),
  },
});
