import { inches } from '../../ground/index.js';
import { choice, length, not, section } from './declare.js';

const LIPPED = { 'fronts/fit': 'lipped' } as const;
const REVEALED = { 'frame/fitted': 'none', 'fronts/fit': 'overlay' } as const;

export const fronts = section('Fronts, reveals and gaps', {
  fronts: {
    fit: choice(
      'fronts lie',
      { overlay: 'over the case', inset: 'in the opening', lipped: 'lipped over it' },
      {
        metric: 'overlay',
        trade:
          'Overlay is forgiving and hides the case edge. Inset shows every gap and needs a stop. A lip hides the gap but is one more cut on every front.',
      },
    ),
    stops: choice(
      'stops for inset fronts',
      { fitted: 'fitted', none: 'none' },
      { metric: 'fitted', when: { 'fronts/fit': 'inset' } },
    ),
    lip: length('lip over the opening', { max: 40, metric: 7, inch: inches(5 / 16), when: LIPPED }),
    rebateWidth: length('rebate width on the front', { max: 60, metric: 10, inch: inches(3 / 8), when: LIPPED }),
    rebateDepth: length('rebate depth on the front', { max: 40, metric: 9, inch: inches(5 / 16), when: LIPPED }),
    lay: choice(
      'the face is divided by',
      { fronts: 'fronts first', openings: 'openings first' },
      {
        metric: 'fronts',
        trade:
          'Fronts first: sizes are faces and dividers go behind the gaps. Openings first: sizes are clear openings and faces follow.',
      },
    ),
    gap: length('gap between fronts', { max: 50, metric: 3, inch: inches(1 / 8) }),
    atNeighbour: choice(
      'reveal beside a neighbour',
      { own: 'its own reveal', half: 'half the gap' },
      {
        metric: 'own',
        trade:
          'Half the gap makes the fronts of a run look as if one box carried them all. Its own reveal keeps every box the same wherever it ends up.',
        when: REVEALED,
      },
    ),
    reveal: {
      left: length('left reveal', { max: 100, metric: 1.5, inch: inches(1 / 16), when: REVEALED }),
      right: length('right reveal', { max: 100, metric: 1.5, inch: inches(1 / 16), when: REVEALED }),
      top: length('top reveal', { max: 100, metric: 1.5, inch: inches(1 / 16), when: REVEALED }),
      bottom: length('bottom reveal', { max: 100, metric: 1.5, inch: inches(1 / 16), when: REVEALED }),
    },
    doorGrain: choice('door grain', { up: 'upright', across: 'across' }, { metric: 'up' }),
    drawerGrain: choice(
      'drawer front grain',
      { up: 'upright', across: 'across' },
      { metric: 'across', when: { 'fronts/grainRuns': 'none' } },
    ),
    grainRuns: choice(
      'grain runs on from front to front',
      { none: 'no', columns: 'up each column', rows: 'along each row', face: 'over the whole face' },
      {
        metric: 'none',
        trade:
          'Fronts of a group come out of one blank in the order in which they hang, all with the grain of the doors.',
      },
    ),
    sawCut: length('saw cut between fronts of one blank', {
      max: 12,
      metric: 4,
      inch: inches(5 / 32),
      when: { 'fronts/grainRuns': not('none') },
    }),
  },
  dividers: {
    betweenFronts: choice(
      'behind a gap between fronts',
      { stretcher: 'a flat stretcher', shelf: 'a fixed shelf', web: 'a web frame', none: 'nothing' },
      { metric: 'stretcher' },
    ),
    atOpenBay: choice(
      'beside an open bay',
      { stretcher: 'a flat stretcher', shelf: 'a fixed shelf', web: 'a web frame', none: 'nothing' },
      { metric: 'shelf' },
    ),
    partitions: choice('between columns', { partition: 'a partition', none: 'nothing' }, { metric: 'partition' }),
  },
});
