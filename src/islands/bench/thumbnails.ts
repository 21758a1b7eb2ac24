import { drawThumbnail, type Thumbnail } from '../../core/present/index.js';
import type { SolvedCabinet } from '../../core/solve/index.js';

/** A solved cabinet never changes: its small drawing is made once. */
const thumbnails = new WeakMap<SolvedCabinet, Thumbnail>();

export function thumbnailOf(solved: SolvedCabinet): Thumbnail {
  const known = thumbnails.get(solved) ?? drawThumbnail(solved);
  thumbnails.set(solved, known);
  return known;
}
