import type { Method } from '../../decisions/index.js';
import { type Orientation as CutWay, type Node, part, type Rect, stagesOf } from './parting.js';
import type { Unplaced } from './problem.js';
import type { Blank, CuttingProblem, Goals, SheetSupply } from './supply.js';

/**
 * A problem in whole tenths of a nanometre (so that 1/128 in is whole as well) with the kerf dealt with: every piece is a kerf larger each way and so is the sheet, so
 * that pieces side by side are a kerf apart and the last of a row needs no cut behind it.
 */
export interface Stock {
  readonly method: Method;
  readonly stages: number;
  /** What is kept between two pieces. */
  readonly gap: number;
  /** No strip narrower than this, a kerf more. */
  readonly strip: number;
  /** The first cuts leave so much more. */
  readonly oversize: number;
  /** Small routed pieces stay so far inside the edges. */
  readonly inside: number;
  readonly goals: Goals;
  readonly sheets: readonly SheetKind[];
  readonly kinds: readonly PieceKind[];
}

/** Alike sheets. */
export interface SheetKind {
  readonly at: number;
  readonly id: string;
  /** Inside the trim, and a kerf more. */
  readonly length: number;
  readonly width: number;
  readonly area: number;
  readonly count: number;
  /** What taking one costs by the first goal; next to nothing for what is there already. */
  readonly cost: number;
  readonly offcut: boolean;
  /** It carries what stays where it is, and so is part of every layout. */
  readonly fixed: boolean;
  /** What of it is free to begin with. */
  readonly start: readonly Free[];
}

/** Which way the last cut ran that made a rectangle: along the sheet's length, or across it. */
export type SawCut = 'none' | CutWay;

/** A rectangle nothing lies on, and how it was cut off. */
export interface Free extends Rect {
  /** In how many directions one after another it was cut so far. */
  readonly stage: number;
  readonly cut: SawCut;
}

/** Blanks that are laid out alike: it makes no difference which of them lies where. */
export interface PieceKind {
  readonly at: number;
  readonly blanks: readonly Pick<Blank, 'id' | 'quantity'>[];
  /** Of all of them together. */
  readonly quantity: number;
  readonly area: number;
  /** The ways it may lie on a sheet: one, or two. */
  readonly ways: readonly Way[];
  /** A routed piece that is kept off the edges. */
  readonly small: boolean;
}

export interface Way {
  readonly length: number;
  readonly width: number;
  readonly turned: boolean;
  /** The ways of the cuts that part a blank into its pieces, one after another; none for a single piece. */
  readonly inner: readonly CutWay[];
}

/** So many to a millimetre. */
export const FINE = 1e7;

const fine = (mm: number) => Math.round(mm * FINE);

/** The problem as it is searched, and what can be on no sheet. */
export function stockOf(problem: CuttingProblem): { stock: Stock; unplaced: Unplaced[] } {
  const { kerf, method, stages, spacing = 0, minimumStrip = 0, oversize = 0, small, goals, parts } = problem;
  const gap = fine(Math.max(kerf, spacing));
  const most = method === 'strips' ? 3 : (stages ?? Number.POSITIVE_INFINITY);
  const sheets = problem.sheets.map((sheet, at) => sheetKind(sheet, at, gap, method, goals));
  const unplaced: Unplaced[] = [];
  const gathered = new Map<string, Pick<PieceKind, 'ways' | 'area' | 'small'> & { readonly blanks: Blank[] }>();
  for (const blank of parts) {
    const [l, w] = [fine(blank.length) + gap, fine(blank.width) + gap];
    const inner = innerOf(blank, gap);
    const turned = inner.map((way): CutWay => (way === 'rip' ? 'cross' : 'rip'));
    const both: Way[] = [
      { length: l, width: w, turned: false, inner },
      ...(blank.turn && l !== w ? [{ length: w, width: l, turned: true, inner: turned }] : []),
    ];
    const offEdges = small !== undefined && method === 'nested' && Math.min(blank.length, blank.width) < small.size;
    const inside = offEdges && small ? 2 * fine(small.inside) : 0;
    const fits = (way: Pick<Way, 'length' | 'width'>) =>
      sheets.some((sheet) => way.length + inside <= sheet.length && way.width + inside <= sheet.width);
    // In a strip a blank is parted by crosscuts, and then by the trimming cuts.
    const parts = (way: Way) => method !== 'strips' || stagesIn(['rip', 'cross'], way.inner) <= most;
    const ways = both.filter((way) => fits(way) && parts(way));
    if (ways.length === 0 && both.some(fits)) {
      unplaced.push({
        id: blank.id,
        quantity: blank.quantity,
        reason: `The blank of ${blank.pieces?.length} pieces whose grain runs on takes more stages than strips have: cut it edge to edge, or let the grain run on less far.`,
      });
    } else if (ways.length === 0) {
      unplaced.push({
        id: blank.id,
        quantity: blank.quantity,
        reason: tooLarge(blank, problem.sheets, fits({ length: w, width: l })),
      });
    } else {
      const alike = [offEdges, ...ways.map((way) => [way.length, way.width, way.turned, ...way.inner].join())].join(
        ' ',
      );
      const known = gathered.get(alike) ?? { ways, area: l * w, small: offEdges, blanks: [] };
      known.blanks.push(blank);
      gathered.set(alike, known);
    }
  }
  const kinds = [...gathered.values()].map((kind, at): PieceKind => {
    const quantity = kind.blanks.reduce((sum, blank) => sum + blank.quantity, 0);
    return { at, quantity, ...kind };
  });
  return {
    stock: {
      method,
      stages: most,
      gap,
      strip: minimumStrip > 0 ? fine(minimumStrip) + gap : 0,
      oversize: method === 'nested' ? 0 : fine(oversize),
      inside: fine(small?.inside ?? 0),
      goals,
      sheets,
      kinds,
    },
    unplaced,
  };
}

