import {
  type Job,
  type JobHead,
  type LayoutSheet,
  type Material,
  type Method,
  type PlacedPiece,
  pieceName,
  type SheetLayout,
} from '../../decisions/index.js';
import type { SolvedCabinet } from '../../solve/index.js';
import { blanksToLay, type Demand, demandOf, type SheetPiece } from './demand.js';
import type { Packing, SheetPlacement, Unplaced } from './problem.js';
import type { Area, CuttingProblem, Goals, SheetSupply } from './supply.js';

/** How the sheets of a job are to be cut. */
export interface CuttingWay {
  readonly method: Method;
  readonly stages: number | null;
  readonly goals: Goals;
}
export const USUAL_WAY: CuttingWay = { method: 'strips', stages: null, goals: { first: 'sheets', next: 'offcut' } };

/** What has to be laid out of one material: the problem, and the sheets that stay as they are. */
export interface Plan {
  readonly demand: Demand;
  readonly way: CuttingWay;
  readonly problem: CuttingProblem;
  /** Cut already: nothing on them changes. */
  readonly cut: readonly LayoutSheet[];
  /** Sheets with something that stays where it is, by their ids, without what may move. */
  readonly begun: readonly LayoutSheet[];
  /** Names of the pieces that lie on either. */
  readonly stays: ReadonlySet<string>;
}

/** A layout that was found, and what found no place. */
export interface Proposal {
  readonly layout: SheetLayout;
  readonly unplaced: readonly Unplaced[];
}

/** The id of sheets of the material's own size, which are ordered. */
const ORDERED = 'to order';

const nameOf = ({ cabinet, part }: Pick<PlacedPiece, 'cabinet' | 'part'>) => pieceName(cabinet, part);
/** Pieces by what a placement calls them. */
export function piecesByName({ pieces }: Demand): ReadonlyMap<string, SheetPiece> {
  return new Map(pieces.map((piece) => [pieceName(piece.cabinet, piece.key), piece]));
}

/** Sizes agree to this (mm). */
const NEAR = 0.005;

/** True while a piece is as it was laid out. */
function isStill(placed: PlacedPiece, piece: SheetPiece | undefined): boolean {
  if (!piece) return false;
  const [length, width] = placed.turned ? [piece.width, piece.length] : [piece.length, piece.width];
  return Math.abs(placed.length - length) < NEAR && Math.abs(placed.width - width) < NEAR;
}

/**
 * What has to be laid out of a material: its pieces, but for those on sheets that are cut, on what is in stock and what can
 * be ordered, round what is locked and what is kept clear in the layout that was accepted.
 */
export function planFor(
  { workshop, stock }: Pick<JobHead, 'workshop' | 'stock'>,
  demand: Demand,
  way: CuttingWay,
  accepted?: SheetLayout,
): Plan {
  const { cutting } = workshop;
  const { material } = demand;
  const byName = piecesByName(demand);
  const cut = accepted?.sheets.filter((sheet) => sheet.cut) ?? [];
  const begun = (accepted?.sheets ?? []).flatMap((sheet): LayoutSheet[] => {
    if (sheet.cut) return [];
    const placements = sheet.placements.filter((each) => each.locked && isStill(each, byName.get(nameOf(each))));
    return placements.length + sheet.clear.length === 0 ? [] : [{ ...sheet, placements }];
  });
  const stays = new Set([...cut, ...begun].flatMap(({ placements }) => placements.map(nameOf)));
  const supplies = suppliesOf(material, stock, cutting.trim, begun);
  const priced = supplies.every(({ price, offcut }) => offcut || price > 0);
  const nested = way.method === 'nested';
  return {
    demand,
    way,
    cut,
    begun,
    stays,
    problem: {
      method: way.method,
      kerf: nested ? cutting.cutter : cutting.kerf,
      ...(way.stages !== null && way.method === 'guillotine' ? { stages: way.stages } : {}),
      ...(nested ? { spacing: cutting.cutter + cutting.margin } : {}),
      ...(nested ? { small: { size: cutting.smallPart, inside: cutting.keptOff } } : {}),
      ...(way.method === 'strips' ? { minimumStrip: cutting.minimumStrip } : {}),
      ...(cutting.breakdown === 'oversize' && !nested ? { oversize: cutting.oversize } : {}),
      // What is not priced cannot be cheaper.
      goals: priced ? way.goals : { ...way.goals, first: 'sheets' },
      sheets: supplies,
      parts: blanksToLay(demand, (piece) => stays.has(pieceName(piece.cabinet, piece.key))),
    },
  };
}

