import { type Dim, length } from '../../../ground/index.js';
import { dowel, type Operation } from '../../../part/index.js';
import { between, type Corner, ENDS, HANDS, where } from './corner.js';
import { BOX_CORNERS, fastenerHeights, onBack } from './fasteners.js';

/** Wood left behind a dowel in a box side, and how far it goes into an end (mm). */
const BEHIND_DOWEL = length(4, 'left behind the dowel');
const DOWEL_IN_END = length(22, 'in the end');

/** Front and back stand between the sides on dowels. */
export const dowels: Corner = {
  place: between,
  join(context) {
    const { side, settings, by } = context;
    const { front, back } = fastenerHeights(context);
    const half = side.over(2).as('half the thickness');
    const diameter = settings.fasteners.dowel.value > half.value ? half : settings.fasteners.dowel;
    const inFace = side.minus(BEHIND_DOWEL).as('dowel in the side');
    const end = (edge: 'u0' | 'u1', positions: readonly Dim[]): Operation => ({
      kind: 'edge holes',
      edge,
      offset: side.over(2).as('middle of the edge'),
      positions,
      diameter,
      depth: DOWEL_IN_END,
      reason: 'dowels of the corner',
      by: by('corner'),
      fastens: dowel({ diameter, inFace, inEnd: DOWEL_IN_END, use: BOX_CORNERS }, `${context.key}/${HANDS[edge]}`),
    });
    return {
      sides: () =>
        ENDS.map((from) => ({
          kind: 'holes',
          face: 1,
          from,
          offset: side.over(2).as('middle of the front'),
          positions: from === 'u0' ? front : back,
          diameter,
          depth: inFace,
          reason: `dowels of the corner, ${where(from)}`,
          by: by('corner'),
          holds: `${context.key}/${where(from)}`,
        })),
      front: ENDS.map((edge) => end(edge, front)),
      back: ENDS.map((edge) => end(edge, onBack(context, back))),
      screwLines: [],
    };
  },
};
