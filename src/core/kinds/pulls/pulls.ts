import { type Box, type Fitting, type Front, frontName } from '../../build/index.js';
import type { Occupied } from '../../cabinet/index.js';
import type { Design } from '../../decisions/index.js';
import { type Dim, length } from '../../ground/index.js';
import { type Extent, liesOver, type Operation, type Part } from '../../part/index.js';
import { fromSheet } from '../profile.js';
import type { PullContext } from './context.js';
import type { PullProfile } from './profile.js';
import type { PullResolved } from './settings.js';

/** A pull or knob on its front. */
export interface PlacedPull {
  readonly frontKey: string;
  readonly profile: PullProfile;
  /** True when its holes lie one above the other. */
  readonly upright: boolean;
  /** Where each hole lies, from the left and the lower edge of the front. */
  readonly holes: readonly { readonly across: Dim; readonly up: Dim }[];
  /** The room it takes up in the cabinet (mm). */
  readonly extent: Extent;
}

/** Half of what a pull's bar or foot is wide (mm). */
const HALF_FOOT = 7;

/** A pull for every door and drawer front that has one: wide drawers get two. */
export function placePulls(
  { fronts, cabinet, box, resolved }: Pick<PullContext, 'fronts' | 'cabinet' | 'box' | 'resolved'>,
  library: readonly PullProfile[],
): PlacedPull[] {
  const { pulls } = resolved.settings;
  return fronts.flatMap((front): PlacedPull[] => {
    if (front.opens === 'not') return [];
    const wanted = (front.like === 'door' ? pulls.doors : pulls.drawers).value;
    const profile = library.find(({ id }) => id === wanted);
    if (!profile) return [];
    if (front.like === 'drawer') return drawerPulls(front, profile, resolved);
    return front.opens === 'aside'
      ? [doorPull(front, profile, cabinet, box, resolved)]
      : [edgePull(front, profile, front.opens === 'up' ? 'lower' : 'upper', resolved)];
  });
}

function place(
  front: Front,
  profile: PullProfile,
  upright: boolean,
  centre: { readonly across: Dim; readonly up: Dim },
): PlacedPull {
  const { across, up } = centre;
  const half = fromSheet(profile, 'centres', 'holes apart').over(2);
  const spread = (middle: Dim) =>
    [middle.minus(half), middle.plus(half)].map((hole) => hole.as('pull hole from the edge of the front'));
  const holes =
    profile.centres === 0
      ? [centre]
      : upright
        ? spread(up).map((at) => ({ across, up: at }))
        : spread(across).map((at) => ({ across: at, up }));
  const reach = profile.length / 2;
  const [x, z] = [front.h.low.value + across.value, front.v.low.value + up.value];
  const [dx, dz] = profile.centres === 0 ? [reach, reach] : upright ? [HALF_FOOT, reach] : [reach, HALF_FOOT];
  const face = front.extent.min[1];
  return {
    frontKey: front.key,
    profile,
    upright,
    holes,
    extent: { min: [x - dx, face - profile.projection, z - dz], max: [x + dx, face, z + dz] },
  };
}

/** Upper edge of a door that stands this far above the height of tall pulls, and below it (mm). */
const AROUND_REACH = 80;

/**
 * On the opening side, in the middle of a framed door's stile. From the lower corner on wall cabinets, the upper on base
 * cabinets; on tall ones at a height above the floor where the door passes it, else from the corner that is nearer to it.
 */
function doorPull(
  front: Front,
  profile: PullProfile,
  cabinet: Design,
  box: Box,
  { settings }: PullResolved,
): PlacedPull {
  const { pulls, making } = settings;
  const { h, v } = front;
  const framed = front.parts.length > 1;
  const inset = framed ? making.stile.over(2).as('middle of the stile') : pulls.fromEdge;
  const across = (front.hinged === 'left' ? h.size.minus(inset) : inset).as('pull from the left edge');
  const half = fromSheet(profile, 'centres', 'holes apart').over(2).as('half the holes apart');
  const lower = pulls.fromEnd.plus(half).as('middle of the pull from the lower edge');
  const upper = v.size.minus(pulls.fromEnd).minus(half).as('middle of the pull from the lower edge');
  const reach = pulls.reach.minus(box.underHeight).minus(v.low).as('middle of the pull from the lower edge');
  const passes = reach.value >= AROUND_REACH && reach.value <= v.size.value - AROUND_REACH;
  const up =
    cabinet.kind === 'wall'
      ? lower
      : cabinet.kind === 'base'
        ? upper
        : passes
          ? reach
          : reach.value < AROUND_REACH
            ? lower
            : upper;
  return place(front, profile, true, { across, up });
}

