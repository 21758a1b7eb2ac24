import { type FacePoint, fromPoint, type Mitre, type Notch } from '../machining/index.js';
import type { Part } from './part.js';
import { type Point, toPart } from './placement.js';

/** True when neither corners nor ends are cut away. */
export function isRectangle({ machining }: Part): boolean {
  return machining.every(({ kind }) => kind !== 'notch' && kind !== 'mitre');
}

/** The outline of a part in its own u and v (mm), going round: notches out of its corners, ends cut at a mitre. */
export function planOutline(part: Part): FacePoint[] {
  const [length, width] = [part.length.value, part.width.value];
  if (isRectangle(part)) return rectangle(length, width);
  const notches = part.machining.filter((operation): operation is Notch => operation.kind === 'notch');
  const mitres = part.machining.filter((operation): operation is Mitre => operation.kind === 'mitre');
  const corners = [
    ['u0', 'v0', 1, 1],
    ['u0', 'v1', 1, -1],
    ['u1', 'v1', -1, -1],
    ['u1', 'v0', -1, 1],
  ] as const;
  return corners.flatMap(([end, edge, du, dv], index): FacePoint[] => {
    const [u, v] = [end === 'u0' ? 0 : length, edge === 'v0' ? 0 : width];
    const mitre = mitres.find((each) => each.end === end && each.long !== edge);
    if (mitre) return [[u + du * mitre.shorter.value, v]];
    const notch = notches.find(({ corner }) => corner[0] === end && corner[1] === edge);
    if (!notch) return [[u, v]];
    const [a, b] = [notch.alongLength.value * du, notch.alongWidth.value * dv];
    const onLength: FacePoint = [u + a, v];
    const inner: FacePoint = [u + a, v + b];
    const onWidth: FacePoint = [u, v + b];
    // Going round, the outline reaches corners 0 and 2 along the width's edge and 1 and 3 along the length's.
    return index % 2 === 0 ? [onLength, inner, onWidth] : [onWidth, inner, onLength];
  });
}

function rectangle(length: number, width: number): FacePoint[] {
  return [
    [0, 0],
    [0, width],
    [length, width],
    [length, 0],
  ];
}

/** True when a place of the cabinet lies over what is seen of a part once it is joined: mitres and tenons left out. */
export function liesOver(part: Part, place: Point): boolean {
  const [u, v] = toPart(part.placement, place);
  const shoulder = (end: 'u0' | 'u1') =>
    part.machining.reduce((most, each) => (each.kind === 'tenon' && each.end === end ? each.length.value : most), 0);
  if (u <= shoulder('u0') || u >= part.length.value - shoulder('u1') || v <= 0 || v >= part.width.value) return false;
  return fromPoint([u, v], planOutline(part)) === 0;
}
