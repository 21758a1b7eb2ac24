import { grainGroups } from '../../build/index.js';
import { type Material, pieceName } from '../../decisions/index.js';
import { type CutListRow, cutList, type Part } from '../../part/index.js';
import type { SolvedCabinet } from '../../solve/index.js';
import type { Blank } from './supply.js';

/** A piece that is cut from a sheet: one part of one cabinet. */
export interface SheetPiece {
  readonly cabinet: string;
  /** Number of the cabinet, and its name. */
  readonly number: string;
  readonly cabinetName: string;
  readonly key: string;
  readonly mark: string;
  readonly part: Part;
  /** Cut sizes along the sheet's length and across it, where it is not turned (mm). */
  readonly length: number;
  readonly width: number;
  readonly turn: boolean;
}

/** What is cut out of one material. */
export interface Demand {
  readonly material: Material;
  readonly pieces: readonly SheetPiece[];
  /** Pieces whose grain runs on, one behind the other in a blank. */
  readonly groups: readonly GrainBlank[];
}

/** A blank for several pieces, each where it lies in it (mm). */
export interface GrainBlank {
  readonly id: string;
  readonly length: number;
  readonly width: number;
  readonly pieces: readonly { readonly piece: SheetPiece; readonly x: number; readonly y: number }[];
}

/** The pieces cabinets need from sheets, material by material: thick before thin, wide before narrow. */
export function demandOf(cabinets: readonly SolvedCabinet[]): Demand[] {
  const rows = cabinets.flatMap(({ cabinet, rows: own }) =>
    own.map((row): CutListRow => ({ cabinetId: cabinet.id, ...row })),
  );
  const byId = new Map(cabinets.map((solved) => [solved.cabinet.id, solved]));
  const blanks = cabinets.flatMap(blanksOf);
  return cutList(rows)
    .filter(({ material }) => material.form === 'sheet')
    .flatMap(({ material, rows: list }): Demand[] => {
      const pieces = list
        .filter(({ part }) => !part.bought)
        .flatMap((row) => piecesOf(row, byId.get(row.cabinetId) as SolvedCabinet));
      if (pieces.length === 0) return [];
      const known = new Map(pieces.map((piece) => [pieceName(piece.cabinet, piece.key), piece]));
      const groups = blanks.flatMap(({ cabinet, id, length, width, places }): GrainBlank[] => {
        const found = places.map(({ key, x, y }) => ({ piece: known.get(pieceName(cabinet, key)), x, y }));
        return found.every(({ piece }) => piece !== undefined)
          ? [{ id, length, width, pieces: found as GrainBlank['pieces'] }]
          : [];
      });
      return [{ material, pieces, groups }];
    });
}

/** The key parts of one row stand for, each as a piece. */
function piecesOf({ mark, part, keys }: CutListRow, { cabinet, parts }: SolvedCabinet): SheetPiece[] {
  const { cutLength, cutWidth, material, grainRuns } = part;
  const [length, width] = grainRuns === 'width' ? [cutWidth.value, cutLength.value] : [cutLength.value, cutWidth.value];
  const own = new Map(parts.map((each) => [each.key, each]));
  return keys.map((key) => ({
    cabinet: cabinet.id,
    number: cabinet.number,
    cabinetName: cabinet.name,
    key,
    mark,
    part: own.get(key) ?? part,
    length,
    width,
    turn: part.grain === undefined && (material.grain === 'none' || grainRuns === 'either'),
  }));
}

interface BlankPlaces {
  readonly cabinet: string;
  readonly id: string;
  readonly length: number;
  readonly width: number;
  readonly places: readonly { readonly key: string; readonly x: number; readonly y: number }[];
}

/**
 * The blanks of a cabinet's fronts, with where each piece lies. The grain runs along the sheet: fronts with upright grain
 * lie on their sides, their tops towards the sheet's end. Lines of the face become saw cuts, the pieces stay in their rows
 * and columns.
 */
function blanksOf({ cabinet, fronts, resolved }: SolvedCabinet): BlankPlaces[] {
  return grainGroups(fronts, resolved).map(({ id, parts }) => {
    const cut = resolved.settings.fronts.sawCut.value;
    const upright = parts.every((part) => part.placement.u[1] === 'z');
    const up = (part: Part) => (part.placement.u[1] === 'z' ? part.cutLength.value : part.cutWidth.value);
    const across = (part: Part) => (part.placement.u[1] === 'z' ? part.cutWidth.value : part.cutLength.value);
    const left = offsets(parts, 'x', across, cut);
    const low = offsets(parts, 'z', up, cut);
    const places = parts.map((part) => {
      const [h, v] = [left(part), low(part)];
      return upright ? { key: part.key, x: v, y: h } : { key: part.key, x: h, y: v };
    });
    const size = (part: Part) => (upright ? [up(part), across(part)] : [across(part), up(part)]) as [number, number];
    return {
      cabinet: cabinet.id,
      id: `${cabinet.number}.${id}`,
      length: Math.max(...parts.map((part, at) => (places[at]?.x ?? 0) + size(part)[0])),
      width: Math.max(...parts.map((part, at) => (places[at]?.y ?? 0) + size(part)[1])),
      places,
    };
  });
}

/** Where parts begin along an axis when each stands a saw cut behind all that ends before it on the face. */
function offsets(parts: readonly Part[], axis: 'x' | 'z', size: (part: Part) => number, cut: number) {
  const sorted = [...parts].sort((a, b) => a.stands[axis].low.value - b.stands[axis].low.value);
  const at = new Map<Part, number>();
  for (const part of sorted) {
    const before = sorted.filter((other) => other.stands[axis].high.value <= part.stands[axis].low.value + 0.001);
    at.set(part, Math.max(0, ...before.map((other) => (at.get(other) ?? 0) + size(other) + cut)));
  }
  return (part: Part) => at.get(part) ?? 0;
}

/** Pieces that are not in a blank by their marks, and blanks, as they are laid out; those that stay elsewhere left out. */
export function blanksToLay({ pieces, groups }: Demand, stays: (piece: SheetPiece) => boolean): Blank[] {
  const together = groups.filter(({ pieces: own }) => !own.some(({ piece }) => stays(piece)));
  const inBlank = new Set(together.flatMap(({ pieces: own }) => own.map(({ piece }) => piece)));
  const single = new Map<string, Blank & { quantity: number }>();
  for (const piece of pieces) {
    if (inBlank.has(piece) || stays(piece)) continue;
    const { mark, length, width, turn } = piece;
    const known = single.get(mark);
    if (known) known.quantity += 1;
    else single.set(mark, { id: mark, length, width, turn, quantity: 1 });
  }
  return [
    ...single.values(),
    ...together.map(
      ({ id, length, width, pieces: own }): Blank => ({
        id,
        length,
        width,
        quantity: 1,
        turn: false,
        pieces: own.map(({ piece, x, y }) => ({ id: piece.mark, x, y, length: piece.length, width: piece.width })),
      }),
    ),
  ];
}
