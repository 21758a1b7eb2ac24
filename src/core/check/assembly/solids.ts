import { gather } from '../../ground/index.js';
import {
  type AxisIndex,
  type Block,
  blockIn,
  type Cuboid,
  type Cut,
  cutsOf,
  type Extent,
  type Operation,
  type Part,
  type Point,
  sizeOf,
  without,
} from '../../part/index.js';

/** Six ways a part can be moved straight. */
export interface Direction {
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
    case 'dovetails':
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
function inSteps(cut: Cut, steps: number): Cuboid[] {
  if (cut.shape === 'block') return [cut];
  if (cut.shape === 'bore') return [];
  if (cut.shape === 'ridge') {
    const run = (at: 0 | 1) => cut.corners.map((corner) => corner[at]);
    const [v, w] = [run(0), run(1)];
    return [{ low: [cut.u[0], Math.min(...v), Math.min(...w)], high: [cut.u[1], Math.max(...v), Math.max(...w)] }];
  }
  const { corners, w } = cut;
  const across = corners.map(([, v]) => v);
  const [low, high] = [Math.min(...across), Math.max(...across)];
  const step = (high - low) / steps;
  return Array.from({ length: steps }, (_, at): Cuboid => {
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
    // Beside tails as much is taken as they are narrow: they go straight into their sockets.
    const steps = operation.kind === 'dovetails' ? 1 : STEPS;
    for (const cut of gather(cutsOf(operation, size), (each) => inSteps(each, steps))) {
      const hollow = blockIn(part, cut);
      blocks = gather(blocks, (block) => without(block, hollow));
    }
  }
  return blocks;
}

/** True when one piece of wood, moved off this way for good, would meet the other. */
export function meetsOnTheWay(moved: readonly Block[], still: readonly Block[], way: Direction): boolean {
  for (const a of moved) for (const b of still) if (blockMeets(a, b, way)) return true;
  return false;
}

/** The same of two blocks. */
export function blockMeets(moved: Block, still: Block, { axis, sign }: Direction): boolean {
  return beside(moved, still, axis) && ahead(moved, still, axis, sign);
}

function ahead(a: Extent, b: Extent, axis: AxisIndex, sign: 1 | -1): boolean {
  return sign > 0 ? b.max[axis] > a.min[axis] + SLIDES : b.min[axis] < a.max[axis] - SLIDES;
}

function beside(a: Extent, b: Extent, axis: AxisIndex): boolean {
  return (
    (axis === 0 || sideBySide(a, b, 0)) && (axis === 1 || sideBySide(a, b, 1)) && (axis === 2 || sideBySide(a, b, 2))
  );
}

function sideBySide(a: Extent, b: Extent, axis: AxisIndex): boolean {
  return a.min[axis] <= b.max[axis] - SLIDES && b.min[axis] <= a.max[axis] - SLIDES;
}

/** A driver's bit is so thick to each side of its middle (mm). */
const BIT = 2;

/** True when a bit that stays within one block comes near another. */
export function comesNear({ min, max }: Block, row: Block): boolean {
  return (
    min[0] - BIT <= row.max[0] &&
    row.min[0] <= max[0] + BIT &&
    min[1] - BIT <= row.max[1] &&
    row.min[1] <= max[1] + BIT &&
    min[2] - BIT <= row.max[2] &&
    row.min[2] <= max[2] + BIT
  );
}

/** How far along the middle line of a bit it meets wood; undefined where it meets none (as a share of the line). */
export function firstWood(from: Point, to: Point, blocks: readonly Block[]): number | undefined {
  let first: number | undefined;
  for (const block of blocks) {
    const near = enters(from, to, block);
    if (near !== undefined && (first === undefined || near < first)) first = near;
  }
  return first;
}

/** Where a line enters a block made larger by half a bit all round, as a share of the line; undefined where it does not. */
function enters(from: Point, to: Point, { min, max }: Block): number | undefined {
  let near = 0;
  let far = 1;
  for (let axis = 0; axis < 3; axis += 1) {
    const k = axis as AxisIndex;
    const start = from[k];
    const run = to[k] - start;
    const low = min[k] - BIT - start;
    const high = max[k] + BIT - start;
    if (Math.abs(run) < 1e-9) {
      if (low >= 0 || high <= 0) return undefined;
      continue;
    }
    const [a, b] = [low / run, high / run];
    near = Math.max(near, Math.min(a, b));
    far = Math.min(far, Math.max(a, b));
    if (near >= far) return undefined;
  }
  return near;
}
