import type { Compartment } from '../../build/index.js';
import { familyOf } from './families/index.js';
import type { HungDoor } from './hung.js';

/** How far hinges of its own doors reach behind the front edge of the case within the heights of a room (mm); 0 for none. */
export function armsInto(
  { cell, inside: { v } }: Pick<Compartment, 'cell' | 'inside'>,
  doors: readonly HungDoor[],
  mountingPlane: number,
): number {
  let reach = 0;
  for (const { front, chosen, places } of doors) {
    if (!chosen || front.openingId !== cell.opening.id) continue;
    const { behind, height } = familyOf(chosen.profile).body(chosen);
    const near = places.some(
      ({ onCase }) => onCase.value + height / 2 > v.low.value && onCase.value - height / 2 < v.high.value,
    );
    if (near) reach = Math.max(reach, mountingPlane + behind);
  }
  return reach;
}
