import type { Occupied, PlanDoor, PlanObstacle, PlanPoint, SwingContact, Turn } from '../cabinet/index.js';
import { doorAt } from './turning.js';

/**
 * Turns a front, with what is fixed to it, degree by degree up to its stop angle and says what it touches first. What it
 * touches closed is left to other rules.
 */
export function swingContact(
  { plan, low, high }: Turn,
  fixed: readonly Occupied[],
  obstacles: readonly PlanObstacle[],
): SwingContact | undefined {
  if (obstacles.length === 0) return undefined;
  const bodies = [frontBody(plan, low, high), ...fixed.map((room) => roomBody(plan, room))];
  const reach = Math.abs(plan.freeEdge - plan.pivot.x) + 200;
  const step = stepFor(reach);
  let first: SwingContact | undefined;
  for (const body of bodies)
    for (const obstacle of obstacles) {
      if (obstacle.low >= body.high - 0.01 || obstacle.high <= body.low + 0.01) continue;
      if (distanceTo(plan.pivot, obstacle) > body.reach) continue;
      const last = Math.min(plan.stopAngle, first?.free ?? plan.stopAngle);
      const free = freeAngle(body, obstacle, last, step);
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
function freeAngle(body: TurningBody, obstacle: PlanObstacle, last: number, step: number): number | undefined {
  if (meets(body, 0, obstacle)) return undefined;
  for (let angle = step; angle < last + step; angle += step) {
    const tried = Math.min(angle, last);
    if (!meets(body, tried, obstacle)) continue;
    for (let fine = tried - step + 1; fine < tried; fine += 1)
      if (fine > 0 && meets(body, fine, obstacle)) return Math.floor(fine - 1);
    return Math.floor(tried - 1);
  }
  return undefined;
}

/** A rectangle in plan that turns with the front. */
interface TurningBody {
  readonly by: string;
  readonly low: number;
  readonly high: number;
  readonly plan: PlanDoor;
  /** Its four corners, going round, while the front is shut. */
  readonly corners: readonly PlanPoint[];
  /** How far its farthest corner lies from the pivot: what is farther off is never met (mm). */
  readonly reach: number;
}

function bodyOf(by: string, plan: PlanDoor, low: number, high: number, corners: readonly PlanPoint[]): TurningBody {
  const { pivot } = plan;
  const reach = Math.max(...corners.map(({ x, y }) => Math.hypot(x - pivot.x, y - pivot.y)));
  return { by, low, high, plan, corners, reach };
}

function frontBody(plan: PlanDoor, low: number, high: number): TurningBody {
  return bodyOf('front', plan, low, high, doorAt(plan, 0));
}

function roomBody(plan: PlanDoor, { by, extent: { min, max } }: Occupied): TurningBody {
  return bodyOf(by, plan, min[2], max[2], [
    { x: min[0], y: min[1] },
    { x: max[0], y: min[1] },
    { x: max[0], y: max[1] },
    { x: min[0], y: max[1] },
  ]);
}

function distanceTo(point: PlanPoint, { min, max }: PlanObstacle): number {
  const dx = Math.max(0, min.x - point.x, point.x - max.x);
  const dy = Math.max(0, min.y - point.y, point.y - max.y);
  return Math.hypot(dx, dy);
}

/** Touching is not meeting (mm). */
const TOUCHING = 1e-6;

/** The corners of a body at the angle that is looked at, written over at each: a door is tried at some hundred angles. */
const xs = new Float64Array(4);
const ys = new Float64Array(4);

/** Turns a body to an angle into `xs` and `ys`. */
function turnTo({ plan, corners }: TurningBody, degrees: number): void {
  const { hand, pivot } = plan;
  const radians = (Math.min(degrees, plan.stopAngle) * Math.PI) / 180;
  const cos = Math.cos(radians);
  const sin = Math.sin(radians);
  for (let at = 0; at < 4; at += 1) {
    const { x, y } = corners[at] as PlanPoint;
    const dx = (x - pivot.x) * hand;
    const dy = y - pivot.y;
    xs[at] = pivot.x + hand * (dx * cos + dy * sin);
    ys[at] = pivot.y - dx * sin + dy * cos;
  }
}

/** Two convex outlines meet unless a side of one of them separates them. */
function meets(body: TurningBody, degrees: number, { min, max }: PlanObstacle): boolean {
  turnTo(body, degrees);
  let left = Number.POSITIVE_INFINITY;
  let right = Number.NEGATIVE_INFINITY;
  let front = Number.POSITIVE_INFINITY;
  let rear = Number.NEGATIVE_INFINITY;
  for (let at = 0; at < 4; at += 1) {
    const x = xs[at] as number;
    const y = ys[at] as number;
    if (x < left) left = x;
    if (x > right) right = x;
    if (y < front) front = y;
    if (y > rear) rear = y;
  }
  if (left >= max.x - TOUCHING || right <= min.x + TOUCHING) return false;
  if (front >= max.y - TOUCHING || rear <= min.y + TOUCHING) return false;
  return !separatedBySide(0, min, max) && !separatedBySide(1, min, max);
}

/** True when an upright rectangle lies wholly beyond the side of the turned body that begins at a corner, or its opposite. */
function separatedBySide(corner: 0 | 1, min: PlanPoint, max: PlanPoint): boolean {
  const ax = (ys[corner + 1] as number) - (ys[corner] as number);
  const ay = (xs[corner] as number) - (xs[corner + 1] as number);
  const long = Math.sqrt(ax * ax + ay * ay) || 1;
  const nx = ax / long;
  const ny = ay / long;
  let low = Number.POSITIVE_INFINITY;
  let high = Number.NEGATIVE_INFINITY;
  for (let at = 0; at < 4; at += 1) {
    const value = (xs[at] as number) * nx + (ys[at] as number) * ny;
    if (value < low) low = value;
    if (value > high) high = value;
  }
  const far = (nx > 0 ? max.x : min.x) * nx + (ny > 0 ? max.y : min.y) * ny;
  const near = (nx > 0 ? min.x : max.x) * nx + (ny > 0 ? min.y : max.y) * ny;
  return low >= far - TOUCHING || near >= high - TOUCHING;
}
