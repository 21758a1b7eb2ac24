import type { Chance } from './chance.js';
import { type Filled, type Placed, restOf } from './fill.js';
import type { PieceKind, SheetKind, Stock, Way } from './stock.js';

/** A piece that may lie in a strip. */
interface Candidate {
  readonly kind: PieceKind;
  readonly way: Way;
  readonly worth: number;
}

/** A strip over the whole length of a sheet, and what it is cut up into. */
interface PackedStrip {
  readonly width: number;
  readonly pieces: readonly Candidate[];
  readonly worth: number;
}

/** So many combinations of pieces are looked at for a strip, and of strips for a sheet. */
const LOOKED_AT = 600;
const STRIPS_LOOKED_AT = 1500;
/** Strips further on are made of what is left then: so much less is expected of each. */
const EXPECTED = 0.96;

/**
 * Fills a whole sheet with strips: for each width there is the combination of pieces with the most worth, then the
 * combination of widths with the most; the first of those is cut, and the rest thought over again with what is left.
 * For sheets nothing lies on yet: what is left of others is no longer cut over its whole length.
 */
export function fillWithStrips(
  stock: Stock,
  sheet: SheetKind,
  open: readonly PieceKind[],
  left: Int32Array,
  worthOf: Float64Array,
  chance: Chance,
): Filled {
  const counts = left.slice();
  const candidates = open
    .flatMap((kind) => kind.ways.map((way) => ({ kind, way, worth: worthOf[kind.at] as number })))
    .filter(({ way }) => way.length <= sheet.length && way.width <= sheet.width)
    .map((each) => ({ each, key: (each.worth / each.way.length) * (1 - 0.1 * chance.next()) }))
    .sort((a, b) => b.key - a.key)
    .map(({ each }) => each);
  const widths = [...new Set(candidates.map(({ way }) => Math.max(way.width, stock.strip)))].sort((a, b) => b - a);
  const strips = new Map<number, PackedStrip>();
  const placed: Placed[] = [];
  let area = 0;
  let y = 0;
  while (y < sheet.width) {
    const room = sheet.width - y;
    const there: PackedStrip[] = [];
    for (const width of widths) {
      if (width > room) continue;
      let strip = strips.get(width);
      // A strip thought of before holds while there are its pieces.
      if (!strip || !isThere(strip, counts)) {
        strip = bestStrip(width, sheet.length, candidates, counts);
        strips.set(width, strip);
      }
      if (strip.worth > 0) there.push(strip);
    }
    const next = firstOf(there, room, stock.oversize);
    if (!next) break;
    let x = 0;
    for (const { kind, way } of next.pieces) {
      placed.push({ kind, way, x, y });
      x += way.length;
      area += kind.area;
      counts[kind.at] = (counts[kind.at] as number) - 1;
    }
    y += next.width + stock.oversize;
  }
  const rest = Math.max(0, sheet.width - y);
  return { sheet, placed, area, rest: restOf([{ x: 0, y, length: sheet.length, width: rest }]) };
}

function isThere({ pieces }: PackedStrip, counts: Int32Array): boolean {
  const need = new Map<number, number>();
  for (const { kind } of pieces) need.set(kind.at, (need.get(kind.at) ?? 0) + 1);
  for (const [at, count] of need) if ((counts[at] as number) < count) return false;
  return true;
}

/** The combination of pieces with the most worth in a strip: those with most worth for their length first, by bound. */
function bestStrip(width: number, length: number, candidates: readonly Candidate[], counts: Int32Array): PackedStrip {
  const own = candidates.filter(({ kind, way }) => way.width <= width && (counts[kind.at] as number) > 0);
  const most = own.map(({ worth, way }) => worth / way.length);
  for (let at = most.length - 2; at >= 0; at -= 1) most[at] = Math.max(most[at] as number, most[at + 1] as number);
  const used = new Map<number, number>();
  const taken: Candidate[] = [];
  let best: { pieces: readonly Candidate[]; worth: number } = { pieces: [], worth: 0 };
  let looked = 0;
  const look = (from: number, room: number, worth: number): void => {
    if (worth > best.worth) best = { pieces: [...taken], worth };
    for (let at = from; at < own.length && looked < LOOKED_AT; at += 1) {
      if (worth + room * (most[at] as number) <= best.worth) return;
      const piece = own[at] as Candidate;
      const before = used.get(piece.kind.at) ?? 0;
      if (piece.way.length > room || before >= (counts[piece.kind.at] as number)) continue;
      looked += 1;
      used.set(piece.kind.at, before + 1);
      taken.push(piece);
      look(at, room - piece.way.length, worth + piece.worth);
      taken.pop();
      used.set(piece.kind.at, before);
    }
  };
  look(0, length, 0);
  return { width, ...best };
}

/** The first strip of the combination of strips with the most worth in a width; undefined where none goes in. */
function firstOf(strips: readonly PackedStrip[], room: number, oversize: number): PackedStrip | undefined {
  const order = [...strips].sort((a, b) => b.worth / b.width - a.worth / a.width);
  const most = order.map(({ worth, width }) => worth / width);
  let best: { first: PackedStrip | undefined; worth: number } = { first: undefined, worth: 0 };
  let looked = 0;
  const look = (from: number, left: number, worth: number, share: number, first: PackedStrip | undefined): void => {
    if (worth > best.worth) best = { first, worth };
    for (let at = from; at < order.length && looked < STRIPS_LOOKED_AT; at += 1) {
      if (worth + left * share * (most[at] as number) <= best.worth) return;
      const strip = order[at] as PackedStrip;
      if (strip.width > left) continue;
      looked += 1;
      look(at, left - strip.width - oversize, worth + share * strip.worth, share * EXPECTED, first ?? strip);
    }
  };
  look(0, room, 0, 1, undefined);
  return best.first;
}
