import type { LayoutSheet, PlacedPiece, SheetLayout } from '../../decisions/index.js';
import { type Node, type Orientation, part, type Rect, stagesOf } from './parting.js';

/** One cut of a sheet, in the order in which they are made. All mm, from the raw sheet's corner. */
export interface SawCut {
  readonly number: number;
  /** Along the sheet's length, or across it. */
  readonly way: Orientation;
  /** Trimming an edge, breaking down oversize, or to size. */
  readonly kind: 'trim' | 'rough' | 'size';
  /** Where the blade begins (its near side), and from where to where it runs. */
  readonly at: number;
  readonly from: number;
  readonly to: number;
  /** How wide the blade cuts. */
  readonly kerf: number;
  /** What stands between fence or stop and blade. */
  readonly fence: number;
  /** What comes off: a piece, a strip that waits for its own cuts, an offcut, or waste. */
  readonly frees: Freed;
  /** What is put aside until its turn comes, before the next cut. */
  readonly waits: readonly string[];
}

export type Freed =
  | { readonly kind: 'piece'; readonly piece: PlacedPiece }
  | { readonly kind: 'strip'; readonly name: string; readonly rect: Rect }
  /** A piece that has to be cut the other way still. */
  | { readonly kind: 'untrimmed'; readonly piece: PlacedPiece; readonly rect: Rect }
  | { readonly kind: 'offcut' | 'waste'; readonly rect: Rect };

/** What is left of a sheet and worth keeping. */
export interface Offcut extends Rect {
  readonly sheet: string;
}

/** A sheet as it is cut: the cuts in order, strips, and what is left. */
export interface Sequence {
  readonly cuts: readonly SawCut[];
  readonly stages: number;
  readonly offcuts: readonly Rect[];
  /** Names of strips and blocks with the place each has on the sheet. */
  readonly strips: readonly {
    readonly name: string;
    readonly rect: Rect;
    readonly way: Orientation;
    readonly depth: number;
  }[];
}

/** Places agree to this (mm): layouts are kept to a ten-millionth. */
const NEAR = 1e-4;

/** How a layout is cut, as far as it matters to one sheet. */
type Cutting = Pick<SheetLayout, 'method' | 'stages' | 'kerf' | 'oversize' | 'spacing'>;

/** How a sheet comes apart, pieces a kerf larger each way; undefined where no cut from edge to edge passes. */
export function partingOf(sheet: LayoutSheet, { method, kerf }: Cutting): Node | undefined {
  const grown = ({ x, y, length, width }: Rect): Rect => ({ x, y, length: length + kerf, width: width + kerf });
  return part(usableOf(sheet, kerf), sheet.placements.map(grown), method === 'strips' ? 'rip' : undefined, NEAR);
}

function usableOf({ length, width, trim }: LayoutSheet, kerf: number): Rect {
  return { x: trim, y: trim, length: length - 2 * trim + kerf, width: width - 2 * trim + kerf };
}

/** Stages a way of cutting allows. */
export function stagesAllowed({ method, stages }: Pick<Cutting, 'method' | 'stages'>): number {
  return method === 'strips' ? 3 : (stages ?? Number.POSITIVE_INFINITY);
}

/**
 * The cuts of a sheet in order: its reference edges are trimmed first, then each rectangle is cut up one way before any of
 * its parts is cut up the other way. Where sheets are broken down oversize, the first cuts leave so much on, and each part
 * is cut to size afterwards. Every cut says what stands at the fence and what it frees. Undefined for routed sheets, and
 * where no cut passes.
 */
export function sequenceOf(
  sheet: LayoutSheet,
  cutting: Cutting,
  keep: { readonly length: number; readonly width: number },
): Sequence | undefined {
  if (cutting.method === 'nested') return undefined;
  const tree = partingOf(sheet, cutting);
  if (!tree) return undefined;
  const { length, width, trim } = sheet;
  const sawing = new Sawing(sheet, cutting, keep);
  if (trim > 0) sawing.trimEdges();
  // What is sawn reaches to the raw edges opposite the trimmed ones.
  sawing.cutUp(tree, '', 0, { x: trim, y: trim, length: length - trim, width: width - trim });
  return { cuts: sawing.cuts, stages: stagesOf(tree), offcuts: sawing.offcuts, strips: sawing.strips };
}

const ALONG = {
  rip: { start: 'y', size: 'width', across: 'x', far: 'length' },
  cross: { start: 'x', size: 'length', across: 'y', far: 'width' },
} as const;

/** One sheet on the saw, cut by cut. */
class Sawing {
  readonly cuts: SawCut[] = [];
  readonly strips: Sequence['strips'][number][] = [];
  readonly offcuts: Rect[] = [];

