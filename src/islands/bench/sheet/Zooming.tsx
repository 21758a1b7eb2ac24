import type { RefObject } from 'react';
import { useZoom } from './useZoom.js';

/** Lets the paper be come nearer to and moved; it comes with the rest, once the sheet was drawn. */
export function Zooming({ paper }: { paper: RefObject<SVGSVGElement | null> }) {
  useZoom(paper);
  return null;
}
