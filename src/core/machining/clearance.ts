import type { EdgeReference, Face, Operation } from './operation.js';

/** The space one cut or hole takes in a part: along u and v, and w from face 1. All in mm. */
interface Pocketed {
  readonly operation: Operation;
  /** True for what is bored; grooves may cross grooves, nothing may cross a hole. */
  readonly bored: boolean;
  readonly low: readonly [u: number, v: number, w: number];
  readonly high: readonly [u: number, v: number, w: number];
  /** A hole seen from its face is round. */
  readonly round?: { readonly u: number; readonly v: number; readonly radius: number };
  /** The face a hole is bored from, when it is not bored through. */
  readonly face?: Face;
  /** A pocket hole is deepest at its edge and runs out on the face. */
  readonly ramp?: Ramp;
}

interface Ramp {
  /** The axis across its edge, where that edge lies, and which way is into the part. */
  readonly axis: 0 | 1;
  readonly edge: number;
  readonly inward: 1 | -1;
  readonly face: Face;
  readonly thickness: number;
}

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

export interface PartSize {
  readonly length: number;
  readonly width: number;
  readonly thickness: number;
}

/** A pocket hole: this far in from the edge, this wide (mm), at this slope; it leaves through the middle of the edge. */
const POCKET = { reach: 40, width: 10, slope: Math.tan((15 * Math.PI) / 180) };

/** Two holes from opposite faces may come this near each other: depth ≤ (thickness − 1) / 2 for each (mm). */
const LEAST_BETWEEN_FACES = 1;

/**
 * Every pair of operations of a part between which less than `skin` is left, nearest first, once for each pair. Both
 * faces are looked at together: two holes from opposite faces meet when their depths do. A sweep along the length keeps
 * it from comparing everything with everything.
 */
export function findClashes(operations: readonly Operation[], size: PartSize, skin: number): Clash[] {
  const spaces = operations.flatMap((operation) => spacesOf(operation, size)).sort((a, b) => a.low[0] - b.low[0]);
  const worst = new Map<string, Clash>();
  for (let at = 0; at < spaces.length; at += 1) {
    const a = spaces[at] as Pocketed;
    const end = a.high[0] + skin;
    for (let next = at + 1; next < spaces.length; next += 1) {
      const b = spaces[next] as Pocketed;
      if (b.low[0] > end) break;
      if (b.low[1] > a.high[1] + skin || a.low[1] > b.high[1] + skin) continue;
      if (a.operation === b.operation || !(a.bored || b.bored)) continue;
      if (a.operation.group !== undefined && a.operation.group === b.operation.group) continue;
      const left = between(a, b);
      const opposite = a.face !== undefined && b.face !== undefined && a.face !== b.face;
      if (left >= (opposite ? Math.min(skin, LEAST_BETWEEN_FACES) : skin) - 1e-6) continue;
      const key = [operations.indexOf(a.operation), operations.indexOf(b.operation)].sort((x, y) => x - y).join();
      const known = worst.get(key);
      if (known && known.left <= left) continue;
      const hole = a.bored ? a : b;
      worst.set(key, {
        a: a.operation,
        b: b.operation,
        left,
        u: (hole.low[0] + hole.high[0]) / 2,
        v: (hole.low[1] + hole.high[1]) / 2,
      });
    }
  }
  return [...worst.values()].sort((a, b) => a.left - b.left);
}

/** Face holes that leave less than `skin` to an edge of the part, each with what is left. */
export function holesNearEdges(
  operations: readonly Operation[],
  size: PartSize,
  skin: number,
): { operation: Operation; left: number }[] {
  return operations.flatMap((operation) => {
    if (operation.kind !== 'holes') return [];
    const { from, offset, positions, diameter } = operation;
    const along = from.startsWith('u') ? size.width : size.length;
    const across = from.startsWith('u') ? size.length : size.width;
    let left = Math.min(offset.mm, across - offset.mm);
    for (const { mm } of positions) left = Math.min(left, mm, along - mm);
    left -= diameter.mm / 2;
    return left < skin - 1e-6 ? [{ operation, left }] : [];
  });
}

/** The shortest way through material from one to the other; 0 when they meet. */
function between(first: Pocketed, second: Pocketed): number {
  const ramped = first.ramp !== undefined || second.ramp !== undefined;
  const a = ramped ? atDepthBeside(first, second) : first;
  const b = ramped ? atDepthBeside(second, first) : second;
  const inPlan =
    a.round && b.round
      ? Math.max(0, Math.hypot(a.round.u - b.round.u, a.round.v - b.round.v) - a.round.radius - b.round.radius)
      : Math.hypot(apart(a, b, 0), apart(a, b, 1));
  return Math.hypot(inPlan, apart(a, b, 2));
}

function apart(a: Pocketed, b: Pocketed, axis: 0 | 1 | 2): number {
  return Math.max(0, a.low[axis] - b.high[axis], b.low[axis] - a.high[axis]);
}

