import type { JointKind, ResolvedSettings } from '../../decisions/index.js';
import { type Dim, largest, measuredFrom } from '../../ground/index.js';
import {
  atPlaces,
  type EdgeReference,
  edgeOf,
  fastenersAlong,
  longestIn,
  type Operation,
  type PanelFace,
  type Part,
  placeRow,
  SCREW_WAY,
  sizeOf,
  takenAlong,
} from '../../part/index.js';
import type { Joint } from '../builder/index.js';
import { halfOf } from './facing.js';
import type { Seat } from './seats.js';

/**
 * The screw of the box through a part into an end or an edge of what joins, and how far it goes in there; shorter where
 * that is narrower than the screw is long.
 */
export function screwInto(
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

/** Where the fasteners of a joint stand, from its start: dowels and pocket screws closer than the rest. */
export function placesOf(joint: Joint, { depth, part }: Seat, settings: ResolvedSettings): Dim[] {
  const { fasteners } = settings;
  const close = joint.kind === 'pocket' || joint.kind === 'dowels';
  const spacing = joint.spacing ?? (close ? fasteners.pocketSpacing : fasteners.spacing);
  // What is glued into its holes wants wood beside it; screws are thin.
  const half = joint.kind === 'dowels' || joint.kind === 'tenons' ? (halfOf(joint.kind, settings) ?? 0) : 0;
  // Screws along an edge begin beyond the reach of those in its ends.
  const onEdge = joint.member?.end.startsWith('v') === true;
  const first = onEdge ? largest(fasteners.first, fasteners.screwLength) : fasteners.first;
  return fastenersAlong(joint.runs === 'along' ? joint.thickness : depth, {
    first,
    spacing,
    half,
    ...(onEdge ? { beyond: screwInEnd(part.thickness, fasteners).value + SCREW_WAY.value / 2 } : {}),
  });
}

interface OnPart {
  readonly from: EdgeReference;
  readonly offset: Dim;
  readonly positions: readonly Dim[];
}

/** The line of fasteners on the receiving part: along its depth, or for what joins on edge along its length. */
export function onReceiver(joint: Joint, { part, start }: Seat, places: readonly Dim[]): OnPart {
  const level = measuredFrom(joint.level, edgeOf(part, 'u0'));
  const front = measuredFrom(joint.front, edgeOf(part, 'v0'));
  const moved = (by: Dim) =>
    by.value === 0 ? places : places.map((place) => place.plus(by).as('position along the joint'));
  if (joint.runs === 'along')
    return {
      from: 'v0',
      offset: front.plus(joint.depth.over(2)).as('centre line of the joint'),
      positions: moved(level),
    };
  return {
    from: 'u0',
    offset: level.plus(joint.thickness.over(2)).as('centre line of the joint'),
    positions: moved(start.value === 0 ? front : front.plus(start)),
  };
}

/** Fasteners moved clear of a cut stand so far apart, and so far from the ends of the joint, beside their own half (mm). */
const APART = 16;
const FROM_END = 8;
const BESIDE = 3;

/** The same fasteners, moved along the joint where they would come into what is cut in the receiving part; as they were where there is no room for all of them. */
export function clearOfCuts(
  joint: Joint,
  seat: Seat,
  usual: readonly Dim[],
  cut: readonly Operation[],
  settings: ResolvedSettings,
): readonly Dim[] {
  const { fasteners } = settings;
  const half = halfOf(joint.kind, settings) ?? 0;
  const { part, face } = seat;
  const { from, offset, positions } = onReceiver(joint, seat, usual);
  const by = (positions[0]?.value ?? 0) - (usual[0]?.value ?? 0);
  const other: PanelFace = face === 1 ? 2 : 1;
  const into: Readonly<Record<JointKind, { face: PanelFace; depth: number } | undefined>>[JointKind] = {
    screws: { face: other, depth: part.thickness.value },
    pocket: { face, depth: fasteners.pocketReach.value },
    dowels: { face, depth: fasteners.dowelInFace.value },
    tenons: { face, depth: fasteners.tenonDepth.value },
    dado: undefined,
    rabbet: undefined,
  }[joint.kind];
  if (!into) return usual;
  const bore = {
    ...into,
    depth: Math.min(into.depth, part.thickness.value),
    diameter: 2 * half,
    beside: BESIDE,
    behind: 0,
  } as const;
  const taken = takenAlong(
    [...part.machining, ...cut],
    sizeOf(part),
    bore,
    from === 'v0' ? 'u' : 'v',
    offset.value,
  ).map(([low, high]) => [low - by, high - by] as const);
  if (usual.every(({ value: mm }) => taken.every(([low, high]) => mm <= low || mm >= high))) return usual;
  const long = joint.runs === 'along' ? joint.thickness.value : seat.depth.value;
  const placed = placeRow({
    regular: usual.map(({ value: mm }) => mm),
    within: [FROM_END + half, long - FROM_END - half],
    apart: 2 * half + APART,
    taken,
    // A tenon is wide: one alone keeps its part from turning. Of any other fastener none may go.
    least: joint.kind === 'tenons' ? 1 : usual.length,
  });
  return placed.ok ? atPlaces(usual, placed.places, 'moved clear of what is cut there') : usual;
}
