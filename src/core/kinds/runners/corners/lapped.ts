import { type Corner, ENDS, HANDS } from './corner.js';
import { fastenerHeights, inEndOfBoard, onBack, screwsThrough, screwWay } from './fasteners.js';

/** Front and back cover the ends of the sides and are screwed into them from outside. */
export const lapped: Corner = {
  place: (side) => ({
    lead: side.as('front of the box'),
    trail: side.as('back of the box'),
    reach: side.as('over the end of the side'),
  }),
  join(context) {
    const { key, side, by } = context;
    const { front, back } = fastenerHeights(context);
    const screw = inEndOfBoard(context);
    const at = (from: 'u0' | 'u1', what: string) => ({ what, into: `${key}/${HANDS[from]}` });
    return {
      sides: () => [],
      front: ENDS.map((from) => screwsThrough(from, 2, front, at(from, 'front'), context)),
      back: ENDS.map((from) => screwsThrough(from, 2, onBack(context, back), at(from, 'back'), context)),
      screwLines: (['left', 'right'] as const).flatMap((hand) => [
        [`${key}/${hand}`, screwWay('u0', side, front, screw, by)] as const,
        [`${key}/${hand}`, screwWay('u1', side, back, screw, by)] as const,
      ]),
    };
  },
  stops(side, { drawers }) {
    const stop = side.minus(drawers.groove).as('groove stopped short of the end');
    return stop.value > 0 ? { across: { start: stop, end: stop } } : {};
  },
};