/** What a begun sheet is called among what sheets are taken from: stock has ids of its own. */
const begunId = (sheet: string) => `begun ${sheet}`;

/** The sheets there are: those begun, offcuts and whole ones on hand, and the material's own size to order. */
function suppliesOf(
  { id, sheet, price = 0 }: Material,
  stock: JobHead['stock'],
  trim: number,
  begun: readonly LayoutSheet[],
): SheetSupply[] {
  const taken = (row: string) => begun.filter(({ from }) => from === row).length;
  const fixed = begun.map(
    (each): SheetSupply => ({
      id: begunId(each.id),
      length: each.length,
      width: each.width,
      trim: each.trim,
      price: 0,
      offcut: each.offcut,
      fixed: [...each.placements, ...each.clear].map(areaOf),
    }),
  );
  const there = stock.sheets
    .filter((row) => row.material === id)
    .map(
      (row): SheetSupply => ({
        id: row.id,
        length: row.length,
        width: row.width,
        // An offcut was trimmed when it was cut off.
        trim: row.offcut ? 0 : trim,
        ...(row.count === null ? {} : { count: Math.max(0, row.count - taken(row.id)) }),
        price: row.price,
        offcut: row.offcut,
      }),
    )
    .filter((supply) => supply.count !== 0 && supply.length > 2 * supply.trim && supply.width > 2 * supply.trim);
  const ordered = { id: ORDERED, length: sheet.length, width: sheet.width, trim, price, offcut: false };
  return [...fixed, ...there, ...(sheet.length > 2 * trim && sheet.width > 2 * trim ? [ordered] : [])];
}

const areaOf = ({ x, y, length, width }: Area): Area => ({ x, y, length, width });

/** What was packed as a layout that can be accepted: every piece by its cabinet and its part. */
export function proposalOf(
  { demand, way, problem, cut, begun, stays }: Plan,
  { sheets, bound, unplaced }: Packing,
): Proposal {
  const waiting = new Map<string, SheetPiece[]>();
  for (const piece of demand.pieces)
    if (!stays.has(pieceName(piece.cabinet, piece.key)))
      waiting.set(piece.mark, [...(waiting.get(piece.mark) ?? []), piece]);
  const placed = ({ id, x, y, length, width, turned }: SheetPlacement): PlacedPiece => {
    const piece = waiting.get(id)?.shift() as SheetPiece;
    return { cabinet: piece.cabinet, part: piece.key, x, y, length, width, turned, locked: false };
  };
  const taken = new Set([...cut, ...begun].map(({ id }) => id));
  let next = 0;
  const freshId = () => {
    do next += 1;
    while (taken.has(`s${next}`));
    return `s${next}`;
  };
  const known = new Map(begun.map((sheet) => [begunId(sheet.id), sheet]));
  const supplies = new Map(problem.sheets.map((supply) => [supply.id, supply]));
  const laid = sheets.map(({ from, placements }): LayoutSheet => {
    const start = known.get(from);
    if (start) return { ...start, placements: [...start.placements, ...placements.map(placed)] };
    const supply = supplies.get(from) as SheetSupply;
    return {
      id: freshId(),
      from: from === ORDERED ? null : from,
      length: supply.length,
      width: supply.width,
      trim: supply.trim,
      offcut: supply.offcut,
      cut: false,
      clear: [],
      placements: placements.map(placed),
    };
  });
  const whole = [...cut, ...begun].filter(({ offcut }) => !offcut).length;
  return {
    layout: {
      id: demand.material.id,
      method: way.method,
      stages: way.method === 'guillotine' ? way.stages : null,
      kerf: problem.kerf,
      spacing: problem.spacing ?? 0,
      oversize: problem.oversize ?? 0,
      bound: bound + whole,
      sheets: [...cut, ...laid.filter(({ placements, clear }) => placements.length + clear.length > 0)],
      ticks: [],
    },
    unplaced,
  };
}

/** Something of an accepted layout that is no longer so. */
export interface ChangedLayout {
  readonly kind: 'gone' | 'size' | 'material' | 'no place';
  readonly cabinet: string;
  readonly part: string;
  readonly sheet: string | undefined;
  /** True where it is cut already: it has to be made again, or the cabinet made to it. */
  readonly cut: boolean;
  readonly mark: string;
  /** What it was laid out as, and what it is now, as lengths along and across the sheet (mm). */
  readonly was: readonly [number, number] | undefined;
  readonly is: readonly [number, number] | undefined;
}

