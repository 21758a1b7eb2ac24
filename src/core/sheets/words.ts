import type { SheetLayout } from '../job/index.js';
import type { Packing } from './problem.js';

/** How good a layout is, as a maker says it: "7 sheets; fewer than 7 is impossible". */
export function inWords({ sheets, bound }: Pick<Packing, 'sheets' | 'bound'>): string {
  return said(sheets.length, bound, 0);
}

/** The same of a layout in a job, whose offcuts are no new sheets: "7 sheets and 2 offcuts; 6 might be possible". */
export function layoutInWords({ sheets, bound }: Pick<SheetLayout, 'sheets' | 'bound'>): string {
  const offcuts = sheets.filter(({ offcut }) => offcut).length;
  return said(sheets.length - offcuts, bound, offcuts);
}

function said(sheets: number, bound: number, offcuts: number): string {
  const some = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`;
  const count = `${some(sheets, 'sheet')}${offcuts > 0 ? ` and ${some(offcuts, 'offcut')}` : ''}`;
  if (sheets > bound) return `${count}; ${bound} might be possible`;
  return sheets === 0 ? `${count}; no new sheet is needed` : `${count}; fewer than ${bound} is impossible`;
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