/** A pocket hole with the depth it has where the other is nearest to its edge; anything else as it is. */
function atDepthBeside(space: Pocketed, other: Pocketed): Pocketed {
  if (!space.ramp) return space;
  const { axis, edge, inward, face, thickness } = space.ramp;
  const from = Math.max(0, inward === 1 ? other.low[axis] - edge : edge - other.high[axis]);
  const depth = Math.max(0, pocketDepth(thickness, 0) - Math.min(from, POCKET.reach) * POCKET.slope);
  const [w0, w1] = face === 1 ? [0, depth] : [thickness - depth, thickness];
  return { ...space, low: [space.low[0], space.low[1], w0], high: [space.high[0], space.high[1], w1] };
}

function pocketDepth(thickness: number, fromEdge: number): number {
  return Math.min(thickness, thickness / 2 + POCKET.width / 2 - fromEdge * POCKET.slope);
}

type Run = readonly [number, number];

function into({ thickness }: PartSize, face: Face, depth: number): Run {
  return face === 1 ? [0, depth] : [thickness - depth, thickness];
}

function space(operation: Operation, bored: boolean, u: Run, v: Run, w: Run): Pocketed {
  return { operation, bored, low: [u[0], v[0], w[0]], high: [u[1], v[1], w[1]] };
}

/** A strip along an edge or across the part, from `near` to `far` of the edge it is measured from. */
function strip({ length, width }: PartSize, from: EdgeReference, near: number, far: number): [Run, Run] {
  const whole = from.startsWith('u') ? length : width;
  const run: Run = from.endsWith('0') ? [near, far] : [whole - far, whole - near];
  return from.startsWith('u') ? [run, [0, width]] : [[0, length], run];
}

/** A short space that reaches `depth` in from an edge, at a position along it. */
function fromEdge(
  operation: Operation,
  size: PartSize,
  edge: EdgeReference,
  position: number,
  half: number,
  depth: number,
  w: Run,
): Pocketed {
  const [u, v] = strip(size, edge, 0, depth);
  const along: Run = [position - half, position + half];
  return edge.startsWith('u') ? space(operation, true, u, along, w) : space(operation, true, along, v, w);
}

function spacesOf(operation: Operation, size: PartSize): Pocketed[] {
  const { length, width, thickness } = size;
  switch (operation.kind) {
    case 'groove': {
      const [u, v] = strip(size, operation.from, operation.offset.mm, operation.offset.mm + operation.width.mm);
      return [space(operation, false, u, v, into(size, operation.face, operation.depth.mm))];
    }
    case 'rabbet': {
      const [u, v] = strip(size, operation.from, 0, operation.width.mm);
      return [space(operation, false, u, v, into(size, operation.face, operation.depth.mm))];
    }
    case 'notch': {
      const [[u]] = [strip(size, operation.corner[0], 0, operation.alongLength.mm)];
      const [, v] = strip(size, operation.corner[1], 0, operation.alongWidth.mm);
      return [space(operation, false, u, v, [0, thickness])];
    }
    case 'holes': {
      const radius = operation.diameter.mm / 2;
      const w: Run = operation.depth ? into(size, operation.face, operation.depth.mm) : [0, thickness];
      const [lineU, lineV] = strip(size, operation.from, operation.offset.mm, operation.offset.mm);
      return operation.positions.map(({ mm }) => {
        const [u, v] = operation.from.startsWith('u') ? [lineU[0], mm] : [mm, lineV[0]];
        const hole = {
          ...space(operation, true, [u - radius, u + radius], [v - radius, v + radius], w),
          round: { u, v, radius },
        };
        return operation.depth ? { ...hole, face: operation.face } : hole;
      });
    }
    case 'edge holes': {
      const radius = operation.diameter.mm / 2;
      const w: Run = [operation.offset.mm - radius, operation.offset.mm + radius];
      return operation.positions.map(({ mm }) =>
        fromEdge(operation, size, operation.edge, mm, radius, operation.depth.mm, w),
      );
    }
    case 'slots':
    case 'mortises': {
      const half = operation.length.mm / 2;
      const thick = operation.thickness.mm / 2;
      if ('edge' in operation.place) {
        const { edge } = operation.place;
        return operation.positions.map(({ mm }) =>
          fromEdge(operation, size, edge, mm, half, operation.depth.mm, [
            operation.offset.mm - thick,
            operation.offset.mm + thick,
          ]),
        );
      }
      const { from, face } = operation.place;
      const [lineU, lineV] = strip(size, from, operation.offset.mm - thick, operation.offset.mm + thick);
      const w = into(size, face, operation.depth.mm);
      return operation.positions.map(({ mm }) =>
        from.startsWith('u')
          ? space(operation, true, lineU, [mm - half, mm + half], w)
          : space(operation, true, [mm - half, mm + half], lineV, w),
      );
    }
    case 'pockets': {
      const { edge, face } = operation;
      const ramp: Ramp = {
        axis: edge.startsWith('u') ? 0 : 1,
        edge: edge.endsWith('0') ? 0 : edge === 'u1' ? length : width,
        inward: edge.endsWith('0') ? 1 : -1,
        face,
        thickness,
      };
      return operation.positions.map(({ mm }) => ({
        ...fromEdge(
          operation,
          size,
          edge,
          mm,
          POCKET.width / 2,
          POCKET.reach,
          into(size, face, pocketDepth(thickness, 0)),
        ),
        ramp,
      }));
    }
  }
}
