import {
  type DividerKind,
  type FillBook,
  type Interior,
  type InteriorSplit,
  interiorOf,
  isDivided,
  isFill,
  isSplit,
  type OwnPath,
  openingsOf,
  pathTo,
  type Resolved,
  type Room,
  type RoomFill,
  roomsOf,
  type Split,
} from '../../decisions/index.js';
import { type Dim, length, type Span } from '../../ground/index.js';
import type { Box } from './box.js';
import { type Boundary, type Cell, layInRow, sumOfWidths } from './face.js';
import { openingNames } from './names.js';
import { type Rectangle, type SplitAxis, spanOf, withSpan } from './region.js';
import { dividerThickness } from './scheme.js';
import { divideStack, type StackRefusal } from './stack.js';

/** A room behind a front or in an open bay that is not divided further. */
export interface Compartment {
  /** Its own id, or that of the opening where the whole of it is one room: parts are named for it. */
  readonly id: string;
  /** "doors 1", or "room 2 behind doors 1" */
  readonly name: string;
  readonly fill: RoomFill;
  /** Where it is filled in the document. */
  readonly path: OwnPath;
  readonly inside: Rectangle;
  /** The opening of the face it belongs to. */
  readonly cell: Cell;
}

/** A division of a room that cannot be followed, and why. */
export interface RefusedInterior {
  readonly cell: Cell;
  readonly path: OwnPath;
  readonly split: InteriorSplit;
  readonly refusal: StackRefusal;
}

/** A division of a room as it came out: the clear sizes of its members along it. */
export interface InteriorLayout {
  readonly axis: SplitAxis;
  readonly path: OwnPath;
  readonly parts: readonly Room[];
  readonly sizes: readonly Span[];
}

export interface Interiors {
  readonly compartments: readonly Compartment[];
  readonly boundaries: readonly Boundary[];
  readonly splits: readonly InteriorLayout[];
  readonly refused: readonly RefusedInterior[];
}

const EMPTY: RoomFill = { kind: 'nothing' };

/** What shelves of a room are called by: the open bay they stand in, or the room behind a front. */
export function shelvedRoom({ id, name, cell }: Compartment): string {
  return id === cell.opening.id && !isFill(cell.fill, 'open') ? `room behind ${name}` : name;
}

/** Divides the rooms behind the fronts, each within the opening it lies behind: clear sizes, with what stands between. */
export function layOutInteriors(cells: readonly Cell[], box: Box, resolved: Resolved): Interiors {
  const layout = new InteriorLayouts(box, resolved);
  for (const cell of cells) layout.layOut(cell);
  const { compartments, boundaries, splits, refused } = layout;
  return { compartments, boundaries, splits, refused };
}

/** Which divider stands after a room: as decided on it, else a fixed shelf between rows, a partition between columns. */
export function dividerInside({ divider }: Room, axis: SplitAxis): DividerKind {
  if (axis === 'columns') return divider === 'none' ? 'none' : 'partition';
  return divider !== undefined && divider !== 'partition' ? divider : 'shelf';
}

class InteriorLayouts implements Interiors {
  readonly compartments: Compartment[] = [];
  readonly boundaries: Boundary[] = [];
  readonly splits: InteriorLayout[] = [];
  readonly refused: RefusedInterior[] = [];
  private readonly front: Dim;

  constructor(
    box: Box,
    private readonly resolved: Resolved,
  ) {
    this.front = interiorFront(box, resolved);
  }

  layOut(cell: Cell): void {
    const interior = interiorOf(cell.fill);
    const path = pathTo.openingField(cell.path, 'fill/interior');
    const whole = { id: cell.opening.id, name: cell.name, path, inside: cell.inside, cell };
    if (!interior || !isDivided(interior)) {
      this.compartments.push({ fill: interior ?? EMPTY, ...whole });
      return;
    }
    const from = { rooms: this.compartments.length, boundaries: this.boundaries.length, splits: this.splits.length };
    const refused = this.divide(cell, interior, cell.inside, path, roomNames(interior, cell, this.resolved.fills));
    if (!refused) return;
    // What cannot be followed is left undivided, and a finding says so.
    this.compartments.length = from.rooms;
    this.boundaries.length = from.boundaries;
    this.splits.length = from.splits;
    this.refused.push(refused);
    this.compartments.push({ fill: EMPTY, ...whole });
  }

