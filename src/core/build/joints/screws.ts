import type { Resolved, ResolvedSettings } from '../../decisions/index.js';
import type { Dim } from '../../ground/index.js';
import { type By, CONSTRUCTION, type EdgeReference, longestIn, type Part, SCREW_WAY } from '../../part/index.js';
import type { JointForm } from './kind.js';

/** How far a screw is drawn into what joins (mm). */
const SCREW_GRIP = 28;

/**
 * The screw of the box through a part into an end or an edge of what joins, and how far it goes in there; shorter where
 * that is narrower than the screw is long.
 */
function screwInto(
  part: Part,
  end: EdgeReference | undefined,
  member: Part | undefined,
  fasteners: ResolvedSettings['fasteners'],
): { readonly length: Dim; readonly reach: Dim } {
  const { screwLength, screwStep } = fasteners;
  const room = member && (end?.startsWith('v') ? member.width : member.length);
  const usual = { length: screwLength, reach: screwInEnd(part.thickness, fasteners) };
  if (!room || room.value >= screwLength.value) return usual;
  const length = longestIn(part.thickness, room, screwStep);
  if (length.value >= screwLength.value) return usual;
  return { length, reach: length.minus(part.thickness).as('screw in the end of the part') };
}

/** How far a screw through a panel so thick goes into the end of what joins. */
export function screwInEnd(thickness: Dim, { screwLength }: ResolvedSettings['fasteners']): Dim {
  return screwLength.minus(thickness).as('screw in the end of the part');
}

/** Screwed through the receiving panel into the end of what joins. */
export const screws: JointForm = {
  id: 'screws',
  words: 'butt, screwed through',
  at: ['bottom', 'top', 'shelf', 'partition', 'nailer'],
  asks: ['fasteners/first', 'fasteners/spacing', 'fasteners/pilot', 'fasteners/screwLength', 'fasteners/hold'],
  // Where its screws would show it is pocket screws from the face of what joins that nobody sees, or dowels.
  hidden: ({ pocketsShow }) => (pocketsShow ? 'dowels' : 'pocket'),
  // The end of the first covers where the screws of the second would start.
  second: 'dowels',
  fastened: {
    half: ({ fasteners }) => fasteners.pilot.value / 2,
    bores: ({ part, face }) => ({ face: face === 1 ? 2 : 1, depth: part.thickness.value }),
    reach: ({ settings, materials }: Resolved) =>
      Math.max(0, screwInEnd(materials.side.thickness, settings.fasteners).value),
    way({ joint, seat, member, settings, inEnd }) {
      const line = inEnd();
      if (!joint.member || !member || !line) return undefined;
      const { reach: depth } = screwInto(seat.part, joint.member.end, member, settings.fasteners);
      if (depth.value <= 0) return undefined;
      const by: By = { kind: 'joint', what: 'way' };
      const reason = `way of the screws: ${joint.reason}`;
      return { key: member.key, operation: { kind: 'edge holes', ...line, diameter: SCREW_WAY, depth, reason, by } };
    },
    seen: ({ materials }) => [
      {
        kind: 'line',
        points: [
          [-materials.side.thickness.value, 0],
          [SCREW_GRIP, 0],
        ],
      },
    ],
  },
  make({ joint, seat: { part, face }, member, settings: { fasteners }, onReceiver }) {
    const { reason, holds } = joint;
    const { length, reach } = screwInto(part, joint.member?.end, member, fasteners);
    return {
      receiver: [
        {
          kind: 'holes',
          face: face === 1 ? 2 : 1,
          ...onReceiver(),
          diameter: fasteners.pilot,
          reason: `screws: ${reason}`,
          by: { kind: 'joint', what: 'screws' },
          holds,
          fastens: {
            kind: 'screw',
            use: CONSTRUCTION,
            into: joint.member?.key ?? holds,
            inEdge: true,
            size: { length },
            reach,
          },
        },
      ],
      member: [],
    };
  },
};
