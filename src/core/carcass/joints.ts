import { type Dim, length, measuredFrom } from '../derive/index.js';
import type { Resolved, ResolvedSettings } from '../document/index.js';
import { type By, type EdgeReference, type Face, type Operation, spacedAlong } from '../machining/index.js';
import { edgeOf, type Part, SAME_PLANE } from '../parts/index.js';
import type { Joint } from './build.js';

/**
 * Turns joints into machining on both members: dadoes and rabbets in the receiving part, screw, dowel and tenon holes on
 * the centre line of what joins, pocket holes in what joins. A joint that finds nothing to join is left alone; a finding
 * says so.
 */
export function machineJoints(
  parts: readonly Part[],
  joints: readonly Joint[],
  resolved: Resolved,
): { parts: Part[]; paths: Map<string, Operation[]> } {
  const added = new Map<string, Operation[]>();
  const paths = new Map<string, Operation[]>();
  const addTo = (lists: Map<string, Operation[]>, key: string, operation: Operation) => {
    const list = lists.get(key);
    if (list) list.push(operation);
    else lists.set(key, [operation]);
  };
  const add = (key: string, operation: Operation) => addTo(added, key, operation);
  for (const joint of joints) {
    const member = parts.find((part) => part.key === joint.member?.key);
    const receiver = receiverOf(joint, parts);
    if (receiver) {
      const made = machineJoint(joint, receiver, member, resolved);
      for (const operation of made.receiver) add(receiver.part.key, operation);
      for (const operation of made.member) if (joint.member) add(joint.member.key, operation);
      const path = screwPath(joint, receiver, member, resolved);
      if (path) addTo(paths, path.key, path.operation);
    }
  }
  return {
    parts: parts.map((part) => {
      const more = added.get(part.key);
      return more ? { ...part, machining: [...part.machining, ...more] } : part;
    }),
    paths,
  };
}

/** Diameter of the way a screw makes where nothing is bored for it (mm). */
const SCREW = 4;

/**
 * The way a screw takes beyond the joint, where nothing is bored but nothing else may be: on through the receiving panel
 * into the end of what joins, or out of a pocket hole into the receiving face.
 */
function screwPath(
  joint: Joint,
  { part, face }: Receiver,
  member: Part | undefined,
  { settings }: Resolved,
): { key: string; operation: Operation } | undefined {
  const { fasteners } = settings;
  if (!joint.member || !member) return undefined;
  const positions = alongJoint(joint, part, fasteners);
  const diameter = length(SCREW, 'screw');
  if (joint.kind === 'screws') {
    const depth = fasteners.screwLength.minus(part.thickness).as('screw in the end of the part');
    if (depth.mm <= 0) return undefined;
    return {
      key: member.key,
      operation: {
        kind: 'edge holes',
        edge: joint.member.end,
        ...inEnd(joint, member, positions),
        diameter,
        depth,
        reason: `way of the screws: ${joint.reason}`,
        by: { kind: 'joint', what: 'way' },
      },
    };
  }
  if (joint.kind !== 'pocket') return undefined;
  return {
    key: part.key,
    operation: {
      kind: 'holes',
      face,
      from: 'u0',
      offset: measuredFrom(joint.level, edgeOf(part, 'u0'))
        .plus(joint.thickness.over(2))
        .as('centre line of the joint'),
      positions: onReceiver(joint, part, positions),
      diameter,
      depth: fasteners.pocketReach,
      reason: `way of the pocket screws: ${joint.reason}`,
      by: { kind: 'joint', what: 'way' },
    },
  };
}

/** Where the fasteners of a joint stand, from the front of what joins: dowels and pocket screws closer than the rest. */
function alongJoint(joint: Joint, receiver: Part, fasteners: ResolvedSettings['fasteners']): Dim[] {
  const close = joint.kind === 'pocket' || joint.kind === 'dowels';
  const spacing = close ? fasteners.pocketSpacing : fasteners.spacing;
  return spacedAlong(sharedDepth(joint, receiver), fasteners.first, spacing);
}

/** The same places told from the front edge of the receiving part. */
function onReceiver(joint: Joint, receiver: Part, positions: readonly Dim[]): readonly Dim[] {
  const front = measuredFrom(joint.front, edgeOf(receiver, 'v0'));
  if (front.mm === 0) return positions;
  return positions.map((position) => position.plus(front).as('position along the joint'));
}

/** Holes in the end of what joins: along its middle line, or for a part on edge in the middle of its height. */
function inEnd(joint: Joint, member: Part, positions: readonly Dim[]): { offset: Dim; positions: readonly Dim[] } {
  const onEdge = joint.normal === 'x' && member.placement.v[1] === 'z';
  if (!onEdge) return { offset: member.thickness.over(2).as('middle of the edge'), positions };
  const [first] = positions;
  return {
    offset: first ?? member.thickness.over(2).as('middle of the edge'),
    positions: [member.width.over(2).as('middle of the height')],
  };
}

