import { inches } from '../../ground/index.js';
import { choice, length, not, section } from './declare.js';

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
    undersides: choice(
      'lower edges of the sides of a wall cabinet',
      { none: 'bare', banded: 'banded' },
      { metric: 'none', since: 8, trade: 'They are seen from below; banded, each side is cut shorter by the band.' },
    ),
    endEdges: choice(
      'bands on end panels',
      { front: 'front edge', all: 'all four edges', none: 'none' },
      {
        metric: 'front',
        since: 8,
        before: 'none',
        when: [{ 'ends/leftPanel': 'applied' }, { 'ends/rightPanel': 'applied' }],
      },
    ),
    fillerEdges: choice(
      'bands on fillers',
      { front: 'the edge beside the fronts', none: 'none' },
      { metric: 'front', since: 8, before: 'none', when: { 'ends/filler': 'strip' } },
    ),
    preMilling: length('milled off before banding, each banded edge', {
      max: 5,
      metric: 0,
      since: 8,
      trade: 'A bander that mills the edge first wants the part cut larger by what it takes.',
    }),
  },
});
