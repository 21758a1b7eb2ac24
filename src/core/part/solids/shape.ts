import { gather } from '../../ground/index.js';
import { type Cut, cutsOf, type Operation } from '../machining/index.js';
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

/** A part as it lies in the cabinet: its blank, and what is cut out of it but for what is bored. */
export interface Hollowed {
  readonly blank: Block;
  readonly blocks: readonly Block[];
  readonly prisms: readonly Prism[];
}

/** The same with all that is bored in it. */
export interface PartShape extends Hollowed {
  readonly key: string;
  readonly bores: readonly Bore[];
}

/** A block in a part's own u, v, w (mm). */
export type Cuboid = Pick<Extract<Cut, { shape: 'block' }>, 'low' | 'high'>;

/** The shape of a part: its sizes where it is placed, less all its operations. */
export function shapeOf(part: Part): PartShape {
  const cuts = allCuts(part, part.machining);
  return {
    key: part.key,
    ...hollowsIn(part, cuts),
    bores: cuts.flatMap((cut) => (cut.shape === 'bore' ? [boreIn(part, cut)] : [])),
  };
}

/** Round holes alone are bored. */
const BORED: ReadonlySet<string> = new Set(['holes', 'edge holes']);

/** The shape of a part without its round holes: what other parts may stand in. */
export function hollowedOf(part: Part): Hollowed {
  return hollowsIn(
    part,
    allCuts(
      part,
      part.machining.filter(({ kind }) => !BORED.has(kind)),
    ),
  );
}

function allCuts(part: Part, operations: readonly Operation[]): Cut[] {
  const size = sizeOf(part);
  return gather(operations, (operation) => cutsOf(operation, size));
}

function hollowsIn(part: Part, cuts: readonly Cut[]): Hollowed {
  const { length, width, thickness } = sizeOf(part);
  return {
    blank: blockIn(part, { low: [0, 0, 0], high: [length, width, thickness] }),
    blocks: gather(cuts, (cut) => (cut.shape === 'block' ? [blockIn(part, cut)] : [])),
    prisms: gather(cuts, (cut) =>
      cut.shape === 'prism'
        ? [cut.w.flatMap((w) => cut.corners.map(([u, v]) => toCabinet(part.placement, u, v, w)))]
        : cut.shape === 'ridge'
          ? [cut.u.flatMap((u) => cut.corners.map(([v, w]) => toCabinet(part.placement, u, v, w)))]
          : [],
    ),
  };
}

/** A block of a part, where it lies in the cabinet. */
export function blockIn({ placement }: Part, { low, high }: Cuboid): Block {
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
