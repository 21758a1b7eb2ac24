import { type Dim, largest, length, measuredFrom } from '../derive/index.js';
import type { Resolved, ResolvedSettings } from '../document/index.js';
import { type By, type EdgeReference, type Face, fastenersAlong, type Operation } from '../machining/index.js';
import { edgeOf, type Part, SAME_PLANE } from '../parts/index.js';
import type { Joint } from './build.js';
import { facingLines, halfOf, kindFacing, type Line, movedClear } from './facing.js';

/**
 * Turns joints into machining on both members: dadoes, recesses and rabbets in the receiving part, screw, dowel and tenon
 * holes on the centre line of what joins, pocket holes in what joins. A joint that finds nothing to join is left alone; a
 * finding says so.
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
  const lines = new Map<string, Line[]>();
  for (const wanted of joints) {
    const member = parts.find((part) => part.key === wanted.member?.key);
    for (const seat of seatsOf(wanted, parts)) {
      const { joint, places } = clearOfOtherFace(wanted, seat, lines, resolved);
      const made = machineJoint(joint, seat, member, resolved, places);
      for (const operation of made.receiver) addTo(added, seat.part.key, operation);
      for (const operation of made.member) if (joint.member) addTo(added, joint.member.key, operation);
      const path = screwPath(joint, seat, member, resolved, places);
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

/**
 * A joint as it can be made on a panel to whose other face something may be joined already, and where its fasteners stand
 * from its start.
 */
function clearOfOtherFace(
  wanted: Joint,
  seat: Seat,
  lines: Map<string, Line[]>,
  { settings }: Resolved,
): { joint: Joint; places: readonly Dim[] } {
  const half = halfOf(wanted.kind, settings);
  if (half === undefined || !wanted.member || wanted.runs === 'along')
    return { joint: wanted, places: half === undefined ? [] : placesOf(wanted, seat, settings.fasteners) };
  const known = lines.get(seat.part.key) ?? [];
  lines.set(seat.part.key, known);
  const facing = facingLines(known, seat.face, wanted);
  const joint = facing.length > 0 ? { ...wanted, kind: kindFacing(wanted.kind) } : wanted;
  const own = halfOf(joint.kind, settings) ?? half;
  const start = joint.front.mm + seat.start.mm;
  const there = facing.flatMap((line) => line.positions.map((at) => ({ at: at - start, half: line.half })));
  const usual = placesOf(joint, seat, settings.fasteners);
  const places =
    there.length > 0 ? movedClear([usual, placesOf(wanted, seat, settings.fasteners)], seat.depth, own, there) : usual;
  known.push({
    face: seat.face,
    from: joint.level.mm,
    to: joint.level.mm + joint.thickness.mm,
    positions: places.map(({ mm }) => mm + start),
    half: own,
  });
  return { joint, places };
}

/** Where a joint lies on a part that receives it. */
export interface Seat {
  readonly part: Part;
  readonly face: Face;
  /** From the front of what joins to where both parts are, and how deep that is. */
  readonly start: Dim;
  readonly depth: Dim;
}

/**
 * The upright (or horizontal) panels one of whose faces lies in the joint's plane and reaches the joint. A part over two
 * stretchers is fastened to both.
 */
export function seatsOf(joint: Joint, parts: readonly Part[]): Seat[] {
  const [along, normal] = joint.normal === 'x' ? ([2, 0] as const) : ([0, 2] as const);
  const middle = joint.level.mm + joint.thickness.mm / 2;
  const [from, to] = [joint.front.mm, joint.front.mm + joint.depth.mm];
  const seats: Seat[] = [];
  for (const part of parts) {
    if (!part.receives || part.key === joint.member?.key || part.placement.w[1] !== joint.normal) continue;
    const { min, max } = part.extent;
    if (middle < min[along] - SAME_PLANE || middle > max[along] + SAME_PLANE) continue;
    if (from > max[1] - SAME_PLANE || to < min[1] + SAME_PLANE) continue;
    const face1 = part.placement.origin[normal];
    const face2 = face1 + (part.placement.w[0] === '+' ? 1 : -1) * part.thickness.mm;
    const face =
      Math.abs(face1 - joint.plane) < SAME_PLANE ? 1 : Math.abs(face2 - joint.plane) < SAME_PLANE ? 2 : undefined;
    if (!face) continue;
    const seat = { part, face, ...shared(joint, part) } as const;
    // On edge it is held only by what its whole thickness lies on.
    if (joint.runs !== 'along' || seat.depth.mm > joint.depth.mm - SAME_PLANE) seats.push(seat);
  }
  return seats;
}

