import { POCKET, pocketScrew, SCREW_WAY } from '../../part/index.js';
import { type JointForm, NOTHING } from './kind.js';

/** Screws from pockets in the face of what joins. */
export const pocket: JointForm = {
  id: 'pocket',
  words: 'butt, pocket screws',
  at: ['bottom', 'top', 'shelf', 'partition', 'nailer'],
  asks: ['fasteners/first', 'fasteners/pocketReach', 'fasteners/pocketSpacing'],
  fastened: {
    half: () => SCREW_WAY.value / 2,
    close: true,
    bores: ({ face }, { fasteners }) => ({ face, depth: fasteners.pocketReach.value }),
    reach: () => POCKET.reach,
    way({ joint, seat: { part, face }, member, settings, onReceiver }) {
      if (!joint.member || !member) return undefined;
      return {
        key: part.key,
        operation: {
          kind: 'holes',
          face,
          ...onReceiver(),
          diameter: SCREW_WAY,
          depth: settings.fasteners.pocketReach,
          reason: `way of the pocket screws: ${joint.reason}`,
          by: { kind: 'joint', what: 'way' },
        },
      };
    },
    seen: (_, { thickness }) => [
      {
        kind: 'line',
        points: [
          [42, -thickness.value / 2],
          [-10, 4],
        ],
      },
    ],
  },
  make({ joint, seat, member, settings: { fasteners }, inEnd }) {
    const end = inEnd();
    if (!joint.member || !member || !end) return NOTHING;
    const { pocketFace, pocketsShow } = joint.member;
    return {
      receiver: [],
      member: [
        {
          kind: 'pockets',
          face: pocketFace,
          edge: end.edge,
          positions: end.positions,
          plugged: pocketsShow,
          reason: `pocket screws: ${joint.reason}`,
          by: { kind: 'joint', what: 'pocket' },
          fastens: pocketScrew(member.thickness, fasteners, seat.part.key),
        },
      ],
    };
  },
};
