import { type Dim, length, measuredFrom, spanBetween } from '../../ground/index.js';
import {
  alongPart,
  edgeOf,
  faceInto,
  makePart,
  type Operation,
  type Part,
  partKeys,
  pilotFor,
  placesFree,
  sizeOf,
} from '../../part/index.js';
import { fromSheet, pilotOf, SHORT_OF_FACE } from '../profile.js';
import { type Chosen, onBrackets } from './choose.js';
import { families } from './families/index.js';
import { holesAlong, stripHeight } from './lines.js';
import { type DrawerRoom, LEAST_PACKING } from './room.js';
import type { RunnerResolved } from './settings.js';
import { FROM_SPACER_END, spacerParts } from './spacers.js';

/** What a pair of runners wants of the case: packing where it stands back behind a frame, and screw holes. */
export interface OnCase {
  readonly packing: readonly Part[];
  readonly operations: readonly (readonly [key: string, operation: Operation])[];
  /** Their screw line, from the underside of the box, and their front end. */
  readonly line: Dim;
  readonly start: Dim;
  /** What each is screwed to: a part, and where its holes lie behind the front edge of the case. */
  readonly held: { readonly [H in 'left' | 'right']?: { readonly part: string; readonly holes: readonly Dim[] } };
  /** Underside of its packing or spacers. */
  readonly underside: Dim;
}

/** Bores both uprights, or the packing on them, in line with the runner's holes. */
export function onCase(
  room: DrawerRoom,
  { profile, length: run }: Chosen,
  resolved: RunnerResolved,
  screwLines: ReadonlyMap<string, readonly Operation[]>,
  parts: readonly Part[],
): OnCase {
  const line = room.up.low.plus(families[profile.family].line(profile)).as('screw line of the runner');
  const start = room.plane
    .plus(fromSheet(profile, 'setback', 'runner behind the plane of the fronts'))
    .as('front of the runner');
  const owner = room.front?.key ?? partKeys.ofBox.of({ opening: room.id, what: 'front' });
  const packing: Part[] = [];
  const operations: (readonly [string, Operation])[] = [];
  const held: Record<string, { readonly part: string; readonly holes: readonly Dim[] }> = {};
  const screw = (hand: 'left' | 'right', part: Part, face: 1 | 2, holes: readonly Dim[]) => {
    operations.push([part.key, bored(part, face, line, holes, { profile, front: owner })]);
    held[hand] = { part: part.key, holes };
  };
  for (const hand of ['left', 'right'] as const) {
    const upright = room.uprights[hand];
    if (!upright) continue;
    const thick = room.packing[hand];
    // Runners on both faces of a panel take other holes of their rows.
    const shift = hand === 'left' && upright.role === 'partition' ? 1 : 0;
    const packed = thick.value > LEAST_PACKING;
    const taken = packed ? [] : [...upright.machining, ...(screwLines.get(upright.key) ?? [])];
    const free = clearOn(upright, faceInto(upright, hand), taken, line.value, start.value, profile);
    const places = holesAlong(profile, profile.holes, run.value, shift, free).map((hole) =>
      start.plus(hole).as('hole behind the front edge of the case'),
    );
    const spacer = room.spacers?.[hand];
    if (packed && onBrackets(room, resolved.settings.drawers)) {
      const end = start.plus(run).as('rear end of the runner');
      operations.push(...bracketed(room, hand, { line, owner, profile, end }, parts));
    } else if (spacer) {
      const layers = spacerParts(room, hand, spacer, { start, run, line });
      const carrier = layers.at(-1);
      if (!carrier) continue;
      packing.push(...layers);
      const foremost = carrier.extent.min[1] + FROM_SPACER_END;
      const there = holesAlong(profile, profile.holes, run.value, 0, (hole) => start.value + hole >= foremost);
      const own = there.map((hole) => start.plus(hole).as('hole behind the front edge of the case'));
      screw(hand, carrier, 1, own);
    } else if (packed) {
      const strip = packingStrip(room, hand, { start, run, line }, resolved);
      packing.push(strip);
      screw(hand, strip, 1, places);
    } else screw(hand, upright, faceInto(upright, hand), places);
  }
  return { packing, operations, line, start, held, underside: stripHeight(line, room.inside.v).low };
}

/** Screws of a rear bracket stand so far to either side of its line, and that of the front end so far behind the stile's face (mm). */
const BRACKET = length(10, 'screw of the bracket');
const IN_STILE = length(10, 'screw in the stile');

