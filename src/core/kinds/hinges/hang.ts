import { type Box, type Cell, type Fitting, type Front, lippedClearance } from '../../build/index.js';
import type { BuiltCabinet, Turn } from '../../cabinet/index.js';
import { byStandard, type Dim, length } from '../../ground/index.js';
import {
  isFrameStile,
  isUpright,
  mayFace,
  movesTaken,
  type Operation,
  type Part,
  sizeOf,
  uprightAt,
} from '../../part/index.js';
import { fromSheet } from '../profile.js';
import type { PlacedPull } from '../pulls/index.js';
import type { HingeContext } from './context.js';
import { familyOf } from './families/index.js';
import type { BoringContext } from './family.js';
import type { HingeWish, HungDoor } from './hung.js';
import { heightsFree, type PlaceContext, placeHinges } from './places.js';
import type { HingeProfile } from './profile.js';
import type { HingeResolved } from './settings.js';
import { type HingeSolution, leastGap } from './solution.js';
import { bestSolution, hingeCount, solutionId, solutionsFor } from './solver.js';
import { type Considered, narrow } from './wish.js';

/** Smaller doors cannot take two hinges (mm). */
const LEAST_DOOR = { height: 160, width: 60 };

/** A door as it was hung, with what has to be bored for it. */
export interface Hanging {
  readonly door: HungDoor;
  readonly machining: ReadonlyMap<string, readonly Operation[]>;
}

/** Chooses, places and bores the hinges of every door. */
export function hangDoors(
  context: HingeContext,
  pulls: readonly PlacedPull[],
  profiles: readonly HingeProfile[],
): Hanging[] {
  if (context.resolved.settings.hinges.family.value === 'none') return [];
  const plates = new Set<number>();
  const before: Hanging[] = [];
  return context.fronts.flatMap((front) => {
    const cell = context.cells.find((each) => each.opening.id === front.openingId);
    if (!front.hinged || !front.overlay || !cell) return [];
    const pull = pulls.find((each) => each.frontKey === front.key);
    const hanging = hang({ front, hinged: front.hinged, cell, pull }, context, profiles, plates, before);
    before.push(hanging);
    const { chosen } = hanging.door;
    if (chosen?.kind === 'concealed') plates.add(chosen.plate);
    return [hanging];
  });
}

interface Unhung {
  readonly front: Front;
  readonly hinged: 'left' | 'right';
  readonly cell: Cell;
  readonly pull: PlacedPull | undefined;
}

function hang(
  { front, hinged, cell, pull }: Unhung,
  { parts, box, resolved, grid, strips }: HingeContext,
  profiles: readonly HingeProfile[],
  plates: ReadonlySet<number>,
  before: readonly Hanging[],
): Hanging {
  const { settings } = resolved;
  const plane = (hinged === 'left' ? cell.clear.h.low : cell.clear.h.high).value;
  const carrier = carrierAt(parts, plane, front, hinged, settings.frame.fitted.value === 'fitted');
  const wish = wishOf(front, hinged, carrier, settings);
  const solutions = solutionsOf(wish, profiles);
  const decided = settings.hinges.choice.value;
  const chosen =
    (decided === 'auto' ? undefined : solutions.find((solution) => solutionId(solution) === decided)) ??
    bestSolution(
      solutions,
      plates,
      ({ profile, offset }) => leastGap(profile, box.frontThickness.value, offset) <= wish.gap.value + 1e-6,
    );
  const bored = boredPart(front, hinged);
  const weight = pull
    ? front.weight.plus(fromSheet(pull.profile, 'weight', 'weight of the pull', 'kg')).as('weight with its pull')
    : front.weight;
  const tooSmall = front.v.size.value < LEAST_DOOR.height || front.h.size.value < LEAST_DOOR.width;
  const opening = Math.min(chosen?.profile.opening ?? 180, settings.hinges.stopAt.value);
  const limited =
    byStandard(settings.hinges.stopAt) &&
    opening > SQUARE &&
    toWall(front, hinged, box, resolved.given) < sweptAt(opening, front, box, pull);
  const stopAngle = limited ? SQUARE : opening;
  const base = { front, hinged, weight, wish, chosen, carrier, plane, bored, tooSmall, stopAngle };
  if (!chosen || !carrier || !bored || tooSmall) return { door: { places: [], ...base }, machining: new Map() };
  const count = hingeCount(chosen.profile, {
    height: front.v.size.value,
    width: front.h.size.value,
    weight: weight.value,
  });
  const mountingPlane = box.mountingPlane.value;
  const behind = platesBehind({ places: [], ...base }, before);
  const taken = strips.filter(({ opening }) => opening === cell.opening.id);
  const context = { door: bored, frontKey: front.key, hinged, carrier, gap: wish.gap, box, settings };
  const where: PlaceContext = {
    behind,
    ...{ front, hinged, cell, carrier, plane, parts, mountingPlane, grid, settings },
    taken,
    takenOnDoor: takenOnDoor(chosen, front, context),
  };
  const places = placeHinges(chosen, count, where);
  const clear = places.filter((place) => place.clear);
  return {
    door: { places, ...base },
    machining: clear.length > 0 ? familyOf(chosen.profile).bore(chosen, clear, context) : new Map(),
  };
}

