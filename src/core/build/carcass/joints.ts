import type { Resolved } from '../../decisions/index.js';
import type { Dim } from '../../ground/index.js';
import { edgeOf, type Operation, type Part, SAME_PLANE, withMore } from '../../part/index.js';
import { type InEnd, type Joint, jointOf, type Making, type Seat } from '../joints/index.js';
import { endShows } from './ends.js';
import { type FacingLine, facingLines, movedClear } from './facing.js';
import { clearOfCuts, onReceiver, placesOf } from './places.js';
import { seatsOf } from './seats.js';

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
      const { fastened, make } = jointOf(joint.kind);
      const making: Making = {
        joint,
        seat,
        member,
        settings: resolved.settings,
        onReceiver: () => onReceiver(joint, seat, places),
        inEnd: () => (joint.member && member ? inMember(joint, joint.member, member, seat, places) : undefined),
      };
      const made = make(making);
      for (const operation of made.receiver) addTo(added, seat.part.key, operation);
      for (const operation of made.member) if (joint.member) addTo(added, joint.member.key, operation);
      if (made.notched) addTo(added, made.notched.key, made.notched.notch);
      const path = fastened?.way?.(making);
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

/** What by the shop's standard would show in the outside of an exposed end is made there so that it does not. */
function whereItShows(joint: Joint, { part }: Seat, resolved: Resolved): Joint {
  const { standard, member } = joint;
  const { hidden } = jointOf(joint.kind);
  if (!hidden || !standard || !member || part.role !== 'side') return joint;
  return endShows(part.hand ?? 'left', resolved) ? { ...joint, kind: hidden(member) } : joint;
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
  const half = jointOf(wanted.kind).fastened?.half(settings);
  if (half === undefined) return { joint: wanted, places: [] };
  if (!wanted.member || wanted.runs === 'along')
    return { joint: wanted, places: clearOfCuts(wanted, seat, placesOf(wanted, seat, settings), cut, settings) };
  const known = lines.get(seat.part.key) ?? [];
  lines.set(seat.part.key, known);
  const facing = facingLines(known, seat.face, wanted);
  const { second = wanted.kind } = jointOf(wanted.kind);
  const joint = facing.length > 0 ? { ...wanted, kind: second } : wanted;
  const own = jointOf(joint.kind).fastened?.half(settings) ?? half;
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

/** Holes in the end or edge of what joins: along its middle line, from its own first edge. */
function inMember(
  joint: Joint,
  { end }: NonNullable<Joint['member']>,
  member: Part,
  { start }: Seat,
  places: readonly Dim[],
): InEnd {
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
