import type { Placed } from './fill.js';
import type { Packing, PackProblem, SheetPlacement, Unplaced } from './problem.js';
import { Search } from './search.js';
import { FINE, type PieceKind, stockOf } from './stock.js';
import { type Blank, type CuttingProblem, plainCutting } from './supply.js';

/** How long is looked for a better layout: so many steps, which come to the same everywhere, or so much time. */
export type Effort = ({ readonly steps: number } | Time) & {
  /** True once it is to end with what was found so far. */
  readonly stopped?: () => boolean;
};

interface Time {
  readonly seconds: number;
  readonly now: () => number;
  /** When a step that is begun is given up: at once when the time is over, unless this is a turn of a longer search (by `now`, ms). */
  readonly latest?: number;
}

/** A layout that is looked for step by step; the best so far may be taken at any time. */
export class Packer {
  private readonly search: Search;
  private readonly kinds: readonly PieceKind[];
  private readonly tooLarge: readonly Unplaced[];

  constructor(
    private readonly problem: CuttingProblem,
    seed = 1,
  ) {
    const { stock, unplaced } = stockOf(problem);
    this.kinds = stock.kinds;
    this.tooLarge = unplaced;
    this.search = new Search(stock, seed);
  }

  /** True when nothing better is possible by the first goal. */
  get done(): boolean {
    return this.search.done;
  }

  /** Looks on for a while, no longer than until it is `late`. */
  step(late?: () => boolean): void {
    this.search.step(late);
  }

  get packing(): Packing {
    const { layout, bound } = this.search;
    const blanks = new Map(this.problem.parts.map((blank) => [blank.id, blank]));
    const supplies = new Map(this.problem.sheets.map((sheet) => [sheet.id, sheet]));
    // Blanks that are alike are given out in their order, sheet after sheet.
    const taken = new Map<PieceKind, number>();
    const sheets = layout.map(({ sheet, placed }) => {
      const trim = supplies.get(sheet.id)?.trim ?? 0;
      const placements = placed.flatMap((each) => {
        const before = taken.get(each.kind) ?? 0;
        taken.set(each.kind, before + 1);
        return laid(blanks.get(nth(each.kind, before)) as Blank, each, trim);
      });
      return { from: sheet.id, placements };
    });
    return { sheets, bound, unplaced: [...this.tooLarge, ...leftOver(this.kinds, taken)] };
  }
}

/** Goes on until the effort is spent, or nothing better is possible. */
export function lookFor(packer: Packer, effort: Effort): void {
  const { stopped = () => false } = effort;
  if ('steps' in effort) {
    for (let step = 0; step < effort.steps && !packer.done && !stopped(); step += 1) packer.step(stopped);
    return;
  }
  const { now, seconds } = effort;
  const until = now() + seconds * 1000;
  const { latest = until } = effort;
  const late = () => now() >= latest || stopped();
  while (!packer.done && now() < until && !late()) packer.step(late);
}

/** Lays the pieces of a plain problem out on sheets. The same problem, seed and steps give the same layout. */
export function pack(problem: PackProblem, effort: Effort, seed = 1): Packing {
  return layOut(plainCutting(problem), effort, seed);
}

/** Lays blanks out on the sheets there are. */
export function layOut(problem: CuttingProblem, effort: Effort, seed = 1): Packing {
  const packer = new Packer(problem, seed);
  lookFor(packer, effort);
  return packer.packing;
}

/** A piece, or the pieces of a blank, where they lie. */
function laid({ id, length, width, pieces }: Blank, { way, x, y }: Placed, trim: number): SheetPlacement[] {
  const { turned } = way;
  const [left, low] = [trim + x / FINE, trim + y / FINE];
  const size = (of: { length: number; width: number }) =>
    turned ? { length: of.width, width: of.length } : { length: of.length, width: of.width };
  if (!pieces) return [{ id, x: left, y: low, ...size({ length, width }), turned }];
  return pieces.map((piece) => ({
    id: piece.id,
    x: left + (turned ? piece.y : piece.x),
    y: low + (turned ? piece.x : piece.y),
    ...size(piece),
    turned,
  }));
}

/** The id of the nth of the blanks that are alike. */
function nth({ blanks }: PieceKind, at: number): string {
  let before = 0;
  for (const { id, quantity } of blanks) {
    before += quantity;
    if (at < before) return id;
  }
  throw new Error(`there are ${before} alike, and not ${at + 1}`);
}

/** What fits a sheet, but for which none was left: of blanks that are alike the last of them. */
function leftOver(kinds: readonly PieceKind[], taken: ReadonlyMap<PieceKind, number>): Unplaced[] {
  return kinds.flatMap((kind) => {
    let left = taken.get(kind) ?? 0;
    return kind.blanks.flatMap(({ id, quantity }): Unplaced[] => {
      const open = Math.max(0, quantity - left);
      left = Math.max(0, left - quantity);
      return open === 0
        ? []
        : [{ id, quantity: open, reason: 'There is no sheet left that it fits, of those that were given.' }];
    });
  });
}