/** Pieces that are cut already, in all accepted layouts, and that the cabinets as they are now want otherwise or not at all. */
export function cutInVain(layouts: readonly SheetLayout[], cabinets: readonly SolvedCabinet[]): ChangedLayout[] {
  const begun = layouts.filter(({ sheets }) => sheets.some(({ cut }) => cut));
  if (begun.length === 0) return [];
  const demands = demandOf(cabinets);
  return begun.flatMap((layout) => {
    const demand = demands.find(({ material }) => material.id === layout.id);
    return changedSince(layout, demand, demands).filter(({ cut }) => cut);
  });
}

/** The same for one cabinet by itself. */
export function cutInVainOf(layouts: readonly SheetLayout[], solved: SolvedCabinet): ChangedLayout[] {
  const { id } = solved.cabinet;
  return cutInVain(
    withPiecesOf(layouts, (cabinet) => cabinet === id),
    [solved],
  );
}

/** So many pieces are cut for cabinets that are not in the job any more. */
export function cutForNone({ layouts = [], cabinets }: Pick<Job, 'layouts' | 'cabinets'>): number {
  const there = new Set(cabinets.map(({ id }) => id));
  return cutPieces(layouts).filter(({ cabinet }) => !there.has(cabinet)).length;
}

/** Cabinets of which other pieces are cut, or lie elsewhere on what is cut, in one state of the layouts than in another. */
export function cutOtherwise(before: readonly SheetLayout[], after: readonly SheetLayout[]): Set<string> {
  const lines = (layouts: readonly SheetLayout[]) =>
    new Map(cutPieces(layouts).map((piece) => [JSON.stringify(piece), piece.cabinet]));
  const [was, is] = [lines(before), lines(after)];
  const differing = [...was].filter(([line]) => !is.has(line)).concat([...is].filter(([line]) => !was.has(line)));
  return new Set(differing.map(([, cabinet]) => cabinet));
}

const cutPieces = (layouts: readonly SheetLayout[]) =>
  layouts.flatMap(({ id, sheets }) =>
    sheets
      .filter(({ cut }) => cut)
      .flatMap((sheet) =>
        sheet.placements.map(({ cabinet, part, length, width, turned }) => ({
          on: `${id}/${sheet.id}`,
          cabinet,
          part,
          length,
          width,
          turned,
        })),
      ),
  );

const withPiecesOf = (layouts: readonly SheetLayout[], wanted: (cabinet: string) => boolean): SheetLayout[] =>
  layouts.map((layout) => ({
    ...layout,
    sheets: layout.sheets.map((sheet) => ({
      ...sheet,
      placements: sheet.placements.filter(({ cabinet }) => wanted(cabinet)),
    })),
  }));

/** Which placements of a layout no longer hold, what is cut already first; and what has no place in it. */
export function changedSince(layout: SheetLayout, demand: Demand | undefined, all: readonly Demand[]): ChangedLayout[] {
  const byName = demand ? piecesByName(demand) : new Map<string, SheetPiece>();
  const elsewhere = new Map(all.flatMap((each) => [...piecesByName(each)]));
  const placed = new Set<string>();
  const changed = layout.sheets.flatMap((sheet) =>
    sheet.placements.flatMap((each): ChangedLayout[] => {
      const name = nameOf(each);
      placed.add(name);
      const piece = byName.get(name);
      if (isStill(each, piece)) return [];
      const other = piece ?? elsewhere.get(name);
      return [
        {
          kind: piece ? 'size' : other ? 'material' : 'gone',
          cabinet: each.cabinet,
          part: each.part,
          sheet: sheet.id,
          cut: sheet.cut,
          mark: other?.mark ?? '',
          was: each.turned ? [each.width, each.length] : [each.length, each.width],
          is: piece && [piece.length, piece.width],
        },
      ];
    }),
  );
  const missing = [...byName.values()]
    .filter((piece) => !placed.has(pieceName(piece.cabinet, piece.key)))
    .map(
      (piece): ChangedLayout => ({
        kind: 'no place',
        cabinet: piece.cabinet,
        part: piece.key,
        sheet: undefined,
        cut: false,
        mark: piece.mark,
        was: undefined,
        is: [piece.length, piece.width],
      }),
    );
  return [...changed.sort((a, b) => Number(b.cut) - Number(a.cut)), ...missing];
}
