import { type LengthStyle, lengthFigures } from '../../core/ground/index.js';

/** Widths of the drawing face, in parts of its size. Figures are tabular, so a figure's width is known before it is set. */
const FIGURE = 0.47;
const POINT = 0.24;
const FRACTION_SIZE = 0.72;
const REMAINDER_GAP = 0.28;

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

/** A length on a drawing, centred on x and y. */
export function DrawnLength({
  mm,
  style,
  x,
  y,
  size,
}: {
  mm: number;
  style: LengthStyle;
  x: number;
  y: number;
  size: number;
}) {
  const { pieces, width } = layLength(mm, style);
  const left = x - (width * size) / 2;
  return (
    <g fontSize={size} className="fill-current">
      {pieces.map((piece) => {
        const at = left + piece.x * size;
        if (piece.kind === 'text')
          return (
            <text key={piece.x} x={at} y={y + size * 0.345}>
              {piece.text}
            </text>
          );
        const middle = at + (piece.width * size) / 2;
        const small = size * FRACTION_SIZE;
        return (
          <g key={piece.x} fontSize={small} textAnchor="middle">
            <text x={middle} y={y - size * 0.06}>
              {piece.text}
            </text>
            <line
              x1={middle - (piece.width * size) / 2 + 1}
              x2={middle + (piece.width * size) / 2 - 1}
              y1={y}
              y2={y}
              className="stroke-current"
              strokeWidth={1}
            />
            <text x={middle} y={y + size * 0.6}>
              {piece.under}
            </text>
          </g>
        );
      })}
    </g>
  );
}
