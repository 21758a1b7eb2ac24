import type { Filled } from './fill.js';
import type { Goals } from './supply.js';

/** A layout of all that has to be laid out, as far as there are sheets for it. */
export interface Layout {
  readonly sheets: readonly Filled[];
  /** Pieces for which there was no sheet. */
  readonly open: number;
}

/** Less of the first goal; else more waste in one place, or fewer places of the fence. `orEqual` keeps a search moving. */
export function isBetter(found: Layout, known: Layout, { next }: Goals, orEqual = false): boolean {
  if (found.open !== known.open) return found.open < known.open;
  const cost = costOf(found) - costOf(known);
  if (Math.abs(cost) > 1e-9) return cost < 0;
  if (next === 'fences') {
    const fences = fencesOf(found.sheets) - fencesOf(known.sheets);
    if (fences !== 0) return fences < 0;
  }
  const more = gatheredOf(found.sheets) - gatheredOf(known.sheets);
  return more > 0 || (orEqual && more === 0);
}

/** Whole sheets that are taken. */
export function newOf(sheets: readonly Filled[]): number {
  return sheets.filter(({ sheet }) => !sheet.fixed && !sheet.offcut).length;
}

export function costOf({ sheets }: Pick<Layout, 'sheets'>): number {
  return sheets.reduce((sum, { sheet }) => sum + sheet.cost, 0);
}

/** Waste on whole sheets, the more the more of it is on one of them: what is cut off there is worth keeping. */
function gatheredOf(sheets: readonly Filled[]): number {
  return sheets.reduce((sum, { sheet, area }) => sum + (sheet.offcut ? 0 : ((sheet.area - area) / 1e12) ** 2), 0);
}

/** Widths strips are ripped to and lengths pieces are crosscut to, sheet after sheet. */
function fencesOf(sheets: readonly Filled[]): number {
  return sheets.reduce(
    (sum, { placed }) =>
      sum + new Set(placed.map(({ way }) => way.width)).size + new Set(placed.map(({ way }) => way.length)).size,
    0,
  );
}

/** How many of each kind lie on some sheets. */
export function countsOn(sheets: Iterable<Filled>, kinds: number): Int32Array {
  const counts = new Int32Array(kinds);
  for (const { placed } of sheets) for (const { kind } of placed) counts[kind.at] = (counts[kind.at] as number) + 1;
  return counts;
}
