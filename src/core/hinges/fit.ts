import type { Fitting } from '../carcass/index.js';
import { type Dim, plain, setting } from '../derive/index.js';
import type { Front } from '../fronts/index.js';
import type { HingeProfile, Resolved } from '../job/index.js';
import type { Box, Cell } from '../layout/index.js';
import type { EdgeReference, Operation } from '../machining/index.js';
import { type Extent, type Part, partExtent } from '../parts/index.js';
import { type HingeSolution, hingeCount, solutionId, solveHinge } from './solver.js';

/** One hinge on its door: the same height read on the door and on the case. */
export interface HingePlace {
  /** Cup centre above the door's lower edge. */
  readonly onDoor: Dim;
  /** Plate centre above the underside of the box; differs by where the door's lower edge lies. */
  readonly onCase: Dim;
  /** How far it was moved to keep clear (mm); undefined where nothing within reach was clear. */
  readonly moved: number | undefined;
}

/** A door with its hinges. */
export interface HungDoor {
  readonly front: Front;
  /** kg, of the door's own parts. */
  readonly weight: number;
  readonly wanted: Dim;
  readonly fit: HingeProfile['fit'];
  /** All there are, best first; empty when no profile reaches the overlay. */
  readonly solutions: readonly HingeSolution[];
  readonly chosen: HingeSolution | undefined;
  readonly places: readonly HingePlace[];
  /** The part the cups are bored in. */
  readonly bored: Part | undefined;
  /** True when the door is too small for two cups. */
  readonly tooSmall: boolean;
  /** The case part the plates are screwed to. */
  readonly carrier: Part | undefined;
  /** Machining to add, by part key. */
  readonly machining: ReadonlyMap<string, readonly Operation[]>;
}

/** Doors lower than this many end distances. */
const LOW_DOOR = 3;
/** Half of what a plate takes up and down beside a shelf (mm). */
const PLATE_HALF = 27;
/** Smaller doors cannot take two cups (mm). */
const LEAST_DOOR = { height: 160, width: 60 };
/** A hinge is moved no further than this to keep clear (mm). */
const MOST_MOVE = 60;

/** Chooses, places and bores the hinges of every door. */
export function hangDoors(
  fronts: readonly Front[],
  cells: readonly Cell[],
  parts: readonly Part[],
  box: Box,
  resolved: Resolved,
  profiles: readonly HingeProfile[],
): HungDoor[] {
  if (resolved.settings.hinges.kind.value === 'none') return [];
  return fronts.flatMap((front) => {
    const cell = cells.find((each) => each.opening.id === front.openingId);
    return front.hinged && front.overlay && cell
      ? [hang(front, front.hinged, cell, parts, box, resolved, profiles)]
      : [];
  });
}

function hang(
  front: Front,
  hinged: 'left' | 'right',
  cell: Cell,
  parts: readonly Part[],
  box: Box,
  resolved: Resolved,
  profiles: readonly HingeProfile[],
): HungDoor {
  const { settings } = resolved;
  const wanted = front.overlay as Dim;
  const plane = (hinged === 'left' ? cell.clear.h.low : cell.clear.h.high).mm;
  const carrier = carrierAt(parts, plane, front, hinged, settings.frame.fitted.value === 'fitted');
  const fit = fitOf(front, carrier, settings);
  const candidates = profiles.filter(
    (profile) =>
      profile.fit === fit &&
      profile.closing === settings.hinges.closing.value &&
      profile.opening >= settings.hinges.opening.mm,
  );
  const solutions = solveHinge(wanted.mm, candidates);
  const decided = settings.hinges.choice.value;
  const chosen = solutions.find((solution) => solutionId(solution) === decided) ?? solutions[0];
  const weight = front.parts.reduce(
    (sum, part) => sum + (part.length.mm * part.width.mm * part.thickness.mm * part.material.density) / 1e9,
    0,
  );
  const bored = boredPart(front, hinged);
  const tooSmall = front.v.size.mm < LEAST_DOOR.height || front.h.size.mm < LEAST_DOOR.width;
  const base = { front, weight, wanted, fit, solutions, chosen, carrier, bored, tooSmall };
  if (!chosen || !carrier || !bored || tooSmall) return { ...base, places: [], machining: new Map() };
  const count = hingeCount(chosen.profile, { height: front.v.size.mm, width: front.h.size.mm, weight });
  const places = placeHinges(front, count, obstacles(parts, plane), partExtent(carrier), resolved);
  return { ...base, places, machining: machiningOf(bored, hinged, chosen, clearPlaces(places), carrier, box) };
}

