import type { Front } from '../../build/index.js';
import { type Dim, length, type Span, smallest } from '../../ground/index.js';
import {
  alongPart,
  atPlaces,
  type Fastens,
  type Operation,
  type Part,
  placeRow,
  SCREW_WAY,
  sizeOf,
  soldUpTo,
  takenAlong,
} from '../../part/index.js';
import { fromSheet } from '../profile.js';
import type { PlacedPull } from '../pulls/index.js';
import type { BoxParts } from './box.js';
import type { DrawerRoom } from './room.js';
import type { RunnerResolved } from './settings.js';

/** A wider face has four screws (mm). */
const FOUR_OVER = 600;
/** Screws of the face keep so far from a pull's hole (mm), and are moved by this. */
const CLEAR_OF_PULL = 22;
/** What stays of the face before the point of a screw (mm). */
const SHORT_OF_FACE = length(3, 'short of the face');
const NOTHING = length(0, 'nothing before it');
/** A screw holds at most so deep in a face (mm). */
const IN_FACE = 15;

/** What fixes the face to the box: screws from inside, and the holes of its pull through both. */
export interface FaceFixing {
  readonly operations: readonly (readonly [key: string, operation: Operation])[];
  readonly screwLines: readonly (readonly [key: string, operation: Operation])[];
}

export function fixFace(
  room: DrawerRoom,
  box: BoxParts,
  pulls: readonly PlacedPull[],
  { settings }: RunnerResolved,
): FaceFixing {
  const [, , boxFront] = box.all;
  if (!boxFront) return { operations: [], screwLines: [] };
  const { front } = room;
  // An inner drawer or a tray has its own front and no face before it.
  if (!front) return { operations: [], screwLines: [] };
  const bores = pulls
    .filter(({ frontKey }) => frontKey === front.key)
    .flatMap(({ holes, profile }) =>
      holes.map(({ across, up }) => ({
        x: front.h.low.plus(across).as('pull hole'),
        z: front.v.low.plus(up).as('pull hole'),
        profile,
      })),
    );
  const rows = screwRows(front, box, boxFront, bores);
  const operations: (readonly [string, Operation])[] = [];
  const screwLines: (readonly [string, Operation])[] = [];
  for (const { z, places } of rows) {
    operations.push([
      boxFront.key,
      {
        kind: 'holes',
        face: 1,
        ...on(boxFront, z, places),
        diameter: settings.fasteners.pilot,
        reason: 'screws of the drawer face, from inside',
        by: { kind: 'box', what: 'face', front: front.key },
        holds: front.key,
        fastens: faceScrew(boxFront, z, places, front.parts, settings.fasteners.screwStep),
      },
    ]);
    for (const part of front.parts) {
      const inside = places.filter((at) => lies(part, at.value, z.value));
      if (inside.length === 0) continue;
      screwLines.push([
        part.key,
        {
          kind: 'holes',
          face: 2,
          ...on(part, z, inside),
          diameter: SCREW_WAY,
          depth: depthIn(part),
          reason: 'way of the screws: drawer face',
          by: { kind: 'box', what: 'face', front: front.key },
        },
      ]);
    }
  }
  for (const { x: at, z, profile } of bores)
    if (lies(boxFront, at.value, z.value))
      operations.push([
        boxFront.key,
        {
          kind: 'holes',
          face: 1,
          ...on(boxFront, z, [at]),
          diameter: fromSheet(profile, 'hole', 'pull hole'),
          reason: 'pull, through front and box after the front is set',
          by: { kind: 'pulls', front: front.key },
        },
      ]);
  return { operations, screwLines };
}

/** The screws of a row, each into the member of the face before it: as long as box front and face allow. */
function faceScrew(boxFront: Part, z: Dim, places: readonly Dim[], members: readonly Part[], step: Dim): Fastens {
  const before = places.map((at) => members.find((part) => lies(part, at.value, z.value)));
  const reaches = before.flatMap((part) => (part ? [depthIn(part)] : []));
  const most = boxFront.thickness.plus(smallest(...(reaches.length > 0 ? reaches : [NOTHING])));
  const long = soldUpTo(most.as('screw of the face, at most'), step);
  return {
    kind: 'screw',
    use: 'drawer faces, from inside',
    headed: 'pan head, with washer',
    size: { length: long },
    into: before.map((part) => part?.key ?? ''),
    reach: long.minus(boxFront.thickness).as('screw in the face'),
  };
}

/** Higher box fronts have three rows (mm). */
const TALL = 350;
/** Lower boxes have one row of screws (mm). */
const LEAST_FOR_TWO_ROWS = 110;
/** Screws of the face begin beyond those of the corners (mm); in what is narrower than twice that in the middle. */
const BEYOND_CORNERS = 38;
/** How deep a screw goes into a member of the face. */
function depthIn(part: Part): Dim {
  const most = part.thickness.minus(SHORT_OF_FACE).as('screw in the face');
  return most.value < IN_FACE ? most : length(IN_FACE, 'screw in the face');
}

