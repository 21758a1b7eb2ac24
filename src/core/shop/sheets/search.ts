import { boundOf } from './bound.js';
import { Chance } from './chance.js';
import { provesMore } from './exact.js';
import { byArea, type Filled, fillerOf, type Rule } from './fill.js';
import { costOf, countsOn, isBetter, type Layout, newOf } from './layout.js';
import { OneSheet } from './oneSheet.js';
import type { SheetKind, Stock } from './stock.js';
import { tidied } from './tidy.js';

/** After each whole pass some sheets of the best layout are filled again, so often. */
const AGAIN = 16;
/** At most so many sheets are filled again together. */
const MOST_TOGETHER = 6;
/** An offcut is taken where at least this share of it is used; each pass asks for another. */
const WORTH_TAKING = [0, 0.3, 0.5, 0.7] as const;

/** When as few sheets as possible are taken, so many steps are spent on what is left of them. */
const QUIET = 24;

/** How many there are of each sheet still. */
type Available = Float64Array;

/**
 * Looks for a better layout, as long as it is asked to. A pass fills sheet after sheet, offcuts first, the pieces that are
 * worth most first. Between passes a few sheets of the best layout, the emptiest among them, are filled again
 * from what lies on them: where that takes a sheet less it is kept, and where it gathers the waste on one of them as well.
 * Every step follows from the seed, so that the same steps come to the same layout everywhere.
 */
export class Search {
  /** Fewer whole sheets are impossible. */
  readonly bound: number;
  private readonly chance: Chance;
  private readonly one: OneSheet;
  private readonly counts: Int32Array;
  private readonly largest: number;
  private readonly cheapest: number;
  /** Sheets that carry what stays, offcuts with the smallest first, and whole ones. */
  private readonly fixed: readonly SheetKind[];
  private readonly offcuts: readonly SheetKind[];
  private readonly whole: readonly SheetKind[];
  private best: Layout;
  private tidied: { readonly of: Layout; readonly sheets: readonly Filled[] } | undefined;
  /** Steps since something better was found. */
  private quiet = 0;

  constructor(
    private readonly stock: Stock,
    private readonly seed: number,
  ) {
    const { sheets, kinds } = stock;
    this.chance = new Chance(seed);
    this.one = new OneSheet(stock, this.chance);
    this.counts = Int32Array.from(kinds, ({ quantity }) => quantity);
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
    if (this.tidied?.of !== this.best)
      this.tidied = { of: this.best, sheets: tidied(this.best.sheets, this.stock, this.seed) };
    return this.tidied.sheets;
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
    const before = this.best;
    const { goals } = this.stock;
    this.one.next();
    const found = this.pass(this.counts.slice(), this.available(), costOf(before), { corrects: true, late });
    if (found && isBetter(found, before, goals)) this.best = found;
    for (let again = 0; again < AGAIN && !late(); again += 1) this.fillSomeAgain(late);
    this.quiet = isBetter(this.best, before, goals) ? 0 : this.quiet + 1;
  }

  private available(): Available {
    return Float64Array.from(this.stock.sheets, ({ count }) => count);
  }

  /** Sheet after sheet in one order by one rule. */
  private straight(): Layout {
    const left = this.counts.slice();
    const fill = fillerOf(this.stock);
    const order = byArea(this.stock.kinds);
    const rule: Rule = { fit: 'short side', split: 'shorter' };
    const sheets: Filled[] = [];
    const take = (sheet: SheetKind, empty: boolean) => {
      const filled = fill(this.stock, sheet, order, left, rule);
      if (filled.placed.length > 0 || empty) sheets.push(filled);
      return filled.placed.length > 0;
    };
    for (const sheet of this.fixed) take(sheet, true);
    for (const sheet of this.offcuts) for (let n = 0; n < sheet.count && take(sheet, false); n += 1);
    for (const sheet of this.whole) for (let n = 0; n < sheet.count && take(sheet, false); n += 1);
    return { sheets, open: left.reduce((sum, each) => sum + each, 0) };
  }

  /** All that is left on sheets, at no more than a cost; undefined where that does not come out, or it is late. */
  private pass(
    left: Int32Array,
    available: Available,
    most: number,
    { corrects, late }: { readonly corrects: boolean; readonly late: () => boolean },
  ): Layout | undefined {
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
      if (corrects) this.one.correct(sheet, power);
    };
    for (const sheet of this.fixed) if ((available[sheet.at] as number) > 0) take(this.one.bestOf(sheet, left));
    if (this.offcuts.length > 0) this.takeOffcuts(left, available, take);
    while (open > 0) {
      if (late()) return undefined;
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
        const filled = this.one.bestOf(sheet, left);
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
      const sheet = this.one.bestOf(kind, left);
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
        const left = countsOn([filled], this.stock.kinds.length);
        const other = this.one.bestOf(kind, left);
        if (other.placed.length < filled.placed.length) continue;
        available[kind.at] = (available[kind.at] as number) - 1;
        available[filled.sheet.at] = (available[filled.sheet.at] as number) + 1;
        return other;
      }
      return filled;
    });
  }

  /** Takes some sheets of the best layout, the emptiest among them mostly, and fills them again. */
  private fillSomeAgain(late: () => boolean): void {
    const sheets = [...this.best.sheets].sort((a, b) => a.area - b.area);
    if (sheets.length === 0) return;
    const together = Math.min(sheets.length, 2 + this.chance.whole(MOST_TOGETHER - 1));
    const chosen = new Set<Filled>();
    const [emptiest] = sheets;
    if (emptiest && this.chance.next() < 0.7) chosen.add(emptiest);
    while (chosen.size < together) chosen.add(sheets[this.chance.whole(sheets.length)] as Filled);
    const left = countsOn(chosen, this.stock.kinds.length);
    const available = this.available();
    for (const filled of this.best.sheets)
      if (!chosen.has(filled)) available[filled.sheet.at] = (available[filled.sheet.at] as number) - 1;
    const before = { sheets: [...chosen], open: 0 };
    const found = this.pass(left, available, costOf(before), { corrects: false, late });
    if (!found || found.open > 0 || !isBetter(found, before, this.stock.goals, true)) return;
    this.best = { ...this.best, sheets: [...this.best.sheets.filter((sheet) => !chosen.has(sheet)), ...found.sheets] };
  }
}