/** A deep part on a shallow one is fastened only where both are. */
function shared(joint: Joint, part: Part): Pick<Seat, 'start' | 'depth'> {
  const front = edgeOf(part, 'v0');
  const before = front.mm - joint.front.mm;
  const start = before > SAME_PLANE ? front.minus(joint.front).as('front of the part behind that of the joint') : NONE;
  const rear = edgeOf(part, 'v1');
  const within = joint.front.mm + joint.depth.mm <= rear.mm + SAME_PLANE;
  const depth = within ? joint.depth : measuredFrom(rear, joint.front);
  if (within && start.mm === 0) return { start, depth };
  return { start, depth: (start.mm === 0 ? depth : depth.minus(start)).as('depth both parts share') };
}

const NONE = length(0);

/** Diameter of the way a screw makes where nothing is bored for it (mm). */
const SCREW = 4;

/**
 * The way a screw takes beyond the joint, where nothing is bored but nothing else may be: on through the receiving panel
 * into the end of what joins, or out of a pocket hole into the receiving face.
 */
function screwPath(
  joint: Joint,
  seat: Seat,
  member: Part | undefined,
  { settings }: Resolved,
  places: readonly Dim[],
): { key: string; operation: Operation } | undefined {
  const { fasteners } = settings;
  if (!joint.member || !member) return undefined;
  const diameter = length(SCREW, 'screw');
  const by: By = { kind: 'joint', what: 'way' };
  if (joint.kind === 'screws') {
    const depth = fasteners.screwLength.minus(seat.part.thickness).as('screw in the end of the part');
    if (depth.mm <= 0) return undefined;
    const reason = `way of the screws: ${joint.reason}`;
    const inEnd = inMember(joint, joint.member, member, seat, places);
    return { key: member.key, operation: { kind: 'edge holes', ...inEnd, diameter, depth, reason, by } };
  }
  if (joint.kind !== 'pocket') return undefined;
  return {
    key: seat.part.key,
    operation: {
      kind: 'holes',
      face: seat.face,
      ...onReceiver(joint, seat, places),
      diameter,
      depth: fasteners.pocketReach,
      reason: `way of the pocket screws: ${joint.reason}`,
      by,
    },
  };
}

/** Where the fasteners of a joint stand, from its start: dowels and pocket screws closer than the rest. */
function placesOf(joint: Joint, { depth }: Seat, fasteners: ResolvedSettings['fasteners']): Dim[] {
  const close = joint.kind === 'pocket' || joint.kind === 'dowels';
  const spacing = joint.spacing ?? (close ? fasteners.pocketSpacing : fasteners.spacing);
  const half =
    joint.kind === 'tenons' ? fasteners.tenonLength.mm / 2 : joint.kind === 'dowels' ? fasteners.dowel.mm / 2 : 0;
  // Screws along an edge begin beyond the reach of those in its ends.
  const first = joint.member?.end.startsWith('v') ? largest(fasteners.first, fasteners.screwLength) : fasteners.first;
  return fastenersAlong(joint.runs === 'along' ? joint.thickness : depth, {
    first,
    spacing,
    half,
  });
}

interface OnPart {
  readonly from: EdgeReference;
  readonly offset: Dim;
  readonly positions: readonly Dim[];
}

/** The line of fasteners on the receiving part: along its depth, or for what joins on edge along its length. */
function onReceiver(joint: Joint, { part, start }: Seat, places: readonly Dim[]): OnPart {
  const level = measuredFrom(joint.level, edgeOf(part, 'u0'));
  const front = measuredFrom(joint.front, edgeOf(part, 'v0'));
  const moved = (by: Dim) =>
    by.mm === 0 ? places : places.map((place) => place.plus(by).as('position along the joint'));
  if (joint.runs === 'along')
    return {
      from: 'v0',
      offset: front.plus(joint.depth.over(2)).as('centre line of the joint'),
      positions: moved(level),
    };
  return {
    from: 'u0',
    offset: level.plus(joint.thickness.over(2)).as('centre line of the joint'),
    positions: moved(start.mm === 0 ? front : front.plus(start)),
  };
}