/** A slab is bored itself; a framed door in the stile on its hinge side, a trimmed one in its slab. */
function boredPart({ parts }: Front, hinged: 'left' | 'right'): Part | undefined {
  return (
    parts.find((part) => part.key.endsWith('/slab')) ??
    parts.find((part) => part.key.endsWith(`stile/${hinged}`)) ??
    parts[0]
  );
}

/** On a frame its own kind, whose plates fit a stile's edge; inset when the overlay is negative; half where a partition is shared; else full. */
function fitOf(front: Front, carrier: Part | undefined, settings: Resolved['settings']): HingeProfile['fit'] {
  if (settings.frame.fitted.value === 'fitted') return 'frame';
  if ((front.overlay?.mm ?? 0) < 0) return 'inset';
  return carrier?.role === 'partition' ? 'half' : 'full';
}

/** The upright whose face (or, in a frame, whose inner edge) lies at the edge of the opening and reaches the door. */
function carrierAt(
  parts: readonly Part[],
  plane: number,
  front: Front,
  hinged: 'left' | 'right',
  framed: boolean,
): Part | undefined {
  const middle = (front.v.low.mm + front.v.high.mm) / 2;
  return parts.find((part) => {
    const wanted = framed
      ? part.role === 'frame' && part.placement.u === '+z'
      : part.role === 'side' || part.role === 'partition';
    if (!wanted) return false;
    const { min, max } = partExtent(part);
    const face = hinged === 'left' ? max[0] : min[0];
    return Math.abs(face - plane) < 0.01 && middle > min[2] && middle < max[2];
  });
}

interface Obstacle {
  readonly from: number;
  readonly to: number;
}

/** What ends at the same upright: shelves, stretchers, frames, bottom and top. */
function obstacles(parts: readonly Part[], plane: number): Obstacle[] {
  return parts
    .filter(
      (part) =>
        part.placement.w[1] === 'z' && ['divider', 'shelf', 'bottom', 'top', 'stretcher', 'web'].includes(part.role),
    )
    .map((part) => partExtent(part))
    .filter(({ min, max }) => min[1] < 80 && min[0] < plane + 15 && max[0] > plane - 15)
    .map(({ min, max }) => ({ from: min[2], to: max[2] }));
}

/** First and last at the end distance, the rest equally between, then moved to keep clear. */
function placeHinges(
  front: Front,
  count: number,
  blocked: readonly Obstacle[],
  carrier: Extent,
  { settings }: Resolved,
): HingePlace[] {
  const { size, low } = front.v;
  const far = settings.hinges.endDistance;
  // A low door takes its hinges at its quarters instead.
  const end = size.mm >= LOW_DOOR * far.mm ? far : size.over(4).as('a quarter of the door');
  const spacing = size
    .minus(end.times(2))
    .over(plain(count - 1, 'spaces between hinges'))
    .as('hinge spacing');
  // The whole plate has to lie on what carries it, and beside what ends there.
  const clear = (z: number) =>
    z - PLATE_HALF >= carrier.min[2] &&
    z + PLATE_HALF <= carrier.max[2] &&
    blocked.every(({ from, to }) => z + PLATE_HALF <= from || z - PLATE_HALF >= to);
  return Array.from({ length: count }, (_, at): HingePlace => {
    const even = at === 0 ? end : at === count - 1 ? size.minus(end) : end.plus(spacing.times(at));
    const named = even.as('hinge above the lower edge of the door');
    const moved = clearMove(low.mm + named.mm, clear);
    const onDoor = moved
      ? named.plus(setting('moved to keep clear', moved, { kind: 'rule' })).as('hinge on the door')
      : named.as('hinge on the door');
    return { onDoor, onCase: low.plus(onDoor).as('plate on the case'), moved };
  });
}

/** Hinges with nothing clear within reach are not bored: the finding has to be settled first. */
function clearPlaces(places: readonly HingePlace[]): HingePlace[] {
  return places.filter((place) => place.moved !== undefined);
}

/** The smallest move, up or down, that is clear; undefined when none within reach is. */
function clearMove(z: number, clear: (z: number) => boolean): number | undefined {
  for (let move = 0; move <= MOST_MOVE; move += 1) {
    if (clear(z + move)) return move;
    if (clear(z - move)) return -move;
  }
  return undefined;
}

