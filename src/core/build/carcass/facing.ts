import { type Dim, length } from '../../ground/index.js';
import { FACING_EDGES_APART, type PanelFace } from '../../part/index.js';
import type { Joint } from '../joints/index.js';

/** A line of fasteners that already enters or crosses a panel. */
export interface FacingLine {
  readonly face: PanelFace;
  /** What joins there, along the panel (mm). */
  readonly from: number;
  readonly to: number;
  /** Its fasteners, from front to rear in the cabinet, and half of what each takes there (mm). */
  readonly positions: readonly number[];
  readonly half: number;
}

/** Two lines on opposite faces of a panel face each other where what joins lies on one strip of it. */
export function facingLines(lines: readonly FacingLine[], face: PanelFace, joint: Joint): FacingLine[] {
  const [from, to] = [joint.level.value, joint.level.value + joint.thickness.value];
  return lines.filter((line) => line.face !== face && line.from < to - SAME && line.to > from + SAME);
}

const SAME = 0.01;

/** Edges of holes in the two faces are so far apart, or at the least so far where there is no room (mm). */
const APART = [12, FACING_EDGES_APART] as const;
/** A moved line may begin this far from one end and end this far from the other (mm). */
const END = 12;
const BEGIN = 90;
/** It is moved by this, or by more of it, to the rear or to the front (mm). */
const MOVE = 32;

/**
 * Fasteners of a line moved clear of those that face it: towards the rear, else the front, by 32 or more, until hole
 * edges are 12 apart, or each by itself; where a part is too narrow for that, its two stand between or outside those that
 * face them. `usual` are the lines there could be, the first the one it has where nothing faces it.
 */
export function movedClear(
  usual: readonly (readonly Dim[])[],
  width: Dim,
  half: number,
  facing: readonly { readonly at: number; readonly half: number }[],
): readonly Dim[] {
  const [places = []] = usual;
  const clear = (at: number, apart: number) =>
    facing.every((other) => Math.abs(other.at - at) >= other.half + half + apart - 1e-6);
  if (places.every(({ value: mm }) => clear(mm, APART[0]))) return places;
  const within = (at: number) => at >= END && at <= width.value - END;
  const moved = (place: Dim, by: number) =>
    by === 0
      ? place
      : place.plus(length(by, 'moved clear of what is fastened to the other face')).as('position along the joint');
  for (const apart of APART) {
    for (const line of usual)
      for (const steps of [1, -1, 2, -2]) {
        const [first, last] = [(line[0]?.value ?? 0) + steps * MOVE, (line.at(-1)?.value ?? 0) + steps * MOVE];
        const fits = first <= BEGIN && width.value - last <= BEGIN;
        if (fits && line.every(({ value: mm }) => within(mm + steps * MOVE) && clear(mm + steps * MOVE, apart)))
          return line.map((place) => moved(place, steps * MOVE));
      }
    if (places.length > 2) {
      const each = places.map(({ value: mm }) => NEAR.find((by) => within(mm + by) && clear(mm + by, apart)));
      if (each.every((by) => by !== undefined)) return places.map((place, at) => moved(place, each[at] ?? 0));
    }
    const pair = places.length <= 2 ? pairClear(width.value, half, (at) => clear(at, apart)) : undefined;
    if (pair)
      return pair.map((at) => length(at, 'clear of what is fastened to the other face').as('position along the joint'));
  }
  return places;
}

/** Moves for one fastener of a line by itself, the shortest first (mm). */
const NEAR = Array.from({ length: 2 * MOVE + 1 }, (_, at) => (at % 2 === 0 ? at / 2 : -(at + 1) / 2));

/** Two places across a narrow part, as far apart as can be, with wood between them. */
function pairClear(width: number, half: number, clear: (at: number) => boolean): [number, number] | undefined {
  const least = Math.max(END, half + 4);
  for (let from = least; from <= width / 2 - half - 2; from += 0.5)
    if (clear(from) && clear(width - from)) return [from, width - from];
  return undefined;
}
