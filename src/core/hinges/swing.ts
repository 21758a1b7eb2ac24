import type { PlacedPull } from '../pulls/index.js';
import type { HungDoor } from './hang.js';
import { doorAt, doorTurn, type PlanDoor, type PlanPoint, turned } from './turning.js';

/** Something a door may swing into: a rectangle in plan with the heights it stands between. All in cabinet mm. */
export interface PlanObstacle {
  /** "the wall", "the pull of drawer front 1" */
  readonly name: string;
  readonly min: PlanPoint;
  readonly max: PlanPoint;
  readonly low: number;
  readonly high: number;
}

export interface SwingContact {
  readonly obstacle: PlanObstacle;
  /** What touches: the door itself or its pull. */
  readonly by: 'door' | 'pull';
  /** The widest angle at which it is still free, in whole degrees. */
  readonly free: number;
}

/**
 * Opens a door degree by degree up to its stop angle and says what it or its pull touches first. What it touches closed
 * is left to other rules.
 */
export function swingContact(
  door: HungDoor,
  pull: PlacedPull | undefined,
  obstacles: readonly PlanObstacle[],
): SwingContact | undefined {
  const plan = doorTurn(door);
  if (!plan || obstacles.length === 0) return undefined;
  const { low, high } = door.front.v;
  const bodies: Body[] = [{ by: 'door', low: low.mm, high: high.mm, corners: (angle) => doorAt(plan, angle) }];
  if (pull) bodies.push(pullBody(plan, pull));
  const reach = Math.abs(plan.freeEdge - plan.pivot.x) + 200;
  let first: SwingContact | undefined;
  for (const body of bodies)
    for (const obstacle of obstacles) {
      if (obstacle.low >= body.high - 0.01 || obstacle.high <= body.low + 0.01) continue;
      if (distanceTo(plan.pivot, obstacle) > reach) continue;
      if (meets(body.corners(0), obstacle)) continue;
      for (let angle = 1; angle <= Math.min(plan.stopAngle, first?.free ?? 180); angle += 1)
        if (meets(body.corners(angle), obstacle)) {
          if (!first || angle - 1 < first.free) first = { obstacle, by: body.by, free: angle - 1 };
          break;
        }
    }
  return first;
}

interface Body {
  readonly by: 'door' | 'pull';
  readonly low: number;
  readonly high: number;
  corners(angle: number): readonly PlanPoint[];
}

function pullBody(plan: PlanDoor, { extent: { min, max } }: PlacedPull): Body {
  const corners: PlanPoint[] = [
    { x: min[0], y: min[1] },
    { x: max[0], y: min[1] },
    { x: max[0], y: max[1] },
    { x: min[0], y: max[1] },
  ];
  return {
    by: 'pull',
    low: min[2],
    high: max[2],
    corners: (angle) => corners.map((corner) => turned(plan, corner, angle)),
  };
}

function distanceTo(point: PlanPoint, { min, max }: PlanObstacle): number {
  const dx = Math.max(0, min.x - point.x, point.x - max.x);
  const dy = Math.max(0, min.y - point.y, point.y - max.y);
  return Math.hypot(dx, dy);
}

/** Two convex outlines meet unless a side of one of them separates them. */
function meets(corners: readonly PlanPoint[], { min, max }: PlanObstacle): boolean {
  const box: PlanPoint[] = [min, { x: max.x, y: min.y }, max, { x: min.x, y: max.y }];
  const axes = [
    { x: 1, y: 0 },
    { x: 0, y: 1 },
    normal(corners[0] as PlanPoint, corners[1] as PlanPoint),
    normal(corners[1] as PlanPoint, corners[2] as PlanPoint),
  ];
  return axes.every((axis) => {
    const [a, b] = [along(corners, axis), along(box, axis)];
    return a.low < b.high - 1e-6 && b.low < a.high - 1e-6;
  });
}

function normal(a: PlanPoint, b: PlanPoint): PlanPoint {
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  return { x: (b.y - a.y) / length, y: (a.x - b.x) / length };
}

function along(points: readonly PlanPoint[], axis: PlanPoint): { low: number; high: number } {
  const values = points.map(({ x, y }) => x * axis.x + y * axis.y);
  return { low: Math.min(...values), high: Math.max(...values) };
}
