import { fillAhead } from './ahead.js';
import { boundOf } from './bound.js';
import { Chance } from './chance.js';
import { provesMore } from './exact.js';
import { anywhere, edgeToEdge, FITS, type Filled, type Filler, type Rule, SPLITS } from './fill.js';
import type { Kind, SheetKind, Stock } from './stock.js';
import { fillWithStrips } from './strips.js';

/** Each sheet is filled in so many ways, of which the best is kept. */
const WAYS = 4;
/** In every second step sheets are filled looking ahead as well, with so many beginnings, but for the first few steps. */
const AHEAD = 3;
const AT_ONCE = 4;
/** Of so many kinds of pieces at most all ways to go on are thought over: a step stays short. */
const CONSIDERED = 120;
/** After each whole pass some sheets of the best layout are filled again, so often. */
const AGAIN = 16;
/** At most so many sheets are filled again together. */
const MOST_TOGETHER = 6;
/** An offcut is taken where at least this share of it is used; each pass asks for another. */
const WORTH_TAKING = [0, 0.3, 0.5, 0.7] as const;

/** So many of the emptiest sheets are tidied, in so many ways each. */
const TIDIED = 2;
const TIDYINGS = 90;
/** When as few sheets as possible are taken, so many steps are spent on what is left of them. */
const QUIET = 24;

/** A layout of all that has to be laid out, as far as there are sheets for it. */
interface Layout {
  readonly sheets: readonly Filled[];
  /** Pieces for which there was no sheet. */
  readonly open: number;
}

/** How many there are of each sheet still. */
type Available = Float64Array;

/**
 * Looks for a better layout, as long as it is asked to. A pass fills sheet after sheet, offcuts first, the pieces that are
 * worth most first; what came to lie on poorly filled sheets is worth more in the next pass, and so comes earlier
 * (sequential value correction). Between passes a few sheets of the best layout, the emptiest among them, are filled again
 * from what lies on them: where that takes a sheet less it is kept, and where it gathers the waste on one of them as well.
 * Sheets are filled piece by piece, and besides in turn with the best strips, or by a narrow tree of beginnings.
 * Every step follows from the seed, so that the same steps come to the same layout everywhere.
 */
export class Search {
  /** Fewer whole sheets are impossible. */
  readonly bound: number;
  private readonly chance: Chance;
  private readonly fill: Filler;
  private readonly worth: Float64Array;
  private readonly counts: Int32Array;
  private readonly largest: number;
  private readonly cheapest: number;
  /** Sheets that carry what stays, offcuts with the smallest first, and whole ones. */
  private readonly fixed: readonly SheetKind[];
  private readonly offcuts: readonly SheetKind[];
  private readonly whole: readonly SheetKind[];
  private best: Layout;
  private tidied: { readonly of: Layout; readonly sheets: readonly Filled[] } | undefined;
  /** So many beginnings of a sheet are followed in this step when it is filled; none where pieces are just put where they fit. */
  private ahead = 0;
  private turn = 0;
  private late: () => boolean = () => false;
  /** Whether sheets are filled with whole strips as well in this step, and whether that keeps within the stages. */
  private inStrips = false;
  private readonly takesStrips: boolean;
  /** Steps since something better was found. */
  private quiet = 0;

  constructor(
    private readonly stock: Stock,
    private readonly seed: number,
  ) {
    const { sheets, kinds } = stock;
    this.chance = new Chance(seed);
    this.fill = stock.method === 'nested' ? anywhere : edgeToEdge;
    this.worth = Float64Array.from(kinds, ({ area }) => area);
    this.counts = Int32Array.from(kinds, ({ quantity }) => quantity);
    const stages = kinds.some(({ ways }) => ways.some(({ inner }) => inner.length > 0)) ? Number.POSITIVE_INFINITY : 3;
    // A router can cut what a saw can, but for small pieces, which it keeps off the edges.
    this.takesStrips =
      stock.method === 'nested'
        ? !kinds.some(({ small }) => small)
        : stock.method === 'strips' || stock.stages >= stages;
    this.fixed = sheets.filter(({ fixed }) => fixed);
    this.offcuts = sheets
      .filter(({ fixed, offcut }) => offcut && !fixed)
      .sort((a, b) => a.area - b.area || a.at - b.at);
    this.whole = sheets.filter(({ fixed, offcut }) => !fixed && !offcut);
    this.largest = Math.max(1, ...this.whole.map(({ area }) => area));
    this.cheapest = Math.min(...this.whole.map(({ cost }) => cost));
    this.best = this.straight();
    const bound = boundOf(stock);
    this.bound = this.newSheets > bound && provesMore(stock, bound) ? bound + 1 : bound;
  }

