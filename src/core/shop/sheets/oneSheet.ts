import { fillAhead } from './ahead.js';
import type { Chance } from './chance.js';
import { FITS, type Filled, fillerOf, type Rule, SPLITS } from './fill.js';
import type { PieceKind, SheetKind, Stock } from './stock.js';
import { fillWithStrips } from './strips.js';

/** Each sheet is filled piece by piece in so many ways. */
const WAYS = 4;
/** The tree of beginnings is asked from this turn on. */
const AHEAD_FROM = 6;
/** Of very many kinds of pieces so many are thought over for a sheet: a step stays short. */
const CONSIDERED = 120;

/**
 * Fills one sheet after another, each in several ways, of which the one with the most worth on it is kept: piece by piece
 * always, and in turn with the best strips, or by a narrow tree of beginnings. What comes to lie on poorly filled sheets
 * is worth more from then on, and so comes earlier (sequential value correction).
 */
export class OneSheet {
  private readonly worth: Float64Array;
  private readonly takesStrips: boolean;
  private turn = 0;

  constructor(
    private readonly stock: Stock,
    private readonly chance: Chance,
  ) {
    this.worth = Float64Array.from(stock.kinds, ({ area }) => area);
    this.takesStrips = takesStrips(stock);
  }

  /** Sheets are filled otherwise from now on. */
  next(): void {
    this.turn += 1;
  }

  /** A sheet with some of what is left on it. */
  bestOf(sheet: SheetKind, left: Int32Array): Filled {
    const { stock, chance, worth, turn } = this;
    const open = stock.kinds.filter(({ at }) => (left[at] as number) > 0);
    // Where all is cut from strips, the best strips are what is asked for.
    const strips = this.takesStrips && !sheet.fixed;
    const onlyStrips = strips && stock.method === 'strips';
    const tries = Array.from({ length: onlyStrips ? 1 : WAYS }, (_, way) =>
      fillerOf(stock)(stock, sheet, this.ordered(open, way === 0 ? 0 : 0.5), left.slice(), this.rule()),
    );
    if (turn % 2 === 0 && turn >= AHEAD_FROM && stock.method !== 'nested' && !onlyStrips)
      tries.push(fillAhead(stock, sheet, this.considered(open), left, worth));
    if (onlyStrips || (strips && turn % 2 === 1))
      tries.push(fillWithStrips(stock, sheet, this.considered(open), left, worth, chance));
    const worthOn = ({ placed }: Filled) => placed.reduce((sum, { kind }) => sum + (worth[kind.at] as number), 0);
    return tries.reduce((best, each) => (worthOn(each) > worthOn(best) ? each : best));
  }

  /** What lies on a poorly filled sheet is worth more from now on. */
  correct({ placed, area, sheet }: Filled, power: number): void {
    if (area <= 0) return;
    const used = area / sheet.area;
    for (const { kind } of placed) {
      const share = 0.35 / kind.quantity;
      const now = this.worth[kind.at] as number;
      this.worth[kind.at] = (1 - share) * now + (share * (kind.area / sheet.area) ** power * sheet.area) / used;
    }
  }

  /** What is thought over for a sheet: all, or of very many kinds some, mostly those with the most worth. */
  private considered(open: readonly PieceKind[]): readonly PieceKind[] {
    return open.length > CONSIDERED ? this.ordered(open, 0.9).slice(0, CONSIDERED) : open;
  }

  /** The most worth first, by and by out of order. */
  private ordered(open: readonly PieceKind[], disorder: number): PieceKind[] {
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
}

/** Whether strips keep within the stages: rip, crosscut, trim, and the cuts of blanks after them. */
function takesStrips({ method, stages, kinds }: Stock): boolean {
  if (method === 'strips') return true;
  // A router can cut what a saw can, but for small pieces, which it keeps off the edges.
  if (method === 'nested') return !kinds.some(({ small }) => small);
  const blanks = kinds.some(({ ways }) => ways.some(({ inner }) => inner.length > 0));
  return stages >= (blanks ? Number.POSITIVE_INFINITY : 3);
}