/** Holes in the end or edge of what joins: along its middle line, from its own first edge. */
function inMember(
  joint: Joint,
  { end }: NonNullable<Joint['member']>,
  member: Part,
  { start }: Seat,
  places: readonly Dim[],
): { edge: EdgeReference; offset: Dim; positions: readonly Dim[] } {
  const offset = member.thickness.over(2).as('middle of the edge');
  // What joins may begin before the joint does, as a side with a tongue on its front.
  const own = edgeOf(member, end.startsWith('u') ? 'v0' : 'u0');
  const begins = joint.runs === 'along' ? joint.level : joint.front;
  const by = (start.mm === 0 ? begins : begins.plus(start)).minus(own);
  return {
    edge: end,
    offset,
    positions:
      Math.abs(by.mm) < SAME_PLANE ? places : places.map((place) => place.plus(by).as('position along the end')),
  };
}

function machineJoint(
  joint: Joint,
  seat: Seat,
  member: Part | undefined,
  { settings }: Resolved,
  places: readonly Dim[],
): { receiver: Operation[]; member: Operation[] } {
  const { fasteners } = settings;
  const { reason, holds } = joint;
  const { part, face } = seat;
  const by: By = { kind: 'joint', what: joint.kind };
  if (joint.kind === 'dado' || joint.kind === 'rabbet')
    return { receiver: joint.engagement.mm > 0 ? [cutIn(joint, part, face)] : [], member: [] };
  const inReceiver = () => onReceiver(joint, seat, places);
  const inEnd = () => (joint.member && member ? inMember(joint, joint.member, member, seat, places) : undefined);
  switch (joint.kind) {
    case 'screws':
      return {
        receiver: [
          {
            kind: 'holes',
            face: face === 1 ? 2 : 1,
            ...inReceiver(),
            diameter: fasteners.pilot,
            reason: `screws: ${reason}`,
            by,
            holds,
          },
        ],
        member: [],
      };
    case 'pocket': {
      const end = inEnd();
      if (!joint.member || !end) return { receiver: [], member: [] };
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
            reason: `pocket screws: ${reason}`,
            by,
          },
        ],
      };
    }
    case 'dowels': {
      const bored = { diameter: fasteners.dowel, reason: `dowels: ${reason}`, by };
      const end = inEnd();
      return {
        receiver: [{ kind: 'holes', face, ...inReceiver(), depth: fasteners.dowelInFace, ...bored, holds }],
        member: end ? [{ kind: 'edge holes', ...end, depth: fasteners.dowelInEnd, ...bored }] : [],
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
      const { from, ...line } = inReceiver();
      const end = inEnd();
      const opposite = end && { place: { edge: end.edge }, offset: end.offset, positions: end.positions };
      return {
        receiver: [{ kind: 'slots', place: { face, from }, ...line, ...slot, holds }],
        member: opposite ? [{ kind: 'slots', ...opposite, ...slot }] : [],
      };
    }
  }
}

const AT_FRONT = length(0, 'at the front edge');

/** What is narrower than this share of the panel gets a recess of its end's size, not a cut across the whole panel. */
const NARROW = 0.6;

/** A dado, or a rabbet where the joint lies at the very end of the part; a recess for what is much narrower than it. */
function cutIn(joint: Joint, part: Part, face: Face): Operation {
  const { reason, holds, engagement, thickness, depth } = joint;
  const by: By = { kind: 'joint', what: joint.kind };
  const offset = measuredFrom(joint.level, edgeOf(part, 'u0')).as('near edge of the joint');
  const front = measuredFrom(joint.front, edgeOf(part, 'v0'));
  const toEnd = part.length.minus(offset).minus(thickness);
  const atStart = Math.abs(offset.mm) < SAME_PLANE;
  const atEnd = Math.abs(toEnd.mm) < SAME_PLANE;
  if (joint.runs === 'along' || depth.mm < NARROW * part.width.mm)
    return {
      kind: 'recess',
      face,
      u: { edge: 'u0', offset },
      v: { edge: 'v0', offset: front.mm === 0 ? AT_FRONT : front.as('front of the joint') },
      alongLength: thickness,
      alongWidth: depth,
      depth: engagement,
      reason,
      by,
      holds,
    };
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
