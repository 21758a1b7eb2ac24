import { CONSTRUCTION, type Fastens } from '../../part/index.js';
import type { JointForm } from './kind.js';

/** Loose tenons, glued into slots in both parts. */
export const tenons: JointForm = {
  id: 'tenons',
  words: 'butt, loose tenons',
  at: ['bottom', 'top', 'shelf', 'partition', 'nailer'],
  asks: [
    'fasteners/first',
    'fasteners/spacing',
    'fasteners/tenonLength',
    'fasteners/tenonThickness',
    'fasteners/tenonDepth',
  ],
  fastened: {
    half: ({ fasteners }) => fasteners.tenonLength.value / 2,
    glued: true,
    bores: ({ face }, { fasteners }) => ({ face, depth: fasteners.tenonDepth.value }),
    // A tenon is wide: one alone keeps its part from turning.
    least: 1,
    reach: ({ settings }) => settings.fasteners.tenonDepth.value,
    seen: ({ settings: { fasteners } }) => [
      {
        kind: 'bar',
        from: -fasteners.tenonDepth.value,
        to: fasteners.tenonDepth.value,
        height: fasteners.tenonThickness.value,
      },
    ],
  },
  make({ joint: { reason, holds }, seat: { part, face }, settings: { fasteners }, onReceiver, inEnd }) {
    const slot = {
      length: fasteners.tenonLength,
      thickness: fasteners.tenonThickness,
      depth: fasteners.tenonDepth,
      reason: `loose tenons: ${reason}`,
      by: { kind: 'joint', what: 'tenons' },
    } as const;
    const { from, ...line } = onReceiver();
    const end = inEnd();
    const fastens: Fastens = {
      kind: 'loose tenon',
      use: CONSTRUCTION,
      size: { length: slot.length, thickness: slot.thickness },
      into: part.key,
      reach: slot.depth,
    };
    const opposite = end && { fastens, place: { edge: end.edge }, offset: end.offset, positions: end.positions };
    return {
      receiver: [{ kind: 'slots', place: { face, from }, ...line, ...slot, holds }],
      member: opposite ? [{ kind: 'slots', ...opposite, ...slot }] : [],
    };
  },
};
