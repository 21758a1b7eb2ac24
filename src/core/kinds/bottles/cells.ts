import type { Compartment } from '../../build/index.js';
import { madeOf } from '../../decisions/index.js';
import { capital, type Dim, length, plain, type Span, spanBetween, spanFrom } from '../../ground/index.js';
import { bandsOn, type CutOut, makePart, type Part } from '../../part/index.js';
import { armsInto } from '../hinges/index.js';
import { rearOf } from '../runners/index.js';
import type { BottleContext } from './context.js';
import { bottleRoom } from './fills.js';
import type { BottleResolved } from './settings.js';

/** Cells for bottles in a room: how many, and how large each is inside. */
export interface BottleCells {
  /** Id of the room, and what it is called. */
  readonly room: string;
  readonly name: string;
  readonly across: number;
  readonly up: number;
  readonly width: Dim;
  readonly height: Dim;
  readonly depth: Dim;
  /** False where the room is too small for two by two. */
  readonly fits: boolean;
  /** Keys of its boards. */
  readonly parts: readonly string[];
}

export interface MadeCells {
  readonly fitted: BottleCells;
  readonly parts: readonly Part[];
}

/** Clear of the arm of a hinge (mm). */
const CLEAR_OF_HINGE = length(5, 'clear of the hinge');

/** A crate of cells in every room that is for bottles. */
export function fitCells(context: BottleContext): MadeCells[] {
  return context.interiors.compartments.flatMap((room) => (bottleRoom.is(room.fill) ? [cellsIn(room, context)] : []));
}

/** So many members fit beside each other with boards between them: ⌊(room + board) / (cell + board)⌋. */
function countIn(room: Dim, cell: Dim, board: Dim): number {
  return Math.max(0, Math.floor((room.value + board.value) / (cell.value + board.value) + 1e-9));
}

/** What is left for each: (room − boards) / cells. */
function clearOf(room: Dim, board: Dim, count: number, what: string): Dim {
  return (count > 1 ? room.minus(board.times(count - 1)).over(plain(count, 'cells')) : room).as(what);
}

function cellsIn(room: Compartment, context: BottleContext): MadeCells {
  const { parts, box, resolved, fitted } = context;
  const { bottles } = resolved.settings;
  const { h, v } = room.inside;
  const board = resolved.materials.cells.thickness;
  const wide = h.size.minus(bottles.play).as('crate of cells, width');
  const high = v.size.minus(bottles.play).as('crate of cells, height');
  const [across, up] = [countIn(wide, bottles.cell, board), countIn(high, bottles.cell, board)];
  const width = clearOf(wide, board, Math.max(1, across), 'bottle cell, clear width');
  const height = clearOf(high, board, Math.max(1, up), 'bottle cell, clear height');
  const plane = box.mountingPlane.value > 0 ? box.mountingPlane : length(0, 'front edge of the case');
  const usual = plane.plus(bottles.setback).as('front of the cells');
  const behind = armsInto(room, fitted.hinges, box.mountingPlane.value);
  const front =
    behind > 0 && behind + CLEAR_OF_HINGE.value > usual.value
      ? length(behind, 'rear of the hinge').plus(CLEAR_OF_HINGE).as('front of the cells')
      : usual;
  const { rear } = rearOf({ across: h, up: v }, parts, box, resolved.given.zones);
  const depth = rear.minus(front).minus(bottles.play).as('bottle cell, depth');
  const fits = across > 1 && up > 1 && depth.value > 0;
  const said = { room: room.id, name: room.name, across, up, width, height, depth, fits };
  if (!fits) return { fitted: { parts: [], ...said }, parts: [] };
  const half = bottles.play.over(2).as('play beside the crate');
  const crate: Crate = {
    key: `bottles/${room.id}`,
    whole: capital(room.name),
    x: spanFrom(h.low.plus(half), wide),
    y: spanFrom(front, depth),
    z: spanFrom(v.low, high),
    width,
    height,
  };
  const made = boards(crate, across, up, resolved);
  return { fitted: { parts: made.map(({ key }) => key), ...said }, parts: made };
}

interface Crate {
  readonly key: string;
  readonly whole: string;
  readonly x: Span;
  readonly y: Span;
  readonly z: Span;
  readonly width: Dim;
  readonly height: Dim;
}

/** Uprights slotted from the rear, levels slotted from the front, pushed into each other by half their depth. */
function boards(crate: Crate, across: number, up: number, resolved: BottleResolved): Part[] {
  const { key, whole, x, y, z } = crate;
  const { banding, bottles } = resolved.settings;
  const bands = banding.caseEdges.value === 'front' ? bandsOn(['v0'], banding.caseThickness, banding.preMilling) : [];
  const { thickness: board } = resolved.materials.cells;
  const slotWide = board.plus(bottles.slot).as('slot, width');
  const middle = y.size.over(2).as('half the depth');
  const common = { whole, unit: key, role: 'cell', bands } as const;
  const places = (start: Dim, cell: Dim, count: number) =>
    Array.from({ length: count - 1 }, (_, at) =>
      start.plus(cell.times(at + 1)).plus(at > 0 ? board.times(at) : length(0, 'no board before it')),
    );
  const columns = places(x.low, crate.width, across);
  const levels = places(z.low, crate.height, up);
  const slot = (from: 'v0' | 'v1', at: Dim, holds: string): CutOut => ({
    kind: 'cut-out',
    shape: 'rectangle',
    u: { edge: 'u0', offset: at.minus(bottles.slot.over(2)).as('slot') },
    v: { edge: from, offset: length(0, 'open at the edge') },
    alongLength: slotWide,
    alongWidth: middle.plus(bottles.slot).as('slot, depth'),
    reason: 'half of it goes over the other board',
    by: { kind: 'bottles', what: 'slot' },
    holds,
  });
  const uprights = columns.map((low, at) => {
    const own = `${key}/upright/${at + 1}`;
    return makePart({
      key: own,
      ...common,
      name: `upright ${at + 1}`,
      material: madeOf(resolved, 'cells', own).material,
      stands: { x: spanFrom(low.as('left face of the upright'), board), y, z },
      axes: { u: '+z', v: '+y', w: '+x' },
      machining: levels.map((level, n) => slot('v1', level.minus(z.low), `${key}/level/${n + 1}`)),
    });
  });
  const shelves = levels.map((low, at) => {
    const own = `${key}/level/${at + 1}`;
    return makePart({
      key: own,
      ...common,
      name: `level ${at + 1}`,
      material: madeOf(resolved, 'cells', own).material,
      stands: { x, y, z: spanBetween(low.as('underside of the level'), low.plus(board)) },
      axes: { u: '+x', v: '+y', w: '-z' },
      machining: columns.map((column, n) => slot('v0', column.minus(x.low), `${key}/upright/${n + 1}`)),
    });
  });
  return [...uprights, ...shelves];
}
