import { type Cell, type Front, frontName } from '../../build/index.js';
import type { Occupied } from '../../cabinet/index.js';
import { type Dim, formatLengthWithUnit, length, measuredFrom, within } from '../../ground/index.js';
import { alongPart, edgeOf, faceInto, type Operation, type Part } from '../../part/index.js';
import { chosenOf } from '../chosen.js';
import { type Against, fromSheet, pilotOf } from '../profile.js';
import {
  type DrawerRoom,
  FROM_SPACER_END,
  LEAST_PACKING,
  packingStrip,
  roomOf,
  roomsBehind,
  spacerParts,
} from '../runners/index.js';
import type { WasteContext } from './context.js';
import { binFront, binRoom } from './fills.js';
import type { WasteProfile } from './profile.js';

/** A bin pull-out behind its front, or in a room behind doors. */
export interface FittedBins {
  /** The front that pulls it out; behind doors it is pulled out by hand. */
  readonly front?: string;
  readonly opening: string;
  readonly name: string;
  /** What there is for it: clear width and height, and depth behind the plane of the fronts. */
  readonly across: Dim;
  readonly up: Dim;
  readonly depth: Dim;
  readonly profile: WasteProfile | undefined;
  readonly against: readonly Against[];
  /** Bracket screws from the left, the right and the lower edge of the front. */
  readonly onFront?: { readonly left: Dim; readonly right: Dim; readonly lower: Dim };
  /** How far its front laps the opening on each side. */
  readonly overlay?: { readonly left: Dim; readonly right: Dim; readonly lower: Dim; readonly upper: Dim };
  readonly carried: boolean;
}

export interface MadeBins {
  readonly fitted: FittedBins;
  readonly parts: readonly Part[];
  readonly operations: readonly (readonly [key: string, operation: Operation])[];
  readonly occupied: readonly Occupied[];
}

/** Bins behind every front that pulls them out, and in every room that is for them. */
export function fitBins(context: WasteContext, profiles: readonly WasteProfile[]): MadeBins[] {
  const { parts, box, resolved, fronts, cells } = context;
  const pulled = fronts.flatMap((front) => {
    const cell = cells.find(({ opening }) => opening.id === front.openingId);
    if (!cell || !binFront.is(cell.fill)) return [];
    const room = roomOf(cell, front, parts, box, resolved, resolved.given.zones);
    return [binsOf(room, frontName(front), context, profiles, { front, cell })];
  });
  const behind = roomsBehind(context, binRoom, 'inner').map((room) =>
    binsOf(room, within(room.name), context, profiles, undefined),
  );
  return [...pulled, ...behind];
}

/** The front that pulls bins out, and its opening. */
interface Pulling {
  readonly front: Front;
  readonly cell: Cell;
}

function binsOf(
  room: DrawerRoom,
  name: string,
  context: WasteContext,
  profiles: readonly WasteProfile[],
  pulling: Pulling | undefined,
): MadeBins {
  const { resolved, head } = context;
  const show = (mm: number) => formatLengthWithUnit(mm, head.display);
  const depth = room.rear.minus(room.plane).as('depth behind the plane of the fronts');
  const { profile, against } = choose(room, depth, profiles, resolved.settings.waste.choice.value, show);
  const carried = room.uprights.left !== undefined && room.uprights.right !== undefined;
  const said = {
    name,
    ...(pulling ? { front: pulling.front.key, overlay: overlayOf(pulling) } : {}),
    opening: room.id,
    across: room.across.size,
    up: room.up.size,
    depth,
    profile,
    against,
    carried,
  };
  if (!profile) return { fitted: said, parts: [], operations: [], occupied: [] };
  const made = onCase(room, profile, context);
  const occupied = [roomTaken(room, name, pulling?.front, profile)];
  if (!pulling) return { fitted: said, parts: made.packing, operations: made.operations, occupied };
  const { front } = pulling;
  const onFront = bracketsOf(profile, overlayOf(pulling));
  return {
    fitted: { onFront, ...said },
    parts: made.packing,
    operations: [...made.operations, ...onFronts(front, profile, onFront)],
    occupied,
  };
}

function overlayOf({ front, cell: { clear } }: Pulling): NonNullable<FittedBins['overlay']> {
  return {
    left: clear.h.low.minus(front.h.low).as('overlay, left'),
    right: front.h.high.minus(clear.h.high).as('overlay, right'),
    lower: clear.v.low.minus(front.v.low).as('lower overlay'),
    upper: front.v.high.minus(clear.v.high).as('upper overlay'),
  };
}

function bracketsOf(
  profile: WasteProfile,
  overlay: NonNullable<FittedBins['overlay']>,
): NonNullable<FittedBins['onFront']> {
  // From the edges of the front: the base of the bracket and the true overlay; inset it is less by the gap.
  const side = (hand: 'left' | 'right') =>
    fromSheet(profile, 'bracket/side', 'base of the bracket').plus(overlay[hand]).as(`bracket from the ${hand} edge`);
  return {
    left: side('left'),
    right: side('right'),
    lower: fromSheet(profile, 'bracket/lower', 'base of the bracket')
      .plus(overlay.lower)
      .as('bracket from the lower edge'),
  };
}

