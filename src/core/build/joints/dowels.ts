import { dowel } from '../../part/index.js';
import type { JointForm } from './kind.js';

/** Dowels, glued into the face of the receiving part and the end of what joins. */
export const dowels: JointForm = {
  id: 'dowels',
  words: 'butt, dowels',
  at: ['bottom', 'top', 'shelf', 'partition', 'nailer'],
  asks: [
    'fasteners/first',
    'fasteners/pocketSpacing',
    'fasteners/dowel',
    'fasteners/dowelInFace',
    'fasteners/dowelInEnd',
  ],
  fastened: {
    half: ({ fasteners }) => fasteners.dowel.value / 2,
    close: true,
    glued: true,
    bores: ({ face }, { fasteners }) => ({ face, depth: fasteners.dowelInFace.value }),
    reach: ({ settings }) => settings.fasteners.dowelInEnd.value,
    seen: ({ settings: { fasteners } }) => [
      {
        kind: 'bar',
        from: -fasteners.dowelInFace.value,
        to: fasteners.dowelInEnd.value,
        height: fasteners.dowel.value,
      },
    ],
  },
  make({ joint: { reason, holds }, seat: { part, face }, settings: { fasteners }, onReceiver, inEnd }) {
    const bored = {
      diameter: fasteners.dowel,
      reason: `dowels: ${reason}`,
      by: { kind: 'joint', what: 'dowels' },
    } as const;
    const end = inEnd();
    const { dowelInFace: inFace, dowelInEnd: depth } = fasteners;
    const fastens = dowel({ diameter: fasteners.dowel, inFace, inEnd: depth }, part.key);
    return {
      receiver: [{ kind: 'holes', face, ...onReceiver(), depth: inFace, ...bored, holds }],
      member: end ? [{ kind: 'edge holes', ...end, depth, ...bored, fastens }] : [],
    };
  },
};
