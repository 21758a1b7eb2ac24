import { weightOf } from '../../build/index.js';
import type { Occupied } from '../../cabinet/index.js';
import { type Dim, length, plain } from '../../ground/index.js';
import { alongPart, type Operation, type Part, placesFree, SAME_PLANE, sizeOf } from '../../part/index.js';
import { contentsOf } from '../carried.js';
import { chosenOf } from '../chosen.js';
import { type Against, fromSheet, pilotOf } from '../profile.js';
import type { LegContext } from './context.js';
import type { LegProfile } from './profile.js';

/** What a box stands on, as plain data. */
export interface FittedLegs {
  /** Weight of box, fronts and boxes, and of what may be put in (kg). */
  readonly weight: Dim;
  readonly contents: Dim;
  readonly profile: LegProfile | undefined;
  readonly against: readonly Against[];
  /** In pairs, front and rear: by width, and by what they carry. */
  readonly byWidth: number;
  readonly byLoad: number;
  readonly pairs: number;
  /** How many pairs there is room for side by side. */
  readonly room: number;
  /** Where they stand: from the left face of the box, and from its front edge. */
  readonly across: readonly Dim[];
  readonly front: Dim | undefined;
  readonly rear: Dim | undefined;
}

/** Four up to this width, then one more pair for every step (mm). */
const FOUR_TO = 900;
const STEP = 600;
/** A leg keeps so far behind the toe board, and from the next (mm). */
const BEHIND_BOARD = length(15, 'behind the toe board');
const BETWEEN = 10;

/** Legs under a box that stands on some: by width, by partitions past that width, and by what they have to carry. */
export function standOnLegs(
  context: LegContext,
  profiles: readonly LegProfile[],
): { legs: FittedLegs; operations: readonly Operation[]; occupied: readonly Occupied[] } | undefined {
  const { box, parts, resolved } = context;
  const { toe, legs: set } = resolved.settings;
  const bottom = parts.find(({ key }) => key === 'bottom');
  if (toe.kind.value !== 'legs' || !bottom) return undefined;
  const weight = weightOf(parts).as('weight of the box with its fronts');
  const contents = contentsOf(context);
  const whole = weight.plus(contents);
  const wide = box.width.value > FOUR_TO;
  const partitions = parts.filter(
    ({ role, extent }) => role === 'partition' && extent.min[2] <= box.bottomTop.value + SAME_PLANE,
  );
  const steps = 2 + Math.max(0, Math.ceil((box.width.value - FOUR_TO) / STEP - 1e-9));
  const byWidth = wide ? Math.max(steps, 2 + partitions.length) : steps;
  const { profile, against } = choose(toe.height.value, profiles, set.choice.value, whole.value);
  const byLoad = profile ? Math.ceil(whole.value / (2 * profile.load) - 1e-9) : 0;
  const pairs = Math.max(byWidth, byLoad);
  const said = { weight, contents, profile, against, byWidth, byLoad, pairs };
  if (!profile)
    return {
      legs: { room: pairs, ...said, across: [], front: undefined, rear: undefined },
      operations: [],
      occupied: [],
    };
  const first = set.inset.as('first leg from the left');
  const run = box.width.minus(set.inset.times(2)).as('from the first leg to the last');
  const room = Math.max(2, 1 + Math.floor(run.value / (profile.plate.across + BETWEEN)));
  const across =
    wide && pairs === 2 + partitions.length && partitions.length > 0
      ? [
          first,
          ...partitions.map(({ stands: { x } }) => x.low.plus(x.size.over(2)).as('leg under the partition')),
          box.width.minus(set.inset).as('last leg'),
        ]
      : Array.from({ length: pairs }, (_, at) =>
          at === 0 ? first : first.plus(run.times(at).over(plain(pairs - 1, 'spaces between legs'))).as('leg'),
        );
  const half = fromSheet(profile, 'plate/across', 'plate of the leg').over(2);
  const front = toe.setback
    .plus(resolved.materials.toe.thickness)
    .plus(BEHIND_BOARD)
    .plus(half)
    .as('front legs from the front edge');
  const rear = box.bottomDepth.minus(set.inset).as('rear legs from the front edge');
  const reach = fromSheet(profile, 'plate/apart', 'screws of the leg apart').over(2);
  const rows = [
    clearRow(bottom, front, across, reach.value, context, profile),
    clearRow(bottom, rear, across, reach.value, context, profile),
  ];
  const operations = rows.flatMap(({ y, across: xs }) =>
    ([-1, 1] as const).map((side): Operation => {
      const line = side < 0 ? y.minus(reach) : y.plus(reach);
      return {
        kind: 'holes',
        face: 2,
        from: 'v0',
        offset: alongPart(bottom, 'v', line.as('screws of the legs from the front edge')),
        positions: xs.flatMap((x) =>
          [x.minus(reach), x.plus(reach)].map((at) => alongPart(bottom, 'u', at.as('screw of the leg'))),
        ),
        ...pilotOf('legs', profile, bottom.thickness),
        reason: `legs: ${profile.name}`,
        by: { kind: 'legs' },
      };
    }),
  );
  return {
    legs: { room, ...said, across: rows[0]?.across ?? across, front: rows[0]?.y ?? front, rear: rows[1]?.y ?? rear },
    operations,
    occupied: rows.flatMap(({ y, across: xs }) => xs.map((x) => under(x.value, y.value, half.value, toe.height.value))),
  };
}