/** What lifts is taken hold of in the middle of its lower edge, what comes out with its bins at the upper. */
function edgePull(front: Front, profile: PullProfile, edge: 'upper' | 'lower', { settings }: PullResolved): PlacedPull {
  const { h, v } = front;
  const inset =
    front.parts.length > 1 ? settings.making.rail.over(2).as('middle of the rail') : settings.pulls.fromEdge;
  const up = edge === 'lower' ? inset : v.size.minus(inset).as('pull from the lower edge');
  return place(front, profile, false, { across: h.size.over(2).as('middle of the front'), up });
}

/** Centred across, two at the quarter points of a wide front; in the middle of the height or on the top rail. */
function drawerPulls(front: Front, profile: PullProfile, { settings }: PullResolved): PlacedPull[] {
  const { pulls } = settings;
  const { h, v } = front;
  const rail = front.parts.find(({ piece }) => piece?.kind === 'rail' && piece.where === 'top');
  const onRail = pulls.drawerPlace.value === 'rail' && rail;
  const up = (onRail ? v.size.minus(rail.width.over(2)) : v.size.over(2)).as('pull from the lower edge');
  if (h.size.value <= pulls.twoOver.value)
    return [place(front, profile, false, { across: h.size.over(2).as('middle of the front'), up })];
  const quarter = h.size.over(4).as('a quarter of the front');
  return [quarter, h.size.minus(quarter).as('three quarters of the front')].map((across) =>
    place(front, profile, false, { across, up }),
  );
}

/** The holes of the pulls, bored through whatever of the front lies there, by part key. */
export function borePulls(pulls: readonly PlacedPull[], fronts: readonly Front[]): Map<string, Operation[]> {
  const bored = new Map<string, Operation[]>();
  for (const pull of pulls) {
    const front = fronts.find(({ key }) => key === pull.frontKey);
    for (const part of front?.parts ?? [])
      for (const operation of holesIn(part, pull, front as Front))
        bored.set(part.key, [...(bored.get(part.key) ?? []), operation]);
  }
  return bored;
}

function holesIn(part: Part, { profile, holes, upright }: PlacedPull, front: Front): Operation[] {
  const { min } = part.extent;
  const from = { x: min[0] - front.h.low.value, z: min[2] - front.v.low.value };
  const inside = holes.filter(({ across, up }) =>
    liesOver(part, [front.h.low.value + across.value, min[1], front.v.low.value + up.value]),
  );
  if (inside.length === 0) return [];
  const less = (position: Dim, start: number, label: string) =>
    Math.abs(start) < 1e-6 ? position : position.minus(length(start, label)).as('pull hole on the part');
  const x = (hole: { across: Dim }) => less(hole.across, from.x, 'part from the left edge of the front');
  const z = (hole: { up: Dim }) => less(hole.up, from.z, 'part from the lower edge of the front');
  const uUpright = part.placement.u[1] === 'z';
  // A line of holes runs along the part: both holes share a line only when the pull does too.
  const together = upright === uUpright;
  const rows = together ? [inside] : inside.map((hole) => [hole]);
  return rows.map((row): Operation => {
    const [first] = row as [(typeof inside)[number], ...typeof inside];
    return {
      kind: 'holes',
      face: 1,
      from: 'v0',
      offset: uUpright ? x(first) : z(first),
      positions: row.map((hole) => (uUpright ? z(hole) : x(hole))),
      diameter: fromSheet(profile, 'hole', 'pull hole'),
      by: { kind: 'pulls', front: front.key },
      reason: front.like === 'drawer' ? 'pull, through front and box after the front is set' : `pull: ${profile.name}`,
    };
  });
}

/** The room each takes before its front, which it moves with. */
export function spaceOfPulls(pulls: readonly PlacedPull[], fronts: readonly Front[]): Occupied[] {
  return pulls.map(({ frontKey, extent }) => {
    const front = fronts.find(({ key }) => key === frontKey);
    return { by: 'pulls', name: `the pull of ${front ? frontName(front) : 'a front'}`, front: frontKey, extent };
  });
}

/** Pulls to buy, counted by kind. */
export function pullsToBuy(pulls: readonly PlacedPull[]): Fitting[] {
  const counts = new Map<string, Fitting>();
  for (const { profile } of pulls) {
    const known = counts.get(profile.id);
    counts.set(profile.id, {
      name: `Pull: ${profile.name}`,
      quantity: (known?.quantity ?? 0) + 1,
      note: profile.maker,
    });
  }
  return [...counts.values()];
}
