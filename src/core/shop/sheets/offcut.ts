import type { Rect } from './parting.js';
import { withoutArea } from './stock.js';
import type { Area } from './supply.js';

/** More pieces than this lie on no sheet that is looked at for what is left of it: a file may say anything. */
const MOST_PIECES = 400;

/** The largest rectangle inside the trim that stays a kerf away from every piece; undefined where a sheet is full. */
export function freeOf(
  placements: readonly Area[],
  {
    sheet,
    kerf,
  }: {
    readonly sheet: { readonly length: number; readonly width: number; readonly trim: number };
    readonly kerf: number;
  },
): Area | undefined {
  const { length, width, trim } = sheet;
  if (placements.length > MOST_PIECES) return undefined;
  const grown = placements.map(
    (piece): Rect => ({
      x: piece.x - kerf,
      y: piece.y - kerf,
      length: piece.length + 2 * kerf,
      width: piece.width + 2 * kerf,
    }),
  );
  const whole: Rect = { x: trim, y: trim, length: length - 2 * trim, width: width - 2 * trim };
  const free = grown.reduce<Rect[]>((left, piece) => withoutArea(left, piece), [whole]);
  const area = (each: Rect) => each.length * each.width;
  return free
    .filter((each) => each.length > NEAR && each.width > NEAR)
    .reduce<Rect | undefined>((best, each) => (best && area(best) >= area(each) ? best : each), undefined);
}

/** Slivers are nothing (mm). */
const NEAR = 1e-6;
