import type { Dim } from '../../../derive/index.js';
import { between, type Corner, ENDS, where } from './corner.js';
import { fastenerHeights, onBack, screwsThrough, screwWay } from './fasteners.js';

/** Front and back stand between the sides and are screwed through them. */
export const butt: Corner = {
  place: between,
  join(context) {
    const { key, side, settings, by } = context;
    const { front, back } = fastenerHeights(context);
    const screw = settings.drawers.screw.minus(side).as('screw in the end of the box front');
    const way = (part: 'front' | 'back', positions: readonly Dim[]) =>
      ENDS.map((edge) => [`${key}/${part}`, screwWay(edge, side, positions, screw, by)] as const);
    return {
      sides: ENDS.map((end) => screwsThrough(end, 2, end === 'u0' ? front : back, where(end), context)),
      front: [],
      back: [],
      ways: [...way('front', front), ...way('back', onBack(context, back))],
    };
  },
};
