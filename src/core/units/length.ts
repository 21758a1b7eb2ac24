/**
 * Lengths are millimetres, plain numbers. Inches are a way to type and a way to show.
 */
export const MM_PER_INCH = 25.4;

export type LengthUnit = 'mm' | 'in';

/** Two lengths nearer than this are the same length. */
export const TOLERANCE_MM = 0.001;

/** True when `a` and `b` (mm) differ by no more than the tolerance. */
export function sameLength(a: number, b: number): boolean {
  return Math.abs(a - b) <= TOLERANCE_MM;
}

export function inches(value: number): number {
  return value * MM_PER_INCH;
}
