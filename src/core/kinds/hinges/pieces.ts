import type { Box } from '../../build/index.js';
import type { Piece, PlanPoint } from '../../cabinet/index.js';
import { familyOf } from './families/index.js';
import { turnOf } from './hang.js';
import type { HungDoor } from './hung.js';
import { hingeKey } from './keys.js';

/** The hinges of a door in the round: what the corner draws of them in plan, as high as each is. */
export function hingePieces(door: HungDoor, box: Box): Piece[] {
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
    return flat.map((outline): Piece => {
      // What is let into the door moves with it.
      const onFront = outline.every(({ y }) => y <= turn.plan.back + 0.01);
      const prism = { shows: hingeKey(front.key, at), outline, low: z - half, high: z + half };
      return onFront
        ? { ...prism, on: front.parts[0]?.key, moves: front.key }
        : { ...prism, on: door.carrier?.key, moves: undefined };
    });
  });
}
