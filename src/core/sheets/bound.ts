import type { Kind, Stock } from './stock.js';

/**
 * Fewer sheets than this are impossible, whatever the method (a lower bound, proven). A dual feasible function maps sizes
 * to weights so that whatever fits side by side weighs no more than 1; a product of two of them, one for each direction,
 * weighs no more than 1 for whatever fits on one sheet. So all weights together, rounded up, are sheets. The plain area is
 * the product of two identities.
 */
export function boundOf({ kinds, length, width }: Stock): number {
  if (kinds.length === 0) return 0;
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

/** The area of all pieces in sheets, rounded up. */
export function areaBound({ kinds, length, width }: Stock): number {
  const area = kinds.reduce((sum, { area: each, quantity }: Kind) => sum + each * quantity, 0);
  return Math.ceil(area / (length * width) - 1e-9);
}
