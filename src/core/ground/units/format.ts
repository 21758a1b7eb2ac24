import { type LengthUnit, MM_PER_INCH } from './length.js';

/** How a job wants its lengths printed. */
export interface LengthStyle {
  readonly unit: LengthUnit;
  /** Millimetres are rounded to this step: 0.1, 0.5 or 1. */
  readonly mmStep: number;
  /** Inches are shown in 1/graduation: 2, 4, 8, 16, 32 or 64. */
  readonly graduation: number;
}

export const GRADUATIONS = [2, 4, 8, 16, 32, 64] as const;
/** Nothing finer than this is ever printed, not even as a remainder. */
const FINEST = 64;

/** What is left over after rounding to the graduation: "less 1/32" or "plus 1/64". */
export interface Remainder {
  readonly word: 'less' | 'plus';
  readonly numerator: number;
  readonly denominator: number;
}

/** A length taken apart for setting in type: whole number, stacked fraction, remainder note. */
export interface LengthFigures {
  readonly negative: boolean;
  readonly whole: string;
  readonly fraction?: { readonly numerator: number; readonly denominator: number };
  readonly remainder?: Remainder;
}

/** Rounds `mm` to `step` and drops trailing zeros: 764.4, 800, 17.85. */
export function formatMm(mm: number, step = 0.1): string {
  const decimals = Math.max(0, Math.ceil(-Math.log10(step) - 1e-9));
  const stepped = Math.round(mm / step + Math.sign(mm) * 1e-7) * step;
  const text = stepped.toFixed(decimals);
  const bare = text.includes('.') ? text.replace(/\.?0+$/, '') : text;
  return bare === '-0' ? '0' : bare;
}

function reduce(numerator: number, denominator: number): { numerator: number; denominator: number } {
  let n = numerator;
  let d = denominator;
  while (n % 2 === 0 && d > 1) {
    n /= 2;
    d /= 2;
  }
  return { numerator: n, denominator: d };
}

/**
 * Takes a length apart at a graduation. The value is first read to the nearest 1/64; it is then shown as the
 * nearest mark of the graduation with the signed remainder. A tie goes to the larger mark with "less". A size too small
 * for the first mark is shown in 64ths.
 */
export function inchFigures(mm: number, graduation: number): LengthFigures {
  const sixtyFourths = Math.round((Math.abs(mm) / MM_PER_INCH) * FINEST + 1e-7);
  const perMark = FINEST / graduation;
  const marks = Math.floor(sixtyFourths / perMark + 0.5);
  if (marks === 0 && sixtyFourths > 0 && graduation < FINEST) return inchFigures(mm, FINEST);
  const left = sixtyFourths - marks * perMark;
  const whole = Math.floor(marks / graduation);
  const over = marks - whole * graduation;
  return {
    negative: mm < 0 && sixtyFourths > 0,
    whole: String(whole),
    ...(over > 0 ? { fraction: reduce(over, graduation) } : {}),
    ...(left === 0
      ? {}
      : { remainder: { word: left < 0 ? ('less' as const) : ('plus' as const), ...reduce(Math.abs(left), FINEST) } }),
  };
}

/** Takes a length apart in the job's style. */
export function lengthFigures(mm: number, style: LengthStyle): LengthFigures {
  if (style.unit === 'in') return inchFigures(mm, style.graduation);
  const text = formatMm(Math.abs(mm), style.mmStep);
  return { negative: mm < 0 && text !== '0', whole: text };
}

/** One line of text: `764.4`, `30 1/8 less 1/32`, `-1 1/2`. No unit. */
export function formatLength(mm: number, style: LengthStyle): string {
  const figures = lengthFigures(mm, style);
  const fraction = figures.fraction ? `${figures.fraction.numerator}/${figures.fraction.denominator}` : '';
  const main = figures.whole === '0' && fraction ? fraction : [figures.whole, fraction].filter(Boolean).join(' ');
  const rest = figures.remainder
    ? ` ${figures.remainder.word} ${figures.remainder.numerator}/${figures.remainder.denominator}`
    : '';
  // A negative length takes its sign over the whole reading, remainder included.
  return figures.negative ? (rest ? `-(${main}${rest})` : `-${main}`) : main + rest;
}

/** How lengths stand in names that things are kept under, whatever unit a job shows. */
export const KEPT_IN: LengthStyle = { unit: 'mm', mmStep: 0.1, graduation: 16 };

/** As `formatLength`, with the unit: `764.4 mm`, `30 1/8 in less 1/32`. */
export function formatLengthWithUnit(mm: number, style: LengthStyle): string {
  return `${formatLength(mm, style)} ${style.unit}`;
}
