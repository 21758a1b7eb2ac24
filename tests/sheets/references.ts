import type { PackProblem } from '../../src/core/shop/index.js';
import { Random } from '../generator/random.js';

interface Room {
  readonly length: number;
  readonly width: number;
}

/**
 * The first reference: pieces by decreasing area, each into the first free rectangle of the first sheet that takes it, as
 * given before turned; of the two cuts that part it the one along the shorter leftover is the first. Returns the sheets.
 */
export function firstFit(problem: PackProblem): number {
  return inOrder(
    problem,
    pieces(problem).sort((a, b) => b.length * b.width - a.length * a.width),
  );
}

/** The second: the best of so many random orders of the first, its own order among them. */
export function bestOfRandom(problem: PackProblem, orders: number): number {
  const random = new Random(4711);
  let best = firstFit(problem);
  const all = pieces(problem);
  for (let order = 1; order < orders; order += 1) {
    for (let at = all.length - 1; at > 0; at -= 1) {
      const other = random.whole(0, at);
      [all[at], all[other]] = [all[other] as Piece, all[at] as Piece];
    }
    best = Math.min(best, inOrder(problem, all));
  }
  return best;
}

interface Piece extends Room {
  readonly turn: boolean;
}

/** A kerf is added to every piece and to the sheet, so that pieces may lie side by side. */
function pieces({ kerf, parts }: PackProblem): Piece[] {
  return parts.flatMap(({ length, width, quantity, turn }) =>
    Array.from({ length: quantity }, () => ({ length: length + kerf, width: width + kerf, turn })),
  );
}

function inOrder({ sheet, kerf }: PackProblem, order: readonly Piece[]): number {
  const whole = { length: sheet.length - 2 * sheet.trim + kerf, width: sheet.width - 2 * sheet.trim + kerf };
  const sheets: Room[][] = [];
  const placed = (rooms: Room[], { length, width, turn }: Piece): boolean => {
    for (const [at, room] of rooms.entries()) {
      const fits = (l: number, w: number) => l <= room.length + 1e-9 && w <= room.width + 1e-9;
      const way = fits(length, width)
        ? { length, width }
        : turn && fits(width, length)
          ? { length: width, width: length }
          : undefined;
      if (!way) continue;
      const [dl, dw] = [room.length - way.length, room.width - way.width];
      const rest =
        dl < dw
          ? [
              { length: room.length, width: dw },
              { length: dl, width: way.width },
            ]
          : [
              { length: dl, width: room.width },
              { length: way.length, width: dw },
            ];
      rooms.splice(at, 1, ...rest);
      return true;
    }
    return false;
  };
  for (const piece of order) {
    if (sheets.some((rooms) => placed(rooms, piece))) continue;
    const rooms = [whole];
    if (placed(rooms, piece)) sheets.push(rooms);
  }
  return sheets.length;
}