function sheetKind(sheet: SheetSupply, at: number, gap: number, method: Method, goals: Goals): SheetKind {
  const [length, width] = [fine(sheet.length - 2 * sheet.trim) + gap, fine(sheet.width - 2 * sheet.trim) + gap];
  const fixed = (sheet.fixed ?? []).map((area) => ({
    x: fine(area.x - sheet.trim),
    y: fine(area.y - sheet.trim),
    length: fine(area.length) + gap,
    width: fine(area.width) + gap,
  }));
  const there = sheet.offcut || fixed.length > 0;
  return {
    at,
    id: sheet.id,
    length,
    width,
    area: length * width,
    count: fixed.length > 0 ? 1 : (sheet.count ?? Number.POSITIVE_INFINITY),
    // What is on hand goes before what has to be ordered.
    cost: there ? 0 : (goals.first === 'cost' ? sheet.price : 1) * (sheet.count === undefined ? 1 : 0.9999),
    offcut: sheet.offcut,
    fixed: fixed.length > 0,
    start: startOf({ x: 0, y: 0, length, width }, fixed, method),
  };
}

/** What is free on a sheet round what stays on it: what cuts from edge to edge leave, or for a router all of it. */
function startOf(whole: Rect, fixed: readonly Rect[], method: Method): Free[] {
  const open: Free = { stage: 0, ...whole, cut: 'none' };
  if (fixed.length === 0) return [open];
  if (method === 'nested') return fixed.reduce<Free[]>((free, each) => withoutArea(free, each) as Free[], [open]);
  const tree = part(whole, fixed, method === 'strips' ? 'rip' : undefined);
  return tree ? leftBy(tree, 0, 'none').filter(({ stage }) => method !== 'strips' || stage < 3) : [];
}

function leftBy(node: Node, stage: number, cut: SawCut): Free[] {
  if (node.kind === 'cuts') return node.parts.flatMap((each) => leftBy(each, stage + 1, node.way));
  return node.kind === 'left' ? [{ stage, ...node.rect, cut }] : [];
}

/** Stages of cuts one after another. */
export function stagesIn(before: readonly CutWay[], inner: readonly CutWay[]): number {
  return [...before, ...inner].filter((way, at, all) => way !== all[at - 1]).length;
}

/** The ways of the cuts a blank comes apart by, one after another. */
function innerOf({ pieces, length, width }: Blank, gap: number): CutWay[] {
  if (!pieces || pieces.length < 2) return [];
  const whole = { x: 0, y: 0, length: fine(length) + gap, width: fine(width) + gap };
  const rects = pieces.map((each) => ({
    x: fine(each.x),
    y: fine(each.y),
    length: fine(each.length) + gap,
    width: fine(each.width) + gap,
  }));
  const tree = part(whole, rects);
  if (tree?.kind !== 'cuts') return [];
  const other: CutWay = tree.way === 'rip' ? 'cross' : 'rip';
  return Array.from({ length: stagesOf(tree) }, (_, at) => (at % 2 === 0 ? tree.way : other));
}

function tooLarge({ length, width, pieces }: Blank, sheets: readonly SheetSupply[], turns: boolean): string {
  const usable = [
    ...new Set(
      sheets.map((sheet) => `${round(sheet.length - 2 * sheet.trim)} by ${round(sheet.width - 2 * sheet.trim)}`),
    ),
  ];
  const what = pieces
    ? `The blank of ${pieces.length} pieces whose grain runs on, ${round(length)} by ${round(width)} mm,`
    : `${round(length)} by ${round(width)} mm`;
  return `${what} does not fit ${usable.join(' or ')} mm${turns ? ', and it may not be turned' : ''}.`;
}

const round = (mm: number) => Math.round(mm * 1e6) / 1e6;

/** Free rectangles that overlap, each as large as it can be, when an area is taken from them. */
export function withoutArea<T extends Rect>(free: readonly T[], taken: Rect): T[] {
  const rest: T[] = [];
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
