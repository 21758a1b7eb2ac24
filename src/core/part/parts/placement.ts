/**
 * The one place that turns a position on a part into a position in the cabinet.
 *
 * Cabinet: x to the right, y back from the carcass front edge, z up; origin at the front lower left corner of the box.
 * Part: u along its length, v along its width, w into its thickness from face 1. A placement says where the corner
 * u = v = w = 0 lies and along which cabinet axis each of u, v, w runs. A left part and its right twin have the same
 * positions on the part; only their placements are mirror images.
 */
export type Point = readonly [x: number, y: number, z: number];
export type Axis = '+x' | '-x' | '+y' | '-y' | '+z' | '-z';

/** Along which axis of the cabinet a part's length, width and thickness run. */
export interface Axes {
  readonly u: Axis;
  readonly v: Axis;
  /** From face 1 into the material. */
  readonly w: Axis;
}

export interface Placement extends Axes {
  readonly origin: Point;
}

/** An edge of a part: the end where u or v is 0, or where it is full. */
export type Edge = 'u0' | 'u1' | 'v0' | 'v1';
export const EDGES: readonly Edge[] = ['u0', 'u1', 'v0', 'v1'];

const AXIS_INDEX = { x: 0, y: 1, z: 2 } as const;

/** x, y or z of the cabinet, by its place in a point. */
export type AxisIndex = 0 | 1 | 2;

/** Which axis of the cabinet this one of a part runs along. */
export function axisIndex(axis: Axis): AxisIndex {
  return AXIS_INDEX[axis[1] as 'x'];
}

function direction(axis: Axis): { index: AxisIndex; sign: 1 | -1 } {
  return { index: AXIS_INDEX[axis[1] as 'x'], sign: axis[0] === '+' ? 1 : -1 };
}

/** True for an axis that runs to the right, to the rear or upwards. */
export function isForward(axis: Axis): boolean {
  return axis[0] === '+';
}

/** Cabinet coordinates (mm) of the point u, v, w (mm) of a part. Asked for every hole: it makes nothing but its answer. */
export function toCabinet({ origin, u: along, v: across, w: into }: Placement, u: number, v: number, w: number): Point {
  const point: [number, number, number] = [origin[0], origin[1], origin[2]];
  point[AXIS_INDEX[along[1] as 'x']] += isForward(along) ? u : -u;
  point[AXIS_INDEX[across[1] as 'x']] += isForward(across) ? v : -v;
  point[AXIS_INDEX[into[1] as 'x']] += isForward(into) ? w : -w;
  return point;
}

/** Part coordinates [u, v, w] (mm) of a cabinet point. */
export function toPart(placement: Placement, point: Point): Point {
  const along = (axis: Axis) => {
    const { index, sign } = direction(axis);
    // Adding nothing makes a negative nothing plain.
    return sign * ((point[index] ?? 0) - (placement.origin[index] ?? 0)) + 0;
  };
  return [along(placement.u), along(placement.v), along(placement.w)];
}

export interface Extent {
  readonly min: Point;
  readonly max: Point;
}

/** The space a part takes up in the cabinet. */
export function extentOf(placement: Placement, length: number, width: number, thickness: number): Extent {
  const a = toCabinet(placement, 0, 0, 0);
  const b = toCabinet(placement, length, width, thickness);
  return {
    min: [Math.min(a[0], b[0]), Math.min(a[1], b[1]), Math.min(a[2], b[2])],
    max: [Math.max(a[0], b[0]), Math.max(a[1], b[1]), Math.max(a[2], b[2])],
  };
}

/** True when the part's own axes are left-handed in the cabinet, as a mirrored twin's are. */
export function isMirrored(placement: Placement): boolean {
  const [u, v, w] = [placement.u, placement.v, placement.w].map(direction);
  if (!u || !v || !w) return false;
  const even = (v.index - u.index + 3) % 3 === 1;
  return u.sign * v.sign * w.sign * (even ? 1 : -1) < 0;
}

const SIDE_NAMES: Record<Axis, string> = {
  '+x': 'right',
  '-x': 'left',
  '+y': 'rear',
  '-y': 'front',
  '+z': 'top',
  '-z': 'bottom',
};
const OPPOSITE: Record<Axis, Axis> = { '+x': '-x', '-x': '+x', '+y': '-y', '-y': '+y', '+z': '-z', '-z': '+z' };

/** What an edge is called when the part stands in the cabinet: front, rear, top, bottom, left, right. */
export function edgeName(placement: Placement, edge: Edge): string {
  const axis = edge[0] === 'u' ? placement.u : placement.v;
  return SIDE_NAMES[edge[1] === '1' ? axis : OPPOSITE[axis]];
}
