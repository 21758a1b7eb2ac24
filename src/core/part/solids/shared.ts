import { gather } from '../../ground/index.js';
import type { Point } from '../parts/index.js';
import type { Block, Hollowed, Prism } from './shape.js';

/** Less than this along an axis is rounding, and nothing is shared (mm). */
const THIN = 0.01;

/**
 * How much space two parts share (mm³), by their extents and what is cut out of them: blocks exactly, what is slanting by
 * its outline in plan. Bores are left out, so a hair more may be said than is there.
 */
export function sharedVolume(a: Hollowed, b: Hollowed): number {
  const common = meeting(a.blank, b.blank);
  if (!common) return 0;
  let rest: Block[] = [common];
  for (const cuts of [a.blocks, b.blocks])
    for (const cut of cuts)
      if (overlap(common, cut)) {
        rest = gather(rest, (block) => without(block, cut));
        if (rest.length === 0) return 0;
      }
  const prisms = [...a.prisms, ...b.prisms];
  return rest.reduce((sum, block) => sum + volumeWithout(block, prisms), 0);
}

/** True when two blocks share more than rounding. */
export function overlap({ min, max }: Block, other: Block): boolean {
  return (
    Math.min(max[0], other.max[0]) - Math.max(min[0], other.min[0]) > THIN &&
    Math.min(max[1], other.max[1]) - Math.max(min[1], other.min[1]) > THIN &&
    Math.min(max[2], other.max[2]) - Math.max(min[2], other.min[2]) > THIN
  );
}

/**
 * Which of many blocks overlap, by their places in the list, the earlier first. Found by going along the first axis, so
 * that only those are compared that stand side by side there.
 */
export function overlappingPairs(all: readonly { readonly extent: Block }[]): readonly (readonly [number, number])[] {
  const order = all.map((_, at) => at).sort((a, b) => lowOf(all, a) - lowOf(all, b));
  const pairs: (readonly [number, number])[] = [];
  for (let at = 0; at < order.length; at += 1) {
    const first = order[at] as number;
    const block = (all[first] as { extent: Block }).extent;
    const end = block.max[0] - THIN;
    for (let next = at + 1; next < order.length; next += 1) {
      const second = order[next] as number;
      const other = (all[second] as { extent: Block }).extent;
      if (other.min[0] >= end) break;
      if (overlap(block, other)) pairs.push(first < second ? [first, second] : [second, first]);
    }
  }
  return pairs.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
}

const lowOf = (all: readonly { readonly extent: Block }[], at: number) => all[at]?.extent.min[0] ?? 0;

/** Where two blocks meet, if they do. */
export function meeting(a: Block, b: Block): Block | undefined {
  if (!overlap(a, b)) return undefined;
  return {
    min: [Math.max(a.min[0], b.min[0]), Math.max(a.min[1], b.min[1]), Math.max(a.min[2], b.min[2])],
    max: [Math.min(a.max[0], b.max[0]), Math.min(a.max[1], b.max[1]), Math.min(a.max[2], b.max[2])],
  };
}

/** What is left of a block when another is cut out of it: at most two pieces an axis. */
export function without(block: Block, cut: Block): Block[] {
  const hit = meeting(block, cut);
  if (!hit) return [block];
  const pieces: Block[] = [];
  const min = [...block.min] as [number, number, number];
  const max = [...block.max] as [number, number, number];
  for (const k of [0, 1, 2] as const) {
    if (hit.min[k] - min[k] > THIN) pieces.push({ min: [...min], max: replaced(max, k, hit.min[k]) });
    if (max[k] - hit.max[k] > THIN) pieces.push({ min: replaced(min, k, hit.max[k]), max: [...max] });
    min[k] = hit.min[k];
    max[k] = hit.max[k];
  }
  return pieces;
}

function replaced(point: Point, k: 0 | 1 | 2, value: number): Point {
  const changed = [...point] as [number, number, number];
  changed[k] = value;
  return changed;
}

type Spot = readonly [number, number];
type PlanShape = readonly Spot[];

