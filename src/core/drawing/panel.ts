import type { Dim } from '../derive/index.js';
import type { EdgeReference, Face, Notch, Operation, Slots } from '../machining/index.js';
import { edgeName, faceName, isMirrored, type Part } from '../parts/index.js';
import type { SolvedCabinet } from '../solve.js';
import { notchedOutline } from './cut.js';
import { type DimensionItem, type Drawing, type DrawingItem, type DrawingPoint, regionBetween } from './drawing.js';
import { pinHandles } from './handles.js';
import { TINT } from './tints.js';

/**
 * One part as it lies on the bench with a face up: its outline, what is cut and bored in that face in full lines, what
 * is in the other face dashed, banded edges marked, dimensions from the edges the fences run against. u runs upwards,
 * so a left part and its right twin are drawn as the mirror images they are.
 */
export function drawPanel(part: Part, face: Face, mark: string, jobName: string, solved?: SolvedCabinet): Drawing {
  const flip = isMirrored(part.placement) !== (face === 2);
  const point = (u: number, v: number): DrawingPoint => ({ h: flip ? part.width.mm - v : v, v: u });
  const notches = part.machining.filter((operation): operation is Notch => operation.kind === 'notch');
  const outline: DrawingItem = {
    kind: 'shape',
    tint: TINT[part.role],
    weight: 'outline',
    points: notchedOutline(part, notches).map(([u, v]) => point(u, v)),
    shows: part.key,
  };
  const drawn = part.machining.flatMap((operation) => operationItems(operation, part, face, point));
  return {
    title: { job: jobName, cabinet: `${mark} ${part.name}`, view: capital(faceName(part, face)) },
    min: { h: 0, v: 0 },
    max: { h: part.width.mm, v: part.length.mm },
    items: [outline, ...bandItems(part, point), ...drawn, ...edgeNames(part, point)],
    dimensions: dimensions(part, face, flip),
    handles: solved ? pinHandles(solved, part, face, flip) : [],
    spot: (_part, at) => point(at.u, at.v),
  };
}

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

type ToDrawing = (u: number, v: number) => DrawingPoint;

/** A banded edge carries a second line just inside it. */
function bandItems(part: Part, point: ToDrawing): DrawingItem[] {
  const [length, width] = [part.length.mm, part.width.mm];
  const inset = Math.min(length, width) * 0.012;
  const lines: Record<EdgeReference, [[number, number], [number, number]]> = {
    u0: [
      [inset, 0],
      [inset, width],
    ],
    u1: [
      [length - inset, 0],
      [length - inset, width],
    ],
    v0: [
      [0, inset],
      [length, inset],
    ],
    v1: [
      [0, width - inset],
      [length, width - inset],
    ],
  };
  return part.bands.map(({ edge }) => ({
    kind: 'line',
    weight: 'outline',
    points: lines[edge].map(([u, v]) => point(u, v)),
  }));
}

/** What each edge is called when the part stands in the cabinet, written along it. */
function edgeNames(part: Part, point: ToDrawing): DrawingItem[] {
  const [length, width] = [part.length.mm, part.width.mm];
  const inset = Math.min(length, width) * 0.12;
  const places: Record<EdgeReference, [number, number]> = {
    u0: [inset * 0.6, width / 2],
    u1: [length - inset * 0.6, width / 2],
    // Well inside the lines of holes that run along these edges.
    v0: [length / 2, width * 0.26],
    v1: [length / 2, width * 0.74],
  };
  const slim = width < 140 || length < 140;
  const edges: EdgeReference[] = slim ? [] : ['u0', 'u1', 'v0', 'v1'];
  return edges.map((edge) => ({ kind: 'mark', at: point(...places[edge]), text: edgeName(part.placement, edge) }));
}

/** A distance from a named edge as a position from u0 or v0. */
export function fromStart(part: Part, from: EdgeReference, offset: number): number {
  if (from === 'u1') return part.length.mm - offset;
  if (from === 'v1') return part.width.mm - offset;
  return offset;
}