/** A screw through a stile's lap stands so far from its ends, or in a narrow one so that its head just clears the side of the box; and leaves so much beside what is cut there (mm). */
const FROM_LAP = [7, 5] as const;
const BESIDE = 2;

/** Where screws through stiles are wanted, as shares of the height, the best first; all between; how far two are apart (mm). */
const WANTED_HEIGHTS = [0.36, 0.42, 0.3, 0.48, 0.54, 0.6, 0.66, 0.72, 0.78, 0.84];
const HEIGHTS_BETWEEN = Array.from({ length: 39 }, (_, at) => 0.12 + at * 0.02);
const APART = 40;
const FROM_CORNER_SCREW = 10;
const FROM_GROOVE = 5;

/** The stiles lie before the ends of the box front, where the corner screws go in; its bottom runs in a groove. */
function clearOfBox(z: Dim, { screwLines, low }: BoxParts, { key, machining }: Part): boolean {
  const up = z.value - low.value;
  const inGroove = machining.some(
    (each) =>
      each.kind === 'groove' &&
      up > each.offset.value - FROM_GROOVE &&
      up < each.offset.value + each.width.value + FROM_GROOVE,
  );
  if (inGroove) return false;
  return [...screwLines, ...machining.map((operation) => [key, operation] as const)].every(
    ([part, way]) =>
      part !== key ||
      way.kind !== 'edge holes' ||
      way.positions.every(({ value: mm }) => Math.abs(low.value + mm - z.value) >= FROM_CORNER_SCREW),
  );
}

interface Bored {
  readonly x: Dim;
  readonly z: Dim;
}

interface Row {
  readonly z: Dim;
  readonly places: readonly Dim[];
}

/** The rows of screws: through a slab near both ends, four in a wide one; through the stiles of a framed face. */
function screwRows(front: Front, box: BoxParts, boxFront: Part, bores: readonly Bored[]): Row[] {
  const stiles = front.parts.filter(({ piece }) => piece?.kind === 'stile');
  const slab = front.parts.find(({ piece }) => !piece || piece.kind === 'slab');
  const { low, high } = boxFront.stands.z;
  const at = (share: number) => low.plus(high.minus(low).times(share)).as('height of the screws');
  const two = high.value - low.value > LEAST_FOR_TWO_ROWS;
  if (!slab && stiles.length > 0) {
    const freeIn = (shares: readonly number[]) =>
      shares
        .map(at)
        .filter((z) => clearOfBox(z, box, boxFront))
        .map((z) => ({ z, places: stiles.flatMap((stile) => placeInLap(stile, z, box.inner)) }));
    const wanted = freeIn(WANTED_HEIGHTS);
    // All between are looked at only where the wanted ones do not do.
    const found =
      rowsAmong(wanted, two, stiles.length) ?? rowsAmong([...wanted, ...freeIn(HEIGHTS_BETWEEN)], two) ?? [];
    if (found.length > 0) return found;
    // Where none is free the middle of the laps says what is in the way.
    const middles = stiles.flatMap((stile) => lapOf(stile, box.inner)?.middle ?? []);
    return middles.length > 0 ? [{ z: at(1 / 2), places: middles }] : [];
  }
  const { size } = box.inner;
  const wide = size.value > FOUR_OVER;
  const shares =
    size.value < 3 * BEYOND_CORNERS ? [1 / 2] : wide && !two ? [1 / 8, 3 / 8, 5 / 8, 7 / 8] : [1 / 6, 5 / 6];
  const tall = high.value - low.value > TALL;
  const heights = tall ? [0.12, 0.5, 0.88] : (wide && two) || shares.length === 1 ? [0.45, 0.8] : [0.5];
  const rowAt = (height: number) => {
    const z = at(height);
    const usual = shares.map((share) => box.inner.low.plus(size.times(share)).as('screw of the face'));
    const clear = clearOfPulls(usual, z, box.inner, bores);
    return { z, places: clear ?? usual, clear: clear !== undefined };
  };
  // Where there is no room beside a pull there is above or below it.
  const found: Row[] = [];
  for (const height of heights) {
    const apart = ({ z }: Row) => found.every((row) => Math.abs(row.z.value - z.value) > APART / 2);
    const usual = rowAt(height);
    found.push(
      usual.clear
        ? usual
        : (UP_OR_DOWN.map((by) => height + by)
            .filter((share) => share > LOWEST_ROW && share < HIGHEST_ROW)
            .map(rowAt)
            .find((row) => row.clear && apart(row)) ?? usual),
    );
  }
  return found.map(({ z, places }) => ({ z, places }));
}

/** Other heights of a row, as shares of the box's, the nearest first, and between which they lie. */
const UP_OR_DOWN = [0.08, -0.08, 0.16, -0.16, 0.24, -0.24, 0.32, -0.32];
const LOWEST_ROW = 0.25;
const HIGHEST_ROW = 0.92;

