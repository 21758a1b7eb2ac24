import { type Dim, length, measuredFrom, plain, spanBetween, spanFrom } from '../../../ground/index.js';
import { edgeOf, makePart, type Operation, type Part, partKeys, spanAlong } from '../../../part/index.js';
import { fromSheet, pilotOf } from '../../profile.js';
import { holesAlong } from '../lines.js';
import type { TallProfile } from '../profile.js';
import { besideBox, boredBeside, HALF_RUNNER } from './beside.js';
import type { Added, AddedContext, RunnerFamily } from './family.js';

/** The strip under the middle of the box, and the packing under its runner, are so wide (mm). */
const STRIP = length(60, 'width of the strip');
/** Thinner packing is play (mm). */
const LEAST_PACKING = 0.1;

/**
 * Tall pull-outs: two runners beside the upright sides by the side rule, and a third centred under the box. The third
 * raises the box by its thickness; where a frame stands above the floor, what packs it up is higher by as much.
 */
export const tall: RunnerFamily<TallProfile> = {
  against: (_profile, { settings }) =>
    settings.drawers.bottom.value === 'applied'
      ? 'wants a bottom let up between the sides, not one applied from below'
      : undefined,
  plan(profile, room, run, { materials, settings }) {
    const outside = room.across.size
      .minus(fromSheet(profile, 'thickness', 'runner thickness').times(plain(2, 'runners')))
      .minus(fromSheet(profile, 'play', 'play of the runners'))
      .as('box width, outside');
    const above = aboveFloor(profile);
    const height = room.up.size
      .minus(above)
      .minus(fromSheet(profile, 'clearAbove', 'clearance above the box'))
      .as('box height')
      .because('a tall pull-out is as high as its opening lets it be');
    return {
      outside,
      inside: outside.minus(materials.drawerBox.thickness.times(2)).as('box width, inside'),
      length: run.as('box length'),
      height,
      above,
      free: fromSheet(profile, 'clearAbove', 'clearance above the box').as('free above the box'),
      recess: settings.drawers.recess,
    };
  },
  line,
  bodies(profile, context) {
    const { box, room, from, to } = context;
    const middle = (box.inner.low.value + box.inner.high.value) / 2;
    const low = room.up.low.value;
    return [
      ...besideBox(context, line(profile).value),
      {
        min: [middle - HALF_RUNNER, from, low],
        max: [middle + HALF_RUNNER, to, low + profile.under.thickness],
      },
    ];
  },
  onBox: (profile, box, run) => box.sides.map((side) => [side.key, boredBeside(profile, box, run)] as const),
  added,
};

/** The third runner lies under the box. */
function aboveFloor(profile: TallProfile): Dim {
  return fromSheet(profile, 'under/thickness', 'runner under the box')
    .plus(fromSheet(profile, 'clearBelow', 'clearance below'))
    .as('box above the floor of the opening');
}

function line(profile: TallProfile): Dim {
  return aboveFloor(profile)
    .plus(fromSheet(profile, 'line', 'fixing line above the box’s lower edge'))
    .as('screw line of the runner');
}

