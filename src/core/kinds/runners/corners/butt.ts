import type { Dim } from '../../../ground/index.js';
import { backAt, between, type Corner, ENDS, where } from './corner.js';
import { fastenerHeights, inEndOfBoard, onBack, screwsThrough, screwWay } from './fasteners.js';

/** Front and back stand between the sides and are screwed through them. */
export const butt: Corner = {
  place: between,
  join(context) {
    const { key, side, by } = context;
    const { front, back } = fastenerHeights(context);
    const screw = inEndOfBoard(context);
    const way = (part: 'front' | 'back', positions: readonly Dim[]) =>
      ENDS.map((edge) => [`${key}/${part}`, screwWay(edge, side, positions, screw, by)] as const);
    return {
      sides: (hand) =>
        ENDS.map((end) => {
          const into = end === 'u0' ? `${key}/front` : backAt(context, hand);
          return screwsThrough(end, 2, end === 'u0' ? front : back, { what: where(end), into }, context);
        }),
      front: [],
      back: [],
      screwLines: [...way('front', front), ...way('back', onBack(context, back))],
    };
  },
};
