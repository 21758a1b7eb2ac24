import type { Dim } from '../derive/index.js';
import type { AnyOperation, EdgeReference, Face, Outline, PartSize, Run, Space } from './definition.js';

/** How far in from a face: the run along w of something that enters it by `depth` (mm). */
export function into({ thickness }: PartSize, face: Face, depth: number): Run {
  return face === 1 ? [0, depth] : [thickness - depth, thickness];
}

/** A distance from a named edge as a position from u0 or v0 (mm). */
export function fromStart({ length, width }: PartSize, from: EdgeReference, offset: number): number {
  if (from === 'u1') return length - offset;
  if (from === 'v1') return width - offset;
  return offset;
}

/** True when an edge lies across the length: the ends of a part. */
export function isEnd(edge: EdgeReference): boolean {
  return edge === 'u0' || edge === 'u1';
}

/** A strip along an edge or across the part, from `near` to `far` of the edge it is measured from: its runs along u and v. */
export function strip(size: PartSize, from: EdgeReference, near: number, far: number): [u: Run, v: Run] {
  const [a, b] = [fromStart(size, from, near), fromStart(size, from, far)];
  const run: Run = a <= b ? [a, b] : [b, a];
  return isEnd(from) ? [run, [0, size.width]] : [[0, size.length], run];
}

/** A short piece of such a strip, about a position along the edge. */
export function patch(
  size: PartSize,
  from: EdgeReference,
  [near, far]: Run,
  position: number,
  half: number,
): [u: Run, v: Run] {
  const [u, v] = strip(size, from, near, far);
  const along: Run = [position - half, position + half];
  return isEnd(from) ? [u, along] : [along, v];
}

export function space(operation: AnyOperation, bored: boolean, u: Run, v: Run, w: Run): Space {
  return { operation, bored, low: [u[0], v[0], w[0]], high: [u[1], v[1], w[1]] };
}

export function block(u: Run, v: Run, w: Run) {
  return { shape: 'block', low: [u[0], v[0], w[0]], high: [u[1], v[1], w[1]] } as const;
}

/** What a cut sunk into a face over one rectangle takes, seen and unseen; `lies` says where, as runs along u and v. */
export function sunk<T extends AnyOperation & { readonly face: Face; readonly depth: Dim }>(
  lies: (operation: T, size: PartSize) => [u: Run, v: Run],
) {
  const runs = (operation: T, size: PartSize): [Run, Run, Run] => [
    ...lies(operation, size),
    into(size, operation.face, operation.depth.mm),
  ];
  return {
    spaces: (operation: T, size: PartSize) => [space(operation, false, ...runs(operation, size))],
    cuts: (operation: T, size: PartSize) => [block(...runs(operation, size))],
    outline(operation: T, size: PartSize): Outline[] {
      const [u, v] = lies(operation, size);
      return [{ shape: 'region', u, v, face: operation.face }];
    },
  };
}
