import type { DimensionItem, Drawing, DrawingPoint, DrawingSide } from '../../part/index.js';

/**
 * Lays a drawing on a sheet: chooses a scale, leaves room for the dimensions, and places every dimension text so that
 * none overlaps another. Sheet units are CSS pixels or points; x to the right, y down.
 */
export interface SheetSpace {
  readonly width: number;
  readonly height: number;
  /** Sheet units per millimetre of paper, for the scale that is printed: 96 / 25.4 on a screen. */
  readonly unitsPerMm: number;
  /** The scales to choose from, the largest first. */
  readonly scales: readonly number[];
  /** Height of a dimension text. */
  readonly textHeight: number;
}

export interface SheetPoint {
  readonly x: number;
  readonly y: number;
}

export interface PlacedDimension {
  readonly item: DimensionItem;
  /** Ends of the dimension line. */
  readonly start: SheetPoint;
  readonly end: SheetPoint;
  /** Extension lines from the object. */
  readonly extensions: readonly (readonly [SheetPoint, SheetPoint])[];
  /** Middle of the text. */
  readonly text: SheetPoint;
  readonly textWidth: number;
  /** A thin line from text to span where the text had to move away. */
  readonly leader?: readonly [SheetPoint, SheetPoint];
}

export interface LaidSheet {
  /** 1 : scale. */
  readonly scale: number;
  /** Sheet units per mm of the cabinet. */
  readonly unit: number;
  /** Where the point 0, 0 of the drawing lies. */
  readonly origin: SheetPoint;
  readonly dimensions: readonly PlacedDimension[];
}

/** Where a point of a drawing lies on its sheet. */
export function onSheet({ origin, unit }: Pick<LaidSheet, 'origin' | 'unit'>, { h, v }: DrawingPoint): SheetPoint {
  return { x: origin.x + h * unit, y: origin.y - v * unit };
}

const LINE_GAP = 13;
export const MARGIN = 8;

export type TextWidth = (item: DimensionItem) => number;

/** How large the texts are. */
export interface TextSize {
  readonly width: TextWidth;
  readonly height: number;
}

/** One column (or row) of dimension lines beside the object, with the room its texts take. */
export interface Lane {
  readonly side: DrawingSide;
  readonly level: number;
  /** Distance of the dimension line from the object. */
  readonly offset: number;
  /** Distance of the middle of its texts from the object, in line and staggered. */
  readonly inline: number;
  readonly staggered: number;
  /** Outer edge of its texts. */
  readonly edge: number;
}

const SIDES: readonly DrawingSide[] = ['left', 'right', 'top', 'bottom'];
const isUpright = (side: DrawingSide) => side === 'left' || side === 'right';

/** What does not fit at any scale is drawn at this. */
export const SMALLEST = 200;

/** What is laid out with as many dimensions as it takes apart, or without any. */
export function firstLegible<T>(lay: (keep: (item: DimensionItem) => boolean) => T | undefined, bare: () => T): T {
  for (const keep of FEWER) {
    const laid = lay(keep);
    if (laid) return laid;
  }
  return bare();
}

/** A drawing with some of its dimensions. */
export function lighter(drawing: Drawing, keep: (item: DimensionItem) => boolean): Drawing {
  return { ...drawing, dimensions: drawing.dimensions.filter(keep) };
}

/** Spans up to this are gaps and reveals (mm). */
const SMALL_SPAN = 12;

/** Which dimensions are drawn: all that there are, or fewer where a sheet cannot carry them apart. */
const FEWER: readonly ((item: DimensionItem) => boolean)[] = [
  () => true,
  (item) => item.to - item.from > SMALL_SPAN,
  (item) => item.overall === true,
];

/** Every text on the sheet, and no two of them on each other. */
export function legible(laid: Pick<LaidSheet, 'dimensions'>, space: SheetSpace): boolean {
  const { width, height, textHeight } = space;
  return (
    laid.dimensions.every(({ text: { x, y }, textWidth }) => {
      const [across, up] = [textWidth / 2, textHeight / 2];
      return x - across >= 0 && x + across <= width && y - up >= 0 && y + up <= height;
    }) && areApart(laid, space)
  );
}

/** No two texts on each other. */
export function areApart(
  { dimensions }: Pick<LaidSheet, 'dimensions'>,
  { textHeight }: Pick<SheetSpace, 'textHeight'>,
): boolean {
  return dimensions.every((a, at) =>
    dimensions
      .slice(at + 1)
      .every(
        (b) =>
          Math.abs(a.text.x - b.text.x) >= (a.textWidth + b.textWidth) / 2 ||
          Math.abs(a.text.y - b.text.y) >= textHeight - 0.5,
      ),
  );
}

/** Room the dimensions at a side take. */
export function roomAt(lanes: readonly Lane[], side: DrawingSide): number {
  return lanes.filter((lane) => lane.side === side).reduce((most, lane) => Math.max(most, lane.edge + MARGIN), MARGIN);
}

