import type { PieceKind, Stock, Way } from './stock.js';

/** Only so few pieces are tried in every way, and only so often. */
const FEW = 9;
const MOST_TRIES = 150_000;

interface Placed {
  readonly x: number;
  readonly y: number;
  readonly length: number;
  readonly width: number;
}

/** All pieces one by one, the largest first; undefined where there are too many, or sheets that are not alike. */
function fewPieces({ kinds, sheets }: Stock): readonly PieceKind[] | undefined {
  if (sheets.length !== 1 || sheets.some(({ fixed }) => fixed)) return undefined;
  const pieces = kinds.flatMap((kind) => Array.from({ length: kind.quantity }, () => kind));
  return pieces.length > FEW ? undefined : pieces.sort((a, b) => b.area - a.area || a.at - b.at);
}

/** Tries are counted, so that the search ends; the same number everywhere. */
class Spent extends Error {}

/**
 * True where it is proven, by trying every way, that a few pieces go on no `count` alike sheets, by whatever method. A piece
 * can always be pushed down and to the left until it touches others, so only places that are sums of sizes count.
 */
export function provesMore(stock: Stock, count: number): boolean {
  const pieces = fewPieces(stock);
  const [sheet] = stock.sheets;
  if (!pieces || !sheet || count < 1) return false;
  const xs = sumsOf(
    pieces.map(({ ways }) => ways.map(({ length }) => length)),
    sheet.length,
  );
  const ys = sumsOf(
    pieces.map(({ ways }) => ways.map(({ width }) => width)),
    sheet.width,
  );
  let tries = 0;
  const sheets: Placed[][] = Array.from({ length: count }, () => []);
  const place = (at: number): boolean => {
    const piece = pieces[at];
    if (!piece) return true;
    let empty = false;
    for (const placed of sheets) {
      // One empty sheet is as good as another.
      if (placed.length === 0 && empty) continue;
      empty ||= placed.length === 0;
      for (const way of piece.ways)
        for (const x of xs) {
          if (x + way.length > sheet.length) break;
          for (const y of ys) {
            if (y + way.width > sheet.width) break;
            tries += 1;
            if (tries > MOST_TRIES) throw new Spent();
            if (!isFree(placed, x, y, way)) continue;
            placed.push({ x, y, length: way.length, width: way.width });
            if (place(at + 1)) return true;
            placed.pop();
          }
        }
    }
    return false;
  };
  try {
    return !place(0);
  } catch (error) {
    if (error instanceof Spent) return false;
    throw error;
  }
}

function isFree(placed: readonly Placed[], x: number, y: number, { length, width }: Way): boolean {
  return placed.every(
    (each) => x >= each.x + each.length || each.x >= x + length || y >= each.y + each.width || each.y >= y + width,
  );
}

/** All sums of some of the sizes, one of each choice, that are less than a whole, in order. */
function sumsOf(choices: readonly (readonly number[])[], whole: number): number[] {
  let sums = new Set([0]);
  for (const sizes of choices) {
    const next = new Set(sums);
    for (const sum of sums) for (const size of sizes) if (sum + size < whole) next.add(sum + size);
    sums = next;
  }
  return [...sums].sort((a, b) => a - b);
}
