import type { Fitting } from '../carcass/index.js';
import { type Dim, length, plain, type Source } from '../derive/index.js';
import type { HingeProfile, Resolved, ResolvedSettings } from '../document/index.js';
import type { Front } from '../fronts/index.js';
import type { Box, Cell } from '../layout/index.js';
import type { Operation } from '../machining/index.js';
import { type Part, partExtent } from '../parts/index.js';
import type { PlacedPull } from '../pulls/index.js';
import { pinGrid } from '../shelves/index.js';
import { boreHinges } from './boring.js';
import { type HingePlace, heightsFree, type PlaceContext, placeHinges } from './places.js';
import { bestSolution, type HingeSolution, hingeCount, solutionId, solutionsFor } from './solver.js';
import { type Considered, type HingeWish, narrow } from './wish.js';

/** A door with its hinges. */
export interface HungDoor {
  readonly front: Front;
  readonly hinged: 'left' | 'right';
  /** kg: its parts and its pull. */
  readonly weight: Dim;
  readonly wish: HingeWish;
  /** Every profile of the library with the reason where one was ruled out. */
  readonly considered: readonly Considered[];
  /** All there are, exact ones first; empty when no profile reaches the overlay. */
  readonly solutions: readonly HingeSolution[];
  readonly chosen: HingeSolution | undefined;
  readonly places: readonly HingePlace[];
  /** The part the cups are bored in, or the leaves let into. */
  readonly bored: Part | undefined;
  /** True when the door is too small for two hinges. */
  readonly tooSmall: boolean;
  /** The case part that carries the hinges, and where its face or edge lies (x, mm). */
  readonly carrier: Part | undefined;
  readonly plane: number;
  /** Heights (of the hinge's middle above the underside of the box) that are free, on the grid where hinges stand on it. */
  readonly freeHeights: () => readonly number[];
  /** Degrees: how far it opens, by its hinge or by what stops it. */
  readonly stopAngle: number;
  /** Machining to add, by part key. */
  readonly machining: ReadonlyMap<string, readonly Operation[]>;
}

/** Smaller doors cannot take two hinges (mm). */
const LEAST_DOOR = { height: 160, width: 60 };

export interface HangContext {
  readonly fronts: readonly Front[];
  readonly cells: readonly Cell[];
  readonly parts: readonly Part[];
  readonly box: Box;
  readonly resolved: Resolved;
  readonly pulls: readonly PlacedPull[];
}

/** Chooses, places and bores the hinges of every door. */
export function hangDoors(context: HangContext, profiles: readonly HingeProfile[]): HungDoor[] {
  if (context.resolved.settings.hinges.family.value === 'none') return [];
  const plates = new Set<number>();
  return context.fronts.flatMap((front) => {
    const cell = context.cells.find((each) => each.opening.id === front.openingId);
    if (!front.hinged || !front.overlay || !cell) return [];
    const door = hang(front, front.hinged, cell, context, profiles, plates);
    if (door.chosen?.kind === 'concealed') plates.add(door.chosen.plate);
    return [door];
  });
}

