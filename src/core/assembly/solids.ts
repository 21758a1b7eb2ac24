import { type Cut, cutsOf, type Operation } from '../machining/index.js';
import { type AxisIndex, type Extent, type Part, type Point, sizeOf } from '../parts/index.js';
import { type Block, blockIn, type Cuboid, without } from '../solids/index.js';

/** Six ways a part can be moved straight. */
export interface Way {
  readonly axis: AxisIndex;
  readonly sign: 1 | -1;
}

/** Closer than this is touching, and slides (mm). */
const SLIDES = 0.05;

/** True for what another part is let into or comes out of; what is only bored leaves the way of a part as it is. */
export function lets({ kind, by }: Operation): boolean {
  switch (kind) {
    case 'groove':
    case 'edge groove':
    case 'rabbet':
    case 'recess':
    case 'notch':
    case 'cut-out':
    case 'tenon':
    case 'mitre':
      return true;
    case 'slots':
      return by.kind === 'frame';
    default:
      return false;
  }
}

/** So many steps for what is cut at a slant. */
const STEPS = 8;

/** A cut as blocks: what is slanting in steps that take a little more than it does, and bores not at all. */
function inSteps(cut: Cut): Cuboid[] {
  if (cut.shape === 'block') return [cut];
  if (cut.shape === 'bore') return [];
  const { corners, w } = cut;
  const across = corners.map(([, v]) => v);
  const [low, high] = [Math.min(...across), Math.max(...across)];
  const step = (high - low) / STEPS;
  return Array.from({ length: STEPS }, (_, at): Cuboid => {
    const [from, to] = [low + at * step, low + (at + 1) * step];
    const along = corners.flatMap(([u, v], index): number[] => {
      const [nextU, nextV] = corners[(index + 1) % corners.length] as readonly [number, number];
      const crossing = [from, to]
        .filter((line) => (v - line) * (nextV - line) < 0)
        .map((line) => u + ((nextU - u) * (line - v)) / (nextV - v));
      return v >= from && v <= to ? [u, ...crossing] : crossing;
    });
    return { low: [Math.min(...along), from, w[0]], high: [Math.max(...along), to, w[1]] };
  });
}

/** The wood of a part as blocks in the cabinet, less what is let into it. */
export function woodOf(part: Part): Block[] {
  const size = sizeOf(part);
  let blocks: Block[] = [part.extent];
  for (const operation of part.machining) {
    if (!lets(operation)) continue;
    for (const cut of cutsOf(operation, size).flatMap(inSteps)) {
      const hollow = blockIn(part, cut);
      blocks = blocks.flatMap((block) => without(block, hollow));
    }
  }
  return blocks;
}

/** True when one piece of wood, moved off this way for good, would meet the other. */
export function meetsOnTheWay(moved: readonly Block[], still: readonly Block[], { axis, sign }: Way): boolean {
  return moved.some((a) => still.some((b) => beside(a, b, axis) && ahead(a, b, axis, sign)));
}

function ahead(a: Extent, b: Extent, axis: AxisIndex, sign: 1 | -1): boolean {
  return sign > 0 ? b.max[axis] > a.min[axis] + SLIDES : b.min[axis] < a.max[axis] - SLIDES;
}

function beside(a: Extent, b: Extent, axis: AxisIndex): boolean {
  for (const k of [0, 1, 2] as const) {
    if (k === axis) continue;
    if (a.min[k] > b.max[k] - SLIDES || b.min[k] > a.max[k] - SLIDES) return false;
  }
  return true;
}

/** A driver's bit is so thick to each side of its middle (mm). */
const BIT = 2;

/** How far along the middle line of a bit it meets wood; undefined where it meets none (as a share of the line). */
export function firstWood(from: Point, to: Point, blocks: readonly Block[]): number | undefined {
  let first: number | undefined;
  for (const { min, max } of blocks) {
    let [near, far] = [0, 1];
    for (const k of [0, 1, 2] as const) {
      const run = to[k] - from[k];
      const [low, high] = [min[k] - BIT, max[k] + BIT];
      if (Math.abs(run) < 1e-9) {
        if (from[k] <= low || from[k] >= high) far = -1;
      } else {
        const [a, b] = [(low - from[k]) / run, (high - from[k]) / run];
        near = Math.max(near, Math.min(a, b));
        far = Math.min(far, Math.max(a, b));
      }
    }
    if (near < far && (first === undefined || near < first)) first = near;
  }
  return first;
}
