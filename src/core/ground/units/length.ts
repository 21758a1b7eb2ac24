/**
 * Lengths are millimetres, plain numbers. Inches are a way to type and a way to show.
 */
export const MM_PER_INCH = 25.4;

export type LengthUnit = 'mm' | 'in';

/** Two lengths nearer than this are the same length. */
export const TOLERANCE_MM = 0.001;

export function inches(value: number): number {
  return value * MM_PER_INCH;
}