/** Beside a wall a door is stopped square, unless its angle is decided (degrees). */
const SQUARE = 90;

/** From the hinge edge of a shut door to the wall at that end (mm); no end of room where there is none. */
function toWall({ h }: Front, hinged: 'left' | 'right', box: Box, given: HingeResolved['given']): number {
  const { what, clear } = given[hinged];
  if (what !== 'wall') return Number.POSITIVE_INFINITY;
  return hinged === 'left'
    ? h.low.value + box.beyondLeft.value + clear.value
    : box.width.value + box.beyondRight.value + clear.value - h.high.value;
}

/**
 * How far a door sweeps past its own hinge edge when it is open so far (mm): its width by the sine of what is over square,
 * and what stands out from its back, with its own thickness, by the cosine.
 */
function sweptAt(opening: number, { h }: Front, { frontThickness }: Box, pull: PlacedPull | undefined): number {
  const over = ((opening - SQUARE) * Math.PI) / 180;
  return h.size.value * Math.sin(over) + ((pull?.profile.projection ?? 0) + frontThickness.value) * Math.cos(over);
}

/** What is left of a door between a hinge's holes and what else is cut in it (mm). */
const BESIDE_HINGE = 2;

/** Where on a door no hinge can be let in: at its mitres, their tenons, and whatever else is cut in its edge. */
function takenOnDoor(
  solution: HingeSolution,
  { v }: Front,
  context: BoringContext,
): (readonly [from: number, to: number])[] {
  const { door } = context;
  if (door.machining.length === 0 || !door.placement.u.endsWith('z')) return [];
  const middle = v.size.over(2).as('middle of the door');
  const one = { onDoor: middle, onCase: v.low.plus(middle), moved: 0, clear: true, decided: false };
  const holes = familyOf(solution.profile).bore(solution, [one], context).get(door.key) ?? [];
  return holes
    .flatMap((hole) => movesTaken(hole, sizeOf(door), door.machining, BESIDE_HINGE))
    .map(([from, to]) => [middle.value + from, middle.value + to] as const);
}

/**
 * Heights (mm) of plate holes in the other face of the partition that carries a door, where hers would meet them: both
 * together deeper than the partition − 1.
 */
function platesBehind(door: HungDoor, others: readonly Hanging[]): number[] {
  const { carrier, chosen, hinged } = door;
  if (carrier?.role !== 'partition' || chosen?.kind !== 'concealed') return [];
  return others.flatMap(({ door: other }) => {
    if (other.carrier !== carrier || other.hinged === hinged || other.chosen?.kind !== 'concealed') return [];
    const { plate } = other.chosen.profile;
    if (mayFace(plate.depth, chosen.profile.plate.depth, carrier.thickness.value)) return [];
    return other.places.flatMap(({ onCase }) => [onCase.value - plate.apart / 2, onCase.value + plate.apart / 2]);
  });
}

/** Every profile of a library as a door sees it, with the reason where one is ruled out. */
export function consideredFor({ wish }: HungDoor, library: readonly HingeProfile[]): Considered[] {
  return narrow(library, wish);
}

/** All ways of hanging a door there are, exact ones first; empty when no profile reaches the overlay. */
export function solutionsOf(wish: HingeWish, library: readonly HingeProfile[]): readonly HingeSolution[] {
  let known = ways.get(library);
  if (!known || known.size > MOST_WAYS) {
    known = new Map();
    ways.set(library, known);
  }
  const key = [
    wish.carcass,
    wish.fit,
    wish.opening,
    wish.closing,
    wish.family,
    wish.overlay.value,
    wish.gap.value,
  ].join(' ');
  let found = known.get(key);
  if (!found) {
    const left = narrow(library, wish).flatMap(({ profile, against }) => (against === undefined ? [profile] : []));
    found = solutionsFor(wish, left);
    known.set(key, found);
  }
  return found;
}

/** What a library can do for a wish is figured once: doors of a job mostly ask for the same. */
const ways = new WeakMap<readonly HingeProfile[], Map<string, readonly HingeSolution[]>>();
/** As many different wishes are kept of one library. */
const MOST_WAYS = 400;

