import { type JobHead, type Material, type StockBoards, thicknessOf, usualBoards } from '../../decisions/index.js';
import { cutList } from '../../part/index.js';
import type { SolvedCabinet } from '../../solve/index.js';
import { layOut } from './pack.js';

/** A rough piece of solid wood, and how many of it. All mm. */
export interface RoughPiece {
  readonly mark: string;
  readonly name: string;
  readonly quantity: number;
  readonly length: number;
  readonly width: number;
  /** As it is cut to size. */
  readonly cutLength: number;
  readonly cutWidth: number;
}

/** What has to be bought of one solid wood: boards of one rough thickness. */
export interface BoardsToBuy {
  readonly material: Material;
  readonly boards: StockBoards;
  /** Planed thickness (mm). */
  readonly thickness: number;
  readonly pieces: readonly RoughPiece[];
  /** Cubic metres of rough pieces, and with waste. */
  readonly net: number;
  readonly gross: number;
  /** Boards of the usual width and length that carry the rough pieces; those that are wider are glued up first. */
  readonly count: number;
  /** Rough pieces wider than a board, in how many strips each is glued up. */
  readonly glued: readonly { readonly mark: string; readonly strips: number }[];
  readonly price: number;
}

/**
 * Boards to buy for the solid parts: each part with what is left on its length and width, those wider than a board in
 * equal strips to be glued up; by volume with the waste of that wood, and by boards of the usual size.
 */
export function boardsFor(
  { workshop, stock }: Pick<JobHead, 'workshop' | 'stock'>,
  cabinets: readonly SolvedCabinet[],
): BoardsToBuy[] {
  const { roughLength, roughWidth } = workshop.solid;
  const rows = cabinets.flatMap(({ cabinet, rows: own }) => own.map((row) => ({ cabinetId: cabinet.id, ...row })));
  return cutList(rows)
    .filter(({ material }) => material.form === 'solid')
    .flatMap(({ material, rows: list }): BoardsToBuy[] => {
      const boards = stock.boards.find((each) => each.material === material.id) ?? usualBoards(material);
      const pieces = list
        .filter(({ part }) => !part.bought)
        .map(
          ({ mark, part, quantity }): RoughPiece => ({
            mark,
            name: part.name,
            quantity,
            length: part.cutLength.value + roughLength,
            width: part.cutWidth.value + roughWidth,
            cutLength: part.cutLength.value,
            cutWidth: part.cutWidth.value,
          }),
        );
      if (pieces.length === 0) return [];
      // Each strip of a panel that is glued up has its own edges planed.
      const usable = Math.max(1, boards.width - roughWidth);
      const strips = pieces.map((piece) => ({ piece, strips: Math.max(1, Math.ceil(piece.cutWidth / usable - 1e-9)) }));
      const net = pieces.reduce(
        (sum, { length, width, quantity }) => sum + (length * width * boards.rough * quantity) / 1e9,
        0,
      );
      const gross = net * (1 + boards.waste);
      const { sheets } = layOut(
        {
          method: 'strips',
          kerf: workshop.cutting.kerf,
          goals: { first: 'sheets', next: 'nothing' },
          sheets: [{ id: 'board', length: boards.length, width: boards.width, trim: 0, price: 0, offcut: false }],
          parts: strips.map(({ piece, strips: count }) => ({
            id: piece.mark,
            length: piece.length,
            width: piece.cutWidth / count + roughWidth,
            quantity: piece.quantity * count,
            turn: false,
          })),
        },
        { steps: 4 },
      );
      return [
        {
          material,
          boards,
          thickness: thicknessOf(material).value,
          pieces,
          net,
          gross,
          count: sheets.length,
          glued: strips.flatMap(({ piece, strips: count }) => (count > 1 ? [{ mark: piece.mark, strips: count }] : [])),
          price: gross * boards.price,
        },
      ];
    });
}
