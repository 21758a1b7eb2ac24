import { gather } from '../../ground/index.js';
import type { PartSize, Space } from './definition.js';
import { type Footprint, footprintOf, type Operation, pocketRun, spacesOf } from './operations/index.js';
import { apartInPlan } from './plan.js';

/** Two operations that meet, or leave too little between them. */
export interface Clash {
  readonly a: Operation;
  readonly b: Operation;
  /** Material left between them; 0 when they meet. */
  readonly left: number;
  /** Where on the part: along its length and width. */
  readonly u: number;
  readonly v: number;
}

/** Two holes from opposite faces may come this near each other: depth ≤ (thickness − 1) / 2 for each (mm). */
const LEAST_BETWEEN_FACES = 1;

/**
 * Every pair of operations of a part between which less than `skin` is left, nearest first, once for each pair. Both
 * faces are looked at together: two holes from opposite faces meet when their depths do. A sweep along the length keeps
 * it from comparing everything with everything.
 */
export function findClashes(operations: readonly Operation[], size: PartSize, skin: number): Clash[] {
  if (operations.length < 2) return [];
  const spaces = spacesNear(operations, size, skin);
  if (spaces.length < 2) return [];
  spaces.sort((a, b) => a.low[0] - b.low[0]);
  const place = new Map(operations.map((operation, at) => [operation, at]));
  const worst = new Map<number, Clash>();
  for (let at = 0; at < spaces.length; at += 1) {
    const a = spaces[at] as Space;
    const end = a.high[0] + skin;
    for (let next = at + 1; next < spaces.length; next += 1) {
      const b = spaces[next] as Space;
      if (b.low[0] > end) break;
      if (b.low[1] > a.high[1] + skin || a.low[1] > b.high[1] + skin) continue;
      if (a.operation === b.operation || !(a.bored || b.bored)) continue;
      if (a.operation.group !== undefined && a.operation.group === b.operation.group) continue;
      const left = between(a, b);
      const opposite = a.face !== undefined && b.face !== undefined && a.face !== b.face;
      if (left >= (opposite ? Math.min(skin, LEAST_BETWEEN_FACES) : skin) - 1e-6) continue;
      const [one, two] = [place.get(a.operation as Operation) ?? 0, place.get(b.operation as Operation) ?? 0];
      const key = Math.min(one, two) * operations.length + Math.max(one, two);
      const known = worst.get(key);
      if (known && known.left <= left) continue;
      const hole = a.bored ? a : b;
      worst.set(key, {
        a: a.operation as Operation,
        b: b.operation as Operation,
        left,
        u: (hole.low[0] + hole.high[0]) / 2,
        v: (hole.low[1] + hole.high[1]) / 2,
      });
    }
  }
  return [...worst.values()].sort((a, b) => a.left - b.left);
}

/** Whether one operation or another would leave `skin` to every one of some; only those near it are looked at. */
export function clearOf(others: readonly Operation[], size: PartSize, skin: number): (one: Operation) => boolean {
  const footprints = others.map((other) => footprintOf(other, size));
  return (one) => {
    const own = footprintOf(one, size);
    const near = others.filter((_, at) => areNear(own, footprints[at] as Footprint, skin));
    return near.length === 0 || !findClashes([...near, one], size, skin).some(({ a, b }) => a === one || b === one);
  };
}

function areNear(a: Footprint, b: Footprint, skin: number): boolean {
  return a.u[0] <= b.u[1] + skin && b.u[0] <= a.u[1] + skin && a.v[0] <= b.v[1] + skin && b.v[0] <= a.v[1] + skin;
}

/** The spaces of the operations that come near another one at all: most of a panel's lines of holes do not. */
function spacesNear(operations: readonly Operation[], size: PartSize, skin: number): Space[] {
  const footprints = operations.map((operation) => footprintOf(operation, size));
  const near = new Set<number>();
  const along = footprints.map((_, at) => at).sort((a, b) => startOf(footprints, a) - startOf(footprints, b));
  for (let place = 0; place < along.length; place += 1) {
    const at = along[place] as number;
    const a = footprints[at] as Footprint;
    const { group } = operations[at] as Operation;
    const end = a.u[1] + skin;
    for (let later = place + 1; later < along.length; later += 1) {
      const next = along[later] as number;
      const b = footprints[next] as Footprint;
      if (b.u[0] > end) break;
      if (!(a.bored || b.bored)) continue;
      if (group !== undefined && group === (operations[next] as Operation).group) continue;
      if (a.v[0] > b.v[1] + skin || b.v[0] > a.v[1] + skin) continue;
      near.add(at).add(next);
    }
  }
  return gather(
    [...near].sort((a, b) => a - b),
    (at) => footprints[at]?.spaces ?? spacesOf(operations[at] as Operation, size),
  );
}

const startOf = (footprints: readonly Footprint[], at: number) => footprints[at]?.u[0] ?? 0;

/** Face holes that leave less than `skin` to an edge of the part, each with what is left. */
export function holesNearEdges(
  operations: readonly Operation[],
  size: PartSize,
  skin: number,
): { operation: Operation; left: number }[] {
  return gather(operations, (operation) => {
    if (operation.kind !== 'holes') return [];
    const { from, offset, positions, diameter } = operation;
    const along = from.startsWith('u') ? size.width : size.length;
    const across = from.startsWith('u') ? size.length : size.width;
    let left = Math.min(offset.value, across - offset.value);
    for (const { value: mm } of positions) left = Math.min(left, mm, along - mm);
    left -= diameter.value / 2;
    return left < skin - 1e-6 ? [{ operation, left }] : [];
  });
}

/** The shortest way through material from one to the other; 0 when they meet. */
function between(first: Space, second: Space): number {
  const ramped = first.ramp !== undefined || second.ramp !== undefined;
  const a = ramped ? atDepthBeside(first, second) : first;
  const b = ramped ? atDepthBeside(second, first) : second;
  const inPlan =
    a.corners || b.corners
      ? apartInPlan(a, b)
      : a.round && b.round
        ? Math.max(0, Math.hypot(a.round.u - b.round.u, a.round.v - b.round.v) - a.round.radius - b.round.radius)
        : Math.hypot(apart(a, b, 0), apart(a, b, 1));
  return Math.hypot(inPlan, apart(a, b, 2));
}

function apart(a: Space, b: Space, axis: 0 | 1 | 2): number {
  return Math.max(0, a.low[axis] - b.high[axis], b.low[axis] - a.high[axis]);
}

/** A pocket hole with the depth it has where the other is nearest to its edge; anything else as it is. */
function atDepthBeside(space: Space, other: Space): Space {
  if (!space.ramp) return space;
  const { axis, edge, inward } = space.ramp;
  const from = Math.max(0, inward === 1 ? other.low[axis] - edge : edge - other.high[axis]);
  const [w0, w1] = pocketRun(space.ramp, from);
  return { ...space, low: [space.low[0], space.low[1], w0], high: [space.high[0], space.high[1], w1] };
}
