import type { SolvedCabinet } from '../solve.js';
import type { RegionItem, Tint } from './drawing.js';
import { drawElevation } from './elevation.js';

/** A cabinet small, in mm, y down from its top: what lies behind first, regions of one tint as one SVG path. */
export interface Thumbnail {
  readonly width: number;
  readonly height: number;
  readonly shapes: readonly { readonly tint: Tint; readonly path: string }[];
}

/** The elevation without lines, marks and dimensions, for lists. */
export function drawThumbnail(solved: SolvedCabinet): Thumbnail {
  const { min, max, items } = drawElevation(solved, '');
  const round = (value: number) => Math.round(value * 10) / 10;
  const rectangle = ({ from, to }: RegionItem) =>
    `M${round(from.h - min.h)} ${round(max.v - to.v)}h${round(to.h - from.h)}v${round(to.v - from.v)}h${round(from.h - to.h)}z`;
  const shapes: { tint: Tint; path: string }[] = [];
  for (const item of items) {
    if (item.kind !== 'region' || item.weight === 'hidden') continue;
    const last = shapes.at(-1);
    if (last?.tint === item.tint) last.path += rectangle(item);
    else shapes.push({ tint: item.tint, path: rectangle(item) });
  }
  return { width: round(max.h - min.h), height: round(max.v - min.v), shapes };
}