function operationItems(operation: Operation, part: Part, face: Face, point: ToDrawing): DrawingItem[] {
  const [length, width] = [part.length.mm, part.width.mm];
  const weight = (own: Face) => (own === face ? 'visible' : 'hidden') as 'visible' | 'hidden';
  const band = (from: EdgeReference, near: number, far: number, own: Face): DrawingItem => {
    const [a, b] = [fromStart(part, from, near), fromStart(part, from, far)];
    const corners = from.startsWith('u') ? [point(a, 0), point(b, width)] : [point(0, a), point(length, b)];
    const [p, q] = corners as [DrawingPoint, DrawingPoint];
    return regionBetween(p, q, { tint: own === face ? 'machining' : 'void', weight: weight(own) });
  };
  switch (operation.kind) {
    case 'groove':
      return [band(operation.from, operation.offset.mm, operation.offset.mm + operation.width.mm, operation.face)];
    case 'rabbet':
      return [band(operation.from, 0, operation.width.mm, operation.face)];
    case 'notch':
      return [];
    case 'holes': {
      const line = fromStart(part, operation.from, operation.offset.mm);
      const through = operation.depth === undefined;
      return operation.positions.map((position) => ({
        kind: 'hole',
        at: operation.from.startsWith('u') ? point(line, position.mm) : point(position.mm, line),
        diameter: operation.diameter.mm,
        weight: through ? 'visible' : weight(operation.face),
      }));
    }
    case 'edge holes':
      return operation.positions.map((position) =>
        edgeLine(operation.edge, position.mm, operation.depth.mm, part, point),
      );
    case 'mortises':
      return operation.positions.map((position) => mortiseItem(operation, position.mm, part, face, point));
    case 'slots':
      return operation.positions.map((position): DrawingItem => {
        if ('edge' in operation.place)
          return edgeLine(operation.place.edge, position.mm, operation.depth.mm, part, point);
        const line = fromStart(part, operation.place.from, operation.offset.mm);
        const half = operation.length.mm / 2;
        const ends: [DrawingPoint, DrawingPoint] = operation.place.from.startsWith('u')
          ? [point(line, position.mm - half), point(line, position.mm + half)]
          : [point(position.mm - half, line), point(position.mm + half, line)];
        return { kind: 'line', weight: operation.place.face === face ? 'outline' : 'hidden', points: ends };
      });
    case 'pockets':
      return operation.positions.map((position) => ({
        ...edgeLine(operation.edge, position.mm, 40, part, point),
        weight: weight(operation.face),
      }));
  }
}

/** A mortise as it shows from the face: on a face as wide as its leaf, in an edge as deep as it is let in. */
function mortiseItem(
  { place, offset, length, thickness, depth }: Slots,
  position: number,
  part: Part,
  face: Face,
  point: ToDrawing,
): DrawingItem {
  const onEdge = 'edge' in place;
  const from = onEdge ? place.edge : place.from;
  const [near, far] = onEdge ? [0, depth.mm] : [offset.mm - thickness.mm / 2, offset.mm + thickness.mm / 2];
  const [a, b] = [fromStart(part, from, near), fromStart(part, from, far)];
  const half = length.mm / 2;
  const [p, q] = from.startsWith('u')
    ? [point(a, position - half), point(b, position + half)]
    : [point(position - half, a), point(position + half, b)];
  const seen = onEdge || place.face === face;
  return regionBetween(p, q, { tint: seen ? 'machining' : 'void', weight: seen ? 'visible' : 'hidden' });
}

/** Something bored into an edge, seen from the face: a short line from the edge. */
function edgeLine(
  edge: EdgeReference,
  position: number,
  depth: number,
  part: Part,
  point: ToDrawing,
): DrawingItem & { kind: 'line' } {
  const inner = fromStart(part, edge, depth);
  const outer = fromStart(part, edge, 0);
  const points = edge.startsWith('u')
    ? [point(outer, position), point(inner, position)]
    : [point(position, outer), point(position, inner)];
  return { kind: 'line', weight: 'hidden', points };
}

/** At most this many offsets are dimensioned on a side; the table has them all. */
const MOST_OFFSETS = 7;

