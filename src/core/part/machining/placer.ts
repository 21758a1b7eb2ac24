import { type Dim, length } from '../../ground/index.js';

/** What a row of fasteners is to keep, all of it in mm along the row. */
export interface WantedRow {
  /** Where they would stand if nothing were in the way, in order. */
  readonly regular: readonly number[];
  /** The first and the last place there is. */
  readonly within: readonly [first: number, last: number];
  /** Two stand at least so far apart. */
  readonly apart: number;
  /** Two stand at most so far apart, where that matters. */
  readonly mostApart?: number;
  /** What none may stand in: from here to there, both ends free. */
  readonly taken: readonly (readonly [from: number, to: number])[];
  /** None is moved further than this, where that matters: it is left out then. */
  readonly furthest?: number;
  /** So many are wanted at least: never one alone where two are. */
  readonly least: number;
}

/** Places for a row, or why there are none. */
export type PlacedRow =
  | { readonly ok: true; readonly places: readonly number[] }
  | { readonly ok: false; readonly why: 'too short' | 'all taken' };

/** Longer rows are looked for with fewer ways of standing one beside another. */
const EXACT_TO = 8;
const SAME = 1e-6;
/** More than any row is long: leaving one out costs more than moving all of them (mm). */
const LEFT_OUT = 1e7;

/**
 * Places for a row of fasteners, clear of what is taken: as many of the regular ones as can stand, moved the least in
 * all, the same for the same row. Up to eight it is the best there is: where the sum of the moves is least, each
 * stands at its regular place, as far from it as it may, at an end of what is free, or a whole number of least distances
 * from another that does.
 */
export function placeRow(row: WantedRow): PlacedRow {
  const { within, least } = row;
  if (within[1] < within[0] - SAME) return { ok: false, why: 'too short' };
  const alone = row.regular.map((wanted) => nearestFree(wanted, row));
  if (stands(alone, row)) return { ok: true, places: alone };
  // Where one finds no place at all, not all of them stand.
  const lost = alone.filter((place) => place === undefined).length;
  const best = row.regular.length - lost < least ? [] : leastMoved(row, candidatesOf(row));
  if (best.length >= Math.max(1, least)) return { ok: true, places: best };
  const room = (within[1] - within[0]) / Math.max(row.apart, SAME) + 1;
  return { ok: false, why: room < least ? 'too short' : 'all taken' };
}

/** Where a row stands that was to stand elsewhere: each place said as it was, and by how much it is moved from there. */
export function atPlaces(usual: readonly Dim[], places: readonly number[], why: string): Dim[] {
  return places.map((mm) => {
    const own = usual.reduce((best, each) => (Math.abs(each.value - mm) < Math.abs(best.value - mm) ? each : best));
    const by = mm - own.value;
    return Math.abs(by) < SAME ? own : own.plus(length(by, why)).as(own.label);
  });
}

/** True where every one found a place, and they are far enough apart, and near enough: nothing is better. */
function stands(
  places: readonly (number | undefined)[],
  { apart, mostApart = Number.POSITIVE_INFINITY, least }: WantedRow,
): places is readonly number[] {
  let last: number | undefined;
  for (const place of places) {
    if (place === undefined) return false;
    if (last !== undefined && (place - last < apart - SAME || place - last > mostApart + SAME)) return false;
    last = place;
  }
  return places.length >= least;
}

/** The free place nearest to another, the lower of two as near; undefined where there is none as near as it has to be. */
function nearestFree(wanted: number, { within, taken, furthest = Number.POSITIVE_INFINITY }: WantedRow) {
  const start = Math.min(within[1], Math.max(within[0], wanted));
  const [down, up] = [clearTo(start, -1, taken), clearTo(start, 1, taken)];
  const reached = (at: number) =>
    at >= within[0] - SAME && at <= within[1] + SAME && Math.abs(at - wanted) <= furthest + SAME ? at : undefined;
  const [low, high] = [reached(down), reached(up)];
  if (low === undefined || high === undefined) return low ?? high;
  return wanted - low <= high - wanted + SAME ? low : high;
}

