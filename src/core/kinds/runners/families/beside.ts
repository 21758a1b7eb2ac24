import { type Dim, plain, quantity } from '../../../ground/index.js';
import { type Extent, type Operation, pilotFor } from '../../../part/index.js';
import { fromSheet, pilotOf } from '../../profile.js';
import type { BoxParts } from '../box.js';
import { boxHeight } from '../heights.js';
import { holesAlong } from '../lines.js';
import type { BesideProfile, TallProfile } from '../profile.js';
import type { BodiesContext, RunnerFamily } from './family.js';

/** Rollers are screwed up into the lower edges of the sides. */
export const corner: RunnerFamily<BesideProfile> = {
  plan: (profile, ...rest) => beside.plan(profile, ...rest),
  line: (profile) => beside.line(profile),
  bodies: (profile, context) => beside.bodies(profile, context),
  onBox: (profile, box, length) =>
    box.sides.map((side) => [
      side.key,
      {
        kind: 'edge holes',
        edge: 'v0',
        offset: box.side.over(2).as('middle of the edge'),
        positions: onSide(profile, box, length),
        ...pilotFor(
          'runners',
          fromSheet(profile, 'pilot/diameter', 'pilot hole'),
          quantity(EDGE_PILOT, 'mm', 'pilot in the lower edge'),
        ),
        reason: `runner under the box: ${profile.name}`,
        by: { kind: 'runners', what: 'box', front: box.front },
      } satisfies Operation,
    ]),
};

/** So deep a pilot is bored in the lower edge of a side, short of the groove of the bottom (mm). */
const EDGE_PILOT = 8;

/**
 * Runners that stand beside the box, in the middle of its sides or at their lower corners: outside width = opening −
 * 2 · runner thickness − play.
 */
export const beside: RunnerFamily<BesideProfile> = {
  plan(profile, room, length, { materials, settings }) {
    const thickness = fromSheet(profile, 'thickness', 'runner thickness');
    const outside = room.across.size
      .minus(thickness.times(plain(2, 'runners')))
      .minus(fromSheet(profile, 'play', 'play of the runners'))
      .as('box width, outside');
    const below = fromSheet(profile, 'clearBelow', 'clearance below the box');
    const { height, free } = boxHeight(
      room,
      fromSheet(profile, 'clearAbove', 'clearance above the box'),
      below,
      settings,
      fromSheet(profile, 'leastHeight', 'lowest box it carries'),
    );
    return {
      outside,
      inside: outside.minus(materials.drawerBox.thickness.times(2)).as('box width, inside'),
      length: length.as('box length'),
      height,
      above: below,
      free,
      recess: settings.drawers.recess,
    };
  },
  line: (profile) =>
    fromSheet(profile, 'clearBelow', 'clearance below the box')
      .plus(fromSheet(profile, 'line', 'fixing line above the box’s lower edge'))
      .as('screw line of the runner'),
  bodies: (profile, context) => besideBox(context, beside.line(profile).value),
  onBox: (profile, box, length) => box.sides.map((side) => [side.key, boredBeside(profile, box, length)] as const),
};

/** Runners beside a box are so high, half above and half below their line (mm). */
export const HALF_RUNNER = 22;

/** Two blocks between the box and the edges of the opening, about the line of the runners above its floor (mm). */
export function besideBox({ room: { across, up }, box, from, to }: BodiesContext, line: number): Extent[] {
  const [low, high] = [up.low.value + line - HALF_RUNNER, up.low.value + line + HALF_RUNNER];
  const outer = [box.inner.low.value - box.side.value, box.inner.high.value + box.side.value] as const;
  return [
    { min: [across.low.value, from, low], max: [outer[0], to, high] },
    { min: [outer[1], from, low], max: [across.high.value, to, high] },
  ];
}

/** Its inner member is screwed to the outside of the box. */
export function boredBeside(
  profile: BesideProfile | TallProfile,
  box: BoxParts,
  length: { readonly value: number },
): Operation {
  const { side, front } = box;
  return {
    kind: 'holes',
    face: 2,
    from: 'v0',
    offset: fromSheet(profile, 'line', 'fixing line above the box’s lower edge'),
    positions: onSide(profile, box, length),
    ...pilotOf('runners', profile, side),
    reason: `runner on the box: ${profile.name}`,
    by: { kind: 'runners', what: 'box', front },
  };
}

/** Holes nearer to the end of a side, or to what is screwed into it, than this split it (mm). */
const FROM_END = 8;

/**
 * Holes of the member on the box, from the front end of the side, which may begin behind the front of the box; clear of
 * what is driven into its ends.
 */
function onSide(profile: BesideProfile | TallProfile, box: BoxParts, length: { readonly value: number }): Dim[] {
  const { lead, along, sides, screwLines } = box;
  const deep = (edge: 'u0' | 'u1') =>
    Math.max(
      0,
      ...screwLines.flatMap(([key, way]) =>
        key === sides[0].key && way.kind === 'edge holes' && way.edge === edge ? [way.depth.value] : [],
      ),
    );
  const [first, last] = [
    lead.value + deep('u0') + FROM_END,
    sides[0].extent.max[1] - along.low.value - deep('u1') - FROM_END,
  ];
  const holes = holesAlong(profile, profile.boxHoles, length.value, 0, (at) => at >= first && at <= last);
  return lead.value > 0 ? holes.map((at) => at.minus(lead).as('hole from the end of the side')) : holes;
}
