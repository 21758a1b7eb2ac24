import type { Packing, PackPart, PackProblem } from './problem.js';
import { Search } from './search.js';
import { FINE, stockOf } from './stock.js';

/** How long is looked for a better layout: so many steps, which come to the same everywhere, or so much time. */
export type Effort = { readonly steps: number } | { readonly seconds: number; readonly now: () => number };

/** Lays the pieces of a problem out on sheets. The same problem, seed and steps give the same layout. */
export function pack(problem: PackProblem, effort: Effort, seed = 1): Packing {
  const { stock, unplaced } = stockOf(problem);
  const search = new Search(stock, seed);
  if ('steps' in effort) for (let step = 0; step < effort.steps && !search.done; step += 1) search.step();
  else {
    const until = effort.now() + effort.seconds * 1000;
    while (!search.done && effort.now() < until) search.step();
  }
  return packingOf(problem, search, unplaced);
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