/** Volume of a block less the prisms that go right through it along one axis. */
function volumeWithout(block: Block, prisms: readonly Prism[]): number {
  const size = block.max.map((high, k) => high - block.min[k as 0]);
  const whole = (size[0] as number) * (size[1] as number) * (size[2] as number);
  for (const through of [0, 1, 2] as const) {
    const [p, q] = ([0, 1, 2] as const).filter((k) => k !== through) as [0 | 1 | 2, 0 | 1 | 2];
    const cuts = prisms.filter((prism) => goesThrough(prism, block, through));
    if (cuts.length === 0) continue;
    const rectangle: PlanShape = [
      [block.min[p], block.min[q]],
      [block.max[p], block.min[q]],
      [block.max[p], block.max[q]],
      [block.min[p], block.max[q]],
    ];
    let pieces: PlanShape[] = [rectangle];
    for (const prism of cuts) {
      const plan = anticlockwise(prism.slice(0, prism.length / 2).map((point) => [point[p], point[q]] as const));
      pieces = gather(pieces, (piece) => outside(piece, plan));
    }
    return pieces.reduce((sum, piece) => sum + Math.abs(area(piece)), 0) * (size[through] as number);
  }
  return whole;
}

/** A prism has the corners of one end first, then those of the other: along which axis they lie apart. */
function goesThrough(prism: Prism, block: Block, axis: 0 | 1 | 2): boolean {
  const [one, other] = [prism[0], prism[prism.length / 2]];
  if (!one || !other || Math.abs(one[axis] - other[axis]) < THIN) return false;
  const [low, high] = [Math.min(one[axis], other[axis]), Math.max(one[axis], other[axis])];
  if (low >= block.min[axis] + THIN || high <= block.max[axis] - THIN) return false;
  // What lies beside the block takes nothing of it.
  return ([0, 1, 2] as const).every(
    (k) =>
      k === axis ||
      (prism.some((point) => point[k] > block.min[k] + THIN) && prism.some((point) => point[k] < block.max[k] - THIN)),
  );
}

function area(plan: PlanShape): number {
  return plan.reduce((sum, [x, y], at) => {
    const [nextX, nextY] = plan[(at + 1) % plan.length] as Spot;
    return sum + (x * nextY - nextX * y) / 2;
  }, 0);
}

function anticlockwise(plan: PlanShape): PlanShape {
  return area(plan) < 0 ? [...plan].reverse() : plan;
}

/** The pieces of a convex outline that lie outside another: cut off along each of its edges in turn. */
function outside(piece: PlanShape, cut: PlanShape): readonly PlanShape[] {
  // What lies beside the cut stays in one piece.
  if (areApart(piece, cut, 0) || areApart(piece, cut, 1)) return [piece];
  let within = piece;
  for (let at = 0; at < cut.length && within.length > 2; at += 1) within = clipped(within, cut, at, 1);
  if (within.length < 3 || Math.abs(area(within)) < THIN * THIN) return [piece];
  const pieces: PlanShape[] = [];
  let rest = piece;
  for (let at = 0; at < cut.length && rest.length > 2; at += 1) {
    const beyond = clipped(rest, cut, at, -1);
    if (beyond.length > 2) pieces.push(beyond);
    rest = clipped(rest, cut, at, 1);
  }
  return pieces;
}

/** Whether one outline begins where the other has ended, along an axis. */
function areApart(a: PlanShape, b: PlanShape, axis: 0 | 1): boolean {
  let [lowA, highA, lowB, highB] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const point of a) {
    lowA = Math.min(lowA, point[axis]);
    highA = Math.max(highA, point[axis]);
  }
  for (const point of b) {
    lowB = Math.min(lowB, point[axis]);
    highB = Math.max(highB, point[axis]);
  }
  return lowA >= highB || lowB >= highA;
}

/** The part of a convex outline on one side of a cut's edge: its inner side (1), or the outer one (-1). */
function clipped(piece: PlanShape, cut: PlanShape, edge: number, inner: 1 | -1): PlanShape {
  const [fromX, fromY] = cut[edge] as Spot;
  const [toX, toY] = cut[(edge + 1) % cut.length] as Spot;
  const side = ([x, y]: Spot) => inner * ((toX - fromX) * (y - fromY) - (toY - fromY) * (x - fromX));
  const kept: Spot[] = [];
  let point = piece[piece.length - 1] as Spot;
  let here = side(point);
  for (let at = 0; at < piece.length; at += 1) {
    const next = piece[at] as Spot;
    const there = side(next);
    if (here >= 0 !== there >= 0) {
      const share = here / (here - there);
      kept.push([point[0] + (next[0] - point[0]) * share, point[1] + (next[1] - point[1]) * share]);
    }
    if (there >= 0) kept.push(next);
    point = next;
    here = there;
  }
  return kept;
}