function machiningOf(
  door: Part,
  hinged: 'left' | 'right',
  { profile, offset }: HingeSolution,
  places: readonly HingePlace[],
  carrier: Part,
  box: Box,
): Map<string, Operation[]> {
  const { cup, plate } = profile;
  if (places.length === 0) return new Map();
  const fixed = (label: string, mm: number) =>
    setting(label, mm, { kind: 'profile', note: `${profile.maker}, ${profile.name}` });
  const reason = `hinge of ${(door.name.split(':')[0] ?? door.name).toLowerCase()}`;
  const result = new Map<string, Operation[]>();
  // Along the hinge edge: from the door's lower edge, whichever way its grain runs.
  const edge = doorEdge(door, hinged);
  const cupEdge = setting('cup offset', offset, { kind: 'here', note: 'from the hinge solver' });
  const centre = cupEdge.plus(fixed('cup diameter', cup.diameter).over(2)).as('cup centre from the hinge edge');
  const half = fixed('fixing holes apart', cup.fixingApart).over(2);
  result.set(door.key, [
    {
      kind: 'holes',
      face: 2,
      from: edge,
      offset: centre,
      positions: places.map((place) => place.onDoor),
      diameter: fixed('cup diameter', cup.diameter),
      depth: fixed('cup depth', cup.depth),
      reason: `cup: ${reason}`,
    },
    {
      kind: 'holes',
      face: 2,
      from: edge,
      offset: centre.plus(fixed('fixing holes further in', cup.fixingFurther)).as('fixing holes from the hinge edge'),
      positions: places.flatMap(({ onDoor }) => [
        onDoor.minus(half).as('fixing hole on the door'),
        onDoor.plus(half).as('fixing hole on the door'),
      ]),
      diameter: fixed('fixing hole', cup.fixingDiameter),
      depth: fixed('fixing hole depth', cup.fixingDepth),
      reason: `cup fixing: ${reason}`,
    },
  ]);
  const start = carrier.at?.u ?? setting('lower end', partExtent(carrier).min[2], { kind: 'rule' });
  const apart = fixed('plate holes apart', plate.apart).over(2);
  const heights = places.flatMap(({ onCase }) => {
    const onPart = start.mm === 0 ? onCase : onCase.minus(start);
    return [onPart.minus(apart).as('plate hole on the case'), onPart.plus(apart).as('plate hole on the case')];
  });
  const hole = {
    positions: heights,
    diameter: fixed('plate hole', plate.diameter),
    depth: fixed('plate hole depth', plate.depth),
    reason: `plate: ${reason}`,
  };
  const setback = fixed('plate holes behind the mounting plane', plate.setback);
  if (carrier.role === 'frame') {
    result.set(carrier.key, [{ kind: 'edge holes', edge: hinged === 'left' ? 'v1' : 'v0', offset: setback, ...hole }]);
    return result;
  }
  const plane = Math.max(0, box.mountingPlane.mm);
  const fromFront = (plane > 0 ? box.mountingPlane.plus(setback) : setback).as('plate holes from the front edge');
  // Both faces of a partition may carry plates; a side has its inside face.
  const face = carrier.role === 'partition' && hinged === 'right' ? 1 : carrier.role === 'partition' ? 2 : 1;
  result.set(carrier.key, [
    {
      kind: 'holes',
      face,
      from: 'v0',
      offset: carrier.at && carrier.at.v.mm !== 0 ? fromFront.minus(carrier.at.v) : fromFront,
      ...hole,
    },
  ]);
  return result;
}

/** The edge of a door's part that the hinges are on. */
function doorEdge(part: Part, hinged: 'left' | 'right'): EdgeReference {
  const along = part.placement.u === '+x' ? 'u' : 'v';
  return `${along}${hinged === 'left' ? 0 : 1}`;
}

/** Hinges and plates to buy, counted by kind. */
export function hingeFittings(doors: readonly HungDoor[]): Fitting[] {
  const counts = new Map<string, Fitting>();
  for (const { chosen, places } of doors) {
    if (!chosen || places.length === 0) continue;
    const { profile, plate } = chosen;
    const name = `Hinge ${profile.name}, plate ${plate}`;
    const known = counts.get(name);
    counts.set(name, { name, quantity: (known?.quantity ?? 0) + places.length, note: profile.maker });
  }
  return [...counts.values()];
}
