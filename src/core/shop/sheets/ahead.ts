import { cutOff, type Filled, firstCuts, type Placed, restOf } from './fill.js';
import type { Free, PieceKind, SheetKind, Stock, Way } from './stock.js';

/** A sheet filled so far: what is free of it, and what was decided last. */
interface State {
  readonly free: readonly Free[];
  /** How many of each kind are on it. */
  readonly taken: Uint16Array;
  readonly worth: number;
  readonly area: number;
  /** What no piece that is left can come to lie on. */
  readonly waste: number;
  readonly last: { readonly placed: Placed; readonly before: State['last'] } | undefined;
}

/** What a state may become: a piece in the corner of its smallest free rectangle, or nothing there. */
interface Move {
  readonly from: State;
  readonly piece: { readonly kind: PieceKind; readonly way: Way; readonly first: 'rip' | 'cross' } | undefined;
  readonly worth: number;
  readonly area: number;
  readonly waste: number;
  readonly score: number;
}

/** So many beginnings of a sheet are followed: more of them cost more than they find. */
const FOLLOWED = 3;

/**
 * Fills one sheet by cuts from edge to edge, looking ahead: of all ways to go on from the best beginnings the
 * best few are followed, best being the most worth for the wood that is used up, pieces and waste together. The
 * smallest free rectangle is decided upon first, so that waste is known early.
 */
export function fillAhead(
  stock: Stock,
  sheet: SheetKind,
  open: readonly PieceKind[],
  left: Int32Array,
  worthOf: Float64Array,
): Filled {
  const least = leastOf(open);
  const isWaste = (l: number, w: number) => l < least.length || w < least.width;
  let states: State[] = [
    {
      free: bySize(sheet.start),
      taken: new Uint16Array(stock.kinds.length),
      worth: 0,
      area: 0,
      waste: 0,
      last: undefined,
    },
  ];
  let best = states[0] as State;
  while (states.length > 0) {
    const moves: Move[] = [];
    for (const from of states) {
      const room = from.free[0];
      if (!room) continue;
      const whole = room.length * room.width;
      const add = (piece: Move['piece'], worth: number, area: number, waste: number) =>
        moves.push({ from, piece, worth, area, waste, score: worth / (area + waste + 1) });
      for (const kind of open) {
        if ((left[kind.at] as number) <= (from.taken[kind.at] as number)) continue;
        for (const way of kind.ways) {
          if (way.length > room.length || way.width > room.width) continue;
          for (const first of firstCuts(stock, sheet, room, way)) {
            const [dl, dw] = [room.length - way.length, room.width - way.width];
            // What is left beside the piece, and past both.
            const [beside, past] =
              first === 'rip' ? [dl * way.width, dw * room.length] : [dw * way.length, dl * room.width];
            const lost =
              (isWaste(first === 'rip' ? dl : way.length, first === 'rip' ? way.width : dw) ? beside : 0) +
              (isWaste(first === 'rip' ? room.length : dl, first === 'rip' ? dw : room.width) ? past : 0);
            add(
              { kind, way, first },
              from.worth + (worthOf[kind.at] as number),
              from.area + kind.area,
              from.waste + lost,
            );
          }
        }
      }
      add(undefined, from.worth, from.area, from.waste + whole);
    }
    moves.sort((a, b) => b.score - a.score);
    states = [];
    let before: Move | undefined;
    for (const move of moves) {
      // The same pieces with the same waste in another order come to the same.
      const same = before && before.worth === move.worth && before.waste === move.waste && before.area === move.area;
      before = move;
      if (same) continue;
      const state = made(stock, move, isWaste);
      if (state.worth > best.worth) best = state;
      states.push(state);
      if (states.length >= FOLLOWED) break;
    }
  }
  const placed: Placed[] = [];
  for (let step = best.last; step; step = step.before) placed.push(step.placed);
  return { sheet, placed: placed.reverse(), area: best.area, rest: restOf(best.free) };
}

function made(
  stock: Stock,
  { from, piece, worth, area, waste }: Move,
  isWaste: (l: number, w: number) => boolean,
): State {
  const [room, ...others] = from.free as [Free, ...Free[]];
  if (!piece) return { ...from, free: others, worth, area, waste };
  const free: Free[] = others;
  cutOff(stock, free, room, piece.way, piece.first);
  const taken = from.taken.slice();
  taken[piece.kind.at] = (taken[piece.kind.at] as number) + 1;
  const placed = { kind: piece.kind, way: piece.way, x: room.x, y: room.y };
  return {
    free: bySize(free.filter(({ length, width }) => !isWaste(length, width))),
    taken,
    worth,
    area,
    waste,
    last: { placed, before: from.last },
  };
}

const bySize = (free: readonly Free[]) => [...free].sort((a, b) => a.length * a.width - b.length * b.width);

function leastOf(open: readonly PieceKind[]): { readonly length: number; readonly width: number } {
  let [length, width] = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY];
  for (const { ways } of open)
    for (const way of ways) {
      length = Math.min(length, way.length);
      width = Math.min(width, way.width);
    }
  return { length, width };
}