/** The third runner: a strip under the bottom that carries it, and what it stands on. */
function added(profile: TallProfile, { room, box, plan, run, parts, resolved }: AddedContext): Added {
  const { id, name } = room;
  const key = partKeys.box.of({ opening: id });
  const middle = box.inner.low.plus(box.inner.size.over(2)).as('middle of the box');
  const x = spanFrom(middle.minus(STRIP.over(2)).as('left edge of the strip'), STRIP);
  const front = box.all.find((part) => part.key === `${key}/front`);
  const from = front ? front.stands.y.high : box.along.low;
  const to = box.shortBack ? box.along.high : box.back.stands.y.low;
  const by = { kind: 'runners', what: 'case', front: room.front?.key ?? `${key}/front` } as const;
  const stock = resolved.materials.frame.material;
  const strip = makePart({
    key: `${key}/strip`,
    name: 'strip for the third runner',
    whole: `${name} box`,
    unit: key,
    role: 'drawer box',
    material: stock,
    piece: { kind: 'box', where: 'middle' },
    stands: { x, y: spanBetween(from, to), z: spanFrom(box.low, plan.recess) },
    axes: { u: '+y', v: '+x', w: '+z' },
    gluedTo: `${key}/bottom`,
    note: 'planed to its thickness, glued to the underside of the bottom',
  });
  const across = STRIP.over(2).as('middle of the strip');
  const least = from.value - box.along.low.value + FROM_END;
  const onStrip = holesAlong(profile, profile.boxHoles, run.value, 0, (at) => at >= least).map((at) =>
    box.along.low.plus(at).minus(from).as('hole from the front of the strip'),
  );
  const bored = (reason: string, part: Part, positions: readonly Dim[], face: 1 | 2, offset: Dim, along: 'u' | 'v') =>
    ({
      kind: 'holes',
      face,
      from: along === 'u' ? 'v0' : 'u0',
      offset,
      positions,
      ...pilotOf('runners', profile, part.thickness),
      reason,
      by,
    }) satisfies Operation;
  const operations: (readonly [string, Operation])[] = [
    [strip.key, bored(`third runner on the box: ${profile.name}`, strip, onStrip, 1, across, 'u')],
  ];
  const start = room.plane.plus(fromSheet(profile, 'setback', 'runner behind the plane of the fronts'));
  const floor = floorUnder(parts, middle.value, room.up.low.value);
  if (!floor) return { parts: [strip], operations };
  const surface = spanAlong(floor, 2).high;
  const rise = room.up.low.minus(surface).as('packing under the third runner');
  const places = holesAlong(profile, profile.under.holes, run.value, 0, (at) => start.value + at > FROM_END).map((at) =>
    start.plus(at).as('hole behind the front edge of the case'),
  );
  if (rise.value <= LEAST_PACKING) {
    operations.push([
      floor.key,
      bored(
        `third runner: ${profile.name}`,
        floor,
        places.map((at) => measuredFrom(at, edgeOf(floor, 'v0'))),
        floor.placement.w === '-z' ? 1 : 2,
        measuredFrom(middle, edgeOf(floor, 'u0')),
        'v',
      ),
    ]);
    return { parts: [strip], operations };
  }
  const begins = start.value > 0 ? start : length(0, 'front of the case');
  const packing = makePart({
    key: partKeys.packing.of({ opening: id, hand: 'under' }),
    name: 'packing under the third runner',
    whole: `${name} runner`,
    role: 'packing',
    material: stock,
    stands: {
      x,
      y: spanBetween(begins, start.plus(run).as('rear of the packing')),
      z: { low: surface, high: room.up.low, size: rise },
    },
    axes: { u: '+y', v: '+x', w: '-z' },
    note: 'planed to its thickness, glued and screwed to what is under it',
  });
  operations.push([
    packing.key,
    bored(
      `third runner: ${profile.name}`,
      packing,
      places
        .filter((at) => at.value > begins.value + FROM_END)
        .map((at) => at.minus(begins).as('hole from its front end')),
      1,
      across,
      'u',
    ),
  ]);
  return { parts: [strip, packing], operations };
}

/** Holes keep so far from the end of what they are bored in (mm). */
const FROM_END = 8;
/** What lies further below an opening does not carry it (mm). */
const MOST_RISE = 90;

/** What lies under the middle of an opening, at most so far down. */
function floorUnder(parts: readonly Part[], x: number, z: number): Part | undefined {
  return parts
    .filter(
      ({ extent: { min, max }, placement }) =>
        placement.w[1] === 'z' && min[0] < x && max[0] > x && max[2] < z + 0.01 && max[2] > z - MOST_RISE,
    )
    .filter(({ stands }) => stands.y.size.value > 150)
    .sort((a, b) => b.extent.max[2] - a.extent.max[2])[0];
}
