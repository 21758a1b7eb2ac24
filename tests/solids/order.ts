/**
 * Replays an order of assembly with solids: every part is moved into place step by step through what stands there, and
 * out from the head of every screw there is room for a driver when its turn comes. Knows nothing of how the order was
 * found: moves are tried at distances, drivers as small blocks along a line of their own.
 */
import type { AssemblyStep } from '../../src/core/check/index.js';
import {
  type Block,
  type Operation,
  type Part,
  type PartShape,
  type Point,
  type Solids,
  shapeOf,
  toCabinet,
} from '../../src/core/part/index.js';
import { type Failure, LEAST_SHARED } from './prove.js';

/** Distances at which a part is looked at on its way out (mm). */
const DISTANCES = [0.5, 1, 2, 4, 7, 11, 17, 25, 40, 60, 100, 160, 250, 400, 700, 1200, 2200];
/** A short driver out from a head, looked at every so far (mm). */
const DRIVER = 90;
const EVERY = 6;

export function proveOrder(parts: readonly Part[], steps: readonly AssemblyStep[], solids: Solids): Failure[] {
  const shapes = new Map(parts.map((part) => [part.key, shapeOf(part)]));
  const shape = (key: string) => shapes.get(key) as PartShape;
  const failures: Failure[] = [];
  const fail = (what: string, keys: readonly string[], detail: string) =>
    failures.push({ what: `order: ${what}`, parts: keys, detail });
  const joined = new Map(parts.map(({ key }) => [key, key]));
  const group = (key: string): string => {
    const next = joined.get(key);
    return next === undefined || next === key ? key : group(next);
  };
  for (const { parts: moved, onto, way } of steps) {
    const [first = ''] = moved;
    for (const key of [...moved, ...onto]) joined.set(group(key), group(first));
    if (!way) continue;
    for (const distance of DISTANCES)
      for (const key of moved) {
        const by = [0, 0, 0];
        by[way.axis] = -way.sign * distance;
        const away = shifted(shape(key), by as unknown as Point);
        for (const other of onto)
          if (solids.shared(away, shape(other)) > LEAST_SHARED)
            fail(
              'a part meets another on its way',
              [key, other],
              `${key} meets ${other} ${distance} before it is home`,
            );
      }
    const standing = [...moved, ...onto];
    const together = parts.filter(({ key }) => standing.includes(key));
    for (const part of together)
      for (const { head, out, tip } of headsOf(part)) {
        // Its turn comes when the two parts it holds come together.
        const held = together.find((other) => other !== part && contains(shape(other.key).blank, tip));
        if (!held || moved.includes(part.key) === moved.includes(held.key)) continue;
        for (let far = EVERY; far <= DRIVER; far += EVERY) {
          const bit = small(head.map((value, k) => value + (out[k] as number) * far) as unknown as Point);
          for (const other of together)
            if (other !== part && solids.shared(bit, shape(other.key)) > 0)
              fail(
                'a driver has no room',
                [part.key, other.key],
                `${part.key} into ${held.key}: ${other.key} at ${far}`,
              );
        }
      }
  }
  if (new Set(parts.map(({ key }) => group(key))).size > 1)
    fail('not everything is put together', [], `${steps.length} steps`);
  return failures;
}

function shifted(shape: PartShape, by: Point): PartShape {
  const move = (point: Point): Point => [point[0] + by[0], point[1] + by[1], point[2] + by[2]];
  const block = ({ min, max }: Block): Block => ({ min: move(min), max: move(max) });
  return {
    key: shape.key,
    blank: block(shape.blank),
    blocks: shape.blocks.map(block),
    prisms: shape.prisms.map((prism) => prism.map(move)),
    bores: [],
  };
}

function small(at: Point): PartShape {
  const block = {
    min: [at[0] - 0.5, at[1] - 0.5, at[2] - 0.5] as const,
    max: [at[0] + 0.5, at[1] + 0.5, at[2] + 0.5] as const,
  };
  return { key: 'driver', blank: block, blocks: [], prisms: [], bores: [] };
}

const contains = ({ min, max }: Block, point: Point) =>
  point.every((value, k) => value > (min[k] as number) && value < (max[k] as number));

interface Head {
  readonly head: Point;
  /** Away from the screw, of length 1. */
  readonly out: Point;
  /** Within what it holds. */
  readonly tip: Point;
}

/** Screws of construction: straight through a face, or at 15 degrees out of a pocket 40 from its edge. */
function headsOf(part: Part): Head[] {
  return (
    part.machining
      // A screw that only passes on its way has its head in another part.
      .filter(({ by, fastens }) => ['joint', 'frame', 'fixing'].includes(by.kind) && fastens)
      .flatMap((each) => heads(part, each))
  );
}

function heads({ placement, length, width, thickness }: Part, operation: Operation): Head[] {
  const t = thickness.value;
  const point = (edge: string, along: number, from: number, w: number): Point => {
    const across = edge.endsWith('0') ? from : (edge === 'u1' ? length.value : width.value) - from;
    return edge.startsWith('u') ? toCabinet(placement, across, along, w) : toCabinet(placement, along, across, w);
  };
  const line = (head: Point, next: Point, tip: Point): Head => {
    const run = next.map((value, k) => value - (head[k] as number));
    const size = Math.hypot(...run);
    return { head, out: run.map((value) => value / size) as unknown as Point, tip };
  };
  if (operation.kind === 'holes' && !operation.depth) {
    const { from, offset, face, positions } = operation;
    const [near, before, beyond] = face === 1 ? [0, -1, t + 4] : [t, t + 1, -4];
    return positions.map(({ value: mm }) =>
      line(
        point(from, mm, offset.value, near),
        point(from, mm, offset.value, before),
        point(from, mm, offset.value, beyond),
      ),
    );
  }
  if (operation.kind === 'pockets') {
    const { edge, face, positions } = operation;
    const [near, before] = face === 1 ? [0, -Math.sin(Math.PI / 12)] : [t, t + Math.sin(Math.PI / 12)];
    return positions.map(({ value: mm }) =>
      line(point(edge, mm, 40, near), point(edge, mm, 40 + Math.cos(Math.PI / 12), before), point(edge, mm, -4, t / 2)),
    );
  }
  return [];
}