/** On brackets a runner is screwed into the edge of the stile in front, and by its bracket into what is behind it. */
function bracketed(
  { across }: DrawerRoom,
  hand: 'left' | 'right',
  {
    line,
    owner,
    profile,
    end,
  }: { readonly line: Dim; readonly owner: string; readonly profile: Chosen['profile']; readonly end: Dim },
  parts: readonly Part[],
): (readonly [string, Operation])[] {
  const x = hand === 'left' ? across.low : across.high;
  const common = {
    reason: `bracket of the runner: ${profile.name}`,
    by: { kind: 'runners', what: 'case', front: owner },
  } as const;
  const diameter = fromSheet(profile, 'pilot/diameter', 'pilot hole');
  const deep = fromSheet(profile, 'pilot/depth', 'pilot depth');
  const stile = parts.find(({ role, piece, extent: { min, max } }) => {
    const edge = hand === 'left' ? max[0] : min[0];
    return (
      role === 'frame' &&
      piece?.kind === 'stile' &&
      Math.abs(edge - x.value) < 0.01 &&
      min[2] < line.value &&
      max[2] > line.value
    );
  });
  const { from = 0, to = 0 } = profile.rearBracket ?? {};
  const [behind] = parts
    .filter(
      ({ placement, extent: { min, max } }) =>
        placement.w[1] === 'y' &&
        min[1] >= end.value + from - 1e-6 &&
        min[1] <= end.value + to + 1e-6 &&
        min[0] < x.value &&
        max[0] > x.value &&
        min[2] < line.value &&
        max[2] > line.value,
    )
    .sort((a, b) => a.extent.min[1] - b.extent.min[1]);
  const inStile: (readonly [string, Operation])[] = stile
    ? [
        [
          stile.key,
          {
            kind: 'edge holes',
            ...common,
            edge: hand === 'left' ? 'v1' : 'v0',
            offset: IN_STILE,
            positions: [alongPart(stile, 'u', line)],
            ...pilotFor('runners', diameter, deep),
          },
        ],
      ]
    : [];
  if (!behind) return inStile;
  const upright = behind.placement.u[1] === 'z';
  const at = alongPart(behind, upright ? 'u' : 'v', line);
  const middle = alongPart(behind, upright ? 'v' : 'u', x);
  return [
    ...inStile,
    [
      behind.key,
      {
        kind: 'holes',
        ...common,
        face: 1,
        from: upright ? 'u0' : 'v0',
        offset: at,
        positions: [middle.minus(BRACKET), middle.plus(BRACKET)].map((place) => place.as('screw of the bracket')),
        ...pilotOf('runners', profile, behind.thickness),
      },
    ],
  ];
}

/** Wood left between a runner's hole and what else is cut (mm). */
const SKIN = 2;

/** Which holes of a runner's row meet nothing that is cut in an upright already, or that a screw goes through. */
function clearOn(
  upright: Part,
  face: 1 | 2,
  taken: readonly Operation[],
  line: number,
  start: number,
  { pilot }: Chosen['profile'],
): (hole: number) => boolean {
  const size = sizeOf(upright);
  const u = Math.abs(line - edgeOf(upright, 'u0').value);
  const front = edgeOf(upright, 'v0').value;
  const free = placesFree(taken, size, {
    face,
    depth: Math.min(pilot.depth, size.thickness - SHORT_OF_FACE.value),
    diameter: pilot.diameter,
    beside: SKIN,
    behind: FACING,
  });
  return (hole) => free(u, start + hole - front);
}

/** What is bored from the other face may come this near (mm). */
const FACING = 1;

export function packingStrip(
  { id, inside, across, name, packing, uprights }: DrawerRoom,
  hand: 'left' | 'right',
  { start, run, line }: { start: Dim; run: Dim; line: Dim },
  { materials }: RunnerResolved,
): Part {
  const from = start.value < 0 ? length(0, 'front of the case') : start;
  const thickness = packing[hand];
  return makePart({
    key: partKeys.packing.of({ opening: id, hand }),
    name: `packing, ${hand}`,
    whole: `${name} runner`,
    role: 'packing',
    hand,
    material: materials.frame.material,
    stands: {
      x:
        hand === 'left'
          ? { low: inside.h.low, high: across.low, size: thickness }
          : { low: across.high, high: inside.h.high, size: thickness },
      y: spanBetween(from, start.plus(run).as('rear of the packing')),
      z: stripHeight(line, inside.v),
    },
    // Its face 1 carries the runner.
    axes: { u: '+y', v: '+z', w: hand === 'left' ? '-x' : '+x' },
    note: `planed to its thickness${uprights[hand] ? '' : ', nothing to screw it to'}`,
  });
}

/** Pilot holes of runners in what carries them, at places behind the front edge of the case. */
export function bored(
  part: Part,
  face: 1 | 2,
  line: Dim,
  places: readonly Dim[],
  { profile, front }: { profile: Chosen['profile']; front: string },
): Operation {
  const upright = part.placement.u.endsWith('z');
  const [across, along] = upright ? (['u0', 'v0'] as const) : (['v0', 'u0'] as const);
  return {
    kind: 'holes',
    face,
    from: across,
    offset: measuredFrom(line, edgeOf(part, across)),
    positions: places.map((place) => measuredFrom(place, edgeOf(part, along))),
    ...pilotOf('runners', profile, part.thickness),
    reason: `runner: ${profile.name}`,
    by: { kind: 'runners', what: 'case', front },
  };
}