  constructor(
    private readonly sheet: LayoutSheet,
    private readonly cutting: Cutting,
    private readonly keep: { readonly length: number; readonly width: number },
  ) {}

  /** One long edge and one short edge are cut straight; everything is measured from them. */
  trimEdges(): void {
    const { length, width, trim } = this.sheet;
    // A blade that is wider than the trim runs partly beside the sheet.
    const at = trim - this.cutting.kerf;
    const off = Math.max(0, at);
    const edge = (way: Orientation, rect: Rect, to: number, fence: number) =>
      this.add(
        { way, kind: 'trim', at, from: way === 'rip' ? 0 : trim, to, fence, frees: { kind: 'waste', rect } },
        [],
      );
    edge('rip', { x: 0, y: 0, length, width: off }, length, width - trim);
    edge('cross', { x: 0, y: trim, length: off, width: width - trim }, width, length - trim);
  }

  private add(cut: Omit<SawCut, 'number' | 'kerf' | 'waits'>, waits: readonly string[]): void {
    this.cuts.push({ waits, ...cut, number: this.cuts.length + 1, kerf: this.cutting.kerf });
  }

  /** Cuts a rectangle up, then each of its parts; `raw` is what lies on the saw. */
  cutUp(node: Node, name: string, depth: number, raw: Rect): void {
    if (node.kind === 'left') {
      const rest = this.rest(raw);
      if (rest.kind === 'offcut') this.offcuts.push(rest.rect);
      return;
    }
    if (node.kind === 'piece') {
      this.trimTo(node, raw);
      return;
    }
    const { start, size, across, far } = ALONG[node.way];
    const { kerf, oversize } = this.cutting;
    const [from, to] = [raw[across], raw[across] + raw[far]];
    const rawEnd = raw[start] + raw[size];
    const own: Rect[] = [];
    const rough: { at: number; fence: number; name: string; rect: Rect }[] = [];
    const fine: { at: number; fence: number; index: number }[] = [];
    let low = raw[start];
    node.parts.forEach((each, at) => {
      const end = each.rect[start] + each.rect[size] - kerf;
      const next = node.parts[at + 1];
      own.push({ ...raw, [start]: low, [size]: Math.max(0, Math.min(end, rawEnd) - low) });
      if (rawEnd - end <= NEAR || (!next && each.kind === 'left')) {
        own[at] = { ...raw, [start]: low, [size]: Math.max(0, rawEnd - low) };
        low = rawEnd;
        return;
      }
      const over =
        depth === 0 && each.kind !== 'left' && next?.kind === 'left' && next.rect[size] >= oversize - NEAR
          ? oversize
          : 0;
      // What was left on by the cut before has taken all there was between two parts.
      const gone = each.kind === 'left' && end - low <= NEAR;
      if (over > 0)
        rough.push({
          at: end + over,
          fence: end + over - low,
          name: '',
          rect: { ...raw, [start]: low, [size]: end + over - low },
        });
      if (!gone || low < each.rect[start] + each.rect[size] - NEAR)
        fine.push({
          at: end,
          fence: each.kind === 'left' && end - low <= NEAR ? rawEnd - end - kerf : end - low,
          index: at,
        });
      low = over > 0 ? end + over + kerf : each.rect[start] + each.rect[size];
    });
    const names = this.named(node.parts, own, name, depth);
    const waits = new Set<string>();
    for (const { at, fence, rect } of rough) {
      const index = own.findIndex((each) => Math.abs(each[start] - rect[start]) <= NEAR);
      const label = names[index] ?? `${index + 1}`;
      this.add({ way: node.way, kind: 'rough', at, from, to, fence, frees: { kind: 'strip', name: label, rect } }, [
        ...waits,
      ]);
      waits.add(label);
    }
    for (const { at, fence, index } of fine) {
      const label = names[index];
      if (label) waits.delete(label);
      const frees = this.freed(node.parts[index] as Node, label, own[index] as Rect);
      this.add({ way: node.way, kind: 'size', at, from, to, fence, frees }, [...waits]);
      if (label) waits.add(label);
    }
    node.parts.forEach((each, at) => {
      const label = names[at];
      const rect = own[at] as Rect;
      if (label && each.kind === 'cuts') this.strips.push({ name: label, rect, way: node.way, depth });
      this.cutUp(each, label ?? name, depth + 1, rect);
    });
  }

  /** Parts that are cut further have names: 1, 2, 2.1. */
  private named(parts: readonly Node[], own: readonly Rect[], name: string, depth: number): (string | undefined)[] {
    let count = 0;
    return parts.map((each, at) => {
      if (each.kind === 'left' || (each.kind === 'piece' && this.overOf(each, own[at] as Rect).length === 0))
        return undefined;
      count += 1;
      return depth === 0 ? `${count}` : `${name}.${count}`;
    });
  }

