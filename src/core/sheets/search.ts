import { boundOf } from './bound.js';
import { Chance } from './chance.js';
import { anywhere, edgeToEdge, FITS, type Filled, type Filler, type Rule, SPLITS } from './fill.js';
import type { Kind, Stock } from './stock.js';

/** Each sheet is filled in so many ways, of which the best is kept. */
const WAYS = 4;
/** After each whole pass some sheets of the best layout are filled again, so often. */
const AGAIN = 16;
/** At most so many sheets are filled again together. */
const MOST_TOGETHER = 6;

/**
 * Looks for a layout on fewer sheets, as long as it is asked to. A pass fills sheet after sheet, the pieces that are worth
 * most first; what came to lie on poorly filled sheets is worth more in the next pass, and so comes earlier (sequential
 * value correction). Between passes a few sheets of the best layout, the emptiest among them, are filled again from what
 * lies on them: where that takes a sheet less it is kept, and where it gathers the waste on one of them as well. Every
 * step follows from the seed, so that the same steps come to the same layout everywhere.
 */
export class Search {
  readonly bound: number;
  private readonly chance: Chance;
  private readonly fill: Filler;
  private readonly worth: Float64Array;
  private best: readonly Filled[];

  constructor(
    private readonly stock: Stock,
    seed: number,
  ) {
    this.chance = new Chance(seed);
    this.fill = stock.method === 'nested' ? anywhere : edgeToEdge;
    this.bound = boundOf(stock);
    this.worth = Float64Array.from(stock.kinds, ({ area }) => area);
    const counts = Int32Array.from(stock.kinds, ({ quantity }) => quantity);
    this.best = this.straight(counts, byArea(stock.kinds), { fit: 'short side', split: 'shorter' });
  }

  get layout(): readonly Filled[] {
    return this.best;
  }

  /** True when nothing better is possible. */
  get done(): boolean {
    return this.best.length <= this.bound;
  }

  /** One pass, and some sheets filled again. */
  step(): void {
    if (this.done) return;
    const counts = Int32Array.from(this.stock.kinds, ({ quantity }) => quantity);
    const found = this.pass(counts, this.best.length, true);
    if (found && isBetter(found, this.best)) this.best = found;
    for (let again = 0; again < AGAIN && !this.done; again += 1) this.fillSomeAgain();
  }

  /** Sheet after sheet in one order by one rule. */
  private straight(left: Int32Array, order: readonly Kind[], rule: Rule): Filled[] {
    const sheets: Filled[] = [];
    while (order.some(({ at }) => (left[at] as number) > 0)) sheets.push(this.fill(this.stock, order, left, rule));
    return sheets;
  }

  /** All that is left on sheets, no more than `most` of them; undefined where that does not come out. */
  private pass(left: Int32Array, most: number, corrects: boolean): Filled[] | undefined {
    const { kinds, length, width } = this.stock;
    const whole = length * width;
    const sheets: Filled[] = [];
    let open = kinds.reduce((sum, { at, area }) => sum + area * (left[at] as number), 0);
    const power = 1 + 0.2 * this.chance.next();
    while (open > 0) {
      if (sheets.length + Math.ceil(open / whole - 1e-9) > most) return undefined;
      const sheet = this.bestOf(left);
      for (const { kind } of sheet.placed) left[kind.at] = (left[kind.at] as number) - 1;
      open -= sheet.area;
      sheets.push(sheet);
      if (corrects) this.correct(sheet, whole, power);
    }
    return sheets;
  }

  /** What lies on a poorly filled sheet is worth more from now on. */
  private correct(sheet: Filled, whole: number, power: number): void {
    const used = sheet.area / whole;
    for (const { kind } of sheet.placed) {
      const share = 0.35 / kind.quantity;
      const now = this.worth[kind.at] as number;
      this.worth[kind.at] = (1 - share) * now + (share * (kind.area / whole) ** power * whole) / used;
    }
  }

  /** One sheet, filled in several ways: the one with the most worth on it. */
  private bestOf(left: Int32Array): Filled {
    const open = this.stock.kinds.filter(({ at }) => (left[at] as number) > 0);
    let best: { sheet: Filled; worth: number } | undefined;
    for (let way = 0; way < WAYS; way += 1) {
      const sheet = this.fill(this.stock, this.ordered(open, way === 0 ? 0 : 0.5), left.slice(), this.rule());
      const worth = sheet.placed.reduce((sum, { kind }) => sum + (this.worth[kind.at] as number), 0);
      if (!best || worth > best.worth) best = { sheet, worth };
    }
    return (best as { sheet: Filled }).sheet;
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
    const sheets = [...this.best].sort((a, b) => a.area - b.area);
    const together = Math.min(sheets.length, 2 + this.chance.whole(MOST_TOGETHER - 1));
    const chosen = new Set<Filled>();
    const [emptiest] = sheets;
    if (emptiest && this.chance.next() < 0.7) chosen.add(emptiest);
    while (chosen.size < together) chosen.add(sheets[this.chance.whole(sheets.length)] as Filled);
    const left = new Int32Array(this.stock.kinds.length);
    for (const { placed } of chosen) for (const { kind } of placed) left[kind.at] = (left[kind.at] as number) + 1;
    const found = this.pass(left, chosen.size, false);
    if (!found) return;
    const before = [...chosen];
    if (found.length < before.length || gathered(found) >= gathered(before))
      this.best = [...this.best.filter((sheet) => !chosen.has(sheet)), ...found];
  }
}

function byArea(kinds: readonly Kind[]): Kind[] {
  return [...kinds].sort((a, b) => b.area - a.area || a.at - b.at);
}

/** Fewer sheets, or as many with more of the waste on one of them: what is cut off there is worth keeping. */
function isBetter(found: readonly Filled[], known: readonly Filled[]): boolean {
  return found.length < known.length || (found.length === known.length && gathered(found) > gathered(known));
}

function gathered(sheets: readonly Filled[]): number {
  return sheets.reduce((sum, { area }) => sum + area * area, 0);
}
