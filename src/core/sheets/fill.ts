import type { Kind, Stock, Way } from './stock.js';

/** A piece on a sheet, its corner from that of what is usable; a kerf larger than it is. */
export interface Placed {
  readonly kind: Kind;
  readonly way: Way;
  readonly x: number;
  readonly y: number;
}

/** One sheet as it was filled. */
export interface Filled {
  readonly placed: readonly Placed[];
  /** Of the pieces on it. */
  readonly area: number;
}

/** How a filling chooses: which free rectangle takes a piece, and which of its rests stays whole. */
export interface Rule {
  readonly fit: 'short side' | 'area' | 'low';
  readonly split: 'shorter' | 'longer' | 'larger' | 'rip' | 'cross';
}

export const FITS: readonly Rule['fit'][] = ['short side', 'area', 'low'];
export const SPLITS: readonly Rule['split'][] = ['shorter', 'longer', 'larger', 'rip', 'cross'];

/** Which way the last cut ran that made a rectangle: along the sheet's length, or across it. */
type Cut = 'none' | 'rip' | 'cross';

interface Free {
  readonly x: number;
  readonly y: number;
  readonly length: number;
  readonly width: number;
  /** In how many directions one after another it was cut so far. */
  readonly stage: number;
  readonly cut: Cut;
}

/** Fills one sheet with what is left, the first of `order` first; takes what it places out of `left`. */
export type Filler = (stock: Stock, order: readonly Kind[], left: Int32Array, rule: Rule) => Filled;

/** By cuts from edge to edge, in no more stages than are allowed: each piece is cut off a free rectangle by at most two. */
export const edgeToEdge: Filler = (stock, order, left, rule) => {
  const stripsFirst = stock.method === 'strips';
  const free: Free[] = [{ x: 0, y: 0, length: stock.length, width: stock.width, stage: 0, cut: 'none' }];
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
          const first = firstCut(stock, room, way, rule, stripsFirst);
          if (first) best = { at, way, score, first };
        }
      }
      if (!best) break;
      const room = free[best.at] as Free;
      free.splice(best.at, 1);
      cutOff(free, room, best.way, best.first, stripsFirst);
      placed.push({ kind, way: best.way, x: room.x, y: room.y });
      area += kind.area;
      left[kind.at] = (left[kind.at] as number) - 1;
    }
  }
  return { placed, area };
};

function scoreOf({ x, y, length, width }: Omit<Free, 'stage' | 'cut'>, way: Way, fit: Rule['fit']): number {
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
  const cuts: Cut[] =
    first === 'rip'
      ? [...(rip ? ['rip' as const] : []), ...(cross ? ['cross' as const] : [])]
      : [...(cross ? ['cross' as const] : []), ...(rip ? ['rip' as const] : [])];
  let { stage, cut } = room;
  for (const next of cuts) {
    if (next !== cut) stage += 1;
    cut = next;
  }
  return stage;
}

/** Which way is cut first; undefined where neither keeps within the stages. */
function firstCut(stock: Stock, room: Free, way: Way, rule: Rule, stripsFirst: boolean): 'rip' | 'cross' | undefined {
  // A strip is ripped over the whole sheet; in it pieces are cut to length, and then trimmed to their width.
  if (stripsFirst)
    return room.cut === 'none' || room.cut === 'rip'
      ? room.stage <= 1 && room.length === stock.length
        ? 'rip'
        : undefined
      : 'cross';
  const [dl, dw] = [room.length - way.length, room.width - way.width];
  const wanted = preferred(rule.split, dl, dw, room, way);
  if (stagesBy(room, way, wanted) <= stock.stages) return wanted;
  const other = wanted === 'rip' ? 'cross' : 'rip';
  return stagesBy(room, way, other) <= stock.stages ? other : undefined;
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
function cutOff(free: Free[], room: Free, way: Way, first: 'rip' | 'cross', stripsFirst: boolean): void {
  const { x, y } = room;
  const after = (from: Free, cut: 'rip' | 'cross') => ({ stage: from.cut === cut ? from.stage : from.stage + 1, cut });
  const [dl, dw] = [room.length - way.length, room.width - way.width];
  if (first === 'rip') {
    const strip = dw > 0 ? { ...room, width: way.width, ...after(room, 'rip') } : room;
    if (dw > 0) free.push({ x, y: y + way.width, length: room.length, width: dw, ...after(room, 'rip') });
    if (dl > 0) free.push({ x: x + way.length, y, length: dl, width: way.width, ...after(strip, 'cross') });
    return;
  }
  const piece = dl > 0 ? { ...room, length: way.length, ...after(room, 'cross') } : room;
  if (dl > 0) free.push({ x: x + way.length, y, length: dl, width: room.width, ...after(room, 'cross') });
  // What a strip is wider than a piece is trimmed off it.
  if (dw > 0 && !stripsFirst) free.push({ x, y: y + way.width, length: way.length, width: dw, ...after(piece, 'rip') });
}

interface Room {
  readonly x: number;
  readonly y: number;
  readonly length: number;
  readonly width: number;
}

/** By a router, anywhere: free rectangles overlap, and each is as large as it can be. */
export const anywhere: Filler = (stock, order, left, rule) => {
  let free: Room[] = [{ x: 0, y: 0, length: stock.length, width: stock.width }];
  const placed: Placed[] = [];
  let area = 0;
  for (const kind of order) {
    while ((left[kind.at] as number) > 0) {
      let best: { room: Room; way: Way; score: number } | undefined;
      for (const room of free)
        for (const way of kind.ways) {
          if (way.length > room.length || way.width > room.width) continue;
          const score = scoreOf(room, way, rule.fit);
          if (!best || score < best.score) best = { room, way, score };
        }
      if (!best) break;
      const { room, way } = best;
      const taken = { x: room.x, y: room.y, length: way.length, width: way.width };
      free = without(free, taken);
      placed.push({ kind, way, x: taken.x, y: taken.y });
      area += kind.area;
      left[kind.at] = (left[kind.at] as number) - 1;
    }
  }
  return { placed, area };
};

function without(free: readonly Room[], taken: Room): Room[] {
  const rest: Room[] = [];
  const [right, top] = [taken.x + taken.length, taken.y + taken.width];
  for (const room of free) {
    const [end, high] = [room.x + room.length, room.y + room.width];
    if (taken.x >= end || right <= room.x || taken.y >= high || top <= room.y) {
      rest.push(room);
      continue;
    }
    if (taken.x > room.x) rest.push({ ...room, length: taken.x - room.x });
    if (right < end) rest.push({ ...room, x: right, length: end - right });
    if (taken.y > room.y) rest.push({ ...room, width: taken.y - room.y });
    if (top < high) rest.push({ ...room, y: top, width: high - top });
  }
  return rest.filter(
    (room, at) =>
      !rest.some(
        (other, index) =>
          index !== at &&
          other.x <= room.x &&
          other.y <= room.y &&
          other.x + other.length >= room.x + room.length &&
          other.y + other.width >= room.y + room.width &&
          (index < at || other.length !== room.length || other.width !== room.width),
      ),
  );
}
