import {
  type AxisIndex,
  type EdgeReference,
  endsIn,
  type FastenerRow,
  type Fastens,
  fromStart,
  type Operation,
  type Part,
  POCKET,
  type Point,
  sizeOf,
  toCabinet,
} from '../../part/index.js';

/** A driver and its bit, and a short one, out from the head of a screw (mm). */
export const DRIVER = 150;
export const SHORT_DRIVER = 90;

/** A fastener is looked for this far into the next part, with so much wood round its middle: its own half and 3 (mm). */
const INTO = 6;
const AROUND = 5;

/** One screw, dowel or loose tenon that leaves a part for another. */
export interface Leaving {
  readonly operation: Operation;
  readonly fastens: Fastens;
  /** Key of the part it is to end in. */
  readonly into: string | undefined;
  /** Just inside what should hold it. */
  readonly tip: Point;
  /** Where the head of a screw lies, and so far out of it as a driver is long; a dowel has neither. */
  readonly driver?: readonly [head: Point, end: Point];
}

/** Every fastener of a row that holds a part to another: it leaves it through its far face, its end or its edge. */
export function leaving({ through, operation, fastens }: FastenerRow): Leaving[] {
  return fastens.into === undefined ? [] : eachOf(through, operation, fastens);
}

function eachOf(part: Part, operation: Operation, fastens: Fastens): Leaving[] {
  const size = sizeOf(part);
  const at = (edge: EdgeReference, along: number, offset: number, w: number): Point => {
    const across = fromStart(size, edge, offset);
    return edge.startsWith('u')
      ? toCabinet(part.placement, across, along, w)
      : toCabinet(part.placement, along, across, w);
  };
  switch (operation.kind) {
    case 'pockets': {
      const { edge, face } = operation;
      const [surface, outward] = face === 1 ? [0, -1] : [size.thickness, 1];
      const slope = Math.atan(POCKET.slope);
      return operation.positions.map(({ value: mm }, place) => ({
        operation,
        fastens,
        into: endsIn(fastens, place),
        tip: at(edge, mm, -INTO, size.thickness / 2),
        driver: [
          at(edge, mm, POCKET.reach, surface),
          at(edge, mm, POCKET.reach + DRIVER * Math.cos(slope), surface + outward * DRIVER * Math.sin(slope)),
        ],
      }));
    }
    case 'holes': {
      const { from, offset, face, past = 0 } = operation;
      const [tip, head, end] =
        face === 1
          ? [size.thickness + INTO + past, 0, -DRIVER]
          : [-INTO - past, size.thickness, size.thickness + DRIVER];
      return operation.positions.map(({ value: mm }, place) => ({
        operation,
        fastens,
        into: endsIn(fastens, place),
        tip: at(from, mm, offset.value, tip),
        driver: [at(from, mm, offset.value, head), at(from, mm, offset.value, end)],
      }));
    }
    case 'edge holes':
      return operation.positions.map(({ value: mm }, place) => ({
        operation,
        fastens,
        into: endsIn(fastens, place),
        tip: at(operation.edge, mm, -INTO, operation.offset.value),
      }));
    case 'slots': {
      const { place, offset } = operation;
      if (!('edge' in place)) return [];
      return operation.positions.map(({ value: mm }, index) => ({
        operation,
        fastens,
        into: endsIn(fastens, index),
        tip: at(place.edge, mm, -INTO, offset.value),
      }));
    }
    default:
      return [];
  }
}

/** True when a part has wood round a place where a fastener should hold; in thin parts at their very middle. */
export function holdsAt({ extent: { min, max } }: Part, point: Point): boolean {
  for (let axis = 0; axis < 3; axis += 1) {
    const k = axis as AxisIndex;
    const thin = Math.min(AROUND, (max[k] - min[k]) / 2 - 1e-6);
    if (point[k] <= min[k] + thin - 0.01 || point[k] >= max[k] - thin + 0.01) return false;
  }
  return true;
}
