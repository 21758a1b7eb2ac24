import { datamatrix, drawingSVG } from 'bwip-js/generic';

/** A machine-readable code of a short text as an SVG drawing (Data Matrix, square, without figures under it). */
export function codeOf(text: string): string {
  return datamatrix({ bcid: 'datamatrix', text, scale: 3 }, drawingSVG());
}
