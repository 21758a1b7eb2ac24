import type { DrawingItem, DrawingPoint, LineWeight, Tint } from '../../part/index.js';
import type { SolvedCabinet } from '../../solve/index.js';
import { drawElevation } from './elevation.js';

/** A small drawing in mm, y down from its top: what lies behind first, alike regions gathered in one SVG path. */
export interface Picture {
  readonly width: number;
  readonly height: number;
  readonly shapes: readonly { readonly tint: Tint; readonly weight: LineWeight; readonly path: string }[];
}

/** A cabinet small. */
export type Thumbnail = Picture;

/** Draws items without dimensions and marks, seen through the window between two corners. */
export function pictureOf(items: readonly DrawingItem[], min: DrawingPoint, max: DrawingPoint): Picture {
  const round = (value: number) => Math.round(value * 10) / 10;
  const x = (point: DrawingPoint) => round(point.h - min.h);
  const y = (point: DrawingPoint) => round(max.v - point.v);
  const run = (points: readonly DrawingPoint[]) =>
    points.map((point, at) => `${at === 0 ? 'M' : 'L'}${x(point)} ${y(point)}`).join('');
  const shapes: { tint: Tint; weight: LineWeight; path: string }[] = [];
  const add = (tint: Tint, weight: LineWeight, path: string) => {
    const last = shapes.at(-1);
    if (last?.tint === tint && last.weight === weight) last.path += path;
    else shapes.push({ tint, weight, path });
  };
  for (const item of items) {
    if ('tint' in item && item.tint === 'bay') continue;
    if (item.kind === 'region')
      add(
        item.tint,
        item.weight,
        `M${x(item.from)} ${y(item.to)}h${round(item.to.h - item.from.h)}v${round(item.to.v - item.from.v)}h${round(item.from.h - item.to.h)}z`,
      );
    else if (item.kind === 'shape') add(item.tint, item.weight, `${run(item.points)}z`);
    else if (item.kind === 'line') add('void', item.weight, run(item.points));
  }
  return { width: round(max.h - min.h), height: round(max.v - min.v), shapes };
}

/** The elevation without what it hides, swings, marks and dimensions, for lists. */
export function drawThumbnail(solved: SolvedCabinet): Thumbnail {
  const { min, max, items } = drawElevation(solved, '');
  const regions = items.filter((item) => item.kind === 'region');
  // What is drawn a second time, dashed, lies behind something: a list can do without it.
  const behind = new Set(regions.filter((item) => item.weight === 'hidden').map((item) => item.shows));
  return pictureOf(
    regions.filter((item) => item.weight !== 'hidden' && !behind.has(item.shows)),
    min,
    max,
  );
}
