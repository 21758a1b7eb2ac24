import { type Cut, cutsOf } from '../machining/index.js';
import { type Part, type Point, sizeOf, toCabinet } from '../parts/index.js';

/** A block in the cabinet (mm). */
export interface Block {
  readonly min: Point;
  readonly max: Point;
}

/** A round bore in the cabinet (mm): along one axis, from one end to the other. */
export interface Bore {
  readonly axis: 0 | 1 | 2;
  readonly from: Point;
  readonly to: Point;
  readonly radius: number;
}

/** What is cut away at a slant: the corners of both its ends in the cabinet (mm); it has no hollow in it. */
export type Prism = readonly Point[];

/** A part as it lies in the cabinet: its blank, and what is cut out of it. */
export interface PartShape {
  readonly key: string;
  readonly blank: Block;
  readonly blocks: readonly Block[];
  readonly bores: readonly Bore[];
  readonly prisms: readonly Prism[];
}

/** The shape of a part: its sizes where it is placed, less all its operations. */
export function shapeOf(part: Part): PartShape {
  const size = sizeOf(part);
  const cuts = part.machining.flatMap((operation) => cutsOf(operation, size));
  return {
    key: part.key,
    blank: blockIn(part, { low: [0, 0, 0], high: [size.length, size.width, size.thickness] }),
    blocks: cuts.flatMap((cut) => (cut.shape === 'block' ? [blockIn(part, cut)] : [])),
    bores: cuts.flatMap((cut) => (cut.shape === 'bore' ? [boreIn(part, cut)] : [])),
    prisms: cuts.flatMap((cut) =>
      cut.shape === 'prism'
        ? [cut.w.flatMap((w) => cut.corners.map(([u, v]) => toCabinet(part.placement, u, v, w)))]
        : [],
    ),
  };
}

function blockIn({ placement }: Part, { low, high }: Pick<Extract<Cut, { shape: 'block' }>, 'low' | 'high'>): Block {
  const [a, b] = [toCabinet(placement, ...low), toCabinet(placement, ...high)];
  return {
    min: [Math.min(a[0], b[0]), Math.min(a[1], b[1]), Math.min(a[2], b[2])],
    max: [Math.max(a[0], b[0]), Math.max(a[1], b[1]), Math.max(a[2], b[2])],
  };
}

function boreIn({ placement }: Part, { axis, centre, radius, run }: Extract<Cut, { shape: 'bore' }>): Bore {
  const at = (along: number): Point => {
    const point = [...centre];
    point.splice(axis, 0, along);
    return toCabinet(placement, ...(point as [number, number, number]));
  };
  const [from, to] = [at(run[0]), at(run[1])];
  const along = ([0, 1, 2] as const).find((index) => Math.abs(from[index] - to[index]) > 1e-9) ?? 0;
  return { axis: along, from, to, radius };
}
