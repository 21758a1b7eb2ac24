import { inches } from '../../ground/index.js';
import { choice, length, not, section } from './declare.js';

const FRAMED = { 'making/kind': ['stick', 'mitred'] } as const;
const MADE = { 'making/kind': not('slab') } as const;

export const making = section('Making of doors and drawer fronts', {
  making: {
    kind: choice(
      'fronts are made as',
      { slab: 'slabs', stick: 'frames, grooved', mitred: 'frames, mitred', trim: 'slabs with trim' },
      {
        metric: 'slab',
        trade:
          'A slab is one piece. A grooved frame with stub tenons is quick on one cutter. Mitres hide end grain and want loose tenons. Applied trim gives the look of a frame on a slab.',
      },
    ),
    drawers: choice(
      'drawer fronts are',
      { likeDoors: 'made like the doors', slab: 'slabs' },
      { metric: 'likeDoors', when: MADE },
    ),
    stile: length('stile of a front', { min: 15, max: 200, metric: 64, inch: inches(2 + 1 / 2), when: MADE }),
    rail: length('rail of a front', { min: 15, max: 200, metric: 64, inch: inches(2 + 1 / 2), when: MADE }),
    narrowRail: length('narrow rail of a low front', {
      min: 10,
      max: 200,
      metric: 40,
      inch: inches(1 + 1 / 2),
      when: MADE,
    }),
    slabBelow: length('a slab up to this height', { max: 600, metric: 120, inch: inches(4 + 3 / 4), when: MADE }),
    narrowBelow: length('narrow rails up to this height', {
      max: 900,
      metric: 190,
      inch: inches(7 + 1 / 2),
      when: MADE,
    }),
    groove: length('groove in the frame', { min: 3, max: 25, metric: 10, inch: inches(3 / 8), when: FRAMED }),
    grooveFrom: choice(
      'the groove lies',
      { middle: 'in the middle of the thickness', face: 'at a distance from the face' },
      { metric: 'middle', when: FRAMED, since: 6 },
    ),
    grooveInset: length('groove from the face', {
      min: 2,
      max: 40,
      metric: 6,
      inch: inches(1 / 4),
      when: { ...FRAMED, 'making/grooveFrom': 'face' },
      since: 6,
    }),
    grooveSpare: length('groove cut deeper than the tenon is long', {
      max: 3,
      metric: 0.5,
      inch: inches(1 / 64),
      when: FRAMED,
      since: 6,
    }),
    solidPlay: length('least play of a solid panel across its grain, each side', {
      max: 6,
      metric: 2,
      inch: inches(1 / 16),
      when: FRAMED,
      since: 6,
    }),
    panelPlay: length('panel play each side', { max: 6, metric: 1, inch: inches(1 / 32), when: FRAMED }),
    trimThickness: length('trim thickness', {
      min: 2,
      max: 25,
      metric: 6,
      inch: inches(1 / 4),
      when: { 'making/kind': 'trim' },
    }),
  },
});
