import type { Filled, Placed } from './fill.js';
import type { Packing, PackProblem, Placement, Unplaced } from './problem.js';
import { Search } from './search.js';
import { FINE, stockOf } from './stock.js';
import { type Blank, type CuttingProblem, plainCutting } from './supply.js';

/** How long is looked for a better layout: so many steps, which come to the same everywhere, or so much time. */
export type Effort = ({ readonly steps: number } | { readonly seconds: number; readonly now: () => number }) & {
  /** True once it is to end with what was found so far. */
  readonly stopped?: () => boolean;
};

/** A layout that is looked for step by step; the best so far may be taken at any time. */
export class Packer {
  private readonly search: Search;
  private readonly tooLarge: readonly Unplaced[];

  constructor(
    private readonly problem: CuttingProblem,
    seed = 1,
  ) {
    const { stock, unplaced } = stockOf(problem);
    this.tooLarge = unplaced;
    this.search = new Search(stock, seed);
  }

  /** True when nothing better is possible by the first goal. */
  get done(): boolean {
    return this.search.done;
  }

  step(): void {
    this.search.step();
  }

  get packing(): Packing {
    const { layout, bound } = this.search;
    const blanks = new Map(this.problem.parts.map((blank) => [blank.id, blank]));
    const supplies = new Map(this.problem.sheets.map((sheet) => [sheet.id, sheet]));
    const sheets = layout.map(({ sheet, placed }) => {
      const trim = supplies.get(sheet.id)?.trim ?? 0;
      return {
        from: sheet.id,
        placements: placed.flatMap((each) => laid(blanks.get(each.kind.id) as Blank, each, trim)),
      };
    });
    return { sheets, bound, unplaced: [...this.tooLarge, ...leftOver(this.problem.parts, layout, this.tooLarge)] };
  }
}

/** Goes on until the effort is spent, or nothing better is possible. */
export function lookFor(packer: Packer, effort: Effort): void {
  const { stopped = () => false } = effort;
  if ('steps' in effort) {
    for (let step = 0; step < effort.steps && !packer.done && !stopped(); step += 1) packer.step();
    return;
  }
  const until = effort.now() + effort.seconds * 1000;
  while (!packer.done && effort.now() < until && !stopped()) packer.step();
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
function laid({ id, length, width, pieces }: Blank, { way, x, y }: Placed, trim: number): Placement[] {
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

/** What fits a sheet, but for which none was left. */
function leftOver(blanks: readonly Blank[], layout: readonly Filled[], tooLarge: readonly Unplaced[]): Unplaced[] {
  const placed = new Map<string, number>();
  for (const sheet of layout) for (const { kind } of sheet.placed) placed.set(kind.id, (placed.get(kind.id) ?? 0) + 1);
  const gone = new Set(tooLarge.map(({ id }) => id));
  return blanks.flatMap(({ id, quantity }): Unplaced[] => {
    const open = quantity - (placed.get(id) ?? 0);
    return gone.has(id) || open <= 0
      ? []
      : [{ id, quantity: open, reason: 'There is no sheet left that it fits, of those that were given.' }];
  });
}