/** From a place on, down or up, the first that nothing is in. */
function clearTo(from: number, way: 1 | -1, taken: WantedRow['taken']): number {
  let at = from;
  for (;;) {
    const into = taken.find(([low, high]) => at > low + SAME && at < high - SAME);
    if (!into) return at;
    at = way > 0 ? into[1] : into[0];
  }
}

/** Places worth looking at, in order: each free. */
function candidatesOf({ regular, within, apart, mostApart, furthest, taken }: WantedRow): number[] {
  const ends = furthest === undefined ? [] : regular.flatMap((at) => [at - furthest, at + furthest]);
  const anchors = [...regular, ...ends, ...within, ...taken.flat()];
  const steps = Math.min(regular.length, EXACT_TO) - 1;
  const all: number[] = [];
  for (const anchor of anchors)
    for (const step of mostApart === undefined ? [apart] : [apart, mostApart])
      for (let at = -steps; at <= steps; at += 1) all.push(anchor + at * step);
  const free = (at: number) =>
    at >= within[0] - SAME &&
    at <= within[1] + SAME &&
    taken.every(([from, to]) => at <= from + SAME || at >= to - SAME);
  const sorted = all.filter(free).sort((a, b) => a - b);
  return sorted.filter((at, index) => index === 0 || at - (sorted[index - 1] as number) > SAME);
}

/** How a row may stand whose last one is at a candidate: what it costs, and where the one before it is. */
interface Standing {
  readonly cost: number;
  readonly at: number;
  readonly before: Standing | undefined;
}

/** The cheapest way to stand before a place, asked of places in order. */
class CheapestBefore {
  private from = 0;
  private best: Standing | undefined;

  constructor(
    private readonly rows: readonly (Standing | undefined)[],
    private readonly candidates: readonly number[],
    private readonly apart: number,
    private readonly mostApart: number,
  ) {}

  of(place: number): Standing | undefined {
    const near = (at: number) => place - (this.candidates[at] as number) >= this.apart - SAME;
    if (this.mostApart === Number.POSITIVE_INFINITY) {
      for (; this.from < this.rows.length && near(this.from); this.from += 1)
        this.best = this.cheaper(this.best, this.from);
      return this.best;
    }
    let best: Standing | undefined;
    for (let at = 0; at < this.rows.length && near(at); at += 1)
      if (place - (this.candidates[at] as number) <= this.mostApart + SAME) best = this.cheaper(best, at);
    return best;
  }

  private cheaper(best: Standing | undefined, at: number): Standing | undefined {
    const row = this.rows[at];
    return row && (!best || row.cost < best.cost - SAME) ? row : best;
  }
}

/** The places, among candidates, that leave out the fewest and move the others least. */
function leastMoved(
  { regular, apart, mostApart = Number.POSITIVE_INFINITY, furthest = Number.POSITIVE_INFINITY }: WantedRow,
  candidates: readonly number[],
): number[] {
  let best: Standing | undefined;
  /** The best standing that ends at each candidate, and how many regular ones are decided by then. */
  let rows: (Standing | undefined)[] = candidates.map(() => undefined);
  for (const [index, wanted] of regular.entries()) {
    const next = rows.map((row) => (row ? { ...row, cost: row.cost + LEFT_OUT } : undefined));
    const before = new CheapestBefore(rows, candidates, apart, mostApart);
    for (const [at, place] of candidates.entries()) {
      const moved = Math.abs(place - wanted);
      const row = before.of(place);
      if (moved > furthest + SAME) continue;
      // Where it is the first that stands, all before it were left out.
      const alone = index * LEFT_OUT + moved;
      const cheapest: Standing =
        row && row.cost + moved < alone - SAME
          ? { cost: row.cost + moved, at: place, before: row }
          : { cost: alone, at: place, before: undefined };
      const kept = next[at];
      if (!kept || cheapest.cost < kept.cost - SAME) next[at] = cheapest;
    }
    rows = next;
  }
  for (const row of rows) if (row && (!best || row.cost < best.cost - SAME)) best = row;
  const places: number[] = [];
  for (let row = best; row; row = row.before) places.unshift(row.at);
  return places;
}
