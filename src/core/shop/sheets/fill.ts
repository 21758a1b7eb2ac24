import type { Rect } from './parting.js';
import { FINE, type Free, type PieceKind, type SheetKind, type Stock, type Way, withoutArea } from './stock.js';

/** A piece on a sheet, its corner from that of what is usable; a kerf larger than it is. */
export interface Placed {
  readonly kind: PieceKind;
  readonly way: Way;
  readonly x: number;
  readonly y: number;
}

/** One sheet as it was filled. */
export interface Filled {
  readonly sheet: SheetKind;
  readonly placed: readonly Placed[];
  /** Of the pieces on it. */
  readonly area: number;
  /** What is left, the more the larger the pieces are that it is left in. */
  readonly rest: number;
}

/** How a filling chooses: which free rectangle takes a piece, and which of its rests stays whole. */
export interface Rule {
  readonly fit: 'short side' | 'area' | 'low';
  readonly split: 'shorter' | 'longer' | 'larger' | 'rip' | 'cross';
}

export const FITS: readonly Rule['fit'][] = ['short side', 'area', 'low'];
export const SPLITS: readonly Rule['split'][] = ['shorter', 'longer', 'larger', 'rip', 'cross'];

/** Fills one sheet with what is left, the first of `order` first; takes what it places out of `left`. */
type Filler = (stock: Stock, sheet: SheetKind, order: readonly PieceKind[], left: Int32Array, rule: Rule) => Filled;

/** As the method has it. */
export const fillerOf = ({ method }: Stock): Filler => (method === 'nested' ? anywhere : edgeToEdge);

export function byArea(kinds: readonly PieceKind[]): PieceKind[] {
  return [...kinds].sort((a, b) => b.area - a.area || a.at - b.at);
}

/** By cuts from edge to edge, in no more stages than are allowed: each piece is cut off a free rectangle by at most two. */
const edgeToEdge: Filler = (stock, sheet, order, left, rule) => {
  const free: Free[] = [...sheet.start];
  const placed: Placed[] = [];
  let area = 0;
  for (const kind of order) {
    while ((left[kind.at] as number) > 0) {
      let best: { at: number; way: Way; score: number; first: 'rip' | 'cross' } | undefined;
      for (let at = 0; at < free.length; at += 1) {
        const room = free[at] as Free;
        for (const way of kind.ways) {
          if (way.length > room.length || way.width > room.width) continue;
          const score = scoreOf(room, way, rule.fit);
          if (best && score >= best.score) continue;
          const first = firstCut(stock, sheet, room, way, rule);
          if (first) best = { at, way, score, first };
        }
      }
      if (!best) break;
      const room = free[best.at] as Free;
      free.splice(best.at, 1);
      cutOff(stock, free, room, best.way, best.first);
      placed.push({ kind, way: best.way, x: room.x, y: room.y });
      area += kind.area;
      left[kind.at] = (left[kind.at] as number) - 1;
    }
  }
  return { sheet, placed, area, rest: restOf(free) };
};

/** What is left, the more the larger the pieces are that it is left in: squares of the areas, in square metres. */
export function restOf(free: readonly Rect[]): number {
  return free.reduce((sum, { length, width }) => sum + (length * width * SQUARE_METRES) ** 2, 0);
}

const SQUARE_METRES = 1e-6 / FINE ** 2;

function scoreOf({ x, y, length, width }: Rect, way: Way, fit: Rule['fit']): number {
  const [dl, dw] = [length - way.length, width - way.width];
  if (fit === 'short side') return Math.min(dl, dw);
  if (fit === 'area') return length * width - way.length * way.width;
  // The lowest, of those the one furthest left.
  return y + x * 1e-6;
}

/** In how many stages a piece comes off when the first cut runs one way (and a second only where it is needed). */
function stagesBy(room: Free, way: Way, first: 'rip' | 'cross'): number {
  const rip = way.width < room.width;
  const cross = way.length < room.length;
  let { stage, cut } = room;
  const then = (next: 'rip' | 'cross' | undefined) => {
    if (next === undefined || next === cut) return;
    stage += 1;
    cut = next;
  };
  if (first === 'rip' && rip) then('rip');
  if (cross) then('cross');
  if (first === 'cross' && rip) then('rip');
  // A blank is cut up into its pieces last.
  for (const next of way.inner) then(next);
  return stage;
}

/** Which way is cut first; undefined where neither keeps within the stages. */
function firstCut(stock: Stock, sheet: SheetKind, room: Free, way: Way, rule: Rule): 'rip' | 'cross' | undefined {
  // A strip is ripped over the whole sheet; in it pieces are cut to length, and then trimmed to their width.
  if (stock.method === 'strips') {
    if (room.cut === 'cross') return room.stage <= 2 ? 'cross' : undefined;
    const strips = room.stage <= 1 && room.length === sheet.length;
    return strips && Math.max(way.width, stock.strip) <= room.width ? 'rip' : undefined;
  }
  const [dl, dw] = [room.length - way.length, room.width - way.width];
  const wanted = preferred(rule.split, dl, dw, room, way);
  if (stagesBy(room, way, wanted) <= stock.stages) return wanted;
  const other = wanted === 'rip' ? 'cross' : 'rip';
  return stagesBy(room, way, other) <= stock.stages ? other : undefined;
}

