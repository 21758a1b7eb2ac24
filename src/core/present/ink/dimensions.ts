import type { LengthStyle } from '../../ground/index.js';
import type { PlacedDimension } from '../views/index.js';
import { CAPTION_SIZE, captionWidth, drawnLengthWidth, FIGURE_SIZE, lengthInk, TEXT_HEIGHT } from './figures.js';
import type { Colour, Mark, RectMark } from './mark.js';

/** The lines of a dimension, its ticks and its leader: they lie under every text. */
export function dimensionLines({ start, end, extensions, leader }: PlacedDimension): Mark[] {
  const line = (points: readonly { readonly x: number; readonly y: number }[], width: number, seen?: number): Mark => ({
    kind: 'line',
    points,
    stroke: { colour: 'ink', width, ...(seen === undefined ? {} : { seen }) },
  });
  return [
    line([start, end], 0.7),
    ...extensions.map((each) => line(each, 0.7, 0.6)),
    ...[start, end].map(({ x, y }) =>
      line(
        [
          { x: x - 3.5, y: y + 3.5 },
          { x: x + 3.5, y: y - 3.5 },
        ],
        1.3,
      ),
    ),
    ...(leader ? [line(leader, 0.7, 0.5)] : []),
  ];
}

/** The ground a figure stands on, so that no line runs through it. */
export function dimensionGround({ item, text, textWidth }: PlacedDimension, { unit }: LengthStyle): RectMark {
  const upright = item.side === 'left' || item.side === 'right';
  const beyond = upright ? 2 : 1;
  const height = TEXT_HEIGHT[unit];
  return {
    kind: 'rect',
    x: text.x - textWidth / 2 - beyond,
    y: text.y - height / 2,
    width: textWidth + 2 * beyond,
    height,
    fill: 'sheet',
  };
}

/** The figures of a dimension, and the word beside them. */
export function dimensionFigures({ item, text }: PlacedDimension, style: LengthStyle, colour?: Colour): Mark[] {
  const { caption, dim } = item;
  const x = text.x - captionWidth(caption) / 2;
  return [
    ...lengthInk(dim.value, style, { x, y: text.y }, FIGURE_SIZE, colour),
    ...(caption
      ? [
          {
            kind: 'text',
            x: x + drawnLengthWidth(dim.value, style, FIGURE_SIZE) / 2 + 4,
            y: text.y + 5,
            size: CAPTION_SIZE,
            fill: 'ink soft',
            text: caption,
          } as const,
        ]
      : []),
  ];
}
