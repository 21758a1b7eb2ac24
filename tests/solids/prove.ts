/**
 * Looks at a cabinet as solids, with no formula of the core: which parts share space, and which fastener holes have no
 * counterpart in what they should hold.
 */
import {
  type Operation,
  type Part,
  type PartShape,
  type Point,
  type Solids,
  shapeOf,
  toCabinet,
} from '../../src/core/part/index.js';
import { check, type SolvedCabinet } from '../../src/core/solve/index.js';

/** Parts may share this much, for rounding (mm³). */
export const LEAST_SHARED = 5;

export interface Failure {
  /** "bottom + nailer share space", "screws of side end in air" */
  readonly what: string;
  readonly parts: readonly string[];
  readonly detail: string;
}

/** Failures of a cabinet, those left out that a stop names: of what is found in it, or of what was found before it was changed. */
export function prove(solved: SolvedCabinet, solids: Solids, found = check(solved)): Failure[] {
  const named = new Set(found.filter(({ severity }) => severity === 'stop').flatMap(({ parts }) => parts));
  const shapes = solved.parts.map((part) => ({ part, shape: shapeOf(part) }));
  return [...sharing(shapes, solids), ...withoutCounterpart(shapes)].filter(
    ({ parts }) => !parts.some((key) => named.has(key)),
  );
}

interface Shaped {
  readonly part: Part;
  readonly shape: PartShape;
}

function sharing(shapes: readonly Shaped[], solids: Solids): Failure[] {
  return shapes.flatMap((a, at) =>
    shapes.slice(at + 1).flatMap((b): Failure[] => {
      const volume = solids.shared(a.shape, b.shape);
      if (volume <= LEAST_SHARED) return [];
      const roles = [a.part.role, b.part.role].sort().join(' + ');
      return [
        {
          what: `${roles} share space`,
          parts: [a.part.key, b.part.key],
          detail: `${a.part.key} and ${b.part.key}: ${volume.toFixed(0)} mm³`,
        },
      ];
    }),
  );
}

const within = ({ blank: { min, max } }: PartShape, point: Point, margin: number) =>
  [0, 1, 2].every(
    (k) => (point[k] as number) >= (min[k] as number) + margin && (point[k] as number) <= (max[k] as number) - margin,
  );

/** How far into the next part a fastener is looked for (mm). */
const INTO = 6;
/** Wood that has to be round it there (mm). */
const AROUND = 2;

function withoutCounterpart(shapes: readonly Shaped[]): Failure[] {
  return shapes.flatMap(({ part, shape }) =>
    part.machining.flatMap((operation): Failure[] => {
      if (!['joint', 'frame', 'web', 'fixing'].includes(operation.by.kind)) return [];
      const lost = mouths(operation, part).filter((mouth) => !held(mouth, operation, shape, shapes));
      if (lost.length === 0) return [];
      return [
        {
          what: `${operation.by.what ?? 'screws'} of ${part.role} meet nothing`,
          parts: [part.key],
          detail: `${part.key}: ${lost.length} of ${operation.kind}, ${operation.reason}`,
        },
      ];
    }),
  );
}

/** Where a fastener leaves a part, and which way it goes on. */
interface Mouth {
  readonly at: Point;
  readonly beyond: Point;
}

function mouths(operation: Operation, part: Part): Mouth[] {
  const { placement, length, width, thickness } = part;
  const mouth = (inside: [number, number, number], outside: [number, number, number]): Mouth => ({
    at: toCabinet(placement, ...inside),
    beyond: toCabinet(placement, ...outside),
  });
  const fromEdge = (edge: string, along: number, w: number, far: number): [number, number, number] => {
    const across = edge.endsWith('0') ? far : (edge === 'u1' ? length.value : width.value) - far;
    return edge.startsWith('u') ? [across, along, w] : [along, across, w];
  };
  switch (operation.kind) {
    case 'holes': {
      // A through hole is driven on out of the other face; one with a depth takes what comes in at its own.
      const out = operation.depth ? operation.face : operation.face === 1 ? 2 : 1;
      const [w, next] = out === 1 ? [0, -INTO] : [thickness.value, thickness.value + INTO];
      return operation.positions.map(({ value: mm }) => {
        const [u, v] = fromEdge(operation.from, mm, 0, operation.offset.value);
        return mouth([u, v, w], [u, v, next]);
      });
    }
    case 'edge holes':
      return operation.positions.map(({ value: mm }) =>
        mouth(
          fromEdge(operation.edge, mm, operation.offset.value, 0),
          fromEdge(operation.edge, mm, operation.offset.value, -INTO),
        ),
      );
    case 'slots': {
      const { place, positions, offset } = operation;
      if ('edge' in place)
        return positions.map(({ value: mm }) =>
          mouth(fromEdge(place.edge, mm, offset.value, 0), fromEdge(place.edge, mm, offset.value, -INTO)),
        );
      const [w, next] = place.face === 1 ? [0, -INTO] : [thickness.value, thickness.value + INTO];
      return positions.map(({ value: mm }) => {
        const [u, v] = fromEdge(place.from, mm, 0, offset.value);
        return mouth([u, v, w], [u, v, next]);
      });
    }
    case 'pockets':
      return operation.positions.map(({ value: mm }) =>
        mouth(
          fromEdge(operation.edge, mm, thickness.value / 2, 0),
          fromEdge(operation.edge, mm, thickness.value / 2, -INTO),
        ),
      );
    default:
      return [];
  }
}

/** Bored pieces want a hole opposite; screws want wood. */
const PAIRED = ['dowels', 'tenons'];
const SAME = 0.05;

/** A place so far beyond a mouth, the way its fastener goes on. */
function onwards({ at, beyond }: Mouth, by: number): Point {
  return at.map((value, k) => value + (((beyond[k] as number) - value) / INTO) * by) as unknown as Point;
}

function held(mouth: Mouth, operation: Operation, own: PartShape, shapes: readonly Shaped[]): boolean {
  const others = shapes.filter(({ shape }) => shape !== own);
  if (!PAIRED.includes(operation.by.what ?? '')) {
    const wood = (by: number) => others.some(({ shape }) => within(shape, onwards(mouth, by), AROUND));
    if (wood(INTO)) return true;
    // What is glued up of layers is screwed through all of them.
    const layers = others.filter(
      ({ part }) => part.role === 'spacer' && part.machining.some(({ by }) => by.kind === 'fixing'),
    );
    const passed = layers.find(({ shape }) => within(shape, onwards(mouth, 1), 0.5));
    return passed !== undefined && wood(passed.part.thickness.value + INTO);
  }
  return others.some((other) =>
    other.part.machining.some(
      (opposite) =>
        opposite.by.what === operation.by.what &&
        opposite.kind !== 'groove' &&
        mouths(opposite, other.part).some(({ at }) =>
          at.every((value, k) => Math.abs(value - (mouth.at[k] as number)) < SAME),
        ),
    ),
  );
}
