import { inches } from '../../ground/index.js';
import { choice, length, not, section } from './declare.js';

const GROOVED = { 'back/kind': 'grooved' } as const;
const HELD = { 'back/kind': ['grooved', 'rabbeted'] } as const;

export const backs = section('Back and nailers', {
  back: {
    kind: choice(
      'back',
      {
        grooved: 'in a groove',
        rabbeted: 'in a rabbet',
        applied: 'applied',
        structural: 'structural, inside',
        none: 'none',
      },
      {
        metric: 'grooved',
        trade:
          'A groove hides the edge and leaves room for a nailer behind. A rabbet gains depth. Applied is quickest and shows at the ends. A structural back squares and hangs the box on its own.',
      },
    ),
    grain: choice(
      'grain of the back',
      { fits: 'upright, across where it is wider than a sheet', up: 'upright', across: 'across' },
      {
        metric: 'fits',
        since: 7,
        before: 'up',
        trade: 'Upright it runs on from the doors. Across, a back wider than a sheet comes out of one piece.',
        when: { 'back/kind': not('none') },
      },
    ),
    bottomEdge: choice(
      'lower edge of the back',
      { captured: 'in the bottom', past: 'runs past a shortened bottom' },
      { metric: 'captured', when: GROOVED },
    ),
    grooveDepth: length('back groove depth', { min: 1, max: 30, metric: 8, inch: inches(5 / 16), when: GROOVED }),
    cut: choice(
      'groove is cut',
      { panel: 'to fit the panel', cutter: 'with one cutter' },
      { metric: 'panel', when: GROOVED },
    ),
    cutter: length('groove cutter width', {
      min: 1,
      max: 30,
      metric: 6,
      inch: inches(1 / 4),
      when: { 'back/kind': 'grooved', 'back/cut': 'cutter' },
    }),
    offsetFrom: choice(
      'back groove stands',
      { nailer: 'one nailer thickness from the rear', set: 'at a set distance from the rear' },
      { metric: 'nailer', when: GROOVED },
    ),
    offset: length('back groove from the rear edge', {
      max: 200,
      metric: 18,
      inch: inches(3 / 4),
      when: { 'back/kind': 'grooved', 'back/offsetFrom': 'set' },
    }),
    rabbetDepth: length('back rabbet depth', {
      min: 1,
      max: 30,
      metric: 10,
      inch: inches(3 / 8),
      when: { 'back/kind': 'rabbeted' },
    }),
    ease: length('back ease per captured edge', { max: 5, metric: 0.5, inch: inches(1 / 64), when: HELD }),
    slip: length('slip in the back groove', { max: 3, metric: 0.3, inch: inches(1 / 64), when: HELD }),
    inset: length('applied back set in by', {
      max: 20,
      metric: 1,
      inch: inches(1 / 32),
      when: { 'back/kind': 'applied' },
    }),
  },
  nailer: {
    rails: choice(
      'nailers',
      { standard: 'where the kind needs them', needed: 'only where nothing else holds the box', none: 'none' },
      {
        metric: 'standard',
        trade:
          'A wall box hangs by its nailers, a base box is screwed to the wall through one. A back let into solid sides squares a standing box by itself; a box without a back, or hung without hangers, still needs them.',
      },
    ),
    width: length('nailer width', {
      min: 20,
      max: 400,
      metric: 100,
      inch: inches(4),
      when: { 'nailer/rails': not('none') },
    }),
    runs: choice(
      'a nailer in front of the back runs',
      { through: 'through, partitions notched round it', divided: 'from upright to upright' },
      {
        metric: 'through',
        since: 6,
        trade:
          'Through, one rail from side to side carries the load of a hung box, and partitions are notched. Divided, partitions stay whole and each piece is fastened by itself.',
        when: { 'nailer/rails': not('none'), 'back/kind': ['rabbeted', 'applied', 'none'] },
      },
    ),
  },
});
