import type { Packing } from './problem.js';

/** How good a layout is, as a maker says it: "7 sheets; fewer than 7 is impossible". */
export function inWords({ sheets, bound }: Pick<Packing, 'sheets' | 'bound'>): string {
  const count = `${sheets.length} ${sheets.length === 1 ? 'sheet' : 'sheets'}`;
  return sheets.length <= bound
    ? `${count}; fewer than ${bound} is impossible`
    : `${count}; ${bound} might be possible`;
}