/** Of what fits, in stock first, what holds most; each refused with its first reason. */
function choose(
  { across, up }: DrawerRoom,
  depth: Dim,
  profiles: readonly WasteProfile[],
  decided: string,
  show: (mm: number) => string,
) {
  return chosenOf(profiles, decided, {
    unfit({ width, height, depth: needed }) {
      if (across.size.value < width.from - 1e-6)
        return `wants an opening from ${show(width.from)} wide; there are ${show(across.size.value)}`;
      if (across.size.value > width.to + 1e-6)
        return `spans openings up to ${show(width.to)} wide; this is ${show(across.size.value)}`;
      if (up.size.value < height - 1e-6) return `wants ${show(height)} in height; there are ${show(up.size.value)}`;
      if (depth.value < needed - 1e-6) return `wants ${show(needed)} in depth; there are ${show(depth.value)}`;
      return undefined;
    },
    order: (a, b) => b.litres - a.litres,
    passedOver: 'fits, but holds less',
  });
}

/** The runners' screws in both uprights, or in the packing on them. */
function onCase(room: DrawerRoom, profile: WasteProfile, { resolved }: WasteContext) {
  const line = room.up.low
    .plus(fromSheet(profile, 'line', 'screw line above the floor of the opening'))
    .as('screw line of the bins');
  const start = room.plane.value === 0 ? length(0, 'plane of the fronts') : room.plane;
  const run = fromSheet(profile, 'depth', 'depth of the bins');
  const packing: Part[] = [];
  const operations: (readonly [string, Operation])[] = [];
  for (const hand of ['left', 'right'] as const) {
    const upright = room.uprights[hand];
    if (!upright) continue;
    const spacer = room.spacers?.[hand];
    const packed = spacer !== undefined || room.packing[hand].value > LEAST_PACKING;
    const strips = spacer
      ? spacerParts(room, hand, spacer, { start, run, line })
      : packed
        ? [packingStrip(room, hand, { start, run, line }, resolved)]
        : [];
    packing.push(...strips);
    const carrier = strips.at(-1) ?? upright;
    const foremost = packed ? carrier.extent.min[1] + FROM_SPACER_END : Number.NEGATIVE_INFINITY;
    const bored = profile.holes.filter((hole) => start.value + hole >= foremost);
    const turned = carrier.placement.u.endsWith('z');
    const [across, along] = turned ? (['u0', 'v0'] as const) : (['v0', 'u0'] as const);
    operations.push([
      carrier.key,
      {
        kind: 'holes',
        face: packed ? 1 : faceInto(upright, hand),
        from: across,
        offset: measuredFrom(line, edgeOf(carrier, across)),
        positions: bored.map((hole) =>
          measuredFrom(start.plus(length(hole, 'hole of the runner')), edgeOf(carrier, along)).as(
            'hole behind the front edge',
          ),
        ),
        ...pilotOf('bins', profile, carrier.thickness),
        reason: `bins: ${profile.name}`,
        by: { kind: 'waste', what: 'case', ...(room.front ? { front: room.front.key } : { opening: room.id }) },
      },
    ]);
  }
  return { packing, operations };
}

/** Two screws of each bracket in the back of the front. */
function onFronts(
  front: Front,
  profile: WasteProfile,
  { left, right, lower }: NonNullable<FittedBins['onFront']>,
): (readonly [string, Operation])[] {
  const low = front.v.low.plus(lower).as('lower screw of the bracket');
  const heights = [low, low.plus(fromSheet(profile, 'bracket/apart', 'screws of the bracket apart'))];
  return [front.h.low.plus(left), front.h.high.minus(right)].flatMap((x) =>
    front.parts.flatMap((part): (readonly [string, Operation])[] => {
      const { min, max } = part.extent;
      const inside = heights.filter(({ value: mm }) => mm > min[2] && mm < max[2]);
      if (x.value <= min[0] || x.value >= max[0] || inside.length === 0) return [];
      const upright = part.placement.u.endsWith('z');
      const common = {
        kind: 'holes',
        face: 2,
        ...pilotOf('bins', profile, part.thickness),
        reason: `bracket of the bins: ${profile.name}`,
        by: { kind: 'waste', what: 'bracket', front: front.key },
      } as const;
      const across = upright
        ? {
            from: 'v0' as const,
            offset: alongPart(part, 'v', x),
            positions: inside.map((z) => alongPart(part, 'u', z)),
          }
        : {
            from: 'u0' as const,
            offset: alongPart(part, 'u', x),
            positions: inside.map((z) => alongPart(part, 'v', z)),
          };
      return [[part.key, { ...common, ...across }]];
    }),
  );
}

function roomTaken(
  { across, up, plane }: DrawerRoom,
  name: string,
  front: Front | undefined,
  profile: WasteProfile,
): Occupied {
  return {
    by: 'waste',
    fills: true,
    name: front ? `the bins of ${name}` : name,
    ...(front ? { front: front.key } : {}),
    extent: {
      min: [across.low.value, plane.value, up.low.value],
      max: [across.high.value, plane.value + profile.depth, up.low.value + profile.height],
    },
  };
}
