import type { Dim } from '../../ground/index.js';
import type {
  AnyOperation,
  EdgeReference,
  FacePoint,
  Outline,
  PanelFace,
  PartSize,
  PlanBounds,
  Run,
  Space,
} from './definition.js';

/** How far in from a face: the run along w of something that enters it by `depth` (mm). */
export function into({ thickness }: PartSize, face: PanelFace, depth: number): Run {
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

/** How far a cut along a part stops short of where the part starts and of where it ends; 0 where it runs out. */
export interface Stopped {
  readonly start?: Dim;
  readonly end?: Dim;
}

/** Such a strip, stopped short at its ends. */
export function stoppedStrip(size: PartSize, from: EdgeReference, [near, far]: Run, stopped: Stopped = {}): [Run, Run] {
  const [u, v] = strip(size, from, near, far);
  const less = ([low, high]: Run): Run => [low + (stopped.start?.value ?? 0), high - (stopped.end?.value ?? 0)];
  return isEnd(from) ? [u, less(v)] : [less(u), v];
}

/** Where a stopped cut begins and ends, as a row of the table tells it. */
export function stopsOf(stopped: Stopped | undefined): { readonly further?: readonly Dim[] } {
  return stopped ? { further: [stopped.start, stopped.end].filter((stop): stop is Dim => stop !== undefined) } : {};
}

/** What is said of a stopped cut in a list: " stopped 10 from its start". */
export function stopWords(stopped: Stopped | undefined, show: (mm: number) => string): string {
  const at = [
    ...(stopped?.start ? [`${show(stopped.start.value)} from its start`] : []),
    ...(stopped?.end ? [`${show(stopped.end.value)} from its end`] : []),
  ];
  return at.length > 0 ? `, stopped ${at.join(' and ')}` : '';
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

/** Where a row of such pieces lies, all together. */
export function patches(
  size: PartSize,
  from: EdgeReference,
  across: Run,
  positions: readonly Dim[],
  half: number,
): PlanBounds {
  let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const { value: mm } of positions) {
    if (mm < low) low = mm;
    if (mm > high) high = mm;
  }
  const [u, v] = strip(size, from, across[0], across[1]);
  const along: Run = [low - half, high + half];
  return isEnd(from) ? { u, v: along } : { u: along, v };
}

export function space(operation: AnyOperation, bored: boolean, u: Run, v: Run, w: Run): Space {
  return { operation, bored, low: [u[0], v[0], w[0]], high: [u[1], v[1], w[1]] };
}

/** The room something slanting takes, and what it is. */
export function slanting(operation: AnyOperation, bored: boolean, corners: readonly FacePoint[], w: Run): Space {
  const along = (axis: 0 | 1): Run => [
    Math.min(...corners.map((corner) => corner[axis])),
    Math.max(...corners.map((corner) => corner[axis])),
  ];
  return { ...space(operation, bored, along(0), along(1), w), corners };
}

export function block(u: Run, v: Run, w: Run) {
  return { shape: 'block', low: [u[0], v[0], w[0]], high: [u[1], v[1], w[1]] } as const;
}

/** What a cut sunk into a face over one rectangle takes, seen and unseen; `lies` says where, as runs along u and v. */
export function sunk<T extends AnyOperation & { readonly face: PanelFace; readonly depth: Dim }>(
  lies: (operation: T, size: PartSize) => [u: Run, v: Run],
) {
  const runs = (operation: T, size: PartSize): [Run, Run, Run] => [
    ...lies(operation, size),
    into(size, operation.face, operation.depth.value),
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
