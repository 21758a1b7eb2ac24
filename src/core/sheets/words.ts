import type { Packing, PackProblem } from './problem.js';

/** How good a layout is, as a maker says it: "7 sheets; fewer than 7 is impossible". */
export function inWords({ sheets, bound }: Pick<Packing, 'sheets' | 'bound'>): string {
  const count = `${sheets.length} ${sheets.length === 1 ? 'sheet' : 'sheets'}`;
  return sheets.length <= bound
    ? `${count}; fewer than ${bound} is impossible`
    : `${count}; ${bound} might be possible`;
}

/** The share of the sheets' area that comes to lie in pieces. */
export function usedShare({ sheets }: Pick<Packing, 'sheets'>, { sheet }: Pick<PackProblem, 'sheet'>): number {
  const used = sheets.reduce(
    (sum, { placements }) => sum + placements.reduce((all, { length, width }) => all + length * width, 0),
    0,
  );
  return sheets.length === 0 ? 0 : used / (sheets.length * sheet.length * sheet.width);
}
