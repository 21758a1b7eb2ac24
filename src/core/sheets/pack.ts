import type { Packing, PackPart, PackProblem } from './problem.js';
import { Search } from './search.js';
import { FINE, stockOf } from './stock.js';

/** How long is looked for a better layout: so many steps, which come to the same everywhere, or so much time. */
export type Effort = { readonly steps: number } | { readonly seconds: number; readonly now: () => number };

/** A layout that is looked for step by step; the best so far may be taken at any time. */
export class Packer {
  private readonly search: Search;
  private readonly unplaced: Packing['unplaced'];

  constructor(
    private readonly problem: PackProblem,
    seed = 1,
  ) {
    const { stock, unplaced } = stockOf(problem);
    this.unplaced = unplaced;
    this.search = new Search(stock, seed);
  }

  /** True when nothing better is possible. */
  get done(): boolean {
    return this.search.done;
  }

  step(): void {
    this.search.step();
  }

  get packing(): Packing {
    return packingOf(this.problem, this.search, this.unplaced);
  }
}

/** Lays the pieces of a problem out on sheets. The same problem, seed and steps give the same layout. */
export function pack(problem: PackProblem, effort: Effort, seed = 1): Packing {
  const packer = new Packer(problem, seed);
  if ('steps' in effort) for (let step = 0; step < effort.steps && !packer.done; step += 1) packer.step();
  else {
    const until = effort.now() + effort.seconds * 1000;
    while (!packer.done && effort.now() < until) packer.step();
  }
  return packer.packing;
}

function packingOf(
  { sheet: { trim }, parts }: PackProblem,
  { layout, bound }: Search,
  unplaced: Packing['unplaced'],
): Packing {
  const sizes = new Map(parts.map((part) => [part.id, part]));
  return {
    sheets: layout.map(({ placed }) => ({
      placements: placed.map(({ kind, way, x, y }) => ({
        id: kind.id,
        x: trim + x / FINE,
        y: trim + y / FINE,
        ...laid(sizes.get(kind.id) as PackPart, way.turned),
        turned: way.turned,
      })),
    })),
    bound,
    unplaced,
  };
}

/** A piece's own sizes, as it lies along the sheet. */
function laid({ length, width }: PackPart, turned: boolean) {
  return turned ? { length: width, width: length } : { length, width };
}
