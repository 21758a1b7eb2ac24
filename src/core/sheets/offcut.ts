import type { PackedSheet, PackProblem } from './problem.js';

/** A rectangle of a sheet on which nothing lies (mm, from the raw sheet's corner). */
export interface FreeRoom {
  readonly x: number;
  readonly y: number;
  readonly length: number;
  readonly width: number;
}

/** The largest rectangle inside the trim that stays a kerf away from every piece; undefined where a sheet is full. */
export function freeOf(
  { placements }: PackedSheet,
  { sheet, kerf }: Pick<PackProblem, 'sheet' | 'kerf'>,
): FreeRoom | undefined {
  const { trim } = sheet;
  const [right, top] = [sheet.length - trim, sheet.width - trim];
  // A free rectangle that is as large as it can be begins at the trim or behind a piece.
  const xs = [trim, ...placements.map(({ x, length }) => x + length + kerf)].filter((x) => x < right);
  const ys = [trim, ...placements.map(({ y, width }) => y + width + kerf)].filter((y) => y < top);
  let best: FreeRoom | undefined;
  for (const y of new Set(ys)) {
    for (const x of new Set(xs)) {
      const beyond = placements.filter(
        (piece) => piece.x + piece.length + kerf > x + 1e-6 && piece.y + piece.width + kerf > y + 1e-6,
      );
      // Ever narrower to the right, as high as what stands there allows.
      const ends = [right, ...beyond.map((piece) => piece.x - kerf)].filter((end) => end > x);
      for (const end of new Set(ends)) {
        const over = beyond.filter((piece) => piece.x - kerf < end - 1e-6);
        const high = Math.min(top, ...over.map((piece) => piece.y - kerf));
        const area = (end - x) * (high - y);
        if (high > y && (!best || area > best.length * best.width)) best = { x, y, length: end - x, width: high - y };
      }
    }
  }
  return best;
}