  get layout(): readonly Filled[] {
    if (this.stock.goals.next !== 'offcut') return this.best.sheets;
    if (this.tidied?.of !== this.best) this.tidied = { of: this.best, sheets: this.tidy(this.best.sheets) };
    return this.tidied.sheets;
  }

  /** The emptiest whole sheets filled again in many ways, for the one that leaves the largest piece. */
  private tidy(sheets: readonly Filled[]): readonly Filled[] {
    const emptiest = sheets
      .filter(({ sheet }) => !sheet.fixed && !sheet.offcut)
      .sort((a, b) => a.area - b.area)
      .slice(0, TIDIED);
    return sheets.map((filled) => {
      if (!emptiest.includes(filled)) return filled;
      const chance = new Chance(this.seed);
      const counts = new Int32Array(this.stock.kinds.length);
      for (const { kind } of filled.placed) counts[kind.at] = (counts[kind.at] as number) + 1;
      const open = byArea(this.stock.kinds.filter(({ at }) => (counts[at] as number) > 0));
      let best = filled;
      for (let turn = 0; turn < TIDYINGS; turn += 1) {
        const rule = {
          fit: FITS[turn % FITS.length] as Rule['fit'],
          split: SPLITS[turn % SPLITS.length] as Rule['split'],
        };
        const key = new Map(
          open.map((kind) => [
            kind,
            (turn % 2 === 0 ? kind.area : (kind.ways[0]?.width ?? 0) * this.largest) * (1 - 0.4 * chance.next()),
          ]),
        );
        const order = turn < 2 ? open : [...open].sort((a, b) => (key.get(b) as number) - (key.get(a) as number));
        const other = this.fill(this.stock, filled.sheet, order, counts.slice(), rule);
        if (other.placed.length === filled.placed.length && other.rest > best.rest) best = other;
      }
      return best;
    });
  }

  /** Whole sheets that are taken. */
  get newSheets(): number {
    return newOf(this.best.sheets);
  }

  /** True when nothing better is possible by the first goal, and by the second nothing was found for long. */
  get done(): boolean {
    const { goals } = this.stock;
    if (this.best.open > 0 || goals.first !== 'sheets' || this.newSheets > this.bound) return false;
    return goals.next === 'nothing' || this.quiet >= QUIET;
  }

  /** One pass, and some sheets filled again; given up, and what was found before kept, as soon as it is `late`. */
  step(late: () => boolean = () => false): void {
    this.late = late;
    const before = this.best;
    this.turn += 1;
    const even = this.turn % 2 === 0;
    this.ahead = even && this.turn > AT_ONCE && this.stock.method !== 'nested' ? AHEAD : 0;
    this.inStrips = !even && this.takesStrips;
    const found = this.pass(this.counts.slice(), this.available(), costOf(this.best), true);
    if (found && this.isBetter(found, this.best)) this.best = found;
    for (let again = 0; again < AGAIN && !late(); again += 1) this.fillSomeAgain();
    this.quiet = this.isBetter(this.best, before) ? 0 : this.quiet + 1;
  }

  private available(): Available {
    return Float64Array.from(this.stock.sheets, ({ count }) => count);
  }

  /** Sheet after sheet in one order by one rule. */
  private straight(): Layout {
    const left = this.counts.slice();
    const order = byArea(this.stock.kinds);
    const rule: Rule = { fit: 'short side', split: 'shorter' };
    const sheets: Filled[] = [];
    const take = (sheet: SheetKind, empty: boolean) => {
      const filled = this.fill(this.stock, sheet, order, left, rule);
      if (filled.placed.length > 0 || empty) sheets.push(filled);
      return filled.placed.length > 0;
    };
    for (const sheet of this.fixed) take(sheet, true);
    for (const sheet of this.offcuts) for (let n = 0; n < sheet.count && take(sheet, false); n += 1);
    for (const sheet of this.whole) for (let n = 0; n < sheet.count && take(sheet, false); n += 1);
    return { sheets, open: left.reduce((sum, each) => sum + each, 0) };
  }