  private divide(
    cell: Cell,
    split: InteriorSplit,
    inside: Rectangle,
    path: OwnPath,
    names: ReadonlyMap<string, RoomName>,
  ): RefusedInterior | undefined {
    const axis = split.kind;
    const kinds = split.parts.slice(0, -1).map((room) => dividerInside(room, axis));
    const widths = kinds.map((kind, at) => dividerThickness(kind, (split.parts[at] as Room).id, this.resolved));
    const whole = spanOf(inside, axis);
    const available = widths.length > 0 ? whole.size.minus(sumOfWidths(widths)).as('rooms together') : whole.size;
    const called = (at: number) => names.get(split.parts[at]?.id ?? '')?.name ?? 'room';
    const what = axis === 'rows' ? 'height' : 'width';
    const divided = divideStack(
      split.parts.map((room, at) => ({
        label: `${called(at)}, ${what}`,
        size: room.size,
        pin: room.pin,
        path: pathTo.opening(path, room.id),
      })),
      available,
      split.graduation,
    );
    if (!divided.ok) return { cell, path, split, refusal: divided.refusal };
    const spans = layInRow(whole, divided.sizes, widths, axis, called);
    this.splits.push({ axis, path, parts: split.parts, sizes: spans });
    const within = { face: inside, clear: inside, inside };
    kinds.forEach((kind, at) => {
      const [before, after] = [spans[at] as Span, spans[at + 1] as Span];
      const [low, high] = axis === 'rows' ? [after.high, before.low] : [before.high, after.low];
      const size = widths[at] as Dim;
      const span = { low, high, size };
      this.boundaries.push({
        after: (split.parts[at] as Room).id,
        axis,
        kind,
        centre: low.plus(size.over(2)).as('centre of the divider'),
        clear: span,
        inside: span,
        within,
        front: this.front,
      });
    });
    for (const [at, room] of split.parts.entries()) {
      const own = withSpan(inside, axis, spans[at] as Span);
      const filled = pathTo.openingField(pathTo.opening(path, room.id), 'fill');
      if (isDivided(room.fill)) {
        const refused = this.divide(cell, room.fill, own, filled, names);
        if (refused) return refused;
      } else
        this.compartments.push({ id: room.id, name: called(at), fill: room.fill, path: filled, inside: own, cell });
    }
    return undefined;
  }
}

/** Front edge of what divides a room wholly behind a front: behind what stands in the opening, and the bumper with it. */
function interiorFront({ mountingPlane }: Box, { settings }: Resolved): Dim {
  if (mountingPlane.value <= 0) return length(0, 'front edge behind the fronts');
  const { bumper } = settings.depth;
  return (bumper.value > 0 ? mountingPlane.plus(bumper) : mountingPlane).as('front edge behind the fronts');
}

/** What a room is called: "tray 2 behind doors 1", and short where it is plain which front it is behind. */
export interface RoomName {
  readonly name: string;
  readonly short: string;
}

/** What the rooms behind all openings of a face are called. */
export function roomsInside(face: Split, fills: FillBook): Map<string, RoomName> {
  const names = openingNames(face, fills);
  return new Map(
    openingsOf(face).flatMap(({ id, fill }) => {
      const interior = interiorOf(fill);
      if (isSplit(fill) || !interior) return [];
      return [...roomNames(interior, { name: names.get(id) ?? 'the opening', fill }, fills)];
    }),
  );
}

/** What each room behind a front is called; those of a kind are numbered in reading order where there are several. */
function roomNames(
  interior: Interior,
  cell: Pick<Cell, 'name' | 'fill'>,
  { room: says }: FillBook,
): Map<string, RoomName> {
  const names = new Map<string, RoomName>();
  if (!isDivided(interior)) return names;
  const where = `${isFill(cell.fill, 'open') ? 'in' : 'behind'} ${cell.name}`;
  const rooms = roomsOf(interior);
  const calledOf = (fill: Interior) => says[fill.kind]?.called ?? 'room';
  const leaves = rooms.filter(({ fill }) => !isDivided(fill));
  for (const { id, fill } of rooms) {
    if (isDivided(fill)) {
      names.set(id, { name: `division ${where}`, short: 'division' });
      continue;
    }
    const called = calledOf(fill);
    const alike = leaves.filter((other) => calledOf(other.fill) === called);
    const at = alike.findIndex((other) => other.id === id) + 1;
    const short = alike.length === 1 ? called : `${called} ${at}`;
    names.set(id, { name: `${short} ${where}`, short });
  }
  return names;
}
