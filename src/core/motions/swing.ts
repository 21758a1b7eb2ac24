import type { Room, Turn } from './motion.js';
import { doorAt, type PlanDoor, type PlanPoint, turned } from './turning.js';

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
  /** What touches: the front itself, or the kind of thing that is fixed to it. */
  readonly by: string;
  /** The widest angle at which it is still free, in whole degrees. */
  readonly free: number;
}

/**
 * Turns a front, with what is fixed to it, degree by degree up to its stop angle and says what it touches first. What it
 * touches closed is left to other rules.
 */
export function swingContact(
  { plan, low, high }: Turn,
  fixed: readonly Room[],
  obstacles: readonly PlanObstacle[],
): SwingContact | undefined {
  if (obstacles.length === 0) return undefined;
  const bodies = [
    bodyOf('front', plan, low, high, (angle) => doorAt(plan, angle)),
    ...fixed.map((room) => roomBody(plan, room)),
  ];
  const reach = Math.abs(plan.freeEdge - plan.pivot.x) + 200;
  let first: SwingContact | undefined;
  for (const body of bodies)
    for (const obstacle of obstacles) {
      if (obstacle.low >= body.high - 0.01 || obstacle.high <= body.low + 0.01) continue;
      if (distanceTo(plan.pivot, obstacle) > reach) continue;
      const last = Math.min(plan.stopAngle, first?.free ?? plan.stopAngle);
      const free = freeAngle(body, obstacle, last, stepFor(reach));
      if (free !== undefined && (!first || free < first.free)) first = { obstacle, by: body.by, free };
    }
  return first;
}

/** Angles are tried in steps of at most this first (degrees). */
const MOST_STEP = 3;
/** Nothing that is met is thinner, with the door's own edge, than this: a step must not carry the door over it (mm). */
const THINNEST = 28;

function stepFor(reach: number): number {
  return Math.max(1, Math.min(MOST_STEP, Math.floor(((THINNEST / reach) * 180) / Math.PI)));
}

/** The widest whole angle, up to a last one, before a body meets an obstacle; undefined when it does not, or does shut. */
function freeAngle(body: Body, obstacle: PlanObstacle, last: number, step: number): number | undefined {
  if (meets(body.at(0), obstacle)) return undefined;
  for (let angle = step; angle < last + step; angle += step) {
    const tried = Math.min(angle, last);
    if (!meets(body.at(tried), obstacle)) continue;
    for (let fine = tried - step + 1; fine < tried; fine += 1)
      if (fine > 0 && meets(body.at(fine), obstacle)) return Math.floor(fine - 1);
    return Math.floor(tried - 1);
  }
  return undefined;
}

/** Something that turns with the front; where it stands at an angle is figured once. */
interface Body {
  readonly by: string;
  readonly low: number;
  readonly high: number;
  at(angle: number): Outline;
}

/** A rectangle anyhow turned, and the upright one round it. */
interface Outline {
  readonly corners: readonly PlanPoint[];
  readonly min: PlanPoint;
  readonly max: PlanPoint;
}

function bodyOf(
  by: Body['by'],
  plan: PlanDoor,
  low: number,
  high: number,
  corners: (angle: number) => readonly PlanPoint[],
): Body {
  const known = new Map<number, Outline>();
  return {
    by,
    low,
    high,
    at(angle) {
      let outline = known.get(angle);
      if (!outline) {
        outline = outlineOf(corners(Math.min(angle, plan.stopAngle)));
        known.set(angle, outline);
      }
      return outline;
    },
  };
}

function outlineOf(corners: readonly PlanPoint[]): Outline {
  const [first] = corners as [PlanPoint, ...PlanPoint[]];
  let { x: left, y: front } = first;
  let { x: right, y: rear } = first;
  for (const { x, y } of corners) {
    if (x < left) left = x;
    else if (x > right) right = x;
    if (y < front) front = y;
    else if (y > rear) rear = y;
  }
  return { corners, min: { x: left, y: front }, max: { x: right, y: rear } };
}

function roomBody(plan: PlanDoor, { by, extent: { min, max } }: Room): Body {
  const corners: PlanPoint[] = [
    { x: min[0], y: min[1] },
    { x: max[0], y: min[1] },
    { x: max[0], y: max[1] },
    { x: min[0], y: max[1] },
  ];
  return bodyOf(by, plan, min[2], max[2], (angle) => corners.map((corner) => turned(plan, corner, angle)));
}

function distanceTo(point: PlanPoint, { min, max }: PlanObstacle): number {
  const dx = Math.max(0, min.x - point.x, point.x - max.x);
  const dy = Math.max(0, min.y - point.y, point.y - max.y);
  return Math.hypot(dx, dy);
}

/** Two convex outlines meet unless a side of one of them separates them. */
function meets({ corners, min, max }: Outline, obstacle: PlanObstacle): boolean {
  if (
    min.x >= obstacle.max.x - 1e-6 ||
    max.x <= obstacle.min.x + 1e-6 ||
    min.y >= obstacle.max.y - 1e-6 ||
    max.y <= obstacle.min.y + 1e-6
  )
    return false;
  const box: PlanPoint[] = [
    obstacle.min,
    { x: obstacle.max.x, y: obstacle.min.y },
    obstacle.max,
    { x: obstacle.min.x, y: obstacle.max.y },
  ];
  const [a, b, c] = corners as [PlanPoint, PlanPoint, PlanPoint, PlanPoint];
  return !separates(normal(a, b), corners, box) && !separates(normal(b, c), corners, box);
}

function separates(axis: PlanPoint, one: readonly PlanPoint[], other: readonly PlanPoint[]): boolean {
  const [a, b] = [along(one, axis), along(other, axis)];
  return a.low >= b.high - 1e-6 || b.low >= a.high - 1e-6;
}

function normal(a: PlanPoint, b: PlanPoint): PlanPoint {
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  return { x: (b.y - a.y) / length, y: (a.x - b.x) / length };
}

function along(points: readonly PlanPoint[], axis: PlanPoint): { low: number; high: number } {
  let low = Number.POSITIVE_INFINITY;
  let high = Number.NEGATIVE_INFINITY;
  for (const { x, y } of points) {
    const value = x * axis.x + y * axis.y;
    if (value < low) low = value;
    if (value > high) high = value;
  }
  return { low, high };
}
