import { inches } from '../../ground/index.js';
import { choice, length, section } from './declare.js';

const FRAMED = { 'frame/fitted': 'fitted' } as const;
const FRAMED_AT_WALL = [
  { 'frame/fitted': 'fitted', 'ends/left': 'wall' },
  { 'frame/fitted': 'fitted', 'ends/right': 'wall' },
] as const;

export const frame = section('Face frame', {
  frame: {
    fitted: choice(
      'face frame',
      { none: 'none', fitted: 'fitted' },
      {
        metric: 'none',
        trade:
          'A frame stiffens the front, scribes to walls and hides the case edges; it costs opening width and needs packing behind it for slides.',
      },
    ),
    attachment: choice(
      'frame is fixed with',
      { pocket: 'pocket screws', tongue: 'a tongue on the sides' },
      { metric: 'pocket', when: FRAMED },
    ),
    stileLeft: length('left stile', { min: 10, max: 300, metric: 40, inch: inches(1 + 1 / 2), when: FRAMED }),
    stileRight: length('right stile', { min: 10, max: 300, metric: 40, inch: inches(1 + 1 / 2), when: FRAMED }),
    wallStile: choice(
      'a stile at a wall',
      { wider: 'is made wider by scribe and filler', within: 'is as wide as decided, the scribe within it' },
      {
        metric: 'wider',
        since: 7,
        before: 'within',
        trade:
          'Wider, the opening and the packing stay what they are anywhere in the run. Within, the width typed is the width sawn, and the maker has thought of the scribe.',
        when: FRAMED_AT_WALL,
      },
    ),
    filler: length('filler carried by the stile at a wall', { max: 300, metric: 0, since: 7, when: FRAMED_AT_WALL }),
    topRail: length('top rail', { min: 10, max: 300, metric: 45, inch: inches(1 + 3 / 4), when: FRAMED }),
    midRail: length('middle rails', { min: 10, max: 300, metric: 32, inch: inches(1 + 1 / 4), when: FRAMED }),
    midStile: length('middle stiles', { min: 10, max: 300, metric: 40, inch: inches(1 + 1 / 2), when: FRAMED }),
    bottomRail: length('bottom rail', { min: 10, max: 300, metric: 40, inch: inches(1 + 1 / 2), when: FRAMED }),
    lip: length('bottom rail above the floor of the box', { max: 100, metric: 0, when: FRAMED }),
    rise: length('frame above the box', { max: 200, metric: 0, when: FRAMED }),
    tenon: length('rail tenon', { max: 60, metric: 0, when: FRAMED }),
    overlay: length('front overlay on the frame', { max: 60, metric: 12, inch: inches(1 / 2), when: FRAMED }),
    overhangExposed: length('frame overhang, exposed end', { max: 60, metric: 0, when: FRAMED }),
    overhangNeighbour: length('frame overhang, neighbour', { max: 60, metric: 3, inch: inches(1 / 8), when: FRAMED }),
    tongue: length('tongue length', {
      max: 30,
      metric: 5,
      inch: inches(3 / 16),
      when: { 'frame/fitted': 'fitted', 'frame/attachment': 'tongue' },
    }),
  },
});