  /** All that is left on sheets, at no more than a cost; undefined where that does not come out. */
  private pass(left: Int32Array, available: Available, most: number, corrects: boolean): Layout | undefined {
    const { kinds } = this.stock;
    const sheets: Filled[] = [];
    let open = kinds.reduce((sum, { at, area }) => sum + area * (left[at] as number), 0);
    let cost = 0;
    const power = 1 + 0.2 * this.chance.next();
    const take = (sheet: Filled) => {
      for (const { kind } of sheet.placed) left[kind.at] = (left[kind.at] as number) - 1;
      available[sheet.sheet.at] = (available[sheet.sheet.at] as number) - 1;
      open -= sheet.area;
      cost += sheet.sheet.cost;
      sheets.push(sheet);
      if (corrects) this.correct(sheet, power);
    };
    for (const sheet of this.fixed) if ((available[sheet.at] as number) > 0) take(this.bestOf(sheet, left));
    if (this.offcuts.length > 0) this.takeOffcuts(left, available, take);
    while (open > 0) {
      if (this.late()) return undefined;
      if (cost + Math.ceil(open / this.largest - 1e-9) * this.cheapest > most + 1e-9) return undefined;
      const sheet = this.nextWhole(left, available);
      if (!sheet) break;
      take(sheet);
    }
    const rest = left.reduce((sum, each) => sum + each, 0);
    return {
      sheets: this.whole.length + this.offcuts.length > 1 ? this.onSmaller(sheets, available) : sheets,
      open: rest,
    };
  }

  private takeOffcuts(left: Int32Array, available: Available, take: (sheet: Filled) => void): void {
    const least = WORTH_TAKING[this.chance.whole(WORTH_TAKING.length)] as number;
    for (const sheet of this.offcuts)
      while ((available[sheet.at] as number) > 0) {
        const filled = this.bestOf(sheet, left);
        if (filled.placed.length === 0 || filled.area < least * sheet.area) break;
        take(filled);
      }
  }

  /** The next whole sheet: of several sizes the one that carries most for what it costs, mostly. */
  private nextWhole(left: Int32Array, available: Available): Filled | undefined {
    const some = this.whole.filter(({ at }) => (available[at] as number) > 0);
    // Of sheets that are alike the cheaper ones go first.
    const there = some.filter(
      (each) =>
        !some.some(
          (other) =>
            other.length === each.length &&
            other.width === each.width &&
            (other.cost < each.cost || (other.cost === each.cost && other.at < each.at)),
        ),
    );
    let best: { sheet: Filled; score: number } | undefined;
    for (const kind of there) {
      const sheet = this.bestOf(kind, left);
      if (sheet.placed.length === 0) continue;
      if (there.length === 1) return sheet;
      const score = (sheet.area / (kind.cost || kind.area)) * (0.7 + 0.3 * this.chance.next());
      if (!best || score > best.score) best = { sheet, score };
    }
    return best?.sheet;
  }

  /** The same, each sheet changed for a cheaper or smaller one that holds all that lies on it, where there is one left. */
  private onSmaller(sheets: readonly Filled[], available: Available): Filled[] {
    const smaller = [...this.offcuts, ...this.whole].sort((a, b) => a.cost - b.cost || a.area - b.area || a.at - b.at);
    return sheets.map((filled) => {
      if (filled.sheet.fixed) return filled;
      for (const kind of smaller) {
        const gains =
          kind.cost < filled.sheet.cost || (kind.cost === filled.sheet.cost && kind.area < filled.sheet.area);
        if (!gains || (available[kind.at] as number) <= 0 || kind.area < filled.area) continue;
        const left = new Int32Array(this.stock.kinds.length);
        for (const { kind: piece } of filled.placed) left[piece.at] = (left[piece.at] as number) + 1;
        const other = this.bestOf(kind, left);
        if (other.placed.length < filled.placed.length) continue;
        available[kind.at] = (available[kind.at] as number) - 1;
        available[filled.sheet.at] = (available[filled.sheet.at] as number) + 1;
        return other;
      }
      return filled;
    });
  }

  /** What lies on a poorly filled sheet is worth more from now on. */
  private correct({ placed, area, sheet }: Filled, power: number): void {
    if (area <= 0) return;
    const used = area / sheet.area;
    for (const { kind } of placed) {
      const share = 0.35 / kind.quantity;
      const now = this.worth[kind.at] as number;
      this.worth[kind.at] = (1 - share) * now + (share * (kind.area / sheet.area) ** power * sheet.area) / used;
    }
  }