/** Legs move by steps of this, at most so far each way, to stand clear of what is cut in the bottom (mm). */
const MOVES = [0, 8, -8, 16, -16, 24, -24, 32, -32, 40, -40];
/** Wood left between their screws and what else is cut (mm). */
const SKIN = 2;

/** A row of legs clear of what is cut and screwed in the bottom: the row moved as a whole, then each leg in it. */
function clearRow(
  bottom: Part,
  y: Dim,
  across: readonly Dim[],
  reach: number,
  { screwLines }: LegContext,
  { pilot }: LegProfile,
): { readonly y: Dim; readonly across: readonly Dim[] } {
  const stands = placesFree([...bottom.machining, ...(screwLines.get('bottom') ?? [])], sizeOf(bottom), {
    face: 2,
    ...pilot,
    beside: SKIN,
    behind: SKIN,
  });
  const free = (x: number, v: number) => {
    const u = x - bottom.extent.min[0];
    return [-reach, reach].every((du) => [-reach, reach].every((dv) => stands(u + du, v + dv)));
  };
  const moved = (dim: Dim, by: number) =>
    by === 0 ? dim : dim.plus(length(by, 'clear of what is cut')).as('leg, moved clear');
  for (const dy of MOVES) {
    const v = y.value + dy - bottom.extent.min[1];
    const xs = across.map((x) => MOVES.find((dx) => free(x.value + dx, v)));
    if (xs.every((dx) => dx !== undefined))
      return { y: moved(y, dy), across: across.map((x, at) => moved(x, xs[at] ?? 0)) };
  }
  return { y, across };
}

function under(x: number, y: number, half: number, height: number): Occupied {
  return {
    by: 'legs',
    name: 'a leg',
    extent: { min: [x - half, y - half, -height], max: [x + half, y + half, 0] },
  };
}

/** As high as the toe; what needs no more than two pairs and is in stock first. */
function choose(height: number, profiles: readonly LegProfile[], decided: string, weight: number) {
  const pairs = ({ load }: LegProfile) => Math.max(2, Math.ceil(weight / (2 * load)));
  return chosenOf(profiles, decided, {
    unfit({ height: { from, to } }) {
      if (height < from) return `is ${from} mm at least; the toe is ${Math.round(height)}`;
      if (height > to) return `is ${to} mm at most; the toe is ${Math.round(height)}`;
      return undefined;
    },
    order: (a, b) => pairs(a) - pairs(b) || a.load - b.load,
    passedOver: 'fits as well',
  });
}
