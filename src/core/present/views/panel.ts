import { capital, type Dim } from '../../ground/index.js';
import {
  type DimensionItem,
  type Drawing,
  type DrawingItem,
  type DrawingPoint,
  dimension,
  type EdgeReference,
  edgeName,
  faceName,
  fromStart,
  isMirrored,
  keyForm,
  type MachiningRow,
  type Operation,
  outlineOf,
  overall,
  type PanelFace,
  type Part,
  partNames,
  planOutline,
  regionBetween,
  rowOf,
  sizeOf,
  TINT,
} from '../../part/index.js';
import type { SolvedCabinet } from '../../solve/index.js';
import { pinHandles } from './handles.js';

/**
 * One part as it lies on the bench with a face up: its outline, what is cut and bored in that face in full lines, what
 * is in the other face dashed, banded edges marked, dimensions from the edges the fences run against. u runs upwards,
 * so a left part and its right twin are drawn as the mirror images they are.
 */
export function drawPanel(part: Part, face: PanelFace, mark: string, jobName: string, solved?: SolvedCabinet): Drawing {
  const flip = isMirrored(part.placement) !== (face === 2);
  const point = (u: number, v: number): DrawingPoint => ({ h: flip ? part.width.value - v : v, v: u });
  const outline: DrawingItem = {
    kind: 'shape',
    tint: TINT[part.role],
    weight: 'outline',
    points: planOutline(part).map(([u, v]) => point(u, v)),
    shows: part.key,
  };
  const drawn = part.machining.flatMap((operation, at) =>
    operationItems(operation, part, face, point).map((item) => ({ ...item, shows: cutKey(part.key, at) })),
  );
  return {
    title: { job: jobName, cabinet: `${mark} ${part.name}`, view: capital(faceName(part, face)) },
    ...reaching(part, flip),
    items: [...leftOnItems(part, point), outline, ...bandItems(part, point), ...drawn, ...edgeNames(part, point)],
    dimensions: dimensions(part, face, flip),
    handles: solved ? pinHandles(solved, part, face, flip) : [],
    spots: { panel: { turned: flip ? part.width.value : undefined } },
  };
}

const cuts = keyForm('cut/:at/*part');

/** The key one of a part's cuts and bores is selected by. */
export function cutKey(part: string, at: number): string {
  return cuts.of({ at, part });
}

/** The part and the number of the cut a key stands for; undefined for other keys. */
export function cutOfKey(key: string | null): { part: string; at: number } | undefined {
  const found = cuts.read(key);
  return found && { at: Number(found.at), part: found.part };
}

/** How far the sheet reaches: the finished part, and what is left on at its edges. */
function reaching({ over, length, width }: Part, flip: boolean): Pick<Drawing, 'min' | 'max'> {
  const left = (edge: EdgeReference) => over.find((each) => each.edge === edge)?.size.value ?? 0;
  const [before, after] = flip ? (['v1', 'v0'] as const) : (['v0', 'v1'] as const);
  return {
    min: { h: 0 - left(before), v: 0 - left('u0') },
    max: { h: width.value + left(after), v: length.value + left('u1') },
  };
}

/** What is left on beyond the finished size, to be scribed or trimmed in place: dashed round the part. */
function leftOnItems({ over, length, width }: Part, point: ToDrawing): DrawingItem[] {
  return over.map(({ edge, size }): DrawingItem => {
    const along = edge.startsWith('u');
    const [from, to] = edge.endsWith('0')
      ? [0 - size.value, 0]
      : ((end) => [end, end + size.value])((along ? length : width).value);
    const [a, b] = along ? [point(from, 0), point(to, width.value)] : [point(0, from), point(length.value, to)];
    return regionBetween(a, b, { tint: 'void', weight: 'hidden' });
  });
}

type ToDrawing = (u: number, v: number) => DrawingPoint;

/** A banded edge carries a second line just inside it. */
function bandItems(part: Part, point: ToDrawing): DrawingItem[] {
  const [length, width] = [part.length.value, part.width.value];
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
  const [length, width] = [part.length.value, part.width.value];
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

/** An operation as its kind outlines it: what enters this face in full lines, what enters the other dashed. */
function operationItems(operation: Operation, part: Part, face: PanelFace, point: ToDrawing): DrawingItem[] {
  return outlineOf(operation, sizeOf(part)).map((outline): DrawingItem => {
    const seen = outline.face === undefined || outline.face === face;
    switch (outline.shape) {
      case 'region': {
        const [a, b] = [point(outline.u[0], outline.v[0]), point(outline.u[1], outline.v[1])];
        return regionBetween(
          a,
          b,
          seen ? { tint: 'machining', weight: 'visible' } : { tint: 'void', weight: 'hidden' },
        );
      }
      case 'hole':
        return {
          kind: 'hole',
          at: point(outline.u, outline.v),
          diameter: outline.diameter,
          weight: seen ? 'visible' : 'hidden',
        };
      case 'line':
        return {
          kind: 'line',
          weight: outline.face !== face && !outline.seen ? 'hidden' : outline.heavy ? 'outline' : 'visible',
          points: [point(...outline.from), point(...outline.to)],
        };
    }
  });
}

/** At most this many offsets are dimensioned on a side; the table has them all. */
const MOST_OFFSETS = 7;

function dimensions(part: Part, face: PanelFace, flip: boolean): DimensionItem[] {
  const items: DimensionItem[] = [
    overall(dimension('panel-length', 'right', 1, 0, part.length.value, part.length)),
    overall(dimension('panel-width', 'bottom', 1, 0, part.width.value, part.width)),
  ];
  const seen = new Set<string>();
  for (const [at, operation] of part.machining.entries()) {
    if (!('from' in operation) || items.length > MOST_OFFSETS * 2) continue;
    const offset = 'offset' in operation ? operation.offset : operation.width;
    const id = `${operation.from} ${offset.value.toFixed(2)}`;
    if (seen.has(id) || offset.value <= 0.01) continue;
    seen.add(id);
    items.push(offsetDimension(`panel-${at}-${face}`, part, operation.from, offset, flip));
  }
  return items;
}

function offsetDimension(id: string, part: Part, from: EdgeReference, dim: Dim, flip: boolean): DimensionItem {
  const [a, b] = [fromStart(sizeOf(part), from, 0), fromStart(sizeOf(part), from, dim.value)];
  const along = from.startsWith('u');
  const place = (value: number) => (along || !flip ? value : part.width.value - value);
  const [low, high] = [Math.min(place(a), place(b)), Math.max(place(a), place(b))];
  return { id, side: along ? 'left' : 'top', level: 0, from: low, to: high, dim };
}

/** Everything cut and bored in a part, in order, each with the edge it is measured from. */
export function machiningTable(part: Part): MachiningRow[] {
  const names = partNames(part);
  return part.machining.map((operation) => rowOf(operation, names));
}
