import type { Method, PackProblem, Unplaced } from './problem.js';

/**
 * A problem in whole tenths of a nanometre (so that 1/128 in is whole as well) with the kerf dealt with: every piece is a kerf larger each way and so is the sheet, so
 * that pieces side by side are a kerf apart and the last of a row needs no cut behind it.
 */
export interface Stock {
  readonly method: Method;
  readonly stages: number;
  /** Of the sheet inside its trim, and a kerf more. */
  readonly length: number;
  readonly width: number;
  /** What is kept between two pieces. */
  readonly gap: number;
  readonly kinds: readonly Kind[];
}

/** Alike pieces. */
export interface Kind {
  readonly at: number;
  readonly id: string;
  readonly quantity: number;
  readonly area: number;
  /** The ways it may lie on the sheet: one, or two. */
  readonly ways: readonly Way[];
}

export interface Way {
  readonly length: number;
  readonly width: number;
  readonly turned: boolean;
}

/** So many to a millimetre. */
export const FINE = 1e7;

/** The problem as it is searched, and what can be on no sheet. */
export function stockOf(problem: PackProblem): { stock: Stock; unplaced: Unplaced[] } {
  const { sheet, kerf, method, stages, spacing = 0, parts } = problem;
  const gap = Math.round(Math.max(kerf, spacing) * FINE);
  const inside = (size: number) => Math.round((size - 2 * sheet.trim) * FINE);
  const [length, width] = [inside(sheet.length) + gap, inside(sheet.width) + gap];
  const unplaced: Unplaced[] = [];
  const kinds: Kind[] = [];
  for (const part of parts) {
    const [l, w] = [Math.round(part.length * FINE) + gap, Math.round(part.width * FINE) + gap];
    const both = [
      { length: l, width: w, turned: false },
      ...(part.turn && l !== w ? [{ length: w, width: l, turned: true }] : []),
    ];
    const ways = both.filter((way) => way.length <= length && way.width <= width);
    if (ways.length === 0) {
      const fits = w <= length && l <= width;
      const usable = `${(length - gap) / FINE} by ${(width - gap) / FINE} mm`;
      unplaced.push({
        id: part.id,
        quantity: part.quantity,
        reason: `${part.length} by ${part.width} mm does not fit ${usable}${fits ? ', and it may not be turned' : ''}.`,
      });
    } else kinds.push({ at: kinds.length, id: part.id, quantity: part.quantity, area: l * w, ways });
  }
  return {
    stock: {
      method,
      stages: method === 'strips' ? 3 : (stages ?? Number.POSITIVE_INFINITY),
      length,
      width,
      gap,
      kinds,
    },
    unplaced,
  };
}