  /** One sheet, filled in several ways: the one with the most worth on it. */
  private bestOf(kind: SheetKind, left: Int32Array): Filled {
    const open = this.stock.kinds.filter(({ at }) => (left[at] as number) > 0);
    let best: { sheet: Filled; worth: number } | undefined;
    for (let way = 0; way < WAYS; way += 1) {
      const sheet = this.fill(this.stock, kind, this.ordered(open, way === 0 ? 0 : 0.5), left.slice(), this.rule());
      const worth = sheet.placed.reduce((sum, { kind }) => sum + (this.worth[kind.at] as number), 0);
      if (!best || worth > best.worth) best = { sheet, worth };
    }
    if (this.ahead > 0) {
      const sheet = fillAhead(this.stock, kind, this.considered(open), left, this.worth, this.ahead);
      const worth = sheet.placed.reduce((sum, { kind }) => sum + (this.worth[kind.at] as number), 0);
      if (!best || worth > best.worth) best = { sheet, worth };
    }
    if (this.inStrips) {
      const sheet = fillWithStrips(this.stock, kind, this.considered(open), left, this.worth, this.chance);
      const worth = sheet?.placed.reduce((sum, { kind }) => sum + (this.worth[kind.at] as number), 0) ?? 0;
      if (sheet && (!best || worth > best.worth)) best = { sheet, worth };
    }
    return (best as { sheet: Filled }).sheet;
  }

  /** What is thought over for a sheet: all, or of very many kinds some, mostly those with the most worth. */
  private considered(open: readonly Kind[]): readonly Kind[] {
    return open.length > CONSIDERED ? this.ordered(open, 0.9).slice(0, CONSIDERED) : open;
  }

  /** The most worth first, by and by out of order. */
  private ordered(open: readonly Kind[], disorder: number): Kind[] {
    const key = open.map((kind) => ({
      kind,
      worth: (this.worth[kind.at] as number) * (1 - disorder * this.chance.next()),
    }));
    key.sort((a, b) => b.worth - a.worth || a.kind.at - b.kind.at);
    return key.map(({ kind }) => kind);
  }

  private rule(): Rule {
    return {
      fit: FITS[this.chance.whole(FITS.length)] as Rule['fit'],
      split: SPLITS[this.chance.whole(SPLITS.length)] as Rule['split'],
    };
  }

  /** Takes some sheets of the best layout, the emptiest among them mostly, and fills them again. */
  private fillSomeAgain(): void {
    const sheets = [...this.best.sheets].sort((a, b) => a.area - b.area);
    if (sheets.length === 0) return;
    const together = Math.min(sheets.length, 2 + this.chance.whole(MOST_TOGETHER - 1));
    const chosen = new Set<Filled>();
    const [emptiest] = sheets;
    if (emptiest && this.chance.next() < 0.7) chosen.add(emptiest);
    while (chosen.size < together) chosen.add(sheets[this.chance.whole(sheets.length)] as Filled);
    const left = new Int32Array(this.stock.kinds.length);
    for (const { placed } of chosen) for (const { kind } of placed) left[kind.at] = (left[kind.at] as number) + 1;
    const available = this.available();
    for (const filled of this.best.sheets)
      if (!chosen.has(filled)) available[filled.sheet.at] = (available[filled.sheet.at] as number) - 1;
    const before = { sheets: [...chosen], open: 0 };
    const found = this.pass(left, available, costOf(before), false);
    if (!found || found.open > 0 || !this.isBetter(found, before, true)) return;
    this.best = { ...this.best, sheets: [...this.best.sheets.filter((sheet) => !chosen.has(sheet)), ...found.sheets] };
  }

  /** Less of the first goal; else more waste in one place, or fewer places of the fence. `orEqual` keeps the search moving. */
  private isBetter(found: Layout, known: Layout, orEqual = false): boolean {
    if (found.open !== known.open) return found.open < known.open;
    const cost = costOf(found) - costOf(known);
    if (Math.abs(cost) > 1e-9) return cost < 0;
    if (this.stock.goals.next === 'fences') {
      const fences = fencesOf(found.sheets) - fencesOf(known.sheets);
      if (fences !== 0) return fences < 0;
    }
    const more = gatheredOf(found.sheets) - gatheredOf(known.sheets);
    return more > 0 || (orEqual && more === 0);
  }
}

function byArea(kinds: readonly Kind[]): Kind[] {
  return [...kinds].sort((a, b) => b.area - a.area || a.at - b.at);
}

function newOf(sheets: readonly Filled[]): number {
  return sheets.filter(({ sheet }) => !sheet.fixed && !sheet.offcut).length;
}

function costOf({ sheets }: Pick<Layout, 'sheets'>): number {
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
