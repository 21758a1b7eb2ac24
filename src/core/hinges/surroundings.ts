import type { ResolvedSettings } from '../document/index.js';
import type { Front } from '../fronts/index.js';
import type { Box } from '../layout/index.js';
import type { PlacedPull } from '../pulls/index.js';
import type { HungDoor } from './hang.js';
import { type PlanObstacle, type SwingContact, swingContact } from './swing.js';

/** What stands beside a door is cut back by this: how near a turning edge may come to it is the least gap's business (mm). */
const BESIDE = 4;
/** A wall is drawn this deep and this far to front and rear (mm). */
const WALL = 3000;

/** The closed fronts of a cabinet and their pulls, seen in plan; moved where the cabinet stands beside another. */
export function frontObstacles(
  fronts: readonly Front[],
  pulls: readonly PlacedPull[],
  shift: { readonly x: number; readonly y: number; readonly z: number } = { x: 0, y: 0, z: 0 },
): (PlanObstacle & { readonly frontKey: string })[] {
  const moved = (
    frontKey: string,
    name: string,
    min: readonly [number, number, number],
    max: readonly [number, number, number],
    inset: number,
  ) => ({
    frontKey,
    name,
    min: { x: min[0] + inset + shift.x, y: min[1] + shift.y },
    max: { x: max[0] - inset + shift.x, y: max[1] + shift.y },
    low: min[2] + shift.z,
    high: max[2] + shift.z,
  });
  return [
    ...fronts.map((front) => moved(front.key, frontName(front), front.extent.min, front.extent.max, BESIDE)),
    ...pulls.map(({ frontKey, extent }) => {
      const front = fronts.find(({ key }) => key === frontKey);
      return moved(frontKey, `the pull of ${front ? frontName(front) : 'a front'}`, extent.min, extent.max, 0);
    }),
  ];
}

/** What each door of a cabinet touches when it opens, by front: walls, other fronts and their pulls. */
export function swingContacts(
  doors: readonly HungDoor[],
  fronts: readonly Front[],
  pulls: readonly PlacedPull[],
  box: Box,
  settings: ResolvedSettings,
): Map<string, SwingContact> {
  const walls = wallObstacles(box, settings);
  const closed = frontObstacles(fronts, pulls);
  const contacts = new Map<string, SwingContact>();
  for (const door of doors) {
    const { key } = door.front;
    const pull = pulls.find(({ frontKey }) => frontKey === key);
    const others = closed.filter(({ frontKey }) => frontKey !== key);
    const contact = swingContact(door, pull, [...walls, ...others]);
    if (contact) contacts.set(key, contact);
  }
  return contacts;
}

/** What a front is called in a sentence. */
export function frontName({ parts, key }: Front): string {
  const name = parts[0]?.name ?? key;
  return (name.split(':')[0] ?? name).toLowerCase();
}

/** Walls, and whatever else was measured beside the cabinet. */
function wallObstacles(box: Box, { ends }: ResolvedSettings): PlanObstacle[] {
  return (['left', 'right'] as const).flatMap((end): PlanObstacle[] => {
    const clear = ends[`${end}Clear`].mm;
    if (ends[end].value !== 'wall' && clear === 0) return [];
    const name = ends[end].value === 'wall' ? 'the wall' : 'what stands beside it';
    const upright = { low: -WALL, high: WALL };
    return end === 'left'
      ? [{ name, ...upright, min: { x: -WALL, y: -WALL }, max: { x: -box.beyondLeft.mm - clear, y: WALL } }]
      : [
          {
            name,
            ...upright,
            min: { x: box.width.mm + box.beyondRight.mm + clear, y: -WALL },
            max: { x: box.width.mm + WALL, y: WALL },
          },
        ];
  });
}
