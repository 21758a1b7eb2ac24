import type { SheetLayout } from '../../decisions/index.js';

/** How good a layout is, as a maker says it; offcuts are no new sheets: "7 sheets and 2 offcuts; 6 might be possible". */
export function layoutInWords({ sheets, bound }: Pick<SheetLayout, 'sheets' | 'bound'>): string {
  const offcuts = sheets.filter(({ offcut }) => offcut).length;
  const whole = sheets.length - offcuts;
  const some = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`;
  const count = `${some(whole, 'sheet')}${offcuts > 0 ? ` and ${some(offcuts, 'offcut')}` : ''}`;
  if (whole > bound) return `${count}; ${bound} might be possible`;
  return whole === 0 ? `${count}; no new sheet is needed` : `${count}; fewer than ${bound} is impossible`;
}

/** The share of the sheets' area that comes to lie in pieces. */
export function usedShare({ sheets }: Pick<SheetLayout, 'sheets'>): number {
  let [used, all] = [0, 0];
  for (const { placements, length, width } of sheets) {
    for (const piece of placements) used += piece.length * piece.width;
    all += length * width;
  }
  return all === 0 ? 0 : used / all;
}
