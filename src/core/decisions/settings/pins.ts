import { inches } from '../../ground/index.js';
import { choice, count, length, not, section } from './declare.js';

const BORED = { 'pins/kind': not('none') } as const;

/** Rows of holes are the construction's, though they are bored with what is fitted. */
export const pinSettings = section('Shelf pin holes', {
  pins: {
    kind: choice(
      'shelf pin holes',
      { grid: '32 mm grid', free: 'free spacing', none: 'none' },
      {
        metric: 'grid',
        inch: 'free',
        trade: 'The grid lets hinge plates, runners and pins share their holes. Free spacing suits a hand jig.',
      },
    ),
    spacing: length('pin holes apart', {
      min: 10,
      max: 200,
      metric: 32,
      inch: inches(1 + 1 / 4),
      when: { 'pins/kind': 'free' },
    }),
    first: length('first hole from the end of the side', {
      min: 4,
      max: 300,
      metric: 9,
      inch: inches(3 / 8),
      when: BORED,
    }),
    from: choice(
      'pin holes are measured from',
      { bottom: 'the lower end', top: 'the upper end' },
      { metric: 'bottom', when: BORED },
    ),
    front: length('front line of holes', { min: 10, max: 300, metric: 37, inch: inches(2 + 1 / 2), when: BORED }),
    rear: choice(
      'rear line of holes',
      { steps: 'whole steps behind the front line', groove: 'a set distance before the back' },
      {
        metric: 'steps',
        inch: 'groove',
        trade:
          'Whole steps keep both lines on one grid for runners. A set distance puts the rear pin equally far from the back in every depth.',
        when: BORED,
      },
    ),
    rearClear: length('rear holes clear of the back by', {
      min: 2,
      max: 200,
      metric: 10,
      inch: inches(3 / 8),
      when: { 'pins/kind': not('none'), 'pins/rear': 'steps' },
    }),
    rearSet: length('rear line before the back', {
      min: 10,
      max: 400,
      metric: 37,
      inch: inches(2),
      when: { 'pins/kind': not('none'), 'pins/rear': 'groove' },
    }),
    column: choice(
      'pin holes are bored',
      { full: 'over the whole opening', around: 'around each shelf' },
      { metric: 'around', when: BORED },
    ),
    around: count('holes above and below each shelf', {
      min: 0,
      max: 12,
      metric: 3,
      when: { 'pins/kind': not('none'), 'pins/column': 'around' },
    }),
    ends: length('pin holes begin from the ends of an opening', {
      max: 400,
      metric: 60,
      inch: inches(2 + 1 / 2),
      when: BORED,
    }),
    diameter: length('pin hole', { min: 2, max: 12, metric: 5, inch: inches(1 / 4), when: BORED }),
    depth: length('pin hole depth', { min: 4, max: 20, metric: 10, inch: inches(3 / 8), when: BORED }),
    leastDepth: length('least pin hole depth', { min: 3, max: 20, metric: 9, inch: inches(5 / 16), when: BORED }),
    opposite: choice(
      'in a partition too thin for pins from both faces',
      { stagger: 'every other hole on each face', through: 'through holes' },
      {
        metric: 'stagger',
        trade:
          'Every other hole halves the choice of heights beside the partition. Through holes take a pin for both sides.',
        when: BORED,
      },
    ),
  },
});
