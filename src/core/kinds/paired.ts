import { type Dim, length, measuredFrom } from '../ground/index.js';
import { type By, edgeOf, faceInto, type Operation, type Part, pilotFor, placesFree, sizeOf } from '../part/index.js';

/** Two screws one above the other in the face of an upright: sockets, hangers and their like. */
export interface PairOfScrews {
  /** Middle of both, in the cabinet: above the underside of the box and behind the front edge of the case. */
  readonly up: Dim;
  readonly behind: Dim;
  readonly apart: Dim;
  readonly diameter: Dim;
  readonly depth: Dim;
  readonly reason: string;
  readonly by: By;
  /** What the screws are bought for. */
  readonly use: string;
}

/** Wood left between such a screw and what else is cut; from the ends of the part (mm). */
const SKIN = 3;
const FROM_END = 12;

/** The first of some moves up or down (mm) with which both screws stand clear in every part; 0 where none does. */
export function clearMove(
  parts: readonly { readonly part: Part; readonly hand: 'left' | 'right' }[],
  pair: Pick<PairOfScrews, 'up' | 'behind' | 'apart' | 'diameter' | 'depth'>,
  moves: readonly number[],
): number {
  return moves.find((move) => parts.every(({ part, hand }) => standsClear(part, hand, pair, move))) ?? 0;
}

function standsClear(
  part: Part,
  hand: 'left' | 'right',
  { up, behind, apart, diameter, depth }: Pick<PairOfScrews, 'up' | 'behind' | 'apart' | 'diameter' | 'depth'>,
  move: number,
): boolean {
  const size = sizeOf(part);
  const free = placesFree(part.machining, size, {
    face: faceInto(part, hand),
    depth: Math.min(depth.value, size.thickness - 1),
    diameter: diameter.value,
    beside: SKIN,
    behind: 1,
  });
  const v = Math.abs(behind.value - edgeOf(part, 'v0').value);
  return [-apart.value / 2, apart.value / 2].every((by) => {
    const u = Math.abs(up.value + move + by - edgeOf(part, 'u0').value);
    return u >= FROM_END && u <= size.length - FROM_END && free(u, v);
  });
}

/** Where it stands after a move. */
export function movedUp(up: Dim, move: number, name: string): Dim {
  return move === 0 ? up : up.plus(length(move, 'clear of what is cut there')).as(name);
}

/** Both holes, in the face a hand of the room looks at. */
export function pairOfScrews(part: Part, hand: 'left' | 'right', pair: PairOfScrews): Operation {
  const { up, behind, apart, diameter, depth, reason, by, use } = pair;
  const along = measuredFrom(up, edgeOf(part, 'u0')).as('middle of both screws on the part');
  const half = apart.over(2);
  return {
    kind: 'holes',
    face: faceInto(part, hand),
    from: 'v0',
    offset: measuredFrom(behind, edgeOf(part, 'v0')),
    positions: [along.minus(half).as('lower screw'), along.plus(half).as('upper screw')],
    ...pilotFor(use, diameter, depth),
    reason,
    by,
  };
}