/** Every way of the first cut that keeps within the stages; one where both come to the same. */
export function firstCuts(stock: Stock, sheet: SheetKind, room: Free, way: Way): ('rip' | 'cross')[] {
  if (stock.method === 'strips') {
    const first = firstCut(stock, sheet, room, way, { fit: 'area', split: 'rip' });
    return first ? [first] : [];
  }
  const all: ('rip' | 'cross')[] = [];
  if (stagesBy(room, way, 'rip') <= stock.stages) all.push('rip');
  const alike = way.length === room.length && way.width === room.width;
  if (!alike && stagesBy(room, way, 'cross') <= stock.stages) all.push('cross');
  return all;
}

function preferred(split: Rule['split'], dl: number, dw: number, room: Free, way: Way): 'rip' | 'cross' {
  switch (split) {
    case 'rip':
      return 'rip';
    case 'cross':
      return 'cross';
    case 'shorter':
      return dl < dw ? 'rip' : 'cross';
    case 'longer':
      return dl < dw ? 'cross' : 'rip';
    case 'larger':
      // The larger of both rests is as large as it can be.
      return Math.max(room.length * dw, dl * way.width) >= Math.max(dl * room.width, way.length * dw) ? 'rip' : 'cross';
  }
}

/** Puts back what is left of a rectangle when a piece is cut off its corner. */
export function cutOff(stock: Stock, free: Free[], room: Free, way: Way, first: 'rip' | 'cross'): void {
  const { x, y } = room;
  const stripsFirst = stock.method === 'strips';
  const after = (from: Free, cut: 'rip' | 'cross') => ({ stage: from.cut === cut ? from.stage : from.stage + 1, cut });
  const put = (rest: Free) => {
    if (rest.length > 0 && rest.width > 0) free.push(rest);
  };
  // A sheet is broken down oversize: the first cuts leave so much to be cut off again.
  const over = room.stage === 0 || (room.stage === 1 && room.cut === first) ? stock.oversize : 0;
  if (first === 'rip') {
    const wide = stripsFirst ? Math.max(way.width, stock.strip) : way.width;
    const dw = room.width - wide;
    const strip = dw > 0 ? { ...room, ...after(room, 'rip') } : room;
    put({ x, y: y + wide + over, length: room.length, width: dw - over, ...after(room, 'rip') });
    put({ x: x + way.length, y, length: room.length - way.length, width: wide, ...after(strip, 'cross') });
    return;
  }
  const dl = room.length - way.length;
  const piece = dl > 0 ? { ...room, ...after(room, 'cross') } : room;
  put({ x: x + way.length + over, y, length: dl - over, width: room.width, ...after(room, 'cross') });
  // What a strip is wider than a piece is trimmed off it.
  if (!stripsFirst)
    put({ x, y: y + way.width, length: way.length, width: room.width - way.width, ...after(piece, 'rip') });
}

/** By a router, anywhere: free rectangles overlap, and each is as large as it can be. */
const anywhere: Filler = (stock, sheet, order, left, rule) => {
  let free: readonly Rect[] = sheet.start;
  const placed: Placed[] = [];
  let area = 0;
  const inner = insideOf(stock, sheet);
  for (const kind of order) {
    while ((left[kind.at] as number) > 0) {
      let best: { room: Rect; way: Way; score: number } | undefined;
      for (const whole of free) {
        const room = kind.small ? overlapOf(whole, inner) : whole;
        for (const way of kind.ways) {
          if (way.length > room.length || way.width > room.width) continue;
          const score = scoreOf(room, way, rule.fit);
          if (!best || score < best.score) best = { room, way, score };
        }
      }
      if (!best) break;
      const { room, way } = best;
      const taken = { x: room.x, y: room.y, length: way.length, width: way.width };
      free = withoutArea(free, taken);
      placed.push({ kind, way, x: taken.x, y: taken.y });
      area += kind.area;
      left[kind.at] = (left[kind.at] as number) - 1;
    }
  }
  return { sheet, placed, area, rest: Math.max(0, ...free.map((each) => restOf([each]))) };
};

/** Where small pieces may lie. */
function insideOf({ inside }: Stock, { length, width }: SheetKind): Rect {
  return { x: inside, y: inside, length: length - 2 * inside, width: width - 2 * inside };
}

function overlapOf(a: Rect, b: Rect): Rect {
  const [x, y] = [Math.max(a.x, b.x), Math.max(a.y, b.y)];
  return {
    x,
    y,
    length: Math.min(a.x + a.length, b.x + b.length) - x,
    width: Math.min(a.y + a.width, b.y + b.width) - y,
  };
}