/** Half of the room a text takes across its lane. */
function halfAcross(side: DrawingSide, items: readonly DimensionItem[], text: TextSize): number {
  return isUpright(side) ? Math.max(0, ...items.map(text.width)) / 2 : text.height / 2;
}

function itemsOf(drawing: Drawing, side: DrawingSide, level: number): DimensionItem[] {
  return drawing.dimensions.filter((item) => item.side === side && item.level === level && item.to >= item.from);
}

/** True when the text fits between the ticks of its own span. */
function fitsInline(item: DimensionItem, unit: number, text: TextSize): boolean {
  const room = (item.to - item.from) * unit;
  return isUpright(item.side) ? room >= text.height : room >= text.width(item) + 8;
}

export function planLanes(drawing: Drawing, unit: number, text: TextSize): Lane[] {
  return SIDES.flatMap((side) => {
    const levels = [...new Set(drawing.dimensions.filter((item) => item.side === side).map((item) => item.level))].sort(
      (a, b) => a - b,
    );
    let edge = 0;
    return levels.map((level): Lane => {
      const items = itemsOf(drawing, side, level);
      const offset = edge + LINE_GAP;
      const inline = items.filter((item) => fitsInline(item, unit, text));
      const outside = items.filter((item) => !fitsInline(item, unit, text));
      const half = halfAcross(side, inline, text);
      const inlineAt = offset + 5 + half;
      const outerHalf = halfAcross(side, outside, text);
      const staggeredAt = (inline.length > 0 ? inlineAt + half : offset) + 8 + outerHalf;
      edge = outside.length > 0 ? staggeredAt + outerHalf : inlineAt + half;
      return { side, level, offset, inline: inlineAt, staggered: staggeredAt, edge };
    });
  });
}

export function placeLane(
  lane: Lane,
  drawing: Drawing,
  sheet: Pick<LaidSheet, 'origin' | 'unit'>,
  text: TextSize,
): PlacedDimension[] {
  const upright = isUpright(lane.side);
  const outward = lane.side === 'left' || lane.side === 'top' ? -1 : 1;
  const corner = onSheet(sheet, {
    h: lane.side === 'right' ? drawing.max.h : drawing.min.h,
    v: lane.side === 'bottom' ? drawing.min.v : drawing.max.v,
  });
  const edge = upright ? corner.x : corner.y;
  const at = (distance: number) => edge + outward * distance;
  const point = (along: number, across: number): SheetPoint =>
    upright ? { x: across, y: along } : { x: along, y: across };
  const along = (value: number) =>
    upright ? onSheet(sheet, { h: 0, v: value }).y : onSheet(sheet, { h: value, v: 0 }).x;
  const items = itemsOf(drawing, lane.side, lane.level).map((item) => {
    const [a, b] = [along(item.from), along(item.to)];
    const room = Math.abs(b - a);
    const inline = upright ? room >= text.height : room >= text.width(item) + 8;
    return { item, a, b, inline, middle: (a + b) / 2, extent: upright ? text.height : text.width(item) + 8 };
  });
  const spots = new Map<string, number>();
  for (const inline of [true, false])
    for (const [id, spot] of spread(items.filter((entry) => entry.inline === inline))) spots.set(id, spot);
  return items.map(({ item, a, b, inline, middle }) => {
    const across = at(inline ? lane.inline : lane.staggered);
    const spot = spots.get(item.id) ?? middle;
    const line = at(lane.offset);
    const half = upright ? text.width(item) / 2 : text.height / 2;
    const near = across - outward * (half + 1);
    return {
      item,
      start: point(a, line),
      end: point(b, line),
      extensions: [a, b].map((value) => [point(value, at(3)), point(value, at(lane.offset + 4))] as const),
      text: point(spot, across),
      textWidth: text.width(item),
      ...(inline ? {} : { leader: [point(middle, line), point(spot, near)] as const }),
    };
  });
}

/** Moves texts apart along their lane, as little as it takes, in order. */
function spread(entries: readonly { item: DimensionItem; middle: number; extent: number }[]): Map<string, number> {
  const sorted = [...entries].sort((a, b) => a.middle - b.middle);
  // Clusters of touching texts are centred on the mean of what they belong to.
  const clusters: { members: typeof sorted; start: number; size: number }[] = [];
  for (const entry of sorted) {
    clusters.push({ members: [entry], start: entry.middle - entry.extent / 2, size: entry.extent });
    while (clusters.length > 1) {
      const last = clusters[clusters.length - 1];
      const before = clusters[clusters.length - 2];
      if (!last || !before || before.start + before.size <= last.start) break;
      const members = [...before.members, ...last.members];
      const size = before.size + last.size;
      const centre = members.reduce((sum, member) => sum + member.middle, 0) / members.length;
      clusters.splice(-2, 2, { members, size, start: centre - size / 2 });
    }
  }
  const spots = new Map<string, number>();
  for (const cluster of clusters) {
    let at = cluster.start;
    for (const member of cluster.members) {
      spots.set(member.item.id, at + member.extent / 2);
      at += member.extent;
    }
  }
  return spots;
}