function hang(
  front: Front,
  hinged: 'left' | 'right',
  cell: Cell,
  { parts, box, resolved, pulls }: HangContext,
  profiles: readonly HingeProfile[],
  plates: ReadonlySet<number>,
): HungDoor {
  const { settings } = resolved;
  const plane = (hinged === 'left' ? cell.clear.h.low : cell.clear.h.high).mm;
  const carrier = carrierAt(parts, plane, front, hinged, settings.frame.fitted.value === 'fitted');
  const wish = wishOf(front, hinged, carrier, settings);
  const considered = narrow(profiles, wish);
  const solutions = solutionsFor(
    wish,
    considered.filter(({ against }) => against === undefined).map(({ profile }) => profile),
  );
  const decided = settings.hinges.choice.value;
  const chosen = solutions.find((solution) => solutionId(solution) === decided) ?? bestSolution(solutions, plates);
  const bored = boredPart(front, hinged);
  const pull = pulls.find((each) => each.frontKey === front.key);
  const weight = pull
    ? front.weight.plus(plain(pull.profile.weight, 'weight of the pull', pullSource(pull))).as('weight with its pull')
    : front.weight;
  const tooSmall = front.v.size.mm < LEAST_DOOR.height || front.h.size.mm < LEAST_DOOR.width;
  const base = {
    front,
    hinged,
    weight,
    wish,
    considered,
    solutions,
    chosen,
    carrier,
    plane,
    bored,
    tooSmall,
    stopAngle: Math.min(chosen?.profile.opening ?? 180, settings.hinges.stopAt.mm),
  };
  if (!chosen || !carrier || !bored || tooSmall)
    return { ...base, places: [], machining: new Map(), freeHeights: () => [] };
  const count = hingeCount(chosen.profile, {
    height: front.v.size.mm,
    width: front.h.size.mm,
    weight: weight.mm,
  });
  const where: PlaceContext = {
    front,
    hinged,
    cell,
    carrier,
    plane,
    parts,
    mountingPlane: box.mountingPlane.mm,
    grid: pinGrid(parts, resolved),
    settings,
  };
  const places = placeHinges(chosen, count, where);
  const clear = places.filter((place) => place.clear);
  return {
    ...base,
    places,
    machining: boreHinges(chosen, clear, {
      door: bored,
      frontKey: front.key,
      hinged,
      carrier,
      gap: wish.gap,
      box,
      settings,
    }),
    freeHeights: () => heightsFree(chosen, where),
  };
}

function pullSource({ profile }: PlacedPull): Source {
  return { kind: 'profile', note: `${profile.maker}, ${profile.name}` };
}

/** A slab is bored itself; a framed door in the stile on its hinge side, a trimmed one in its slab. */
function boredPart({ parts }: Front, hinged: 'left' | 'right'): Part | undefined {
  return (
    parts.find((part) => part.key.endsWith('/slab')) ??
    parts.find((part) => part.key.endsWith(`stile/${hinged}`)) ??
    parts[0]
  );
}

/** What the door asks for. Half overlay where a partition is shared; inset is −gap, lipped −clearance. */
function wishOf(
  front: Front,
  hinged: 'left' | 'right',
  carrier: Part | undefined,
  { frame, fronts, hinges }: ResolvedSettings,
): HingeWish {
  const common = {
    carcass: frame.fitted.value === 'fitted' ? ('frame' as const) : ('frameless' as const),
    opening: hinges.opening.mm,
    closing: hinges.closing.value,
    family: hinges.family.value,
  };
  const overlay = front.overlay as Dim;
  switch (fronts.fit.value) {
    case 'inset':
      return { ...common, fit: 'inset', overlay, gap: fronts.gap };
    case 'lipped': {
      const clearance = fronts.rebateWidth.minus(fronts.lip).as('clearance of the lipped front, each side');
      return {
        ...common,
        fit: 'lipped',
        overlay: length(0).minus(clearance).as('overlay inside the lip'),
        gap: clearance,
      };
    }
    case 'overlay': {
      const shared = common.carcass === 'frameless' && carrier?.role === 'partition';
      const beside = front.beside[hinged];
      return { ...common, fit: shared ? 'half' : 'full', overlay, gap: shared ? fronts.gap : beside };
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

/** Hinges and plates to buy, counted by kind. */
export function hingeFittings(doors: readonly HungDoor[]): Fitting[] {
  const counts = new Map<string, Fitting>();
  for (const { chosen, places } of doors) {
    if (!chosen || places.length === 0) continue;
    const { profile } = chosen;
    const name = `Hinge ${profile.name}${chosen.kind === 'concealed' ? `, plate ${chosen.plate}` : ''}`;
    const known = counts.get(name);
    counts.set(name, { name, quantity: (known?.quantity ?? 0) + places.length, note: profile.maker });
  }
  return [...counts.values()];
}