/**
 * One or two rows among those that could be, the first that do, each with as many screws as any has; with `least` only
 * where that many are had, and two rows where two are wanted.
 */
function rowsAmong(rows: readonly Row[], two: boolean, least?: number): Row[] | undefined {
  const most = Math.max(0, ...rows.map(({ places }) => places.length));
  if (most < (least ?? 1)) return undefined;
  const free = rows.filter(({ places }) => places.length === most);
  for (const first of two ? free : []) {
    const second = free.find(({ z }) => Math.abs(z.value - first.z.value) > APART);
    if (second) return first.z.value < second.z.value ? [first, second] : [second, first];
  }
  const [only] = free;
  return only && !(two && least !== undefined) ? [only] : undefined;
}

interface Lap {
  readonly from: Dim;
  readonly to: Dim;
  readonly middle: Dim;
}

/** Where a stile laps the inside of the box, along x; undefined where it laps too little to hold a screw. */
function lapOf({ stands: { x } }: Part, inner: Span): Lap | undefined {
  const from = x.low.value > inner.low.value ? x.low : inner.low;
  const to = x.high.value < inner.high.value ? x.high : inner.high;
  if (to.value - from.value < 2 * FROM_LAP[1]) return undefined;
  return { from, to, middle: from.plus(to.minus(from).over(2)).as('middle of the stile’s lap') };
}

/** The place of a screw through a stile at a height: in the middle of its lap, or as near to it as nothing is cut. */
function placeInLap(stile: Part, z: Dim, inner: Span): Dim[] {
  const lap = lapOf(stile, inner);
  return lap ? firstOf(FROM_LAP, (fromLap) => placedIn(lap, fromLap, stile, z)) : [];
}

/** What the first of some gives that gives anything. */
function firstOf<T>(all: readonly T[], give: (each: T) => Dim[]): Dim[] {
  for (const each of all) {
    const given = give(each);
    if (given.length > 0) return given;
  }
  return [];
}

function placedIn(lap: Lap, fromLap: number, stile: Part, z: Dim): Dim[] {
  const upright = stile.placement.u.endsWith('z');
  const [along, across] = upright ? (['v', 'u'] as const) : (['u', 'v'] as const);
  const [low, high] = [alongPart(stile, along, lap.from).value, alongPart(stile, along, lap.to).value];
  const forward = high >= low ? 1 : -1;
  const middle = alongPart(stile, along, lap.middle).value;
  const bore = {
    face: 2,
    depth: depthIn(stile).value,
    diameter: SCREW_WAY.value,
    beside: BESIDE,
    behind: BESIDE,
  } as const;
  const placed = placeRow({
    regular: [middle],
    within: [Math.min(low, high) + fromLap, Math.max(low, high) - fromLap],
    apart: APART,
    taken: takenAlong(stile.machining, sizeOf(stile), bore, along, alongPart(stile, across, z).value),
    least: 1,
  });
  const [place] = placed.ok ? placed.places : [];
  if (place === undefined) return [];
  const by = (place - middle) * forward;
  return [Math.abs(by) < 0.001 ? lap.middle : lap.middle.plus(by).because('moved clear of what is cut there')];
}

/** Beyond the corner screws, and clear of every pull that is bored at their height; undefined where not all can be. */
function clearOfPulls(usual: readonly Dim[], z: Dim, { low, high }: Span, bores: readonly Bored[]): Dim[] | undefined {
  const taken = bores.flatMap(({ x, z: { value: mm } }) => {
    const beside = Math.sqrt(Math.max(0, CLEAR_OF_PULL ** 2 - (mm - z.value) ** 2));
    return beside > 0 ? [[x.value - beside, x.value + beside] as const] : [];
  });
  const ends = high.value - low.value < 2 * BEYOND_CORNERS ? 0 : BEYOND_CORNERS;
  const placed = placeRow({
    regular: usual.map(({ value: mm }) => mm),
    within: [low.value + ends, high.value - ends],
    apart: APART,
    furthest: FURTHEST,
    taken,
    least: usual.length,
  });
  return placed.ok ? atPlaces(usual, placed.places, 'clear of pull and corner') : undefined;
}

/** They are moved no further than this beside a pull (mm). */
const FURTHEST = 48;

function lies({ extent: { min, max } }: Part, x: number, z: number): boolean {
  return x > min[0] && x < max[0] && z > min[2] && z < max[2];
}

/** A row of holes at a height of the cabinet, on a part that stands upright. */
function on(
  part: Part,
  z: Dim,
  places: readonly Dim[],
): Pick<Extract<Operation, { kind: 'holes' }>, 'from' | 'offset' | 'positions'> {
  const upright = part.placement.u.endsWith('z');
  if (!upright)
    return {
      from: 'v0',
      offset: alongPart(part, 'v', z),
      positions: places.map((place) => alongPart(part, 'u', place)),
    };
  // Grain upright: a row across it stands at one distance along the length.
  return { from: 'u0', offset: alongPart(part, 'u', z), positions: places.map((place) => alongPart(part, 'v', place)) };
}