  private freed(node: Node, name: string | undefined, own: Rect): Freed {
    if (node.kind === 'left') return this.rest(own);
    if (name !== undefined) return { kind: 'strip', name, rect: own };
    return { kind: 'piece', piece: this.sheet.placements[(node as { at: number }).at] as PlacedPiece };
  }

  /** What is left over, as much of it as is inside the trim: worth keeping, or not. */
  private rest(raw: Rect): { kind: 'offcut' | 'waste'; rect: Rect } {
    const { length, width, trim, clear } = this.sheet;
    const rect = {
      ...raw,
      length: Math.min(raw.x + raw.length, length - trim) - raw.x,
      width: Math.min(raw.y + raw.width, width - trim) - raw.y,
    };
    const kept = isKept(rect, this.keep) && !clear.some((area) => overlaps(area, rect));
    return { kind: kept ? 'offcut' : 'waste', rect };
  }

  /** The ways in which a piece still reaches over its size, at the raw edges of a sheet. */
  private overOf({ at }: Extract<Node, { kind: 'piece' }>, raw: Rect): Orientation[] {
    const piece = this.sheet.placements[at] as PlacedPiece;
    return (['cross', 'rip'] as const).filter((way) => {
      const { start, size } = ALONG[way];
      return raw[start] + raw[size] - piece[start] - piece[size] > NEAR;
    });
  }

  private trimTo(node: Extract<Node, { kind: 'piece' }>, raw: Rect): void {
    const piece = this.sheet.placements[node.at] as PlacedPiece;
    let rect = raw;
    const ways = this.overOf(node, raw);
    ways.forEach((way, at) => {
      const { start, size, across, far } = ALONG[way];
      const last = at === ways.length - 1;
      this.add(
        {
          way,
          kind: 'size',
          at: piece[start] + piece[size],
          from: rect[across],
          to: rect[across] + rect[far],
          fence: piece[size],
          frees: last ? { kind: 'piece', piece } : { kind: 'untrimmed', piece, rect },
        },
        [],
      );
      rect = { ...rect, [size]: piece[size] };
    });
  }
}

/** True for what is worth keeping, whichever way it lies. */
export function isKept(
  { length, width }: Pick<Rect, 'length' | 'width'>,
  keep: { length: number; width: number },
): boolean {
  return (
    (length >= keep.length - NEAR && width >= keep.width - NEAR) ||
    (width >= keep.length - NEAR && length >= keep.width - NEAR)
  );
}

export function overlaps(a: Rect, b: Rect): boolean {
  return (
    a.x < b.x + b.length - NEAR &&
    b.x < a.x + a.length - NEAR &&
    a.y < b.y + b.width - NEAR &&
    b.y < a.y + a.width - NEAR
  );
}

/** A strip of a strips-first sheet: its name, as in the sequence of cuts, and the pieces that lie in it, by their places in the list. */
export interface Strip {
  readonly name: string;
  readonly rect: Rect;
  readonly pieces: readonly number[];
  /** True where every piece is as wide as the strip, so that the strip's edges are theirs. */
  readonly full: boolean;
}

/** The strips a strips-first sheet is ripped into; none for other sheets. */
export function stripsOf(sheet: LayoutSheet, cutting: Cutting): Strip[] {
  const tree = cutting.method === 'strips' ? partingOf(sheet, cutting) : undefined;
  if (tree?.kind !== 'cuts' || tree.way !== 'rip') return [];
  let number = 0;
  return tree.parts.flatMap((part): Strip[] => {
    if (part.kind === 'left') return [];
    number += 1;
    const { y, width } = part.rect;
    const pieces = sheet.placements.flatMap((each, at) =>
      each.y >= y - NEAR && each.y < y + width - NEAR ? [at] : [],
    );
    const full = pieces.every(
      (at) => Math.abs((sheet.placements[at] as PlacedPiece).width + cutting.kerf - width) <= NEAR,
    );
    return [{ name: `${number}`, rect: part.rect, pieces, full }];
  });
}

/** Names of the strips whose pieces all have a banded long edge that is the strip's own: banded whole, before crosscutting. */
export function stripsToBand(
  sheet: LayoutSheet,
  cutting: Cutting,
  hasLongBand: (piece: PlacedPiece) => boolean,
): Strip[] {
  return stripsOf(sheet, cutting).filter(
    ({ full, pieces }) =>
      full &&
      pieces.every((at) => {
        const piece = sheet.placements[at] as PlacedPiece;
        return !piece.turned && hasLongBand(piece);
      }),
  );
}
