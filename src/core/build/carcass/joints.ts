import type { Resolved } from '../../decisions/index.js';
import type { Dim } from '../../ground/index.js';
import {
  type By,
  CONSTRUCTION,
  dowel,
  type EdgeReference,
  edgeOf,
  type Fastens,
  type Operation,
  type Part,
  pocketScrew,
  SAME_PLANE,
  SCREW_WAY,
  withMore,
} from '../../part/index.js';
import type { Joint } from '../builder/index.js';
import { cutIn, notchedFor, stopShort } from './dadoes.js';
import { endShows } from './ends.js';
import { type FacingLine, facingLines, halfOf, kindFacing, movedClear } from './facing.js';
import { clearOfCuts, onReceiver, placesOf, screwInto } from './places.js';
import { type Seat, seatsOf } from './seats.js';

/**
 * Turns joints into machining on both members: dadoes, recesses and rabbets in the receiving part, screw, dowel and tenon
 * holes on the centre line of what joins, pocket holes in what joins. A joint that finds nothing to join is left alone; a
 * finding says so.
 */
export function machineJoints(
  parts: readonly Part[],
  joints: readonly Joint[],
  resolved: Resolved,
): { parts: Part[]; screwLines: Map<string, Operation[]> } {
  const added = new Map<string, Operation[]>();
  const screwLines = new Map<string, Operation[]>();
  const addTo = (lists: Map<string, Operation[]>, key: string, operation: Operation) => {
    const list = lists.get(key);
    if (list) list.push(operation);
    else lists.set(key, [operation]);
  };
  const lines = new Map<string, FacingLine[]>();
  const byKey = new Map(parts.map((part) => [part.key, part]));
  const receiving = parts.filter(({ receives }) => receives);
  for (const decided of joints) {
    const member = decided.member && byKey.get(decided.member.key);
    for (const seat of seatsOf(decided, receiving)) {
      const wanted = whereItShows(decided, seat, resolved);
      const cut = added.get(seat.part.key) ?? [];
      const { joint, places } = clearOfOtherFace(wanted, seat, lines, cut, resolved);
      const made = machineJoint(joint, seat, member, resolved, places);
      for (const operation of made.receiver) addTo(added, seat.part.key, operation);
      for (const operation of made.member) if (joint.member) addTo(added, joint.member.key, operation);
      if (made.notched) addTo(added, made.notched.key, made.notched.notch);
      const path = screwPath(joint, seat, member, resolved, places);
      if (path) addTo(screwLines, path.key, path.operation);
    }
  }
  return {
    parts: parts.map((part) => {
      const more = added.get(part.key);
      return withMore(part, more);
    }),
    screwLines,
  };
}

/**
 * Screws by the shop's standard would show in the outside of an exposed end: there it is pocket screws from the face of
 * what joins that nobody sees, or dowels where it has none.
 */
function whereItShows(joint: Joint, { part }: Seat, resolved: Resolved): Joint {
  const { kind, standard, member } = joint;
  if (kind !== 'screws' || !standard || !member || part.role !== 'side') return joint;
  if (!endShows(part.hand ?? 'left', resolved)) return joint;
  return { ...joint, kind: member.pocketsShow ? 'dowels' : 'pocket' };
}

/**
 * A joint as it can be made on a panel to whose other face something may be joined already, and where its fasteners stand
 * from its start, clear of what is cut there.
 */
function clearOfOtherFace(
  wanted: Joint,
  seat: Seat,
  lines: Map<string, FacingLine[]>,
  cut: readonly Operation[],
  { settings }: Resolved,
): { joint: Joint; places: readonly Dim[] } {
  const half = halfOf(wanted.kind, settings);
  if (half === undefined) return { joint: wanted, places: [] };
  if (!wanted.member || wanted.runs === 'along')
    return { joint: wanted, places: clearOfCuts(wanted, seat, placesOf(wanted, seat, settings), cut, settings) };
  const known = lines.get(seat.part.key) ?? [];
  lines.set(seat.part.key, known);
  const facing = facingLines(known, seat.face, wanted);
  const joint = facing.length > 0 ? { ...wanted, kind: kindFacing(wanted.kind) } : wanted;
  const own = halfOf(joint.kind, settings) ?? half;
  const start = joint.front.value + seat.start.value;
  const there = facing.flatMap((line) => line.positions.map((at) => ({ at: at - start, half: line.half })));
  const usual = placesOf(joint, seat, settings);
  const places =
    there.length > 0
      ? movedClear([usual, placesOf(wanted, seat, settings)], seat.depth, own, there)
      : clearOfCuts(joint, seat, usual, cut, settings);
  known.push({
    face: seat.face,
    from: joint.level.value,
    to: joint.level.value + joint.thickness.value,
    positions: places.map(({ value: mm }) => mm + start),
    half: own,
  });
  return { joint, places };
}

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
  const diameter = SCREW_WAY;
  const by: By = { kind: 'joint', what: 'way' };
  if (joint.kind === 'screws') {
    const { reach: depth } = screwInto(seat.part, joint.member.end, member, fasteners);
    if (depth.value <= 0) return undefined;
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
  const by = (start.value === 0 ? begins : begins.plus(start)).minus(own);
  return {
    edge: end,
    offset,
    positions:
      Math.abs(by.value) < SAME_PLANE ? places : places.map((place) => place.plus(by).as('position along the end')),
  };
}

function machineJoint(
  joint: Joint,
  seat: Seat,
  member: Part | undefined,
  { settings }: Resolved,
  places: readonly Dim[],
): { receiver: Operation[]; member: Operation[]; notched?: ReturnType<typeof notchedFor> } {
  const { fasteners } = settings;
  const { reason, holds } = joint;
  const { part, face } = seat;
  const by: By = { kind: 'joint', what: joint.kind };
  if (joint.kind === 'dado' || joint.kind === 'rabbet') {
    if (joint.engagement.value <= 0) return { receiver: [], member: [] };
    const stop = stopShort(joint, part, settings);
    return { receiver: [cutIn(joint, part, face, stop)], member: [], notched: notchedFor(joint, part, stop) };
  }
  const inReceiver = () => onReceiver(joint, seat, places);
  const inEnd = () => (joint.member && member ? inMember(joint, joint.member, member, seat, places) : undefined);
  switch (joint.kind) {
    case 'screws': {
      const { length, reach } = screwInto(part, joint.member?.end, member, fasteners);
      const sized = { size: { length }, reach };
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
            fastens: {
              kind: 'screw',
              use: CONSTRUCTION,
              into: joint.member?.key ?? holds,
              inEdge: true,
              ...sized,
            },
          },
        ],
        member: [],
      };
    }
    case 'pocket': {
      const end = inEnd();
      if (!joint.member || !member || !end) return { receiver: [], member: [] };
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
            fastens: pocketScrew(member.thickness, fasteners, part.key),
          },
        ],
      };
    }
    case 'dowels': {
      const bored = { diameter: fasteners.dowel, reason: `dowels: ${reason}`, by };
      const end = inEnd();
      const { dowelInFace: inFace, dowelInEnd: depth } = fasteners;
      const fastens = dowel({ diameter: fasteners.dowel, inFace, inEnd: depth }, part.key);
      return {
        receiver: [{ kind: 'holes', face, ...inReceiver(), depth: inFace, ...bored, holds }],
        member: end ? [{ kind: 'edge holes', ...end, depth, ...bored, fastens }] : [],
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
    }
  }
}
