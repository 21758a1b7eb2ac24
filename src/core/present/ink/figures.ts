import { type LengthStyle, lengthFigures } from '../../ground/index.js';
import type { DimensionItem } from '../../part/index.js';
import type { Colour, Mark } from './mark.js';

/** Widths of the drawing face, in parts of its size. Figures are tabular, so a figure's width is known before it is set. */
const FIGURE = 0.47;
const POINT = 0.24;
const FRACTION_SIZE = 0.72;
const REMAINDER_GAP = 0.28;

/** Type size of figures on a drawing, and of a word beside a figure (sheet units). */
export const FIGURE_SIZE = 17;
export const CAPTION_SIZE = 14;
/** Room a text takes across its line: a stacked fraction is taller than a figure. */
export const TEXT_HEIGHT: Readonly<Record<LengthStyle['unit'], number>> = { mm: 19, in: 27 };

interface Piece {
  readonly kind: 'text' | 'fraction';
  readonly text: string;
  readonly under?: string;
  readonly x: number;
  readonly width: number;
}

function textWidth(text: string): number {
  return [...text].reduce((sum, sign) => sum + (sign === '.' ? POINT : FIGURE), 0);
}

/** Lays a length out along a line: pieces with their places, in parts of the type size. */
function layLength(mm: number, style: LengthStyle): { pieces: Piece[]; width: number } {
  const { negative, whole, fraction, remainder } = lengthFigures(mm, style);
  const pieces: Piece[] = [];
  let x = 0;
  const add = (piece: Omit<Piece, 'x'>) => {
    pieces.push({ ...piece, x });
    x += piece.width;
  };
  const addFraction = (top: number, under: number) => {
    const width = Math.max(textWidth(String(top)), textWidth(String(under))) * FRACTION_SIZE + 0.08;
    add({ kind: 'fraction', text: String(top), under: String(under), width });
  };
  const lead = (negative ? '−' : '') + (whole === '0' && fraction ? '' : whole);
  if (lead) add({ kind: 'text', text: lead, width: textWidth(lead) + 0.06 });
  if (fraction) addFraction(fraction.numerator, fraction.denominator);
  if (remainder) {
    x += REMAINDER_GAP;
    const sign = remainder.word === 'less' ? '−' : '+';
    add({ kind: 'text', text: sign, width: FIGURE });
    addFraction(remainder.numerator, remainder.denominator);
  }
  return { pieces, width: x };
}

/** The width a length takes on a drawing at a type size. */
export function drawnLengthWidth(mm: number, style: LengthStyle, size: number): number {
  return layLength(mm, style).width * size;
}

/** A length on a drawing, centred on a place: figures, and fractions one over the other. */
export function lengthInk(
  mm: number,
  style: LengthStyle,
  { x, y }: { readonly x: number; readonly y: number },
  size: number,
  colour: Colour = 'as it stands',
): Mark[] {
  const { pieces, width } = layLength(mm, style);
  const left = x - (width * size) / 2;
  return pieces.flatMap((piece): Mark[] => {
    const at = left + piece.x * size;
    if (piece.kind === 'text')
      return [{ kind: 'text', x: at, y: y + size * 0.345, text: piece.text, size, fill: colour }];
    const half = (piece.width * size) / 2;
    const middle = at + half;
    const small = { kind: 'text', x: middle, size: size * FRACTION_SIZE, middle: true, fill: colour } as const;
    return [
      { ...small, y: y - size * 0.06, text: piece.text },
      {
        kind: 'line',
        points: [
          { x: middle - half + 1, y },
          { x: middle + half - 1, y },
        ],
        stroke: { colour, width: 1 },
      },
      { ...small, y: y + size * 0.6, text: piece.under ?? '' },
    ];
  });
}

/** Room a caption takes beside its figure, in the condensed face. */
export function captionWidth(caption: string | undefined): number {
  return caption ? caption.length * CAPTION_SIZE * 0.4 + 3 : 0;
}

/** Room a figure takes along its line. */
export function textWidthIn(style: LengthStyle) {
  return (item: DimensionItem) =>
    Math.max(24, drawnLengthWidth(item.dim.value, style, FIGURE_SIZE) + 6) + captionWidth(item.caption);
}