/** Heights (of a hinge's middle above the underside of the box) that are free, on the grid where hinges stand on it. */
export function freeHeightsOf(
  { front, hinged, chosen, carrier, plane }: HungDoor,
  {
    parts,
    box,
    resolved,
    grid,
    face,
  }: Pick<BuiltCabinet<HingeResolved>, 'parts' | 'box' | 'resolved' | 'grid' | 'face'>,
): number[] {
  const cell = face.ok ? face.cells.find((each) => each.opening.id === front.openingId) : undefined;
  if (!chosen || !carrier || !cell) return [];
  const { settings } = resolved;
  const mountingPlane = box.mountingPlane.value;
  return heightsFree(chosen, { front, hinged, cell, carrier, plane, parts, mountingPlane, grid, settings });
}

/** A door as something that turns; undefined for one without hinges. */
export function turnOf(door: HungDoor, box: Box): Turn | undefined {
  const { front, hinged, chosen, stopAngle, bored, wish } = door;
  if (!chosen || !bored) return undefined;
  const hand = hinged === 'left' ? 1 : -1;
  const { min, max } = front.extent;
  const [hingeEdge, freeEdge] = hand === 1 ? [min[0], max[0]] : [max[0], min[0]];
  const shut = { hand, hingeEdge, freeEdge, face: min[1], back: bored.extent.max[1], stopAngle } as const;
  const family = familyOf(chosen.profile);
  const needsBeside = family.leastGap(chosen, box.frontThickness.value);
  return {
    kind: 'turn',
    by: 'hinges',
    front: front.key,
    plan: { pivot: family.pivot(chosen, { front, ...shut, wish }), ...shut },
    low: front.v.low.value,
    high: front.v.high.value,
    ...(needsBeside === undefined ? {} : { needsBeside }),
  };
}

/** A slab is bored itself; a framed door in the stile on its hinge side, a trimmed one in its slab. */
function boredPart({ parts }: Front, hinged: 'left' | 'right'): Part | undefined {
  return (
    parts.find(({ piece }) => piece?.kind === 'slab') ??
    parts.find(({ piece }) => piece?.kind === 'stile' && piece.where === hinged)
  );
}

/** What the door asks for. Half overlay where a partition is shared; inset is −gap, lipped −clearance. */
function wishOf(
  front: Front,
  hinged: 'left' | 'right',
  carrier: Part | undefined,
  { frame, fronts, hinges }: HingeResolved['settings'],
): HingeWish {
  const common = {
    carcass: frame.fitted.value === 'fitted' ? ('frame' as const) : ('frameless' as const),
    opening: hinges.opening.value,
    closing: hinges.closing.value,
    family: hinges.family.value,
  };
  const overlay = front.overlay as Dim;
  switch (fronts.fit.value) {
    case 'inset':
      return { overlay, ...common, fit: 'inset', gap: fronts.gap };
    case 'lipped': {
      const clearance = lippedClearance(fronts);
      return {
        fit: 'lipped',
        ...common,
        overlay: length(0).minus(clearance).as('overlay inside the lip'),
        gap: clearance,
      };
    }
    case 'overlay': {
      const shared = common.carcass === 'frameless' && carrier?.role === 'partition';
      const beside = front.beside[hinged];
      return { overlay, ...common, fit: shared ? 'half' : 'full', gap: shared ? fronts.gap : beside };
    }
  }
}

/** The upright whose face (or, in a frame, whose inner edge) lies at the edge of the opening and reaches the door. */
function carrierAt(
  parts: readonly Part[],
  plane: number,
  front: Front,
  hinged: 'left' | 'right',
  framed: boolean,
): Part | undefined {
  const z = (front.v.low.value + front.v.high.value) / 2;
  return uprightAt(parts, hinged, { x: plane, z }, framed ? isFrameStile : isUpright);
}

/** Hinges and plates to buy, counted by kind. */
export function hingesToBuy(doors: readonly HungDoor[]): Fitting[] {
  const counts = new Map<string, Fitting>();
  const add = (name: string, quantity: number, note: string) =>
    counts.set(name, { name, quantity: (counts.get(name)?.quantity ?? 0) + quantity, note });
  for (const { chosen, places, stopAngle } of doors) {
    if (!chosen || places.length === 0) continue;
    add(familyOf(chosen.profile).bought(chosen), places.length, chosen.profile.maker);
    if (stopAngle < chosen.profile.opening)
      add('Opening limiter', 1, `at the upper hinge of a door, ${stopAngle} degrees`);
  }
  return [...counts.values()];
}
