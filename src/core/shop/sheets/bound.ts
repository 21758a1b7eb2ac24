import type { PieceKind, Stock } from './stock.js';

/**
 * Fewer sheets than this are impossible, whatever the method (a lower bound, proven); whole ones, besides what is there already. A dual feasible function maps sizes
 * to weights so that whatever fits side by side weighs no more than 1; a product of two of them, one for each direction,
 * weighs no more than 1 for whatever fits on one sheet. So all weights together, rounded up, are sheets. The plain area is
 * the product of two identities.
 */
export function boundOf({ kinds, sheets }: Stock): number {
  if (kinds.length === 0) return 0;
  const there = sheets.filter(({ fixed, offcut }) => fixed || offcut);
  const whole = sheets.filter((sheet) => !there.includes(sheet));
  const area = kinds.reduce((sum, kind) => sum + kind.area * kind.quantity, 0);
  // What is there already takes as much as is free on it, and never more than one large enough for any sheet would.
  const free = there.reduce((sum, { start, count }) => sum + count * openOf(start), 0);
  const largest = Math.max(0, ...whole.map((sheet) => sheet.area));
  const byArea = largest > 0 ? Math.ceil((area - free) / largest - 1e-7) : 0;
  const bySize = weighed(kinds, longest(sheets, 'length'), longest(sheets, 'width'));
  const taken = there.reduce((sum, { count }) => sum + count, 0);
  return Math.max(0, byArea, bySize - taken);
}

/** At most so much of a sheet is free: rectangles that overlap count too often, which is on the safe side. */
function openOf(start: Stock['sheets'][number]['start']): number {
  return start.reduce((sum, { length, width }) => sum + length * width, 0);
}

function longest(sheets: Stock['sheets'], size: 'length' | 'width'): number {
  return Math.max(...sheets.map((sheet) => sheet[size]));
}

/** Sheets of one size, large enough for any there is, that pieces take by their weights. */
function weighed(kinds: readonly PieceKind[], length: number, width: number): number {
  const along = functionsFor(
    length,
    kinds.flatMap(({ ways }) => ways.map((way) => way.length)),
  );
  const across = functionsFor(
    width,
    kinds.flatMap(({ ways }) => ways.map((way) => way.width)),
  );
  // Every function is asked once for each size it may meet.
  const tables = (functions: readonly Feasible[], pick: 'length' | 'width') =>
    functions.map((of) => kinds.map(({ ways }) => ways.map((way) => of(way[pick]))));
  const [first, second] = [tables(along, 'length'), tables(across, 'width')];
  let best = 0;
  for (const f of first)
    for (const g of second) {
      let sum = 0;
      for (const { at, quantity } of kinds) sum += quantity * least(f[at] as number[], g[at] as number[]);
      if (sum > best) best = sum;
    }
  return Math.ceil(best - 1e-7);
}

/** A piece that may lie either way weighs at least what it weighs in the way that weighs less. */
function least(f: readonly number[], g: readonly number[]): number {
  let weight = Number.POSITIVE_INFINITY;
  for (let way = 0; way < f.length; way += 1) weight = Math.min(weight, (f[way] as number) * (g[way] as number));
  return weight;
}

type Feasible = (size: number) => number;

/** So many thresholds are tried along one direction: all there are in small problems, spread over them in large ones. */
const MOST_THRESHOLDS = 80;

/** Dual feasible functions on sizes up to a whole, with thresholds at the sizes there are. */
function functionsFor(whole: number, sizes: readonly number[]): Feasible[] {
  const halves = new Set<number>();
  for (const size of sizes) {
    if (size * 2 <= whole) halves.add(size);
    // What stays beside a large one, and a little more.
    if ((whole - size) * 2 <= whole) halves.add(whole - size).add(whole - size + 1);
  }
  const all = [...halves].filter((half) => half >= 1 && half * 2 <= whole).sort((a, b) => a - b);
  const every = Math.max(1, Math.ceil(all.length / MOST_THRESHOLDS));
  const thresholds = all.filter((_, at) => at % every === 0);
  return [
    (size) => size / whole,
    ...[1, 2, 3, 4, 5, 6, 7, 8].map((k) => steps(whole, k)),
    ...thresholds.flatMap((threshold) => [cut(whole, threshold), multiples(whole, threshold)]),
  ];
}

/** What is nearly the whole counts as the whole, what is nearly nothing as nothing. */
function cut(whole: number, threshold: number): Feasible {
  return (size) => (size > whole - threshold ? 1 : size < threshold ? 0 : size / whole);
}

/** How many k-ths and one more of the whole a size has, of k. */
function steps(whole: number, k: number): Feasible {
  return (size) => {
    const times = (size * (k + 1)) / whole;
    return Number.isInteger(times) ? size / whole : Math.floor(times) / k;
  };
}

/** How many of a threshold are in a size; a large one has what the rest leaves of it. */
function multiples(whole: number, threshold: number): Feasible {
  const inWhole = Math.floor(whole / threshold);
  return (size) => {
    if (size * 2 > whole) return (inWhole - Math.floor((whole - size) / threshold)) / inWhole;
    if (size * 2 === whole) return 1 / 2;
    return Math.floor(size / threshold) / inWhole;
  };
}

/** The area of all pieces in sheets of one size, rounded up. */
export function areaBound({ kinds, sheets }: Stock): number {
  const area = kinds.reduce((sum, { area: each, quantity }: PieceKind) => sum + each * quantity, 0);
  return Math.ceil(area / Math.max(...sheets.map((sheet) => sheet.area)) - 1e-9);
}
