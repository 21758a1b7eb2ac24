import type { Part } from './part.js';

/** Where two planes are the same plane (mm). */
export const SAME_PLANE = 0.01;

/** Sides and partitions: what carries shelves, hinges, catches and runners. */
export function isUpright({ role }: Part): boolean {
  return role === 'side' || role === 'partition';
}

/** The standing members of a face frame. */
export function isFrameStile({ role, piece }: Part): boolean {
  return role === 'frame' && piece?.kind === 'stile';
}

/**
 * The upright that closes a room at its left or right: its face lies in the plane `x` and it reaches the height `z` (mm,
 * in the cabinet).
 */
export function uprightAt(
  parts: readonly Part[],
  hand: 'left' | 'right',
  { x, z }: { readonly x: number; readonly z: number },
  wanted: (part: Part) => boolean = isUpright,
): Part | undefined {
  return parts.find((part) => {
    if (!wanted(part)) return false;
    const { min, max } = part.extent;
    return Math.abs((hand === 'left' ? max[0] : min[0]) - x) < SAME_PLANE && z > min[2] && z < max[2];
  });
}

/** Which face of an upright looks into the room it closes at the left or right: a side has its inside face only. */
export function faceInto({ role }: Part, hand: 'left' | 'right'): 1 | 2 {
  return role === 'partition' && hand === 'left' ? 2 : 1;
}
