import { length, measuredFrom } from '../../ground/index.js';
import { edgeOf, type Part, SAME_PLANE } from '../../part/index.js';
import type { Joint, Seat } from '../joints/index.js';

/**
 * The upright (or horizontal) panels one of whose faces lies in the joint's plane and reaches the joint. A part over two
 * stretchers is fastened to both.
 */
export function seatsOf(joint: Joint, parts: readonly Part[]): Seat[] {
  const [along, normal] = joint.normal === 'x' ? ([2, 0] as const) : ([0, 2] as const);
  const middle = joint.level.value + joint.thickness.value / 2;
  const [from, to] = [joint.front.value, joint.front.value + joint.depth.value];
  const seats: Seat[] = [];
  for (const part of parts) {
    if (!part.receives || part.key === joint.member?.key || part.placement.w[1] !== joint.normal) continue;
    const { min, max } = part.extent;
    if (middle < min[along] - SAME_PLANE || middle > max[along] + SAME_PLANE) continue;
    if (from > max[1] - SAME_PLANE || to < min[1] + SAME_PLANE) continue;
    const face1 = part.placement.origin[normal];
    const face2 = face1 + (part.placement.w[0] === '+' ? 1 : -1) * part.thickness.value;
    const face =
      Math.abs(face1 - joint.plane) < SAME_PLANE ? 1 : Math.abs(face2 - joint.plane) < SAME_PLANE ? 2 : undefined;
    if (!face) continue;
    const seat = { part, face, ...shared(joint, part) } as const;
    // On edge it is held only by what its whole thickness lies on.
    if (joint.runs !== 'along' || seat.depth.value > joint.depth.value - SAME_PLANE) seats.push(seat);
  }
  return seats;
}

/** A deep part on a shallow one is fastened only where both are. */
function shared(joint: Joint, part: Part): Pick<Seat, 'start' | 'depth'> {
  const front = edgeOf(part, 'v0');
  const before = front.value - joint.front.value;
  const start = before > SAME_PLANE ? front.minus(joint.front).as('front of the part behind that of the joint') : NONE;
  const rear = edgeOf(part, 'v1');
  const within = joint.front.value + joint.depth.value <= rear.value + SAME_PLANE;
  const depth = within ? joint.depth : measuredFrom(rear, joint.front);
  if (within && start.value === 0) return { start, depth };
  return { start, depth: (start.value === 0 ? depth : depth.minus(start)).as('depth both parts share') };
}

const NONE = length(0);
