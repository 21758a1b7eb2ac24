import type { SolvedCabinet } from '../solve.js';
import type { Tint } from './drawing.js';
import { drawElevation } from './elevation.js';

/** A cabinet small: its outline and fronts, in mm from the lower left corner of what stands on the floor. */
export interface Thumbnail {
  readonly width: number;
  readonly height: number;
  readonly rectangles: readonly {
    readonly tint: Tint;
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
  }[];
}

/** The elevation without lines, marks and dimensions, for lists. `y` runs down from the top. */
export function drawThumbnail(solved: SolvedCabinet): Thumbnail {
  const { min, max, items } = drawElevation(solved, '');
  const round = (value: number) => Math.round(value * 10) / 10;
  return {
    width: round(max.h - min.h),
    height: round(max.v - min.v),
    rectangles: items.flatMap((item) =>
      item.kind === 'region' && item.weight !== 'hidden'
        ? [
            {
              tint: item.tint,
              x: round(item.from.h - min.h),
              y: round(max.v - item.to.v),
              width: round(item.to.h - item.from.h),
              height: round(item.to.v - item.from.v),
            },
          ]
        : [],
    ),
  };
}
