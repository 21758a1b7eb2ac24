import type { LengthStyle } from '../../ground/index.js';

/** Scales a drawing board has, each with the next no more than half again as small where that can be. */
const METRIC = [1, 2, 2.5, 3, 4, 5, 6, 8, 10, 12, 15, 20, 25, 30, 40, 50, 75, 100, 200];

/** Of so many inches to the foot: 12, 6, 4, 3, 2, 1 1/2, 1 1/4, 1, 3/4, 5/8, 1/2, 3/8, 1/4, 1/8, 1/16. */
const BY_THE_FOOT = new Map<number, string>([
  [1, 'full size'],
  [2, '6 in = 1 ft'],
  [3, '4 in = 1 ft'],
  [4, '3 in = 1 ft'],
  [6, '2 in = 1 ft'],
  [8, '1 1/2 in = 1 ft'],
  [9.6, '1 1/4 in = 1 ft'],
  [12, '1 in = 1 ft'],
  [16, '3/4 in = 1 ft'],
  [19.2, '5/8 in = 1 ft'],
  [24, '1/2 in = 1 ft'],
  [32, '3/8 in = 1 ft'],
  [48, '1/4 in = 1 ft'],
  [96, '1/8 in = 1 ft'],
  [192, '1/16 in = 1 ft'],
]);

/** The scales a drawing is laid out at, the largest first: 1 to each. */
export function scalesOf(unit: LengthStyle['unit']): readonly number[] {
  return unit === 'mm' ? METRIC : [...BY_THE_FOOT.keys()];
}

/** A scale as it stands in a title block: "1 : 12", "1 1/2 in = 1 ft", "about 1 : 9.7" while it is zoomed. */
export function scaleName(scale: number, unit: LengthStyle['unit']): string {
  const known = unit === 'mm' ? (METRIC.includes(scale) ? `1 : ${scale}` : undefined) : BY_THE_FOOT.get(scale);
  if (known) return known;
  return scale < 1 ? `about ${round(1 / scale)} : 1` : `about 1 : ${round(scale)}`;
}

function round(value: number): string {
  return value < 10 ? String(Math.round(value * 10) / 10) : String(Math.round(value));
}
