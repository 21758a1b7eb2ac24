import type { LayoutSheet, PlacedPiece, SheetLayout } from '../../decisions/index.js';
import { stagesOf } from './parting.js';
import { overlaps, partingOf, stagesAllowed } from './sequence.js';
import type { Area } from './supply.js';

/** A piece of a layout: on which sheet, and which one there. */
export interface PieceAt {
  readonly sheet: string;
  readonly at: number;
}

export type Moved =
  | { readonly ok: true; readonly sheets: readonly LayoutSheet[] }
  | { readonly ok: false; readonly why: string };

/** Nearer than this a piece sticks to the trim, or a kerf from another (mm). */
const STICKS = 40;
/** Places agree to this (mm). */
const NEAR = 1e-4;

interface Words {
  /** What a piece is called. */
  readonly mark: (piece: PlacedPiece) => string;
  readonly show: (mm: number) => string;
}

/**
 * Puts a piece of a layout to another place, on its own or another sheet, stuck to what is near: the trim, or a kerf from
 * another piece. Or says why it cannot lie there. The piece is locked where the maker put it.
 */
export function movePiece(
  layout: SheetLayout,
  from: PieceAt,
  to: { readonly sheet: string; readonly x: number; readonly y: number },
  words: Words,
): Moved {
  const source = layout.sheets.find(({ id }) => id === from.sheet);
  const target = layout.sheets.find(({ id }) => id === to.sheet);
  const piece = source?.placements[from.at];
  if (!source || !target || !piece) return no('There is no such piece on the sheets any more.');
  if (source.cut || target.cut) return no('That sheet is cut: nothing on it moves any more.');
  const others = target.placements.filter((each) => each !== piece);
  const gap = Math.max(layout.kerf, layout.spacing);
  const placed: PlacedPiece = { ...piece, ...stuck(piece, to, target, others, gap), locked: true };
  const why = whyNot(placed, target, others, gap, words);
  if (why) return no(why);
  const moved = { ...target, placements: [...others, placed] };
  const cut = whyUncuttable(moved, layout);
  if (cut) return no(cut);
  const left = { ...source, placements: source.placements.filter((each) => each !== piece) };
  return {
    ok: true,
    sheets: layout.sheets
      .map((sheet) => (sheet === target ? moved : sheet === source ? left : sheet))
      .filter((sheet) => sheet.placements.length + sheet.clear.length > 0),
  };
}

const no = (why: string): Moved => ({ ok: false, why });

/** The nearest place at which it lies against the trim or a kerf from another piece, along each axis. */
function stuck(
  piece: Area,
  { x, y }: { x: number; y: number },
  sheet: LayoutSheet,
  others: readonly Area[],
  gap: number,
) {
  const along = (axis: 'x' | 'y', size: 'length' | 'width', wanted: number) => {
    const lines = [
      sheet.trim,
      sheet[size] - sheet.trim - piece[size],
      ...others.flatMap((other) => [
        other[axis],
        other[axis] + other[size] + gap,
        other[axis] - gap - piece[size],
        other[axis] + other[size] - piece[size],
      ]),
    ];
    const near = lines.filter((line) => Math.abs(line - wanted) <= STICKS);
    return near.length === 0 ? wanted : near.reduce((a, b) => (Math.abs(b - wanted) < Math.abs(a - wanted) ? b : a));
  };
  return { x: along('x', 'length', x), y: along('y', 'width', y) };
}

/** Why a piece cannot lie where it is; undefined where it can. */
function whyNot(
  piece: PlacedPiece,
  { length, width, trim, clear }: LayoutSheet,
  others: readonly PlacedPiece[],
  gap: number,
  { mark, show }: Words,
): string | undefined {
  const { x, y } = piece;
  if (
    x < trim - NEAR ||
    y < trim - NEAR ||
    x + piece.length > length - trim + NEAR ||
    y + piece.width > width - trim + NEAR
  )
    return trim > 0
      ? `It would reach into the ${show(trim)} that are trimmed off the edges, or over them.`
      : 'It would reach over the edge of the sheet.';
  const grown = { x: x - gap, y: y - gap, length: piece.length + 2 * gap, width: piece.width + 2 * gap };
  const other = others.find((each) => overlaps(grown, each));
  if (other) return `It would not be ${show(gap)} clear of ${mark(other)}.`;
  return clear.some((area) => overlaps(piece, area)) ? 'That place is kept clear.' : undefined;
}

/** Why the pieces on a sheet could not be cut apart; undefined where they can. */
function whyUncuttable(sheet: LayoutSheet, layout: Omit<SheetLayout, 'sheets'>): string | undefined {
  if (layout.method === 'nested') return undefined;
  const tree = partingOf(sheet, layout);
  if (!tree) return 'No cut from edge to edge would free it there.';
  const [takes, allowed] = [stagesOf(tree), stagesAllowed(layout)];
  if (layout.method === 'strips' && tree.kind === 'cuts' && tree.way === 'cross' && takes > 2)
    return 'It would no longer lie in a strip that is ripped over the whole sheet.';
  return takes > allowed ? `It would take ${takes} stages of cuts; this layout is cut in ${allowed}.` : undefined;
}

type Sheets = readonly LayoutSheet[];

const changed = (sheets: Sheets, id: string, change: (sheet: LayoutSheet) => LayoutSheet): Sheets =>
  sheets.map((sheet) => (sheet.id === id ? change(sheet) : sheet));

/** The sheets with a piece locked where it lies, or free to be moved again. */
export function withLock({ sheets }: Pick<SheetLayout, 'sheets'>, { sheet, at }: PieceAt, locked: boolean): Sheets {
  return changed(sheets, sheet, (each) => ({
    ...each,
    placements: each.placements.map((piece, index) => (index === at ? { ...piece, locked } : piece)),
  }));
}

/** The sheets with the place of a piece kept clear; the piece itself lies nowhere until it is laid out again. */
export function withClear({ sheets }: Pick<SheetLayout, 'sheets'>, { sheet, at }: PieceAt): Sheets {
  return changed(sheets, sheet, (each) => {
    const piece = each.placements[at];
    if (!piece) return each;
    const { x, y, length, width } = piece;
    return {
      ...each,
      clear: [...each.clear, { x, y, length, width }],
      placements: each.placements.filter((_, index) => index !== at),
    };
  });
}

/** The sheets with a place that was kept clear to be used again. */
export function withoutClear({ sheets }: Pick<SheetLayout, 'sheets'>, sheet: string, place: number): Sheets {
  return changed(sheets, sheet, (each) => ({ ...each, clear: each.clear.filter((_, index) => index !== place) }));
}
