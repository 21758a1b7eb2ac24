import type { FacePoint, Space } from './definition.js';

/** How far apart two spaces are seen from the face (mm), where at least one of them lies slanting; 0 when they meet. */
export function apartInPlan(a: Space, b: Space): number {
  const [first, second] = [cornersOf(a), cornersOf(b)];
  if (a.round) return Math.max(0, fromPoint([a.round.u, a.round.v], second) - a.round.radius);
  if (b.round) return Math.max(0, fromPoint([b.round.u, b.round.v], first) - b.round.radius);
  if (overlap(first, second) && overlap(second, first)) return 0;
  return Math.min(
    ...first.map((corner) => fromPoint(corner, second)),
    ...second.map((corner) => fromPoint(corner, first)),
  );
}

/** Its corners in order, or those of the rectangle it is. */
function cornersOf({ corners, low, high }: Space): readonly FacePoint[] {
  return (
    corners ?? [
      [low[0], low[1]],
      [high[0], low[1]],
      [high[0], high[1]],
      [low[0], high[1]],
    ]
  );
}

/** How far a point lies from a shape without hollows (mm); 0 within it. */
export function fromPoint(point: FacePoint, corners: readonly FacePoint[]): number {
  return within(point, corners) ? 0 : Math.min(...edges(corners).map(([from, to]) => fromLine(point, from, to)));
}

function edges(corners: readonly FacePoint[]): [FacePoint, FacePoint][] {
  return corners.map((corner, at) => [corner, corners[(at + 1) % corners.length] as FacePoint]);
}

/** Which side of a line a point lies on: the area it spans with it. */
function side([u, v]: FacePoint, [fu, fv]: FacePoint, [tu, tv]: FacePoint): number {
  return (tu - fu) * (v - fv) - (tv - fv) * (u - fu);
}

function within(point: FacePoint, corners: readonly FacePoint[]): boolean {
  const sides = edges(corners).map(([from, to]) => side(point, from, to));
  return sides.every((each) => each >= 0) || sides.every((each) => each <= 0);
}

/** True when no edge of the first has the whole second on its outer side. */
function overlap(first: readonly FacePoint[], second: readonly FacePoint[]): boolean {
  return edges(first).every(([from, to]) => {
    const inward = Math.sign(first.reduce((sum, corner) => sum + side(corner, from, to), 0));
    return second.some((corner) => side(corner, from, to) * inward > 0);
  });
}

function fromLine([u, v]: FacePoint, [fu, fv]: FacePoint, [tu, tv]: FacePoint): number {
  const [du, dv] = [tu - fu, tv - fv];
  const long = du * du + dv * dv;
  const share = long === 0 ? 0 : Math.max(0, Math.min(1, ((u - fu) * du + (v - fv) * dv) / long));
  return Math.hypot(u - fu - share * du, v - fv - share * dv);
}
