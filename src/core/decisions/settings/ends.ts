import { inches } from '../../ground/index.js';
import { choice, length, section } from './declare.js';

const END_KINDS = { neighbour: 'a neighbour', exposed: 'exposed', wall: 'a wall' } as const;
const END_PANEL = { none: 'none', applied: 'applied' } as const;

export const ends = section('Ends', {
  ends: {
    left: choice('left end stands against', END_KINDS, { metric: 'neighbour' }),
    right: choice('right end stands against', END_KINDS, { metric: 'neighbour' }),
    leftPanel: choice('left end panel', END_PANEL, { metric: 'none' }),
    rightPanel: choice('right end panel', END_PANEL, { metric: 'none' }),
    filler: choice(
      'filler at a wall',
      { none: 'none', strip: 'strip' },
      {
        metric: 'strip',
        trade:
          'A strip beside the box is scribed to the wall and takes the scribe allowance out of the overall width; a frame carries it as a wider stile.',
        when: [
          { 'ends/left': 'wall', 'frame/fitted': 'none' },
          { 'ends/right': 'wall', 'frame/fitted': 'none' },
        ],
      },
    ),
    scribe: length('scribe allowance', {
      max: 200,
      metric: 25,
      inch: inches(1),
      when: [
        { 'ends/left': 'wall', 'frame/fitted': 'fitted' },
        { 'ends/right': 'wall', 'frame/fitted': 'fitted' },
        { 'ends/left': 'wall', 'ends/filler': 'strip' },
        { 'ends/right': 'wall', 'ends/filler': 'strip' },
      ],
    }),
    leftClear: length('from the left end to what stands beside it', { max: 3000, metric: 0 }),
    rightClear: length('from the right end to what stands beside it', { max: 3000, metric: 0 }),
    leftHigh: length('height of what stands beside the left end, none for a wall', { max: 4000, metric: 0, since: 7 }),
    rightHigh: length('height of what stands beside the right end, none for a wall', {
      max: 4000,
      metric: 0,
      since: 7,
    }),
    leftForward: length('how far that comes forward of the box, left', { max: 5000, metric: 5000, since: 7 }),
    rightForward: length('how far that comes forward of the box, right', { max: 5000, metric: 5000, since: 7 }),
  },
});
