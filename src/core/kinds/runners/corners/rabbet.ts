import { type Corner, ENDS, NONE, where } from './corner.js';

/** Front and back stand in rabbets of the sides, glued. */
export const rabbet: Corner = {
  place: (_side, { drawers }) => ({ lead: NONE, trail: NONE, reach: drawers.engagement }),
  join: ({ key, side, settings, by }) => ({
    sides: () =>
      ENDS.map((from) => ({
        kind: 'rabbet',
        face: 1,
        from,
        width: side,
        depth: settings.drawers.engagement,
        reason: `takes the ${where(from)} of the box, glued`,
        by: by('corner'),
        holds: `${key}/${where(from)}`,
      })),
    front: [],
    back: [],
    screwLines: [],
  }),
};
