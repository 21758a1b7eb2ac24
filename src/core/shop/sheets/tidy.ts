import { Chance } from './chance.js';
import { byArea, FITS, type Filled, fillerOf, type Rule, SPLITS } from './fill.js';
import { countsOn } from './layout.js';
import type { Stock } from './stock.js';

/** So many of the emptiest sheets are tidied, in so many ways each. */
const TIDIED = 2;
const TIDYINGS = 90;

/** The emptiest whole sheets filled again in many ways, for the one that leaves the largest piece. */
export function tidied(sheets: readonly Filled[], stock: Stock, seed: number): readonly Filled[] {
  const emptiest = sheets
    .filter(({ sheet }) => !sheet.fixed && !sheet.offcut)
    .sort((a, b) => a.area - b.area)
    .slice(0, TIDIED);
  return sheets.map((filled) => (emptiest.includes(filled) ? filledAgain(filled, stock, seed) : filled));
}

function filledAgain(filled: Filled, stock: Stock, seed: number): Filled {
  const chance = new Chance(seed);
  const fill = fillerOf(stock);
  const counts = countsOn([filled], stock.kinds.length);
  const open = byArea(stock.kinds.filter(({ at }) => (counts[at] as number) > 0));
  let best = filled;
  for (let turn = 0; turn < TIDYINGS; turn += 1) {
    const rule = {
      fit: FITS[turn % FITS.length] as Rule['fit'],
      split: SPLITS[turn % SPLITS.length] as Rule['split'],
    };
    const key = new Map(
      open.map((kind) => [kind, (turn % 2 === 0 ? kind.area : (kind.ways[0]?.width ?? 0)) * (1 - 0.4 * chance.next())]),
    );
    const order = turn < 2 ? open : [...open].sort((a, b) => (key.get(b) as number) - (key.get(a) as number));
    const other = fill(stock, filled.sheet, order, counts.slice(), rule);
    if (other.placed.length === filled.placed.length && other.rest > best.rest) best = other;
  }
  return best;
}
