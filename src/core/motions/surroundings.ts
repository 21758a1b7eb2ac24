import { type Box, type Front, frontName } from '../build/index.js';
import type { Motion, Occupied, PlanObstacle, SwingContact, Turn } from '../cabinet/index.js';
import type { Given } from '../given/index.js';
import { swingContact } from './swing.js';

/** What stands beside a door is cut back by this: how near a turning edge may come to it is the least gap's business (mm). */
const BESIDE = 4;
/** A wall is drawn this deep and this far to front and rear (mm). */
const WALL = 3000;

/** The space the shut fronts of a cabinet take. */
export function spaceOfFronts(fronts: readonly Front[]): Occupied[] {
  return fronts.map((front) => ({ by: 'front', name: frontName(front), front: front.key, extent: front.extent }));
}

export interface FrontObstacle extends PlanObstacle {
  readonly front: string | undefined;
}

/** What stands in the way of a front that turns; moved where the cabinet stands beside another. */
export function obstaclesOf(
  occupied: readonly Occupied[],
  shift: { readonly x: number; readonly y: number; readonly z: number } = { x: 0, y: 0, z: 0 },
): FrontObstacle[] {
  return occupied.map(({ by, name, front, extent: { min, max } }) => {
    // A front narrower than what is cut back of it leaves its middle line.
    const inset = by === 'front' ? Math.min(BESIDE, (max[0] - min[0]) / 2) : 0;
    return {
      front,
      name,
      min: { x: min[0] + inset + shift.x, y: min[1] + shift.y },
      max: { x: max[0] - inset + shift.x, y: max[1] + shift.y },
      low: min[2] + shift.z,
      high: max[2] + shift.z,
    };
  });
}

/** What is fixed to a front and moves with it. */
export function fixedTo(occupied: readonly Occupied[], front: string): Occupied[] {
  return occupied.filter((room) => room.by !== 'front' && room.front === front);
}

/** The fronts that turn about an upright line. */
export const turnsOf = (motions: readonly Motion[]): Turn[] => motions.filter((motion) => motion.kind === 'turn');

/** What each front touches when it opens, by its key: walls, other fronts and what is fixed to them. */
export function contactsOf(
  motions: readonly Motion[],
  occupied: readonly Occupied[],
  box: Box,
  given: Given,
): Map<string, SwingContact> {
  const walls = wallObstacles(box, given);
  const closed = obstaclesOf(occupied);
  const contacts = new Map<string, SwingContact>();
  for (const motion of turnsOf(motions)) {
    const others = closed.filter(({ front }) => front !== motion.front);
    const contact = swingContact(motion, fixedTo(occupied, motion.front), [...walls, ...others]);
    if (contact) contacts.set(motion.front, contact);
  }
  return contacts;
}

/**
 * Walls, and whatever else was measured beside the cabinet: a wall is as high and comes as far forward as can be; what
 * has a height of its own stands on the floor, and only so far forward as it does.
 */
function wallObstacles(box: Box, given: Given): PlanObstacle[] {
  return (['left', 'right'] as const).flatMap((end): PlanObstacle[] => {
    const { what, clear: free, high, forward } = given[end];
    const [clear, tall] = [free.value, high.value];
    const wall = what === 'wall';
    if (!wall && clear === 0 && tall === 0) return [];
    const name = wall ? 'the wall' : 'what stands beside it';
    const upright = { low: -WALL, high: wall || tall === 0 ? WALL : tall - box.underHeight.value };
    const front = wall ? -WALL : -Math.min(WALL, forward.value);
    return end === 'left'
      ? [{ name, ...upright, min: { x: -WALL, y: front }, max: { x: -box.beyondLeft.value - clear, y: WALL } }]
      : [
          {
            name,
            ...upright,
            min: { x: box.width.value + box.beyondRight.value + clear, y: front },
            max: { x: box.width.value + WALL, y: WALL },
          },
        ];
  });
}
