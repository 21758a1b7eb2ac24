import { inches } from '../../ground/index.js';
import { choice, length, not, section } from './declare.js';

export const toe = section('Toe', {
  toe: {
    kind: choice(
      'toe',
      {
        none: 'none',
        plinth: 'separate plinth',
        notched: 'notched sides',
        legs: 'legs',
        standing: 'sides stand on the floor',
      },
      {
        metric: 'none',
        when: { 'cabinet/kind': ['base', 'tall'] },
        trade: 'A plinth is levelled on its own. Notched sides make toe and box one piece. Legs adjust after setting.',
      },
    ),
    board: choice(
      'toe board',
      { over: 'over the sides', between: 'between the sides' },
      { metric: 'over', when: { 'toe/kind': 'notched' } },
    ),
    height: length('toe height', { max: 400, metric: 100, inch: inches(4 + 1 / 2), when: { 'toe/kind': not('none') } }),
    setback: length('toe setback', {
      max: 300,
      metric: 50,
      inch: inches(3),
      when: { 'toe/kind': ['plinth', 'notched', 'legs'] },
    }),
    rearSetback: length('plinth rear setback', {
      max: 300,
      metric: 30,
      inch: inches(1 + 1 / 2),
      when: { 'toe/kind': 'plinth' },
    }),
  },
});
