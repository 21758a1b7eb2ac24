import type { ResolvedSettings } from '../../decisions/index.js';
import { type Dim, largest, measuredFrom } from '../../ground/index.js';
import {
  atPlaces,
  edgeOf,
  fastenersAlong,
  type Operation,
  placeRow,
  SCREW_WAY,
  sizeOf,
  takenAlong,
} from '../../part/index.js';
import { type Joint, jointOf, type OnPart, type Seat, screwInEnd } from '../joints/index.js';

/** Where the fasteners of a joint stand, from its start: dowels and pocket screws closer than the rest. */
export function placesOf(joint: Joint, { depth, part }: Seat, settings: ResolvedSettings): Dim[] {
  const { fasteners } = settings;
  const { fastened } = jointOf(joint.kind);
  const spacing = joint.spacing ?? (fastened?.close ? fasteners.pocketSpacing : fasteners.spacing);
  const half = fastened?.glued ? fastened.half(settings) : 0;
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
  const { fastened } = jointOf(joint.kind);
  if (!fastened) return usual;
  const half = fastened.half(settings);
  const { part } = seat;
  const { from, offset, positions } = onReceiver(joint, seat, usual);
  const by = (positions[0]?.value ?? 0) - (usual[0]?.value ?? 0);
  const into = fastened.bores(seat, settings);
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
    least: fastened.least ?? usual.length,
  });
  return placed.ok ? atPlaces(usual, placed.places, 'moved clear of what is cut there') : usual;
}
