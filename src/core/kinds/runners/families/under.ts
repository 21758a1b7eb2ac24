import { length, measuredFrom, plain } from '../../../ground/index.js';
import { edgeOf, type Operation } from '../../../part/index.js';
import { fromSheet } from '../../profile.js';
import { boxHeight } from '../heights.js';
import type { UnderProfile } from '../profile.js';
import type { RunnerFamily } from './family.js';

/** Corner screws begin so far above the middle of the hook holes (mm). */
const CLEAR_OF_HOOK = length(14, 'clear of the hooks');

/** A back that reaches further past the inside of the sides than a rabbet does covers their ends (mm). */
const CORNER = 10;

/** They are drawn so far above the floor of the opening, and so far in under the box (mm). */
const FROM_FLOOR = 1;
const UNDER_BOX = 20;

/**
 * Runners hidden under the box: inside width = opening − the profile's deduction. The bottom is let up, the back notched
 * at both lower corners and bored for the hooks.
 */
export const under: RunnerFamily<UnderProfile> = {
  against(profile, { materials, settings }, show) {
    const side = materials.drawerBox.thickness.value;
    if (side > profile.mostSide + 1e-6) return `takes sides up to ${show(profile.mostSide)}; these are ${show(side)}`;
    const kept = profile.deduction / 2 - side;
    if (kept < profile.sideClearance - 1e-6)
      return `wants ${show(profile.sideClearance)} beside the box; sides of ${show(side)} leave ${show(kept)}`;
    if (settings.drawers.bottom.value === 'applied')
      return 'wants a bottom let up between the sides, not one applied from below';
    return undefined;
  },
  plan(profile, room, run, { materials, settings }) {
    const inside = room.across.size
      .minus(fromSheet(profile, 'deduction', 'opening less'))
      .as('box width, inside')
      .because('the hidden runners hold the box by the inside of its sides');
    const below = fromSheet(profile, 'clearBelow', 'clearance below the box');
    const { height, free } = boxHeight(
      room,
      fromSheet(profile, 'clearAbove', 'clearance above the box'),
      below,
      settings,
      fromSheet(profile, 'leastHeight', 'lowest box it carries'),
    );
    return {
      outside: inside.plus(materials.drawerBox.thickness.times(plain(2, 'sides'))).as('box width, outside'),
      inside,
      length: (profile.shorter > 0 ? run.minus(fromSheet(profile, 'shorter', 'box shorter than the runner')) : run).as(
        'box length',
      ),
      height,
      above: below,
      free,
      recess: fromSheet(profile, 'recess', 'bottom above the lower edge of the sides'),
      clear: fromSheet(profile, 'recess', 'bottom above the lower edge of the sides')
        .plus(fromSheet(profile, 'hook/above', 'hook above the recess'))
        .plus(CLEAR_OF_HOOK)
        .as('first screw above the hooks'),
      stiffened: true,
    };
  },
  line: (profile) => fromSheet(profile, 'line', 'screw line above the floor of the opening'),
  bodies(_profile, { room: { across, up }, box, plan, from, to }) {
    const [low, high] = [up.low.value + FROM_FLOOR, box.low.value + plan.recess.value];
    return [
      { min: [across.low.value, from, low], max: [box.inner.low.value + UNDER_BOX, to, high] },
      { min: [box.inner.high.value - UNDER_BOX, from, low], max: [across.high.value, to, high] },
    ];
  },
  onBox(profile, { back, front, shortBack, inner }) {
    const by = { kind: 'runners', what: 'hook', front } as const;
    const [start, end] = [measuredFrom(inner.low, edgeOf(back, 'u0')), measuredFrom(inner.high, edgeOf(back, 'u0'))];
    const inward = fromSheet(profile, 'hook/inward', 'hook from the inside of the side');
    const above = fromSheet(profile, 'hook/above', 'hook above the recess');
    const recess = fromSheet(profile, 'recess', 'bottom above the lower edge of the sides');
    // A short back begins above the bottom; its hooks are measured from there as well.
    const up = shortBack ? above : recess.plus(above).as('hook above the lower edge of the back');
    const hooks: Operation = {
      kind: 'holes',
      face: 2,
      from: 'v0',
      offset: up,
      positions: [start.plus(inward).as('hook, left'), end.minus(inward).as('hook, right')],
      diameter: fromSheet(profile, 'hook/diameter', 'hook hole'),
      depth: fromSheet(profile, 'hook/depth', 'hook hole depth'),
      reason: `hooks of the hidden runners: ${profile.name}`,
      by,
    };
    if (shortBack) return [[back.key, hooks]];
    const width = fromSheet(profile, 'notch/width', 'notch, width');
    const high = fromSheet(profile, 'notch/height', 'notch, height');
    // Where the back goes on past the inside of the sides, the corner belongs to its joint.
    if (start.value > CORNER)
      return [
        [back.key, hooks],
        ...(['u0', 'u1'] as const).map((edge): readonly [string, Operation] => [
          back.key,
          {
            kind: 'cut-out',
            shape: 'rectangle',
            u: { edge, offset: start.as('inside of the side') },
            v: { edge: 'v0', offset: length(0, 'open at the lower edge') },
            alongLength: width,
            alongWidth: high,
            reason: 'room for the hidden runner',
            by: { kind: 'runners', what: 'notch', front },
          },
        ]),
      ];
    const notches = (['u0', 'u1'] as const).map((edge): readonly [string, Operation] => [
      back.key,
      {
        kind: 'notch',
        corner: [edge, 'v0'],
        alongLength: (edge === 'u0' ? start.plus(width) : edgeOf(back, 'u1').minus(inner.high).plus(width)).as(
          'notch, width',
        ),
        alongWidth: high,
        reason: 'room for the hidden runner',
        by: { kind: 'runners', what: 'notch', front },
      },
    ]);
    return [[back.key, hooks], ...notches];
  },
  extras: () => [
    { name: 'front lock, left', quantity: 1 },
    { name: 'front lock, right', quantity: 1 },
  ],
};