/** A deep part on a shallow one is fastened only where both are. */
function sharedDepth(joint: Joint, part: Part): Dim {
  const front = measuredFrom(joint.front, edgeOf(part, 'v0'));
  return part.width.mm - front.mm < joint.depth.mm
    ? measuredFrom(part.width, front).as('depth both parts share')
    : joint.depth;
}

interface Receiver {
  readonly part: Part;
  readonly face: Face;
}

/** The upright (or horizontal) panel one of whose faces lies in the joint's plane and reaches the joint. */
export function receiverOf(joint: Joint, parts: readonly Part[]): Receiver | undefined {
  const along = joint.normal === 'x' ? 2 : 0;
  const normal = joint.normal === 'x' ? 0 : 2;
  for (const part of parts) {
    if (!part.receives || part.key === joint.member?.key || part.placement.w[1] !== joint.normal) continue;
    const { min, max } = part.extent;
    const middle = joint.level.mm + joint.thickness.mm / 2;
    if (middle < min[along] - SAME_PLANE || middle > max[along] + SAME_PLANE) continue;
    if (joint.front.mm > max[1]) continue;
    const face1 = part.placement.origin[normal] as number;
    const face2 = face1 + (part.placement.w[0] === '+' ? 1 : -1) * part.thickness.mm;
    if (Math.abs(face1 - joint.plane) < SAME_PLANE) return { part, face: 1 };
    if (Math.abs(face2 - joint.plane) < SAME_PLANE) return { part, face: 2 };
  }
  return undefined;
}

function machineJoint(
  joint: Joint,
  { part, face }: Receiver,
  member: Part | undefined,
  { settings }: Resolved,
): { receiver: Operation[]; member: Operation[] } {
  const { fasteners } = settings;
  const { reason, holds } = joint;
  const by: By = { kind: 'joint', what: joint.kind };
  const offset = measuredFrom(joint.level, edgeOf(part, 'u0')).as('near edge of the joint');
  const centre = offset.plus(joint.thickness.over(2)).as('centre line of the joint');
  const from: EdgeReference = 'u0';
  const end = joint.member?.end ?? 'u0';
  if (joint.kind === 'dado' || joint.kind === 'rabbet')
    return { receiver: joint.engagement.mm > 0 ? [cutIn(joint, part, face, offset)] : [], member: [] };
  const positions = alongJoint(joint, part, fasteners);
  const inReceiver = () => onReceiver(joint, part, positions);
  switch (joint.kind) {
    case 'screws':
      return {
        receiver: [
          {
            kind: 'holes',
            face: face === 1 ? 2 : 1,
            from,
            offset: centre,
            positions: inReceiver(),
            diameter: fasteners.pilot,
            reason: `screws: ${reason}`,
            by,
            holds,
          },
        ],
        member: [],
      };
    case 'pocket': {
      if (!joint.member) return { receiver: [], member: [] };
      const { pocketFace, pocketsShow } = joint.member;
      return {
        receiver: [],
        member: [
          {
            kind: 'pockets',
            face: pocketFace,
            edge: end,
            positions,
            plugged: pocketsShow,
            reason: `pocket screws: ${reason}`,
            by,
          },
        ],
      };
    }
    case 'dowels': {
      const diameter = fasteners.dowel;
      return {
        receiver: [
          {
            kind: 'holes',
            face,
            from,
            offset: centre,
            positions: inReceiver(),
            diameter,
            depth: fasteners.dowelInFace,
            reason: `dowels: ${reason}`,
            by,
            holds,
          },
        ],
        member: member
          ? [
              {
                kind: 'edge holes',
                edge: end,
                ...inEnd(joint, member, positions),
                diameter,
                depth: fasteners.dowelInEnd,
                reason: `dowels: ${reason}`,
                by,
              },
            ]
          : [],
      };
    }
    case 'tenons': {
      const slot = {
        length: fasteners.tenonLength,
        thickness: fasteners.tenonThickness,
        depth: fasteners.tenonDepth,
        reason: `loose tenons: ${reason}`,
        by,
      };
      return {
        receiver: [{ kind: 'slots', place: { face, from }, offset: centre, positions: inReceiver(), ...slot, holds }],
        member: member
          ? [
              {
                kind: 'slots',
                place: { edge: end },
                ...inEnd(joint, member, positions),
                ...slot,
              },
            ]
          : [],
      };
    }
  }
}

/** A dado, or a rabbet where the joint lies at the very end of the part. */
function cutIn(joint: Joint, part: Part, face: Face, offset: Dim): Operation {
  const { reason, holds, engagement, thickness } = joint;
  const by: By = { kind: 'joint', what: joint.kind };
  const atStart = Math.abs(offset.mm) < SAME_PLANE;
  const toEnd = part.length.minus(offset).minus(thickness);
  const atEnd = Math.abs(toEnd.mm) < SAME_PLANE;
  if (atStart || atEnd)
    return {
      kind: 'rabbet',
      face,
      from: atStart ? 'u0' : 'u1',
      width: thickness,
      depth: engagement,
      reason,
      by,
      holds,
    };
  return {
    kind: 'groove',
    face,
    along: 'width',
    from: 'u0',
    offset,
    width: thickness,
    depth: engagement,
    reason,
    by,
    holds,
  };
}
