import type { Box } from '../../build/index.js';
import type { PlanPoint } from '../../cabinet/index.js';
import { familyOf } from './families/index.js';
import { turnOf } from './hang.js';
import type { HungDoor } from './hung.js';
import { hingeKey } from './keys.js';

/** A piece of a hinge as an upright prism over an outline in plan (mm in the cabinet). */
export interface HingePiece {
  /** Key of the hinge. */
  readonly shows: string;
  /** True for what is let into the door and moves with it. */
  readonly onDoor: boolean;
  readonly outline: readonly PlanPoint[];
  readonly low: number;
  readonly high: number;
}

/** The hinges of a door in the round: what the corner draws of them in plan, as high as each is. */
export function hingePieces(door: HungDoor, box: Box): HingePiece[] {
  const { chosen, front, places } = door;
  const turn = turnOf(door, box);
  if (!chosen || !turn) return [];
  const family = familyOf(chosen.profile);
  const half = family.body(chosen).height / 2;
  const flat = family
    .corner(chosen, turn.plan, door, (x, y) => ({ h: x, v: y }))
    .flatMap((item): PlanPoint[][] => {
      if (item.kind === 'region') {
        const { from, to } = item;
        return [
          [
            { x: from.h, y: from.v },
            { x: to.h, y: from.v },
            { x: to.h, y: to.v },
            { x: from.h, y: to.v },
          ],
        ];
      }
      return item.kind === 'shape' ? [item.points.map(({ h, v }) => ({ x: h, y: v }))] : [];
    });
  return places.flatMap(({ onDoor }, at) => {
    const z = front.v.low.value + onDoor.value;
    return flat.map((outline) => ({
      shows: hingeKey(front.key, at),
      onDoor: outline.every(({ y }) => y <= turn.plan.back + 0.01),
      outline,
      low: z - half,
      high: z + half,
    }));
  });
}
