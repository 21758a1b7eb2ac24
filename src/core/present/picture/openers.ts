import { frontName } from '../../build/index.js';
import type { Motion } from '../../cabinet/index.js';
import { turned } from '../../motions/index.js';
import type { Point } from '../../part/index.js';
import type { SolvedCabinet } from '../../solve/index.js';

/** Something that opens: what moves, and how. */
export interface Opener {
  readonly id: string;
  /** As it is called: "door 2". */
  readonly name: string;
  /** Key of the front that opens it; undefined for what is pulled out behind doors. */
  readonly front: string | undefined;
  readonly parts: readonly string[];
  readonly motion: Motion;
  /** How far it goes: degrees, or mm. */
  readonly most: number;
}

/** Everything of a cabinet that opens, and its way from shut to its stop. */
export function openersOf({ motions, fronts, contacts }: SolvedCabinet): Opener[] {
  return motions.flatMap((motion): Opener[] => {
    const front = fronts.find(({ key }) => key === motion.front);
    if (!front && motion.kind !== 'slide') return [];
    const own = front?.parts.map((part) => part.key) ?? [];
    const moves = { front: front?.key, motion };
    if (motion.kind === 'slide') {
      const { of, name, parts, travel } = motion;
      return [{ id: of, name, ...moves, parts: [...parts, ...own], most: travel }];
    }
    const id = motion.front;
    if (motion.kind !== 'turn') return [{ id, name: motion.name, ...moves, parts: own, most: motion.stop }];
    const most = contacts.get(id)?.free ?? motion.plan.stopAngle;
    return [{ id, name: front ? frontName(front) : id, ...moves, parts: own, most }];
  });
}

/** Where a point that moves with it lies when it is open by a share of its way. */
export function movedTo({ motion, most }: Opener, [x, y, z]: Point, share: number): Point {
  const far = most * share;
  switch (motion.kind) {
    case 'slide':
      return [x, y - far, z];
    case 'turn': {
      const at = turned(motion.plan, { x, y }, far);
      return [at.x, at.y, z];
    }
    case 'lift':
    case 'drop': {
      const angle = ((motion.kind === 'lift' ? far : -far) * Math.PI) / 180;
      const [dy, dz] = [y - motion.y, z - motion.z];
      return [
        x,
        motion.y + dy * Math.cos(angle) + dz * Math.sin(angle),
        motion.z - dy * Math.sin(angle) + dz * Math.cos(angle),
      ];
    }
  }
}

/** The same for everything that moves with it, as a matrix of four columns of four (a rigid motion). */
export function motionOf(opener: Opener, share: number): readonly number[] {
  const [ox, oy, oz] = movedTo(opener, [0, 0, 0], share);
  const column = (unit: Point) => {
    const [x, y, z] = movedTo(opener, unit, share);
    return [x - ox, y - oy, z - oz, 0];
  };
  return [...column([1, 0, 0]), ...column([0, 1, 0]), ...column([0, 0, 1]), ox, oy, oz, 1];
}