function dimensions(part: Part, face: Face, flip: boolean): DimensionItem[] {
  const items: DimensionItem[] = [
    { id: 'panel-length', side: 'right', level: 1, from: 0, to: part.length.mm, dim: part.length },
    { id: 'panel-width', side: 'bottom', level: 1, from: 0, to: part.width.mm, dim: part.width },
  ];
  const seen = new Set<string>();
  for (const [at, operation] of part.machining.entries()) {
    if (!('from' in operation) || items.length > MOST_OFFSETS * 2) continue;
    const offset = 'offset' in operation ? operation.offset : operation.width;
    const id = `${operation.from} ${offset.mm.toFixed(2)}`;
    if (seen.has(id) || offset.mm <= 0.01) continue;
    seen.add(id);
    items.push(offsetDimension(`panel-${at}-${face}`, part, operation.from, offset, flip));
  }
  return items;
}

function offsetDimension(id: string, part: Part, from: EdgeReference, dim: Dim, flip: boolean): DimensionItem {
  const [a, b] = [fromStart(part, from, 0), fromStart(part, from, dim.mm)];
  const along = from.startsWith('u');
  const place = (value: number) => (along || !flip ? value : part.width.mm - value);
  const [low, high] = [Math.min(place(a), place(b)), Math.max(place(a), place(b))];
  return { id, side: along ? 'left' : 'top', level: 0, from: low, to: high, dim };
}

/** One hole, groove or slot of a part as a row of its table, from its reference edges. */
export interface MachiningRow {
  readonly what: string;
  readonly where: string;
  /** From the edge it is measured from. */
  readonly offset?: Dim;
  readonly positions: readonly Dim[];
  readonly size: Dim;
  readonly depth?: Dim;
  /** How the second size is read: a depth, unless it says otherwise. */
  readonly by?: true;
  readonly reason: string;
}

/** Everything cut and bored in a part, in order, each with the edge it is measured from. */
export function machiningTable(part: Part): MachiningRow[] {
  const name = (edge: EdgeReference) => edgeName(part.placement, edge);
  const side = (face: Face) => faceName(part, face);
  return part.machining.map((operation): MachiningRow => {
    const { reason } = operation;
    switch (operation.kind) {
      case 'groove':
        return {
          what: operation.along === 'width' ? 'Dado' : 'Groove',
          where: `${side(operation.face)}, from the ${name(operation.from)} edge`,
          offset: operation.offset,
          positions: [],
          size: operation.width,
          depth: operation.depth,
          reason,
        };
      case 'rabbet':
        return {
          what: 'Rabbet',
          where: `${side(operation.face)}, ${name(operation.from)} edge`,
          positions: [],
          size: operation.width,
          depth: operation.depth,
          reason,
        };
      case 'notch':
        return {
          what: 'Notch',
          where: `${name(operation.corner[0])} ${name(operation.corner[1])} corner`,
          positions: [],
          size: operation.alongLength,
          depth: operation.alongWidth,
          by: true,
          reason,
        };
      case 'holes':
        return {
          what: operation.depth ? 'Holes' : 'Through holes',
          where: `${side(operation.face)}, from the ${name(operation.from)} edge`,
          offset: operation.offset,
          positions: operation.positions,
          size: operation.diameter,
          ...(operation.depth ? { depth: operation.depth } : {}),
          reason,
        };
      case 'edge holes':
        return {
          what: 'Edge holes',
          where: `${name(operation.edge)} edge, from the ${side(1)}`,
          offset: operation.offset,
          positions: operation.positions,
          size: operation.diameter,
          depth: operation.depth,
          reason,
        };
      case 'slots':
      case 'mortises':
        return {
          what: operation.kind === 'slots' ? 'Slots' : 'Mortises',
          where:
            'edge' in operation.place
              ? `${name(operation.place.edge)} edge, from the ${side(1)}`
              : `${side(operation.place.face)}, from the ${name(operation.place.from)} edge`,
          offset: operation.offset,
          positions: operation.positions,
          size: operation.length,
          depth: operation.depth,
          reason,
        };
      case 'pockets':
        return {
          what: operation.plugged ? 'Pocket holes, plugged' : 'Pocket holes',
          where: `${side(operation.face)}, through the ${name(operation.edge)} edge`,
          positions: operation.positions,
          size: part.thickness,
          reason,
        };
    }
  });
}
