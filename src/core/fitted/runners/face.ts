import { type Dim, length, type Span } from '../../derive/index.js';
import type { Resolved } from '../../document/index.js';
import type { Front } from '../../fronts/index.js';
import { type Operation, SCREW_WAY } from '../../machining/index.js';
import { alongPart, type Part } from '../../parts/index.js';
import { fromSheet } from '../profile.js';
import type { PlacedPull } from '../pulls/index.js';
import type { BoxParts } from './box.js';
import type { DrawerRoom } from './room.js';

/** A wider face has four screws (mm). */
const FOUR_OVER = 600;
/** Screws of the face keep so far from a pull's hole (mm), and are moved by this. */
const CLEAR_OF_PULL = 22;
/** What stays of the face before the point of a screw (mm). */
const SHORT_OF_FACE = length(3, 'short of the face');
/** A screw holds at most so deep in a face (mm). */
const IN_FACE = 15;

/** What fixes the face to the box: screws from inside, and the holes of its pull through both. */
export interface Face {
  readonly operations: readonly (readonly [key: string, operation: Operation])[];
  readonly ways: readonly (readonly [key: string, operation: Operation])[];
}

export function fixFace(room: DrawerRoom, box: BoxParts, pulls: readonly PlacedPull[], { settings }: Resolved): Face {
  const [, , boxFront] = box.all;
  if (!boxFront) return { operations: [], ways: [] };
  const { front } = room;
  // An inner drawer or a tray has its own front and no face before it.
  if (!front) return { operations: [], ways: [] };
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
  const ways: (readonly [string, Operation])[] = [];
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
      },
    ]);
    for (const part of front.parts) {
      const inside = places.filter((at) => lies(part, at.mm, z.mm));
      if (inside.length === 0) continue;
      const most = part.thickness.minus(SHORT_OF_FACE).as('screw in the face');
      ways.push([
        part.key,
        {
          kind: 'holes',
          face: 2,
          ...on(part, z, inside),
          diameter: SCREW_WAY,
          depth: most.mm < IN_FACE ? most : length(IN_FACE, 'screw in the face'),
          reason: 'way of the screws: drawer face',
          by: { kind: 'box', what: 'face', front: front.key },
        },
      ]);
    }
  }
  for (const { x: at, z, profile } of bores)
    if (lies(boxFront, at.mm, z.mm))
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
  return { operations, ways };
}

/** Higher box fronts have three rows (mm). */
const TALL = 350;
/** Lower boxes have one row of screws (mm). */
const LEAST_FOR_TWO_ROWS = 110;
/** Screws of the face begin beyond those of the corners (mm); in what is narrower than twice that in the middle. */
const BEYOND_CORNERS = 38;
/** A member of a framed face that laps the inside of the box by less holds no screw (mm). */
const LEAST_LAP = 14;

/** Where screws through stiles may stand, as shares of the height, and how far two are apart (mm). */
const FRAMED_HEIGHTS = [0.36, 0.42, 0.3, 0.48, 0.54, 0.6, 0.66, 0.72, 0.78, 0.84];
const APART = 40;
const FROM_CORNER_SCREW = 10;

/** The stiles lie before the ends of the box front, where the corner screws go in. */
function clearOfCorners(z: Dim, { ways, low }: BoxParts, { key, machining }: Part): boolean {
  return [...ways, ...machining.map((operation) => [key, operation] as const)].every(
    ([part, way]) =>
      part !== key ||
      way.kind !== 'edge holes' ||
      way.positions.every(({ mm }) => Math.abs(low.mm + mm - z.mm) >= FROM_CORNER_SCREW),
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
  const two = high.mm - low.mm > LEAST_FOR_TWO_ROWS;
  if (!slab && stiles.length > 0) {
    const columns = stiles.flatMap(({ stands: { x } }): Dim[] => {
      const from = x.low.mm > box.inner.low.mm ? x.low : box.inner.low;
      const to = x.high.mm < box.inner.high.mm ? x.high : box.inner.high;
      return to.mm - from.mm < LEAST_LAP ? [] : [from.plus(to.minus(from).over(2)).as('middle of the stile’s lap')];
    });
    if (columns.length === 0) return [];
    const heights = FRAMED_HEIGHTS.map(at).filter((z) => clearOfCorners(z, box, boxFront));
    const [first = at(1 / 2)] = heights;
    const second = two ? heights.find((z) => z.mm - first.mm > APART) : undefined;
    return [first, ...(second ? [second] : [])].map((z) => ({ z, places: columns }));
  }
  const { size } = box.inner;
  const wide = size.mm > FOUR_OVER;
  const shares = size.mm < 3 * BEYOND_CORNERS ? [1 / 2] : wide && !two ? [1 / 8, 3 / 8, 5 / 8, 7 / 8] : [1 / 6, 5 / 6];
  const tall = high.mm - low.mm > TALL;
  const heights = tall ? [0.12, 0.5, 0.88] : (wide && two) || shares.length === 1 ? [0.45, 0.8] : [0.5];
  const rows = heights.map(at);
  return rows.map((z) => ({
    z,
    places: shares.map((share) => {
      const place = box.inner.low.plus(size.times(share)).as('screw of the face');
      return clearOf(place, z, box.inner, bores);
    }),
  }));
}

/** Moved towards the middle until no pull is bored where it goes, and it stands beyond the corner screws. */
function clearOf(place: Dim, z: Dim, inner: Span, bores: readonly Bored[]): Dim {
  const inwards = place.mm < inner.low.mm + inner.size.mm / 2 ? 1 : -1;
  const free = (x: number) =>
    (inner.size.mm < 2 * BEYOND_CORNERS ||
      (x >= inner.low.mm + BEYOND_CORNERS && x <= inner.high.mm - BEYOND_CORNERS)) &&
    bores.every((bore) => Math.hypot(bore.x.mm - x, bore.z.mm - z.mm) >= CLEAR_OF_PULL);
  const by = MOVES.find((move) => free(place.mm + inwards * move));
  return by ? place.plus(length(inwards * by, 'clear of pull and corner')).as('screw of the face') : place;
}

/** In steps towards the middle, then back (mm). */
const MOVES = [0, 8, 16, 24, 32, 40, 48, -8, -16, -24, -32];

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
